package org.grammatus.core.choice;

public enum ComparedWith {
    LAST_YEAR,
    PREVIOUS_PERIOD,
    PLAN
}
