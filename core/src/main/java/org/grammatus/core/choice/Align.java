package org.grammatus.core.choice;

/** Where texts stand in their place. */
public enum Align {
    START,
    CENTRE,
    END,
    /** Numbers by their decimal sign. */
    DECIMAL
}
