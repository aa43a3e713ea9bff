package org.grammatus.core.drawing;

import java.util.ArrayList;
import java.util.List;

/**
 * A part of an ellipse between two places (SVG 1.1, 8.3.8 and F.6).
 *
 * @param degrees by which the ellipse is turned
 */
record Arc(double radiusX, double radiusY, double degrees, boolean large, boolean sweep) {

    /** The arc in cubic curves of a quarter at most, exact to some 3 in 10 000 of its radius. */
    List<Step> steps(double x1, double y1, double x2, double y2) {
        if (x1 == x2 && y1 == y2) {
            return List.of();
        }
        double rx = Math.abs(radiusX);
        double ry = Math.abs(radiusY);
        if (rx == 0 || ry == 0) {
            return List.of(new Step.Line(x2, y2));
        }
        double cos = Math.cos(Math.toRadians(degrees));
        double sin = Math.sin(Math.toRadians(degrees));
        double halfX = (cos * (x1 - x2) + sin * (y1 - y2)) / 2;
        double halfY = (cos * (y1 - y2) - sin * (x1 - x2)) / 2;
        double tooFar = Math.sqrt(halfX * halfX / (rx * rx) + halfY * halfY / (ry * ry));
        if (tooFar > 1) {
            rx *= tooFar;
            ry *= tooFar;
        }
        double square = rx * rx * halfY * halfY + ry * ry * halfX * halfX;
        double factor = Math.sqrt(Math.max(0, (rx * rx * ry * ry - square) / square)) * (large == sweep ? -1 : 1);
        double middleX = factor * rx * halfY / ry;
        double middleY = -factor * ry * halfX / rx;
        double start = Math.atan2((halfY - middleY) / ry, (halfX - middleX) / rx);
        double turn = Math.atan2((-halfY - middleY) / ry, (-halfX - middleX) / rx) - start;
        if (sweep && turn < 0) {
            turn += 2 * Math.PI;
        } else if (!sweep && turn > 0) {
            turn -= 2 * Math.PI;
        }
        Affine ellipse = new Affine(
                cos * rx,
                sin * rx,
                -sin * ry,
                cos * ry,
                cos * middleX - sin * middleY + (x1 + x2) / 2,
                sin * middleX + cos * middleY + (y1 + y2) / 2);
        return onUnitCircle(start, turn).stream().map(ellipse::of).toList();
    }

    private static List<Step> onUnitCircle(double start, double turn) {
        int parts = Math.max(1, (int) Math.ceil(Math.abs(turn) / (Math.PI / 2) - 1e-9));
        double part = turn / parts;
        double handle = 4.0 / 3 * Math.tan(part / 4);
        List<Step> steps = new ArrayList<>(parts);
        for (int i = 0; i < parts; i++) {
            double from = start + i * part;
            double to = from + part;
            steps.add(new Step.Curve(
                    Math.cos(from) - handle * Math.sin(from),
                    Math.sin(from) + handle * Math.cos(from),
                    Math.cos(to) + handle * Math.sin(to),
                    Math.sin(to) - handle * Math.cos(to),
                    Math.cos(to),
                    Math.sin(to)));
        }
        return steps;
    }
}
