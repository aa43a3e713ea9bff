package org.grammatus.core.value;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.Month;
import java.time.YearMonth;
import java.time.format.TextStyle;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Days as ISO 8601 writes them, and what keeps a text from being one. */
public final class Days {

    private static final Pattern ISO = Pattern.compile("(\\d{4})-(\\d{2})-(\\d{2})");

    private Days() {}

    /**
     * Reads a day.
     *
     * @throws DateTimeException if the text is none
     */
    public static LocalDate parse(String text) {
        return LocalDate.parse(text.trim());
    }

    /** Why a text that is written like a day is none, in words: {@code February 2026 has 28 days}; nothing where it is not written so. */
    public static Optional<String> whyNone(String text) {
        Matcher day = ISO.matcher(text.trim());
        if (!day.lookingAt()) {
            return Optional.empty();
        }
        int month = Integer.parseInt(day.group(2));
        int number = Integer.parseInt(day.group(3));
        if (month < 1 || month > Month.values().length) {
            return Optional.of("\"" + day.group() + "\" is no day: there is no month " + day.group(2));
        }
        YearMonth of = YearMonth.of(Integer.parseInt(day.group(1)), month);
        return of.isValidDay(number)
                ? Optional.empty()
                : Optional.of("\"" + day.group() + "\" is no day: "
                        + of.getMonth().getDisplayName(TextStyle.FULL, Locale.ENGLISH) + " " + of.getYear() + " has "
                        + of.lengthOfMonth() + " days");
    }
}
