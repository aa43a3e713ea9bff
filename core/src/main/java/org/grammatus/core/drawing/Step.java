package org.grammatus.core.drawing;

/** A part of an outline. Places are from the top left corner of the drawing, rightwards and down, in its own units. */
public sealed interface Step {

    /** Begins a new line of the outline. */
    record Move(double x, double y) implements Step {}

    /** Goes straight on. */
    record Line(double x, double y) implements Step {}

    /** Goes on in a cubic Bézier curve; the first two places are those that it bends towards. */
    record Curve(double x1, double y1, double x2, double y2, double x, double y) implements Step {}

    /** Goes back to where the line began. */
    record Close() implements Step {}
}
