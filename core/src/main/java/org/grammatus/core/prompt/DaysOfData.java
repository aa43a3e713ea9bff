package org.grammatus.core.prompt;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Days that only the data can tell, as answers write them: {@code latest} and {@code earliest}, one day each, and {@code last 7 days with
 * data}.
 *
 * @param count how many days that rows have
 * @param latest whether they are counted from the latest back, not from the earliest on
 */
public record DaysOfData(int count, boolean latest) {

    private static final Pattern LAST = Pattern.compile("last (\\d{1,5}) days? with data");

    /** What an answer to a question for one day asks of the data; none where it says a day itself. */
    public static Optional<DaysOfData> oneDay(String answer) {
        return switch (words(answer)) {
            case "latest" -> Optional.of(new DaysOfData(1, true));
            case "earliest" -> Optional.of(new DaysOfData(1, false));
            default -> Optional.empty();
        };
    }

    /** What an answer to a question for a period asks of the data; none where it says days itself. */
    public static Optional<DaysOfData> period(String answer) {
        Matcher last = LAST.matcher(words(answer));
        return last.matches() && Integer.parseInt(last.group(1)) > 0
                ? Optional.of(new DaysOfData(Integer.parseInt(last.group(1)), true))
                : Optional.empty();
    }

    /** Hyphens stand for spaces in addresses. */
    private static String words(String text) {
        return text.trim().toLowerCase(Locale.ROOT).replaceAll("[\\s-]+", " ");
    }
}
