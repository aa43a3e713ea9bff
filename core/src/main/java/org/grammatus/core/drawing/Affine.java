package org.grammatus.core.drawing;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.DoubleStream;

/** An affine transformation: x becomes ax + cy + e, y becomes bx + dy + f. */
record Affine(double a, double b, double c, double d, double e, double f) {

    static final Affine NONE = new Affine(1, 0, 0, 1, 0, 0);

    private static final Pattern FUNCTION = Pattern.compile("\\s*([A-Za-z]+)\\s*\\(([^()]*)\\)\\s*,?");

    /**
     * What {@code transform} says (SVG 1.1, 7.6).
     *
     * @throws IllegalArgumentException in words, where it says nothing that can be followed
     */
    static Affine of(String transform) {
        Affine all = NONE;
        Matcher functions = FUNCTION.matcher(transform);
        int end = 0;
        while (functions.find() && functions.start() == end) {
            all = all.after(one(functions.group(1), numbers(functions.group(2))));
            end = functions.end();
        }
        if (!transform.substring(end).isBlank()) {
            throw new IllegalArgumentException("its transform \"" + transform + "\" cannot be followed");
        }
        return all;
    }

    private static double[] numbers(String list) {
        return SvgNumbers.list(list).stream().mapToDouble(Double::doubleValue).toArray();
    }

    private static Affine one(String name, double... v) {
        return switch (name + "/" + v.length) {
            case "matrix/6" -> new Affine(v[0], v[1], v[2], v[3], v[4], v[5]);
            case "translate/1" -> new Affine(1, 0, 0, 1, v[0], 0);
            case "translate/2" -> new Affine(1, 0, 0, 1, v[0], v[1]);
            case "scale/1" -> new Affine(v[0], 0, 0, v[0], 0, 0);
            case "scale/2" -> new Affine(v[0], 0, 0, v[1], 0, 0);
            case "rotate/1" -> turn(v[0]);
            case "rotate/3" ->
                new Affine(1, 0, 0, 1, v[1], v[2]).after(turn(v[0])).after(new Affine(1, 0, 0, 1, -v[1], -v[2]));
            case "skewX/1" -> new Affine(1, 0, Math.tan(Math.toRadians(v[0])), 1, 0, 0);
            case "skewY/1" -> new Affine(1, Math.tan(Math.toRadians(v[0])), 0, 1, 0, 0);
            default -> throw new IllegalArgumentException("its transform " + name + " cannot be followed");
        };
    }

    private static Affine turn(double degrees) {
        double cos = Math.cos(Math.toRadians(degrees));
        double sin = Math.sin(Math.toRadians(degrees));
        return new Affine(cos, sin, -sin, cos, 0, 0);
    }

    /** Both, the other one first. */
    Affine after(Affine o) {
        return new Affine(
                a * o.a + c * o.b,
                b * o.a + d * o.b,
                a * o.c + c * o.d,
                b * o.c + d * o.d,
                a * o.e + c * o.f + e,
                b * o.e + d * o.f + f);
    }

    private double x(double x, double y) {
        return a * x + c * y + e;
    }

    private double y(double x, double y) {
        return b * x + d * y + f;
    }

    /** How much longer lines become; where it is not the same either way, what leaves areas right. */
    double scale() {
        return Math.sqrt(Math.abs(a * d - b * c));
    }

    /** Whether what it moves stays where numbers are sound. */
    boolean isSound() {
        return DoubleStream.of(a, b, c, d, e, f).allMatch(part -> Math.abs(part) <= SvgNumbers.LARGEST);
    }

    Step of(Step step) {
        return switch (step) {
            case Step.Move(double x, double y) -> new Step.Move(x(x, y), y(x, y));
            case Step.Line(double x, double y) -> new Step.Line(x(x, y), y(x, y));
            case Step.Curve(double x1, double y1, double x2, double y2, double x, double y) ->
                new Step.Curve(x(x1, y1), y(x1, y1), x(x2, y2), y(x2, y2), x(x, y), y(x, y));
            case Step.Close close -> close;
        };
    }
}
