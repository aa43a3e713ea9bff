package org.grammatus.core.prompt;

import com.ibm.icu.util.ULocale;
import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
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

    private static final int MOST_DAYS = 36_600;
    private static final String FORMS =
            "write 1 Jan 2026 to 31 Mar 2026, up to 31 Mar 2026, one day, 2026-01-01/2026-03-31, or a name"
                    + " such as \"last 7 days\", \"previous month\", \"fiscal year to date\", \"all\"";
    private static final Pattern ISO =
            Pattern.compile("\\d{4}-[\\d-]*|(\\.\\.|\\s|\\d{4}-[\\d-]*)*/(\\.\\.|\\s|\\d{4}-[\\d-]*)*");
    private static final Pattern DAYS = Pattern.compile("(last|next) (\\d{1,5}) days?");
    private static final Pattern UP_TO = Pattern.compile("up to next (\\d{1,5}) days?");
    private static final Pattern SPAN = Pattern.compile("(previous|this|next) (week|month|quarter|year|fiscal year)");
    private static final Pattern TO_DATE = Pattern.compile("(week|month|quarter|year|fiscal year) to date");

    private final LocalDate today;
    private final FiscalCalendar calendar;
    private final ULocale locale;

    /** @param locale of the days that people type */
    public PeriodText(LocalDate today, FiscalCalendar calendar, ULocale locale) {
        this.today = today;
        this.calendar = calendar;
        this.locale = locale;
    }

    /**
     * Reads a period.
     *
     * @throws ProblemException if it is written in no known form, or starts after it ends
     */
    public Period parse(String text) {
        try {
            return rolling(words(text)).orElseGet(() -> days(text.trim()));
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
        boolean stays = text.isBlank() || rolling(words(text)).isPresent();
        return stays ? text.trim() : parse(text).toString();
    }

    /** Hyphens stand for spaces in addresses; no rolling name has one of its own. */
    private static String words(String text) {
        return text.trim().toLowerCase(Locale.ROOT).replaceAll("[\\s-]+", " ");
    }

    private Optional<Period> rolling(String words) {
        switch (words) {
            case "all":
                return Optional.of(Period.OPEN);
            case "today":
                return Optional.of(Period.of(today, today));
            case "up to today":
                return Optional.of(new Period(Optional.empty(), Optional.of(today)));
            case "yesterday":
                return Optional.of(Period.of(today.minusDays(1), today.minusDays(1)));
            default:
                break;
        }
        Matcher days = DAYS.matcher(words);
        if (days.matches()) {
            int count = Integer.parseInt(days.group(2));
            if (count < 1 || count > MOST_DAYS) {
                throw new IllegalArgumentException("1 to " + MOST_DAYS + " days can be counted");
            }
            return Optional.of(
                    days.group(1).equals("last")
                            ? Period.of(today.minusDays(count - 1L), today)
                            : Period.of(today.plusDays(1), today.plusDays(count)));
        }
        Matcher upTo = UP_TO.matcher(words);
        if (upTo.matches()) {
            int ahead = Integer.parseInt(upTo.group(1));
            return Optional.of(new Period(Optional.empty(), Optional.of(today.plusDays(ahead))));
        }
        Matcher span = SPAN.matcher(words);
        if (span.matches()) {
            int step = switch (span.group(1)) {
                case "previous" -> -1;
                case "next" -> 1;
                default -> 0;
            };
            return Optional.of(span(span.group(2), step));
        }
        Matcher toDate = TO_DATE.matcher(words);
        if (toDate.matches()) {
            return Optional.of(new Period(span(toDate.group(1), 0).from(), Optional.of(today)));
        }
        return Optional.empty();
    }

    private Period span(String unit, int step) {
        LocalDate start = switch (unit) {
            case "week" ->
                today.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY)).plusWeeks(step);
            case "month" -> today.withDayOfMonth(1).plusMonths(step);
            case "quarter" ->
                today.withDayOfMonth(1)
                        .minusMonths((today.getMonthValue() - 1) % 3)
                        .plusMonths(3L * step);
            case "year" -> today.withDayOfYear(1).plusYears(step);
            default -> calendar.startOfYear(today).plusYears(step);
        };
        ChronoUnit length = switch (unit) {
            case "week" -> ChronoUnit.WEEKS;
            case "month" -> ChronoUnit.MONTHS;
            case "quarter" -> null;
            default -> ChronoUnit.YEARS;
        };
        LocalDate next = length == null ? start.plusMonths(3) : start.plus(1, length);
        return Period.of(start, next.minusDays(1));
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
