package org.grammatus.core.choice;

public enum Footer {
    TOTALS,
    NONE
}
