package org.grammatus.core.plan.planner;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A day told from today, as conditions write it: {@code today}, {@code 5 days before today}, {@code 2 months after today}. */
final class RelativeDay {

    private static final Pattern AWAY =
            Pattern.compile("(\\d{1,5}) (day|week|month|year)s? (before|after) today", Pattern.CASE_INSENSITIVE);
    private static final int DAYS_OF_WEEK = 7;

    private RelativeDay() {}

    /** The expression that a day is; none where it is not told from today. */
    static Optional<String> expression(String day) {
        String text = day.trim().replaceAll("\\s+", " ");
        if (text.equalsIgnoreCase("today")) {
            return Optional.of("CURRENT_DATE");
        }
        Matcher away = AWAY.matcher(text);
        if (!away.matches()) {
            return Optional.empty();
        }
        boolean weeks = away.group(2).equalsIgnoreCase("week");
        int count = Integer.parseInt(away.group(1)) * (weeks ? DAYS_OF_WEEK : 1);
        String sign = away.group(3).equalsIgnoreCase("before") ? " - " : " + ";
        String unit = weeks ? "DAY" : away.group(2).toUpperCase(Locale.ROOT);
        return Optional.of("CURRENT_DATE" + sign + "INTERVAL '" + count + "' " + unit);
    }
}
