package org.grammatus.core.dataset;

import java.time.LocalDate;
import org.grammatus.core.definition.Dataset;

/**
 * Fiscal years, which start on the first of a month.
 *
 * @param startMonth month in which the year starts, 1 to 12
 * @param namedByEnd whether a year bears the calendar year of its end rather than of its start
 */
public record FiscalCalendar(int startMonth, boolean namedByEnd) {

    public static FiscalCalendar of(Dataset.Calendar calendar) {
        return new FiscalCalendar(calendar.fiscalYearStart(), calendar.fiscalYearNamedBy() == Dataset.NamedBy.END);
    }

    /** First day of the fiscal year in which a day lies. */
    public LocalDate startOfYear(LocalDate day) {
        LocalDate start = LocalDate.of(day.getYear(), startMonth, 1);
        return start.isAfter(day) ? start.minusYears(1) : start;
    }

    /** The number a fiscal year bears, from its first day. */
    public int yearNumber(LocalDate firstDay) {
        return namedByEnd && startMonth > 1 ? firstDay.getYear() + 1 : firstDay.getYear();
    }

    /** The label of a fiscal year, from its first day: {@code 2025/26}, or {@code 2026} where it is the calendar year. */
    public String label(LocalDate firstDay) {
        if (startMonth == 1) {
            return Integer.toString(firstDay.getYear());
        }
        return "%d/%02d".formatted(firstDay.getYear(), (firstDay.getYear() + 1) % 100);
    }
}
