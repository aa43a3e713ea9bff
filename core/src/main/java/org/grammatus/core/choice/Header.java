package org.grammatus.core.choice;

/** How a group opens: a heading above its rows, one line in the columns, or not at all. */
public enum Header {
    HEADING,
    LINE,
    NONE
}
