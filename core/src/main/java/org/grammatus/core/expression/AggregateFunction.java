package org.grammatus.core.expression;

/** The aggregates: one value from the rows of a scope. */
public enum AggregateFunction {
    COUNT,
    SUM,
    AVG,
    MIN,
    MAX,
    MEDIAN,
    /** The value in the first row, in the order of rows. */
    FIRST,
    LAST
}
