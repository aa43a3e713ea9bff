package org.grammatus.core.expression;

/** A part of a date or timestamp that EXTRACT takes out as a whole number. */
public enum DatePart {
    YEAR,
    QUARTER,
    MONTH,
    DAY,
    HOUR,
    MINUTE
}
