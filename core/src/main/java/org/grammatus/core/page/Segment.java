package org.grammatus.core.page;

/**
 * What stands of a block on one page, without a break.
 *
 * @param block index of the block
 * @param page number of the page
 * @param top where it begins, from the top of what changes from page to page
 * @param from the first band
 * @param to the band after the last
 */
record Segment(int block, int page, int top, int from, int to) {}
