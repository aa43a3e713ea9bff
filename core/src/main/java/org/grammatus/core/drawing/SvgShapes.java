package org.grammatus.core.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** The outlines of the shapes of SVG (SVG 1.1, 8 and 9). */
final class SvgShapes {

    private SvgShapes() {}

    /**
     * The outline of an element; nothing where it has none.
     *
     * @param element one of those of {@link SvgFile}
     */
    static List<Step> outline(String element, Map<String, String> said) {
        return switch (element) {
            case "path" -> PathData.read(said.getOrDefault("d", ""));
            case "rect" -> rectangle(said);
            case "circle" -> ellipse(said, length(said, "r"), length(said, "r"));
            case "ellipse" -> ellipse(said, length(said, "rx"), length(said, "ry"));
            case "line" ->
                List.of(
                        new Step.Move(length(said, "x1"), length(said, "y1")),
                        new Step.Line(length(said, "x2"), length(said, "y2")));
            case "polyline" -> corners(said, false);
            case "polygon" -> corners(said, true);
            default -> throw new IllegalStateException(element);
        };
    }

    private static double length(Map<String, String> said, String property) {
        return said.containsKey(property) ? SvgNumbers.length(said.get(property)) : 0;
    }

    private static List<Step> ellipse(Map<String, String> said, double rx, double ry) {
        if (rx <= 0 || ry <= 0) {
            return List.of();
        }
        double x = length(said, "cx");
        double y = length(said, "cy");
        Arc half = new Arc(rx, ry, 0, false, true);
        List<Step> steps = new ArrayList<>();
        steps.add(new Step.Move(x + rx, y));
        steps.addAll(half.steps(x + rx, y, x - rx, y));
        steps.addAll(half.steps(x - rx, y, x + rx, y));
        steps.add(new Step.Close());
        return steps;
    }

    private static List<Step> rectangle(Map<String, String> said) {
        double x = length(said, "x");
        double y = length(said, "y");
        double right = x + length(said, "width");
        double bottom = y + length(said, "height");
        if (right <= x || bottom <= y) {
            return List.of();
        }
        double rx = Math.min(length(said, said.containsKey("rx") ? "rx" : "ry"), (right - x) / 2);
        double ry = Math.min(length(said, said.containsKey("ry") ? "ry" : "rx"), (bottom - y) / 2);
        Arc corner = new Arc(rx, ry, 0, false, true);
        List<Step> steps = new ArrayList<>();
        steps.add(new Step.Move(x + rx, y));
        steps.add(new Step.Line(right - rx, y));
        steps.addAll(corner.steps(right - rx, y, right, y + ry));
        steps.add(new Step.Line(right, bottom - ry));
        steps.addAll(corner.steps(right, bottom - ry, right - rx, bottom));
        steps.add(new Step.Line(x + rx, bottom));
        steps.addAll(corner.steps(x + rx, bottom, x, bottom - ry));
        steps.add(new Step.Line(x, y + ry));
        steps.addAll(corner.steps(x, y + ry, x + rx, y));
        steps.add(new Step.Close());
        return steps;
    }

    private static List<Step> corners(Map<String, String> said, boolean closed) {
        List<Double> numbers = SvgNumbers.list(said.getOrDefault("points", ""));
        List<Step> steps = new ArrayList<>();
        for (int i = 0; i + 1 < numbers.size(); i += 2) {
            double x = numbers.get(i);
            double y = numbers.get(i + 1);
            steps.add(i == 0 ? new Step.Move(x, y) : new Step.Line(x, y));
        }
        if (closed && !steps.isEmpty()) {
            steps.add(new Step.Close());
        }
        return steps;
    }
}
