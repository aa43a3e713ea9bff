package org.grammatus.core.choice;

/** What a sibling's term is computed over: itself, or all groups of its key across the report. */
public enum Basis {
    PARENT,
    REPORT
}
