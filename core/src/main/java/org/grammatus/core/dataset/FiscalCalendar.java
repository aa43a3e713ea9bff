package org.grammatus.core.dataset;

import java.time.LocalDate;
import org.grammatus.core.definition.Dataset;

/**
 * Fiscal years, which start on the first of a month.
 *
 * @param startMonth month in which the year starts, 1 to 12
 */
public record FiscalCalendar(int startMonth) {

    /** The year that starts on 1 January. */
    public static final FiscalCalendar CALENDAR_YEAR = new FiscalCalendar(1);

    public static FiscalCalendar of(Dataset.Calendar calendar) {
        return new FiscalCalendar(calendar.fiscalYearStart());
    }

    /** First day of the fiscal year in which a day lies. */
    public LocalDate startOfYear(LocalDate day) {
        LocalDate start = LocalDate.of(day.getYear(), startMonth, 1);
        return start.isAfter(day) ? start.minusYears(1) : start;
    }

    /** The label of a fiscal year, from its first day: {@code 2025/26}, or {@code 2026} where it is the calendar year. */
    public String label(LocalDate firstDay) {
        if (startMonth == 1) {
            return Integer.toString(firstDay.getYear());
        }
        return "%d/%02d".formatted(firstDay.getYear(), (firstDay.getYear() + 1) % 100);
    }
}
