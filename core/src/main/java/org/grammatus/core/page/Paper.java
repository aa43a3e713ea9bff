package org.grammatus.core.page;

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

    static Paper of(PagePlan.Sheet page) {
        return new Paper(
                page.width(),
                page.height(),
                page.left(),
                page.width() - page.right(),
                page.top(),
                page.height() - page.bottom());
    }

    /** As much of a roll as something takes that ends at a height, with what stands below it. */
    Paper cutBelow(int end, int footer) {
        int cut = Math.min(bottom, end + footer);
        return new Paper(width, cut + height - bottom, left, right, top, cut);
    }

    int printableWidth() {
        return right - left;
    }

    /** How much further right everything stands on the back of a sheet whose margins are mirrored. */
    int mirroredBy() {
        return width - right - left;
    }
}
