package org.grammatus.core.dataset;

import java.time.LocalDate;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.Dataset.YearName;

/**
 * Fiscal years, which start on the first of a month.
 *
 * @param startMonth month in which the year starts, 1 to 12
 * @param yearName by which calendar year a fiscal year is called
 */
public record FiscalCalendar(int startMonth, YearName yearName) {

    /** The year that starts on 1 January. */
    public static final FiscalCalendar CALENDAR_YEAR = new FiscalCalendar(1, YearName.BOTH);

    /** A calendar whose years are called by both calendar years they touch. */
    public FiscalCalendar(int startMonth) {
        this(startMonth, YearName.BOTH);
    }

    public static FiscalCalendar of(Dataset.Calendar calendar) {
        return new FiscalCalendar(
                calendar.fiscalYearStart(), calendar.yearName().orElse(YearName.BOTH));
    }

    /** First day of the fiscal year in which a day lies. */
    public LocalDate startOfYear(LocalDate day) {
        LocalDate start = LocalDate.of(day.getYear(), startMonth, 1);
        return start.isAfter(day) ? start.minusYears(1) : start;
    }

    /**
     * The label of a fiscal year, from its first day: {@code 2025/26}, {@code 2025} or {@code 2026} as the calendar says, and
     * just {@code 2026} where it is the calendar year.
     */
    public String label(LocalDate firstDay) {
        int start = firstDay.getYear();
        int end = startMonth == 1 ? start : start + 1;
        return switch (yearName) {
            case START -> Integer.toString(start);
            case END -> Integer.toString(end);
            case BOTH -> start == end ? Integer.toString(start) : "%d/%02d".formatted(start, end % 100);
        };
    }
}
