package org.grammatus.core.dataset;

import static org.assertj.core.api.Assertions.assertThat;

import com.ibm.icu.util.ULocale;
import java.time.LocalDate;
import java.util.List;
import org.grammatus.core.dataset.FiscalPeriods.Named;
import org.junit.jupiter.api.Test;

/** Fiscal periods are offered by name, each year before its quarters, without a gap. */
class FiscalPeriodsTest {

    private static List<Named> around(String today, int startMonth) {
        return FiscalPeriods.around(LocalDate.parse(today), new FiscalCalendar(startMonth), ULocale.UK);
    }

    @Test
    void theNewestYearStandsFirstAndItsQuartersBelowIt() {
        List<Named> periods = around("2026-11-20", 10);
        assertThat(periods).hasSize(20);
        assertThat(periods.subList(0, 6))
                .extracting(period -> period.label() + " " + period.days())
                .containsExactly(
                        "2026/27 2026-10-01/2027-09-30",
                        "Q1 2026/27 2026-10-01/2026-12-31",
                        "Q2 2026/27 2027-01-01/2027-03-31",
                        "Q3 2026/27 2027-04-01/2027-06-30",
                        "Q4 2026/27 2027-07-01/2027-09-30",
                        "2025/26 2025-10-01/2026-09-30");
    }

    @Test
    void leapDaysAndCalendarYearsAreWithinTheirPeriods() {
        assertThat(around("2024-02-29", 3).getFirst().days()).hasToString("2023-03-01/2024-02-29");
        assertThat(around("2024-02-29", 1).get(1).days()).hasToString("2024-01-01/2024-03-31");
    }
}
