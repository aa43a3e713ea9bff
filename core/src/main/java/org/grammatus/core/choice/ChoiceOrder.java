package org.grammatus.core.choice;

/** In which order a prompt offers what can be chosen. */
public enum ChoiceOrder {
    /** As the field lists its values; else by what they are called, numbers and days ascending. */
    NATURAL,
    /** The largest number, the latest day, the last by name first. */
    NEWEST,
    /** What most rows have first. */
    FREQUENT
}
