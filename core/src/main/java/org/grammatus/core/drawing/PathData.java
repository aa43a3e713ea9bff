package org.grammatus.core.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads the {@code d} of a path (SVG 1.1, 8.3) into steps: smooth and quadratic curves and arcs become cubic ones. */
final class PathData {

    private static final Pattern NUMBER = Pattern.compile("[\\s,]*([-+]?(?:\\d+\\.?\\d*|\\.\\d+)(?:[eE][-+]?\\d+)?)");
    private static final Pattern FLAG = Pattern.compile("[\\s,]*([01])");
    private static final Pattern COMMAND = Pattern.compile("[\\s,]*([A-Za-z])");
    private static final double THIRDS = 2.0 / 3;

    private final String text;
    private final List<Step> steps = new ArrayList<>();
    private int at;
    private double x;
    private double y;
    private double startX;
    private double startY;
    /** Where the last curve bent towards; where the line is, if the last step was no curve. */
    private double bendX;

    private double bendY;
    private char kindOfBend = ' ';

    private PathData(String text) {
        this.text = text;
    }

    /** @throws IllegalArgumentException in words, with the place at which it cannot be read */
    static List<Step> read(String text) {
        PathData path = new PathData(text);
        path.all();
        return path.steps;
    }

    private void all() {
        char command = ' ';
        while (!text.substring(at).isBlank()) {
            String next = found(COMMAND);
            if (next != null) {
                command = next.charAt(0);
                if (steps.isEmpty() && Character.toLowerCase(command) != 'm') {
                    throw unreadable();
                }
            } else if (command == ' ' || Character.toLowerCase(command) == 'z') {
                throw unreadable();
            }
            step(Character.toLowerCase(command), Character.isLowerCase(command));
            if (command == 'm' || command == 'M') {
                // What follows a first place goes on to the next ones.
                command = command == 'm' ? 'l' : 'L';
            }
        }
    }

    private void step(char command, boolean relative) {
        double fromX = relative ? x : 0;
        double fromY = relative ? y : 0;
        switch (command) {
            case 'm' -> {
                to(fromX + number(), fromY + number());
                startX = x;
                startY = y;
                steps.add(new Step.Move(x, y));
            }
            case 'l' -> line(fromX + number(), fromY + number());
            case 'h' -> line(fromX + number(), y);
            case 'v' -> line(x, fromY + number());
            case 'c' ->
                curve(
                        fromX + number(),
                        fromY + number(),
                        fromX + number(),
                        fromY + number(),
                        fromX + number(),
                        fromY + number());
            case 's' -> {
                double x1 = mirrored('c', x, bendX);
                double y1 = mirrored('c', y, bendY);
                curve(x1, y1, fromX + number(), fromY + number(), fromX + number(), fromY + number());
            }
            case 'q' -> quadratic(fromX + number(), fromY + number(), fromX + number(), fromY + number());
            case 't' -> {
                double x1 = mirrored('q', x, bendX);
                double y1 = mirrored('q', y, bendY);
                quadratic(x1, y1, fromX + number(), fromY + number());
            }
            case 'a' -> {
                Arc arc = new Arc(number(), number(), number(), flag(), flag());
                double endX = fromX + number();
                double endY = fromY + number();
                steps.addAll(arc.steps(x, y, endX, endY));
                to(endX, endY);
            }
            case 'z' -> {
                steps.add(new Step.Close());
                to(startX, startY);
            }
            default -> throw unreadable();
        }
    }

    private void to(double toX, double toY) {
        x = toX;
        y = toY;
        bendX = toX;
        bendY = toY;
        kindOfBend = ' ';
    }

    private void line(double toX, double toY) {
        to(toX, toY);
        steps.add(new Step.Line(x, y));
    }

    private void curve(double x1, double y1, double x2, double y2, double toX, double toY) {
        steps.add(new Step.Curve(x1, y1, x2, y2, toX, toY));
        to(toX, toY);
        bendX = x2;
        bendY = y2;
        kindOfBend = 'c';
    }

    private void quadratic(double x1, double y1, double toX, double toY) {
        steps.add(new Step.Curve(
                x + THIRDS * (x1 - x),
                y + THIRDS * (y1 - y),
                toX + THIRDS * (x1 - toX),
                toY + THIRDS * (y1 - toY),
                toX,
                toY));
        to(toX, toY);
        bendX = x1;
        bendY = y1;
        kindOfBend = 'q';
    }

    private double mirrored(char kind, double here, double bend) {
        return kindOfBend == kind ? 2 * here - bend : here;
    }

    private double number() {
        String found = found(NUMBER);
        if (found == null) {
            throw unreadable();
        }
        return SvgNumbers.number(found);
    }

    private boolean flag() {
        String found = found(FLAG);
        if (found == null) {
            throw unreadable();
        }
        return found.equals("1");
    }

    private String found(Pattern what) {
        Matcher here = what.matcher(text).region(at, text.length());
        if (!here.lookingAt()) {
            return null;
        }
        at = here.end();
        return here.group(1);
    }

    private IllegalArgumentException unreadable() {
        return new IllegalArgumentException("its path cannot be read after character " + at);
    }
}
