package org.grammatus.core.choice;

/** Whether totals are those of the groups and rows that are shown, or of everything. */
public enum Cover {
    SHOWN,
    EVERYTHING
}
