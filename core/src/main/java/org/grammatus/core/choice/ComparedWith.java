package org.grammatus.core.choice;

public enum ComparedWith {
    LAST_YEAR,
    PREVIOUS_PERIOD,
    PLAN,
    /** Days that the reader is asked for. */
    PERIOD
}
