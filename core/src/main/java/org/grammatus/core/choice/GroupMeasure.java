package org.grammatus.core.choice;

/** The measure of a group that a condition compares. */
public enum GroupMeasure {
    /** Its own figure, of the rows that are left of it. */
    VALUE,
    /** How much of a hundred its figure is of that of the group it lies in. */
    SHARE_OF_PARENT,
    /** How much of a hundred its figure is of the whole table's. */
    SHARE_OF_REPORT,
    /** The figure of its key across the report, whatever groups it lies in. */
    ACROSS_REPORT
}
