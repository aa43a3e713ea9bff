package org.grammatus.core.definition;

/** The kinds of filter. */
public enum FilterKind {
    PERIOD,
    CONDITION,
    EXPRESSION,
    /** Every one of its parts must hold. */
    ALL,
    /** One of its parts must hold. */
    ANY,
    /** None of its parts may hold. */
    NONE,
    /** The rows with the most, or the least, of what all other filters keep. */
    TOP,
    /** There are rows of a dataset that belong to the row. */
    HAS,
    /** There are none. */
    HAS_NONE
}
