package org.grammatus.core.choice;

/** What a text of a page is; a house style says how each looks. */
public enum TextStyle {
    TITLE,
    SUBTITLE,
    PAGE_MARGIN,
    COLUMN_HEADING,
    HEADING_1,
    HEADING_2,
    HEADING_3,
    CELL,
    STRONG_CELL,
    TOTAL,
    COUNTS,
    GRAND_TOTAL,
    BLOCK_TITLE,
    FIGURE,
    FIGURE_LABEL,
    FIGURE_NOTE,
    LARGE_TEXT,
    NORMAL_TEXT,
    SMALL_TEXT;

    /** The heading of a group at a depth, 1 for the outermost. */
    public static TextStyle heading(int depth) {
        return depth <= 1 ? HEADING_1 : depth == 2 ? HEADING_2 : HEADING_3;
    }
}
