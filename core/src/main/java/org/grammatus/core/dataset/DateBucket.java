package org.grammatus.core.dataset;

import com.ibm.icu.text.DateFormat;
import com.ibm.icu.text.DateTimePatternGenerator;
import com.ibm.icu.text.SimpleDateFormat;
import com.ibm.icu.util.GregorianCalendar;
import com.ibm.icu.util.TimeZone;
import com.ibm.icu.util.ULocale;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.time.temporal.IsoFields;
import java.util.Date;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.grammatus.core.choice.Bucket;
import org.grammatus.core.value.Type;

/**
 * A date coarsened to a span of time, or to a place in a cycle. A span of time, such as a month of one year, is known by its first day; a place in a cycle, such as the month of any
 * year, by its number from 1. Either way keys stand in the order of time, a cycle's from where it begins.
 *
 * @param bucket the span or cycle
 * @param calendar decides where fiscal years start
 */
public record DateBucket(Bucket bucket, FiscalCalendar calendar) implements Coarsening {

    private static final long MILLIS_OF_DAY = 86_400_000L;
    private static final int MONTHS_OF_QUARTER = 3;
    private static final int MONTHS_OF_YEAR = 12;
    private static final int DAYS_OF_WEEK = 7;
    /** A year that starts on a Monday, to name the days of a week and the months by. */
    private static final LocalDate MONDAY = LocalDate.of(2001, 1, 1);
    /** By language, the pattern of a day with the name of its month: it takes a while to be found. */
    private static final Map<ULocale, String> DAYS = new ConcurrentHashMap<>();

    /** Whether it is a place in a cycle, not a span of time. */
    public boolean isCyclic() {
        return switch (bucket) {
            case DAY_OF_WEEK, MONTH_OF_YEAR, FISCAL_MONTH, QUARTER_OF_YEAR -> true;
            default -> false;
        };
    }

    /** The bucket of whole calendar years. */
    public DateBucket ofYears() {
        return new DateBucket(Bucket.YEAR, calendar);
    }

    @Override
    public Type type() {
        return isCyclic() ? Type.INTEGER : Type.DATE;
    }

    /** The key of the bucket in which a day lies; days are counted from 1970-01-01. */
    public long key(long epochDay) {
        LocalDate day = LocalDate.ofEpochDay(epochDay);
        return switch (bucket) {
            case DAY_OF_WEEK -> day.getDayOfWeek().getValue();
            case MONTH_OF_YEAR -> day.getMonthValue();
            case FISCAL_MONTH -> Math.floorMod(day.getMonthValue() - calendar.startMonth(), MONTHS_OF_YEAR) + 1L;
            case QUARTER_OF_YEAR -> quarter(day);
            default -> start(day).toEpochDay();
        };
    }

    private LocalDate start(LocalDate day) {
        return switch (bucket) {
            case DAY -> day;
            case WEEK -> day.minusDays(day.getDayOfWeek().getValue() - 1L);
            case MONTH -> day.withDayOfMonth(1);
            case QUARTER -> day.withDayOfYear(1).plusMonths((quarter(day) - 1L) * MONTHS_OF_QUARTER);
            case YEAR -> day.withDayOfYear(1);
            case FISCAL_QUARTER -> {
                LocalDate year = calendar.startOfYear(day);
                long months = ChronoUnit.MONTHS.between(year, day.withDayOfMonth(1));
                yield year.plusMonths(months / MONTHS_OF_QUARTER * MONTHS_OF_QUARTER);
            }
            case FISCAL_YEAR -> calendar.startOfYear(day);
            default -> throw new IllegalStateException(bucket + " is no span");
        };
    }

    private static int quarter(LocalDate day) {
        return (day.getMonthValue() - 1) / MONTHS_OF_QUARTER + 1;
    }

    /**
     * First day of the span after one.
     *
     * @param startDay key of a span
     */
    public long next(long startDay) {
        LocalDate start = LocalDate.ofEpochDay(startDay);
        LocalDate next = switch (bucket) {
            case DAY -> start.plusDays(1);
            case WEEK -> start.plusWeeks(1);
            case MONTH -> start.plusMonths(1);
            case QUARTER, FISCAL_QUARTER -> start.plusMonths(MONTHS_OF_QUARTER);
            case YEAR, FISCAL_YEAR -> start.plusYears(1);
            default -> throw new IllegalStateException(bucket + " is no span");
        };
        return next.toEpochDay();
    }

    /** The month of the calendar year, 1 to 12, that a key of {@link Bucket#FISCAL_MONTH} stands for. */
    public int calendarMonth(long key) {
        return (int) Math.floorMod(key - 1 + calendar.startMonth() - 1, (long) MONTHS_OF_YEAR) + 1;
    }

    /** How many places a cycle has. */
    public int cycleLength() {
        return switch (bucket) {
            case DAY_OF_WEEK -> DAYS_OF_WEEK;
            case MONTH_OF_YEAR, FISCAL_MONTH -> MONTHS_OF_YEAR;
            case QUARTER_OF_YEAR -> MONTHS_OF_YEAR / MONTHS_OF_QUARTER;
            default -> throw new IllegalStateException(bucket + " is no cycle");
        };
    }

    /** A bucket's label, from its key; weeks by ISO 8601. */
    @Override
    public String label(long key, ULocale locale) {
        return switch (bucket) {
            case DAY -> format("d MMM y", key, locale);
            case WEEK -> week(LocalDate.ofEpochDay(key));
            case MONTH -> format("LLLL y", key, locale);
            case QUARTER -> format("QQQ y", key, locale);
            case YEAR -> format("y", key, locale);
            case FISCAL_QUARTER -> {
                LocalDate start = LocalDate.ofEpochDay(key);
                LocalDate year = calendar.startOfYear(start);
                yield "Q" + (ChronoUnit.MONTHS.between(year, start) / MONTHS_OF_QUARTER + 1) + " "
                        + calendar.label(year);
            }
            case FISCAL_YEAR -> calendar.label(LocalDate.ofEpochDay(key));
            case DAY_OF_WEEK -> format("cccc", MONDAY.plusDays(key - 1).toEpochDay(), locale);
            case MONTH_OF_YEAR -> monthName((int) key, locale);
            case FISCAL_MONTH -> monthName(calendarMonth(key), locale);
            case QUARTER_OF_YEAR ->
                format("QQQ", MONDAY.plusMonths((key - 1) * MONTHS_OF_QUARTER).toEpochDay(), locale);
        };
    }

    private static String week(LocalDate monday) {
        return "%d-W%02d"
                .formatted(monday.get(IsoFields.WEEK_BASED_YEAR), monday.get(IsoFields.WEEK_OF_WEEK_BASED_YEAR));
    }

    private static String monthName(int month, ULocale locale) {
        return format("LLLL", MONDAY.withMonth(month).toEpochDay(), locale);
    }

    /** A day as a language writes it, with the name of its month: {@code 20 November 2026}, {@code 20. November 2026}. */
    public static String day(long epochDay, ULocale locale) {
        String pattern = DAYS.computeIfAbsent(
                locale, l -> DateTimePatternGenerator.getInstance(l).getBestPattern("yMMMMd"));
        return format(pattern, epochDay, locale);
    }

    /** A day in a CLDR date pattern. */
    public static String format(String pattern, long epochDay, ULocale locale) {
        return dateFormat(pattern, locale).format(new Date(epochDay * MILLIS_OF_DAY));
    }

    /** A format of a CLDR pattern on the proleptic Gregorian calendar in UTC; not thread-safe. */
    public static DateFormat dateFormat(String pattern, ULocale locale) {
        SimpleDateFormat format = new SimpleDateFormat(pattern, locale);
        GregorianCalendar gregorian = new GregorianCalendar(TimeZone.GMT_ZONE, locale);
        gregorian.setGregorianChange(new Date(Long.MIN_VALUE));
        format.setCalendar(gregorian);
        return format;
    }
}
