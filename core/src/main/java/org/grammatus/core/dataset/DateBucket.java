package org.grammatus.core.dataset;

import com.ibm.icu.text.DateFormat;
import com.ibm.icu.text.SimpleDateFormat;
import com.ibm.icu.util.GregorianCalendar;
import com.ibm.icu.util.TimeZone;
import com.ibm.icu.util.ULocale;
import java.time.LocalDate;
import java.util.Date;
import org.grammatus.core.definition.Report.Bucket;

/**
 * A date coarsened to a span; a bucket is known by its first day, so that buckets stand in the order of time.
 *
 * @param bucket the span
 * @param calendar decides where fiscal years start
 */
public record DateBucket(Bucket bucket, FiscalCalendar calendar) {

    private static final long MILLIS_OF_DAY = 86_400_000L;

    /** First day of the bucket in which a day lies, both as days since 1970-01-01. */
    public long start(long epochDay) {
        LocalDate day = LocalDate.ofEpochDay(epochDay);
        LocalDate start = switch (bucket) {
            case DAY -> day;
            case MONTH -> day.withDayOfMonth(1);
            case YEAR -> day.withDayOfYear(1);
            case FISCAL_YEAR -> calendar.startOfYear(day);
        };
        return start.toEpochDay();
    }

    /** First day of the bucket after the one that starts on a day. */
    public long next(long startDay) {
        LocalDate start = LocalDate.ofEpochDay(startDay);
        LocalDate next = switch (bucket) {
            case DAY -> start.plusDays(1);
            case MONTH -> start.plusMonths(1);
            case YEAR, FISCAL_YEAR -> start.plusYears(1);
        };
        return next.toEpochDay();
    }

    /** The bucket's label, from its first day. */
    public String label(long startDay, ULocale locale) {
        return switch (bucket) {
            case DAY -> format("d MMM y", startDay, locale);
            case MONTH -> format("LLLL y", startDay, locale);
            case YEAR -> format("y", startDay, locale);
            case FISCAL_YEAR -> calendar.label(LocalDate.ofEpochDay(startDay));
        };
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
