package org.grammatus.core.value;

import java.util.Locale;

/** The six kinds of value. */
public enum Kind {
    TEXT,
    INTEGER,
    DECIMAL,
    DATE,
    TIMESTAMP,
    BOOLEAN;

    public boolean isNumber() {
        return this == INTEGER || this == DECIMAL;
    }

    /** Whether values are days or moments. */
    public boolean isTime() {
        return this == DATE || this == TIMESTAMP;
    }

    /** Whether values can be compared with those of another kind. */
    public boolean isComparableWith(Kind other) {
        return this == other || (isNumber() && other.isNumber()) || (isTime() && other.isTime());
    }

    /** The kind's name as it stands in a definition: {@code text}, {@code integer}, … */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
