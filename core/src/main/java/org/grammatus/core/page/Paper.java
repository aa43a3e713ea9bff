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

    static Paper of(PagePlan page) {
        return new Paper(
                page.width(),
                page.height(),
                page.left(),
                page.width() - page.right(),
                page.top(),
                page.height() - page.bottom());
    }

    int printableWidth() {
        return right - left;
    }

    /** How much further right everything stands on the back of a sheet whose margins are mirrored. */
    int mirroredBy() {
        return width - right - left;
    }
}
