package org.grammatus.core.dataset;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.grammatus.core.Meaning;
import org.grammatus.core.definition.Dataset.YearName;
import org.grammatus.core.definition.document.Definitions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Fiscal years start on the first of a month and are called as their calendar says. */
@Meaning(5)
class FiscalCalendarTest {

    @ParameterizedTest
    @CsvSource({
        "10, BOTH, 2025-10-01, 2025-10-01, 2025/26",
        "10, START, 2026-09-30, 2025-10-01, 2025",
        "10, END, 2026-09-30, 2025-10-01, 2026",
        "10, BOTH, 1999-12-31, 1999-10-01, 1999/00",
        "1, BOTH, 2026-12-31, 2026-01-01, 2026",
        "1, START, 2026-01-01, 2026-01-01, 2026",
        "1, END, 2026-06-01, 2026-01-01, 2026",
        "3, END, 2024-02-29, 2023-03-01, 2024"
    })
    void aYearIsCalledAsItsCalendarSays(int start, YearName name, LocalDate day, LocalDate firstDay, String label) {
        FiscalCalendar calendar = new FiscalCalendar(start, name);
        assertThat(calendar.startOfYear(day)).isEqualTo(firstDay);
        assertThat(calendar.label(firstDay)).isEqualTo(label);
    }

    private static FiscalCalendar of(String calendar) {
        return DatasetModel.of(Definitions.readDataset("""
                {"format": "grammatus-dataset", "version": 1, "id": "d", "label": "D", %s "grain": "l",
                 "tables": [{"id": "l", "table": "line", "key": ["id"], "noun": {"one": "line", "other": "lines"}}],
                 "joins": [], "fields": []}""".formatted(calendar))).calendar();
    }

    @Test
    void aDatasetSaysItOrTakesTheCalendarYear() {
        assertThat(of("\"calendar\": {\"fiscalYearStart\": 10, \"yearName\": \"end\"},"))
                .isEqualTo(new FiscalCalendar(10, YearName.END));
        assertThat(of("\"calendar\": {\"fiscalYearStart\": 10},")).isEqualTo(new FiscalCalendar(10, YearName.BOTH));
        assertThat(of("")).isEqualTo(FiscalCalendar.CALENDAR_YEAR);
    }
}
