package org.grammatus.core.choice;

/** What is printed for a group without rows: zeros, or blanks. */
public enum EmptyGroups {
    ZERO,
    BLANK
}
