package org.grammatus.core.choice;

/** What stands beside a key without rows: sums of zero, or nothing. */
public enum EmptyGroups {
    ZERO,
    BLANK
}
