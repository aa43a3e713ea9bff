package org.grammatus.core.dataset;

import com.ibm.icu.util.ULocale;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.Bucket;
import org.grammatus.core.value.Period;

/** The fiscal years and quarters around a day, as they are offered where days are asked for. */
public final class FiscalPeriods {

    /** Years before the present one that are offered; others are typed. */
    private static final int YEARS_BEFORE = 3;

    private FiscalPeriods() {}

    /** A fiscal year or quarter, by what it is called. */
    public record Named(String label, Period days) {}

    /** The present fiscal year and those before it, the newest first; below each its quarters, the first one first. */
    public static List<Named> around(LocalDate today, FiscalCalendar calendar, ULocale locale) {
        DateBucket years = new DateBucket(Bucket.FISCAL_YEAR, calendar);
        DateBucket quarters = new DateBucket(Bucket.FISCAL_QUARTER, calendar);
        List<Named> periods = new ArrayList<>();
        LocalDate start = calendar.startOfYear(today);
        for (int before = 0; before <= YEARS_BEFORE; before++) {
            long first = start.minusYears(before).toEpochDay();
            long next = years.next(first);
            periods.add(named(years, first, locale));
            for (long quarter = first; quarter < next; quarter = quarters.next(quarter)) {
                periods.add(named(quarters, quarter, locale));
            }
        }
        return List.copyOf(periods);
    }

    private static Named named(DateBucket bucket, long first, ULocale locale) {
        return new Named(
                bucket.label(first, locale),
                new Period(
                        Optional.of(LocalDate.ofEpochDay(first)),
                        Optional.of(LocalDate.ofEpochDay(bucket.next(first) - 1))));
    }
}
