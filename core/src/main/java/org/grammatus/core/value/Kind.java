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

    /** The kind's name as it stands in a definition: {@code text}, {@code integer}, … */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
