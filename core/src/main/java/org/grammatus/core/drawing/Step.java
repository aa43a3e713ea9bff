package org.grammatus.core.drawing;

import java.util.stream.DoubleStream;

/** A part of an outline. Places are from the top left corner of the drawing, rightwards and down, in its own units. */
public sealed interface Step {

    /** Whether all of its places are numbers, and none is farther away than so much. */
    default boolean isWithin(double farthest) {
        return switch (this) {
            case Move(double x, double y) -> isWithin(farthest, x, y);
            case Line(double x, double y) -> isWithin(farthest, x, y);
            case Curve(double x1, double y1, double x2, double y2, double x, double y) ->
                isWithin(farthest, x1, y1, x2, y2, x, y);
            case Close() -> true;
        };
    }

    private static boolean isWithin(double farthest, double... places) {
        return DoubleStream.of(places).allMatch(place -> Math.abs(place) <= farthest);
    }

    /** Begins a new line of the outline. */
    record Move(double x, double y) implements Step {}

    /** Goes straight on. */
    record Line(double x, double y) implements Step {}

    /** Goes on in a cubic Bézier curve; the first two places are those that it bends towards. */
    record Curve(double x1, double y1, double x2, double y2, double x, double y) implements Step {}

    /** Goes back to where the line began. */
    record Close() implements Step {}
}
