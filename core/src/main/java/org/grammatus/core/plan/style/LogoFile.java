package org.grammatus.core.plan.style;

import org.grammatus.core.definition.style.Logo;
import org.grammatus.core.drawing.Drawing;
import org.grammatus.core.drawing.SvgFile;

/** A logo's file looked through from end to end: it comes from outside, and a page must never fail on it. */
final class LogoFile {

    /** So many hundredths of a point make a millimetre. */
    static final double HUNDREDTHS_OF_MM = 7200 / 25.4;

    private LogoFile() {}

    /**
     * The logo as large as it is printed.
     *
     * @throws IllegalArgumentException with what is wrong with the file, in words
     */
    static Picture read(Logo logo) {
        if (logo.png().isPresent() == logo.svg().isPresent()) {
            throw new IllegalArgumentException("it is either a png or an svg, expected one of them");
        }
        if (logo.png().isPresent()) {
            int[] dots = PngFile.size(logo.png().get());
            int width = width(logo);
            return new Picture.Dots(logo.png().get(), width, height(width, dots[0], dots[1]));
        }
        Drawing drawing = SvgFile.read(logo.svg().get()).inUsualField();
        int width = width(logo);
        return new Picture.Drawn(drawing, width, height(width, drawing.width(), drawing.height()));
    }

    private static int width(Logo logo) {
        return (int) Math.round(logo.width() * HUNDREDTHS_OF_MM);
    }

    private static int height(int width, double wide, double high) {
        return Math.max(1, (int) (width * high / wide));
    }
}
