package org.grammatus.core.choice;

/** What a date is coarsened to: a span of time, or a place in a cycle that comes again. */
public enum Bucket {
    DAY,
    WEEK,
    MONTH,
    QUARTER,
    YEAR,
    FISCAL_QUARTER,
    FISCAL_YEAR,
    DAY_OF_WEEK,
    MONTH_OF_YEAR,
    FISCAL_MONTH,
    QUARTER_OF_YEAR
}
