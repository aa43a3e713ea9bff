package org.grammatus.core.choice;

/** How much of a block a highlight marks where its condition holds. */
public enum Reach {
    /** Rows, and groups that are printed as lines. */
    ROW,
    /** The heading of a group, or its line. */
    HEADING,
    /** The totals of a group, or its line. */
    TOTALS,
    /** A group from its heading to its totals. */
    GROUP,
    /** A key figure. */
    FIGURE
}
