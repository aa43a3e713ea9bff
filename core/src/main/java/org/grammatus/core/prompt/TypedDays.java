package org.grammatus.core.prompt;

import com.ibm.icu.text.DateFormatSymbols;
import com.ibm.icu.text.DateTimePatternGenerator;
import com.ibm.icu.util.ULocale;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.grammatus.core.value.Days;
import org.grammatus.core.value.FoldedText;
import org.grammatus.core.value.Period;
import org.grammatus.core.words.Words;

/**
 * Days as people type them in the language of a report: in its order of day, month and year, with the names of its months or the English
 * ones, or as ISO 8601 has them. A day without a year is of this year; a year of two digits is asked about.
 */
final class TypedDays {

    private static final int LEAST_OF_NAME = 3;
    private static final Pattern BETWEEN =
            Pattern.compile("\\s+(?:to|until|bis|au|a|al|-)\\s+|\\s*(?:\u2013|\u2014|\\.\\.)\\s*");
    private static final Pattern OPEN_END =
            Pattern.compile("(?i)(?:from|since|ab|ab dem)\\s+(.+)|(.+?)\\s*(?:\u2013|\\.\\.)");
    private static final Pattern OPEN_START =
            Pattern.compile("(?i)(?:up to|until|to|bis)\\s+(.+)|(?:\u2013|\\.\\.)\\s*(.+)");
    /** Stand for the ends of a span in the words of a language. */
    private static final String FROM = "\u0001";

    private static final String TO = "\u0002";
    /** Spanish has it between the day, the month and the year. */
    private static final String BETWEEN_PARTS = "de";

    private static final Pattern WHOLE = Pattern.compile("\\d{1,4}");

    private final LocalDate today;
    /** The letters d, M and y in the order of the locale. */
    private final String order;

    private final List<String[]> monthNames;
    /** How the language says spans: with both ends, without a last day, without a first. */
    private final Pattern between;

    private final Pattern openEnd;
    private final Pattern openStart;

    TypedDays(ULocale locale, LocalDate today) {
        this.today = today;
        Words words = Words.of(locale);
        this.between = patternOf(words.span(FROM, TO));
        this.openEnd = patternOf(words.span(FROM, ""));
        this.openStart = patternOf(words.span("", TO));
        String pattern = DateTimePatternGenerator.getInstance(locale).getBestPattern("yMd");
        this.order = pattern.codePoints()
                .filter(letter -> "dMy".indexOf(letter) >= 0)
                .distinct()
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
        this.monthNames = Stream.of(locale, ULocale.ENGLISH)
                .flatMap(language -> Stream.of(DateFormatSymbols.FORMAT, DateFormatSymbols.STANDALONE)
                        .map(context ->
                                DateFormatSymbols.getInstance(language).getMonths(context, DateFormatSymbols.WIDE)))
                .map(names -> Arrays.stream(names).map(TypedDays::folded).toArray(String[]::new))
                .toList();
    }

    private static Pattern patternOf(String span) {
        return Pattern.compile(
                Stream.of(span.split("[" + FROM + TO + "]", -1))
                        .map(Pattern::quote)
                        .collect(Collectors.joining("(.+)")),
                Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);
    }

    /** A period as the language of the report says it. */
    private Optional<Period> asSaid(String text) {
        Matcher both = between.matcher(text);
        Matcher from = openEnd.matcher(text);
        Matcher to = openStart.matcher(text);
        if (both.matches()) {
            return between(both.group(1), both.group(2));
        }
        return from.matches()
                ? day(from.group(1)).map(day -> new Period(Optional.of(day), Optional.empty()))
                : to.matches()
                        ? day(to.group(1)).map(day -> new Period(Optional.empty(), Optional.of(day)))
                        : Optional.empty();
    }

    private Optional<Period> between(String first, String last) {
        return day(first).flatMap(from -> day(last).map(to -> PeriodText.between(Optional.of(from), Optional.of(to))));
    }

    /**
     * Reads a period: one day, two with a dash or "to" between them, or one with "from" or "up to" before it.
     *
     * @return nothing where the text is written in no such way
     * @throws IllegalArgumentException if it is, but stands for no days; the message says why
     */
    Optional<Period> period(String text) {
        return asSaid(text.strip()).or(() -> asTyped(text));
    }

    private Optional<Period> asTyped(String text) {
        Matcher openStart = OPEN_START.matcher(text);
        if (openStart.matches()) {
            return day(openStart).map(to -> new Period(Optional.empty(), Optional.of(to)));
        }
        Matcher openEnd = OPEN_END.matcher(text);
        if (openEnd.matches()) {
            return day(openEnd).map(from -> new Period(Optional.of(from), Optional.empty()));
        }
        String[] ends = BETWEEN.split(text, -1);
        return switch (ends.length) {
            case 1 -> day(text).map(day -> Period.of(day, day));
            case 2 -> between(ends[0], ends[1]);
            default -> Optional.empty();
        };
    }

    private Optional<LocalDate> day(Matcher found) {
        return day(found.group(1) == null ? found.group(2) : found.group(1));
    }

    /** Reads a day likewise. */
    Optional<LocalDate> day(String text) {
        List<String> numbers = new ArrayList<>();
        int month = 0;
        for (String word : text.strip().split("[\\s./,-]+")) {
            String number = word.replaceFirst("(?i)(?<=\\d)(st|nd|rd|th|er|º)$", "");
            if (word.equalsIgnoreCase(BETWEEN_PARTS)) {
                continue;
            }
            if (WHOLE.matcher(number).matches()) {
                numbers.add(number);
            } else if (month == 0 && month(word) > 0) {
                month = month(word);
            } else {
                return Optional.empty();
            }
        }
        return month > 0 ? named(numbers, month) : numbered(numbers);
    }

    private Optional<LocalDate> named(List<String> numbers, int month) {
        return switch (numbers.size()) {
            case 1 -> Optional.of(day(String.valueOf(today.getYear()), month, numbers.get(0)));
            case 2 -> {
                boolean yearFirst = numbers.get(0).length() == 4;
                yield Optional.of(day(numbers.get(yearFirst ? 0 : 1), month, numbers.get(yearFirst ? 1 : 0)));
            }
            default -> Optional.empty();
        };
    }

    private Optional<LocalDate> numbered(List<String> numbers) {
        if (numbers.size() != 3 && numbers.size() != 2) {
            return Optional.empty();
        }
        String letters = numbers.getFirst().length() == 4 ? "yMd" : order;
        if (numbers.size() == 2) {
            letters = letters.replace("y", "");
        }
        String year = letters.contains("y") ? numbers.get(letters.indexOf('y')) : String.valueOf(today.getYear());
        return Optional.of(
                day(year, Integer.parseInt(numbers.get(letters.indexOf('M'))), numbers.get(letters.indexOf('d'))));
    }

    private static LocalDate day(String year, int month, String day) {
        if (year.length() < 4) {
            throw new IllegalArgumentException("\"" + year + "\" may be of several centuries; write the year in full,"
                    + " such as 20" + (year.length() == 2 ? year : "26"));
        }
        try {
            return LocalDate.of(Integer.parseInt(year), month, Integer.parseInt(day));
        } catch (DateTimeException e) {
            String iso = String.format(Locale.ROOT, "%s-%02d-%02d", year, month, Integer.parseInt(day));
            throw new IllegalArgumentException(Days.whyNone(iso).orElse("there is no such day"), e);
        }
    }

    private int month(String word) {
        String sought = folded(word);
        for (String[] names : monthNames) {
            for (int i = 0; i < names.length; i++) {
                if (sought.length() >= LEAST_OF_NAME && names[i].startsWith(sought)) {
                    return i + 1;
                }
            }
        }
        return 0;
    }

    private static String folded(String text) {
        return FoldedText.of(text);
    }
}
