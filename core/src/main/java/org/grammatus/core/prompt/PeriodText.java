package org.grammatus.core.prompt;

import com.ibm.icu.util.ULocale;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.dataset.FiscalCalendar;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.value.Days;
import org.grammatus.core.value.Period;

/**
 * Reads a period as people, files and addresses write it: an ISO 8601 interval with {@code ..} for an open end, one day, days as they are
 * typed in the report's language, or a rolling name, which is resolved against the business date.
 */
public final class PeriodText {

    private static final String FORMS =
            "write 1 Jan 2026 to 31 Mar 2026, up to 31 Mar 2026, one day, 2026-01-01/2026-03-31, or a name"
                    + " such as \"last 7 days\", \"previous month\", \"fiscal year to date\", \"all\"";
    private static final Pattern ISO =
            Pattern.compile("\\d{4}-[\\d-]*|(\\.\\.|\\s|\\d{4}-[\\d-]*)*/(\\.\\.|\\s|\\d{4}-[\\d-]*)*");

    private final LocalDate today;
    private final RollingPeriod rolling;
    private final ULocale locale;

    /** @param locale of the days that people type */
    public PeriodText(RunContext context, FiscalCalendar calendar, ULocale locale) {
        this.today = context.businessDate();
        this.rolling = new RollingPeriod(today, calendar, context.holidays());
        this.locale = locale;
    }

    /**
     * Reads a period.
     *
     * @throws ProblemException if it is written in no known form, or starts after it ends
     */
    public Period parse(String text) {
        try {
            return rolling.of(words(text)).orElseGet(() -> days(text.trim()));
        } catch (DateTimeException e) {
            String why = noDay(text).orElseGet(() -> "\"" + shortened(text) + "\" is not a period; " + FORMS);
            throw new ProblemException(Problem.error("", why));
        } catch (IllegalArgumentException e) {
            throw new ProblemException(
                    Problem.error("", "\"" + shortened(text) + "\" is not a period: " + e.getMessage()));
        }
    }

    /** A period that can be read, as addresses and files write it: rolling names stay, days become an ISO 8601 interval. */
    public String written(String text) {
        boolean stays = text.isBlank() || rolling.of(words(text)).isPresent();
        return stays ? text.trim() : parse(text).toString();
    }

    /** Hyphens stand for spaces in addresses; no rolling name has one of its own. */
    private static String words(String text) {
        return text.trim().toLowerCase(Locale.ROOT).replaceAll("[\\s-]+", " ");
    }

    private Period days(String text) {
        return ISO.matcher(text).matches() ? interval(text) : typed(text);
    }

    /** What a language has of dates takes a while to be found, and is wanted only where days are typed. */
    private Period typed(String text) {
        return new TypedDays(locale, today).period(text).orElseThrow(PeriodText::none);
    }

    /**
     * The days between two, either of which may be open.
     *
     * @throws IllegalArgumentException if they are the wrong way round
     */
    static Period between(Optional<LocalDate> from, Optional<LocalDate> to) {
        if (from.isPresent() && to.isPresent() && from.get().isAfter(to.get())) {
            throw new IllegalArgumentException("its first day, " + inWords(from.get()) + ", is after its last, "
                    + inWords(to.get()) + "; swap them");
        }
        return new Period(from, to);
    }

    private static DateTimeException none() {
        return new DateTimeException("written in no known form");
    }

    private static Period interval(String text) {
        int slash = text.indexOf('/');
        if (slash < 0) {
            LocalDate day = LocalDate.parse(text);
            return Period.of(day, day);
        }
        return between(end(text.substring(0, slash)), end(text.substring(slash + 1)));
    }

    private static String inWords(LocalDate day) {
        return DateBucket.format("d MMMM y", day.toEpochDay(), ULocale.ENGLISH);
    }

    /** Why an end of an interval, or the day, is none. */
    private static Optional<String> noDay(String text) {
        return Arrays.stream(text.split("/"))
                .flatMap(end -> Days.whyNone(end).stream())
                .findFirst();
    }

    private static Optional<LocalDate> end(String text) {
        String trimmed = text.trim();
        return trimmed.isEmpty() || trimmed.equals("..") ? Optional.empty() : Optional.of(LocalDate.parse(trimmed));
    }

    private static String shortened(String text) {
        return text.length() > 60 ? text.substring(0, 60) + "…" : text;
    }
}
