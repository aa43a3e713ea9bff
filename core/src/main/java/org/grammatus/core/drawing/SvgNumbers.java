package org.grammatus.core.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Lengths and lists of numbers of an SVG document, in its user units. */
final class SvgNumbers {

    private static final Pattern LENGTH =
            Pattern.compile("([-+]?(?:\\d+\\.?\\d*|\\.\\d+)(?:[eE][-+]?\\d+)?)(px|pt|pc|mm|cm|in)?");

    /** What is beyond is a mistake, and would leave nothing of a drawing to be seen. */
    static final double LARGEST = 1e7;

    private SvgNumbers() {}

    /** A number. */
    static double number(String text) {
        double number = Double.parseDouble(text);
        if (Math.abs(number) > LARGEST) {
            throw new IllegalArgumentException("the number " + text + " is too large");
        }
        return number;
    }

    /** @throws IllegalArgumentException in words, where it is no length, or one of something else, such as a share */
    static double length(String text) {
        Matcher length = LENGTH.matcher(text.strip());
        if (!length.matches()) {
            throw new IllegalArgumentException("\"" + text + "\" is no length, expected a number");
        }
        String unit = length.group(2);
        return number(length.group(1))
                * switch (unit == null ? "px" : unit) {
                    case "pt" -> 96.0 / 72;
                    case "pc" -> 16;
                    case "mm" -> 96 / 25.4;
                    case "cm" -> 96 / 2.54;
                    case "in" -> 96;
                    default -> 1;
                };
    }

    /** Numbers with spaces or commas between them. */
    static List<Double> list(String text) {
        List<Double> numbers = new ArrayList<>();
        for (String each : text.strip().split("[\\s,]+")) {
            if (!each.isEmpty()) {
                numbers.add(length(each));
            }
        }
        return numbers;
    }
}
