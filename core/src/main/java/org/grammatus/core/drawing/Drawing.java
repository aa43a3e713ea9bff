package org.grammatus.core.drawing;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/** Shapes one above the other, in a field of some width and height in units of its own; what is outside of it is not shown. Immutable. */
public record Drawing(double width, double height, List<Shape> shapes) {

    private static final int DECIMALS = 4;
    /** How long the longer side of a drawing is that is kept, in units of its own. */
    private static final double FIELD = 1_000;

    private static final int MOST_SHAPE = 100;
    /** Farther away nothing of a drawing is meant to be, and readers of PDF go wrong. */
    private static final double FARTHEST = 30_000;

    public Drawing {
        shapes = List.copyOf(shapes);
    }

    /**
     * The drawing in a field of a usual size, whatever its own units are: what is rounded in it is too small to be seen.
     *
     * @throws IllegalArgumentException in words, if it is far longer one way than the other, or reaches far beyond its field
     */
    public Drawing inUsualField() {
        if (width > MOST_SHAPE * height || height > MOST_SHAPE * width) {
            throw new IllegalArgumentException("it is more than " + MOST_SHAPE + " times as long one way as the other");
        }
        double scale = FIELD / Math.max(width, height);
        Drawing usual = new Drawing(
                width * scale,
                height * scale,
                shapes.stream().map(shape -> shape.scaled(scale)).toList());
        boolean near = usual.shapes.stream()
                .flatMap(shape -> shape.outline().stream())
                .allMatch(step -> step.isWithin(FARTHEST));
        if (!near) {
            throw new IllegalArgumentException("it reaches far beyond its own field");
        }
        return usual;
    }

    /** The drawing as an SVG document (SVG 1.1), of paths alone: nothing of the file that it was read from is left. */
    public String svg() {
        return shapes.stream()
                .map(Drawing::path)
                .collect(Collectors.joining(
                        "",
                        "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 " + number(width) + " "
                                + number(height) + "\">",
                        "</svg>"));
    }

    private static String path(Shape shape) {
        String stroke = shape.stroke()
                .map(line -> " stroke=\"%s\" stroke-width=\"%s\" stroke-linecap=\"%s\" stroke-linejoin=\"%s\""
                                .formatted(line.colour(), number(line.width()), word(line.cap()), word(line.join()))
                        + " stroke-miterlimit=\"" + number(line.miterLimit()) + "\"")
                .orElse("");
        return "<path d=\"%s\" fill=\"%s\"%s%s/>"
                .formatted(
                        shape.outline().stream().map(Drawing::step).collect(Collectors.joining()),
                        shape.fill().orElse("none"),
                        shape.evenOdd() ? " fill-rule=\"evenodd\"" : "",
                        stroke);
    }

    private static String step(Step step) {
        return switch (step) {
            case Step.Move to -> "M" + numbers(to.x(), to.y());
            case Step.Line to -> "L" + numbers(to.x(), to.y());
            case Step.Curve to -> "C" + numbers(to.x1(), to.y1(), to.x2(), to.y2(), to.x(), to.y());
            case Step.Close() -> "Z";
        };
    }

    private static String word(Enum<?> choice) {
        return choice.name().toLowerCase(Locale.ROOT);
    }

    private static String numbers(double... all) {
        StringBuilder out = new StringBuilder();
        for (double each : all) {
            out.append(out.isEmpty() ? "" : " ").append(number(each));
        }
        return out.toString();
    }

    private static String number(double value) {
        return BigDecimal.valueOf(value)
                .setScale(DECIMALS, RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }
}
