package org.grammatus.core.page;

import org.grammatus.core.choice.Orientation;
import org.grammatus.core.choice.PaperSize;
import org.grammatus.core.plan.PagePlan;

/**
 * The sheet and what may be printed on. Hundredths of a point.
 *
 * @param left left edge of the printed area
 * @param right its right edge
 * @param top its top, below which the page header stands
 * @param bottom its bottom, above which the page footer stands
 */
record Paper(int width, int height, int left, int right, int top, int bottom) {

    private static final double HUNDREDTHS_OF_MM = 7200 / 25.4;

    static Paper of(PagePlan setup) {
        int shorter = setup.paper() == PaperSize.A4 ? millimetres(210) : 61_200;
        int longer = setup.paper() == PaperSize.A4 ? millimetres(297) : 79_200;
        boolean portrait = setup.orientation() == Orientation.PORTRAIT;
        int width = portrait ? shorter : longer;
        int height = portrait ? longer : shorter;
        return new Paper(
                width,
                height,
                millimetres(setup.left()),
                width - millimetres(setup.right()),
                millimetres(setup.top()),
                height - millimetres(setup.bottom()));
    }

    private static int millimetres(int mm) {
        return (int) Math.round(mm * HUNDREDTHS_OF_MM);
    }

    int printableWidth() {
        return right - left;
    }
}
