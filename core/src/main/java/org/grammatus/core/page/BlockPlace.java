package org.grammatus.core.page;

/**
 * A block fitted to its place across the page.
 *
 * @param index among the report's blocks
 * @param left its left edge, from the paper's, in hundredths of a point
 * @param firstPlace how many groups stand before its own, report roots included
 * @param firstMark index of the first of its highlights among the page's
 */
record BlockPlace(int index, BlockLayout layout, OpenGroups open, int left, int firstPlace, int firstMark) {

    /** The same block at another left edge. */
    BlockPlace at(int otherLeft) {
        return new BlockPlace(index, layout, open, otherLeft, firstPlace, firstMark);
    }

    int size() {
        return layout.bands().size();
    }
}
