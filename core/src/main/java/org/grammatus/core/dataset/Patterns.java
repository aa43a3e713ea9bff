package org.grammatus.core.dataset;

import java.util.Optional;
import java.util.stream.Stream;

/**
 * How a house style prints what a dataset says of dates and numbers: days in a pattern of its own, numbers with or without marks between
 * thousands. Immutable.
 *
 * @param date CLDR pattern of days
 * @param time of days with their time
 */
public record Patterns(Optional<String> date, Optional<String> time, boolean grouping) {

    /** Prints everything as the dataset says. */
    public static final Patterns AS_GIVEN = new Patterns(Optional.empty(), Optional.empty(), true);

    private static final String GROUPED = "#,##";

    /** A dataset's pattern as the style prints it; a month or a year by itself stays one. */
    public String of(String pattern) {
        if (isDay(pattern)) {
            return (pattern.contains("m") ? time : date).orElse(pattern);
        }
        return grouping ? pattern : pattern.replace(GROUPED, "");
    }

    private static boolean isDay(String pattern) {
        boolean isNumber = pattern.contains("0") || pattern.contains("#");
        return !isNumber && Stream.of("d", "M", "y").allMatch(pattern::contains);
    }
}
