package org.grammatus.core.choice;

/** What a prompt asks for. */
public enum PromptType {
    PERIOD,
    /** One value of a field. */
    CHOICE,
    /** Any number of values of a field. */
    CHOICES,
    TEXT,
    WHOLE_NUMBER,
    DECIMAL,
    DATE,
    YES_NO,
    /** Two numbers, either left open. */
    NUMBER_RANGE,
    /** Two texts, either left open. */
    TEXT_RANGE;

    /** Whether the answer is two ends, called {@code :name_from} and {@code :name_to}. */
    public boolean hasEnds() {
        return this == PERIOD || this == NUMBER_RANGE || this == TEXT_RANGE;
    }
}
