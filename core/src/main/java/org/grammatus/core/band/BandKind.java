package org.grammatus.core.band;

/** The bands of a report, in the order in which they come around a group. */
public enum BandKind {
    REPORT_HEADER,
    /** What a block is called, where it says so. */
    BLOCK_HEADER,
    /** A group's heading above its rows. */
    GROUP_HEADING,
    /** A group as one line in the columns. */
    GROUP_LINE,
    DETAIL,
    /** The rows of a group that are not printed by themselves, as one line. */
    OTHER_ROWS,
    /** Stands where there are no rows. */
    EMPTY,
    /** A key figure. */
    FIGURE,
    /** A paragraph of a text. */
    PARAGRAPH,
    /** Stands where a block cannot be printed. */
    REFUSED,
    GROUP_FOOTER,
    REPORT_FOOTER;

    /** Whether the band is a row: what headings introduce and footers sum up. */
    public boolean isRow() {
        return this == GROUP_LINE
                || this == DETAIL
                || this == OTHER_ROWS
                || isItem()
                || this == EMPTY
                || this == REFUSED;
    }

    /** Whether the band is an item of a block that is no table. */
    public boolean isItem() {
        return this == FIGURE || this == PARAGRAPH;
    }

    /** Whether the band stands above the headings of a block's columns. */
    public boolean opensBlock() {
        return this == REPORT_HEADER || this == BLOCK_HEADER;
    }

    /** Whether the band sums up what is above it. */
    public boolean isTotals() {
        return this == GROUP_FOOTER || this == REPORT_FOOTER;
    }

    public boolean isHeading() {
        return opensBlock() || this == GROUP_HEADING;
    }
}
