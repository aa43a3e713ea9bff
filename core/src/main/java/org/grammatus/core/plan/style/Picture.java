package org.grammatus.core.plan.style;

import org.grammatus.core.drawing.Drawing;

/** A picture of some size, in hundredths of a point. */
public sealed interface Picture {

    int width();

    int height();

    /** @param content a PNG file (ISO/IEC 15948) in Base64 */
    record Dots(String content, int width, int height) implements Picture {}

    /** @param drawing as it was read from its file */
    record Drawn(Drawing drawing, int width, int height) implements Picture {}
}
