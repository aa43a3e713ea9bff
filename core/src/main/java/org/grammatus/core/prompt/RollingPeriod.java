package org.grammatus.core.prompt;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.grammatus.core.dataset.FiscalCalendar;
import org.grammatus.core.value.Period;

/**
 * Periods that roll with the business date, by their names. Spans are whole weeks, from Monday, months, quarters, years, fiscal quarters and
 * fiscal years; a working day is none of the weekend's and no holiday.
 */
final class RollingPeriod {

    private static final int MOST_DAYS = 36_600;
    private static final int MOST_SPANS = 1_200;
    private static final int MONTHS_OF_QUARTER = 3;
    private static final int MONTHS_OF_YEAR = 12;

    private static final String UNIT = "(week|month|quarter|year|fiscal quarter|fiscal year)";
    private static final Pattern LAST_YEAR = Pattern.compile("(.+) last year");
    private static final Pattern UP_TO = Pattern.compile("up to (.+)");
    private static final Pattern DAYS = Pattern.compile("(last|next) (\\d{1,5}) days?");
    private static final Pattern WORKING_DAYS = Pattern.compile("last (\\d{1,5}) working days?");
    private static final Pattern SPAN = Pattern.compile("(previous|this|next) " + UNIT);
    private static final Pattern SPANS = Pattern.compile("last (\\d{1,5}) " + UNIT + "s?( to date)?");
    private static final Pattern TO_DATE = Pattern.compile(UNIT + " to date");

    private final LocalDate today;
    private final FiscalCalendar calendar;
    private final Set<LocalDate> holidays;

    RollingPeriod(LocalDate today, FiscalCalendar calendar, Set<LocalDate> holidays) {
        this.today = today;
        this.calendar = calendar;
        this.holidays = holidays;
    }

    /**
     * A period of a name.
     *
     * @param words in small letters, with single spaces
     * @return none where it is no such name
     * @throws IllegalArgumentException if more is counted than can be
     */
    Optional<Period> of(String words) {
        Matcher lastYear = LAST_YEAR.matcher(words);
        if (lastYear.matches()) {
            return of(lastYear.group(1))
                    .map(period -> new Period(
                            period.from().map(day -> day.minusYears(1)),
                            period.to().map(day -> day.minusYears(1))));
        }
        Matcher upTo = UP_TO.matcher(words);
        if (upTo.matches()) {
            return of(upTo.group(1)).flatMap(Period::to).map(end -> new Period(Optional.empty(), Optional.of(end)));
        }
        return named(words)
                .or(() -> days(words))
                .or(() -> workingDays(words))
                .or(() -> span(words))
                .or(() -> spans(words))
                .or(() -> toDate(words));
    }

    private Optional<Period> named(String words) {
        return switch (words) {
            case "all" -> Optional.of(Period.OPEN);
            case "today" -> Optional.of(Period.of(today, today));
            case "yesterday" -> Optional.of(Period.of(today.minusDays(1), today.minusDays(1)));
            case "previous working day" -> {
                LocalDate day = workingDays(today.minusDays(1), 1);
                yield Optional.of(Period.of(day, day));
            }
            default -> Optional.empty();
        };
    }

    private Optional<Period> days(String words) {
        Matcher days = DAYS.matcher(words);
        if (!days.matches()) {
            return Optional.empty();
        }
        int count = counted(days.group(2), MOST_DAYS, "days");
        return Optional.of(
                days.group(1).equals("last")
                        ? Period.of(today.minusDays(count - 1L), today)
                        : Period.of(today.plusDays(1), today.plusDays(count)));
    }

    private Optional<Period> workingDays(String words) {
        Matcher days = WORKING_DAYS.matcher(words);
        return days.matches()
                ? Optional.of(Period.of(workingDays(today, counted(days.group(1), MOST_SPANS, "working days")), today))
                : Optional.empty();
    }

    /** The day from which on there are so many working days up to another, that one among them where it is one. */
    private LocalDate workingDays(LocalDate upTo, int count) {
        LocalDate day = upTo;
        for (int left = count; ; day = day.minusDays(1)) {
            boolean works = day.getDayOfWeek().getValue() <= DayOfWeek.FRIDAY.getValue() && !holidays.contains(day);
            left -= works ? 1 : 0;
            if (left == 0) {
                return day;
            }
        }
    }

    private Optional<Period> span(String words) {
        Matcher span = SPAN.matcher(words);
        if (!span.matches()) {
            return Optional.empty();
        }
        int step = switch (span.group(1)) {
            case "previous" -> -1;
            case "next" -> 1;
            default -> 0;
        };
        return Optional.of(Period.of(start(span.group(2), step), endOf(span.group(2), step)));
    }

    /** So many whole spans before the present one; or so many to date, the present one among them. */
    private Optional<Period> spans(String words) {
        Matcher spans = SPANS.matcher(words);
        if (!spans.matches()) {
            return Optional.empty();
        }
        String unit = spans.group(2);
        int count = counted(spans.group(1), MOST_SPANS, unit + "s");
        return Optional.of(
                spans.group(3) == null
                        ? Period.of(start(unit, -count), endOf(unit, -1))
                        : Period.of(start(unit, 1 - count), today));
    }

    private Optional<Period> toDate(String words) {
        Matcher toDate = TO_DATE.matcher(words);
        return toDate.matches() ? Optional.of(Period.of(start(toDate.group(1), 0), today)) : Optional.empty();
    }

    private static int counted(String number, int most, String what) {
        int count = Integer.parseInt(number);
        if (count < 1 || count > most) {
            throw new IllegalArgumentException("1 to " + most + " " + what + " can be counted");
        }
        return count;
    }

    private LocalDate endOf(String unit, int step) {
        return start(unit, step + 1).minusDays(1);
    }

    /** The first day of the present span, or of another so many on. */
    private LocalDate start(String unit, int step) {
        return switch (unit) {
            case "week" ->
                today.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY)).plusWeeks(step);
            case "month" -> today.withDayOfMonth(1).plusMonths(step);
            case "quarter" -> quarter(today.withDayOfYear(1), step);
            case "year" -> today.withDayOfYear(1).plusYears(step);
            case "fiscal quarter" -> quarter(calendar.startOfYear(today), step);
            default -> calendar.startOfYear(today).plusYears(step);
        };
    }

    /** The first day of the quarter, of a year that starts on a day, in which today lies, or of another so many on. */
    private LocalDate quarter(LocalDate yearStart, int step) {
        int months = (today.getYear() - yearStart.getYear()) * MONTHS_OF_YEAR
                + today.getMonthValue()
                - yearStart.getMonthValue();
        return yearStart.plusMonths((long) (months / MONTHS_OF_QUARTER + step) * MONTHS_OF_QUARTER);
    }
}
