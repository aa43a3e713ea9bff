package org.grammatus.core.drawing;

import java.util.List;
import java.util.Optional;

/**
 * An outline with what it is filled with and drawn in. Immutable.
 *
 * @param fill {@code #rrggbb}; none leaves it open
 * @param evenOdd whether a place is inside by the even-odd rule, not by the nonzero one
 */
public record Shape(List<Step> outline, Optional<String> fill, boolean evenOdd, Optional<Stroke> stroke) {

    public Shape {
        outline = List.copyOf(outline);
    }

    /** The same so many times as large, from the corner where places begin. */
    Shape scaled(double scale) {
        Affine larger = new Affine(scale, 0, 0, scale, 0, 0);
        return new Shape(
                outline.stream().map(larger::of).toList(),
                fill,
                evenOdd,
                stroke.map(line ->
                        new Stroke(line.colour(), line.width() * scale, line.cap(), line.join(), line.miterLimit())));
    }

    /**
     * How an outline is drawn.
     *
     * @param colour {@code #rrggbb}
     * @param width in units of the drawing
     */
    public record Stroke(String colour, double width, Cap cap, Join join, double miterLimit) {}

    /** How a line ends; in the order of PDF's numbers (ISO 32000-1, 8.4.3.3). */
    public enum Cap {
        BUTT,
        ROUND,
        SQUARE
    }

    /** How lines meet; in the order of PDF's numbers (ISO 32000-1, 8.4.3.4). */
    public enum Join {
        MITER,
        ROUND,
        BEVEL
    }
}
