package org.grammatus.core.typography;

import java.util.Locale;

/** How heavy letters are. */
public enum Weight {
    REGULAR,
    SEMIBOLD;

    private final String word = name().toLowerCase(Locale.ROOT);

    /** Its name in addresses and page models: {@code regular}, {@code semibold}. */
    public String word() {
        return word;
    }
}
