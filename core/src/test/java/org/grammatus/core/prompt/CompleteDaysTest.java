package org.grammatus.core.prompt;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.ibm.icu.util.ULocale;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Meaning 44: days that are asked for and not complete are told. The business date is 20 November 2026. */
@Meaning(44)
class CompleteDaysTest {

    private static DatasetModel complete(String field, int daysBefore) {
        String said = "\"complete\": {\"field\": \"%s\", \"daysBefore\": %d}, \"grain\"".formatted(field, daysBefore);
        return DatasetModel.of(Definitions.readDataset(Samples.DATASET.replaceFirst("\"grain\"", said)));
    }

    private static Optional<CompleteDays> beyond(Report report, DatasetModel dataset, String period) {
        ResolvedPrompt prompt = new Answers(Map.of("period", period))
                .resolve(report.prompts(), Samples.CONTEXT, ReportDatasets.of(dataset), ULocale.UK)
                .getFirst();
        return CompleteDays.beyond(prompt, report, dataset, Samples.CONTEXT);
    }

    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "1, last 7 days, 2026-11-14/2026-11-19",
                "1, 2026-11-01/.., 2026-11-01/2026-11-19",
                "1, all, ../2026-11-19",
                "1, today, -",
                "0, this month, 2026-11-01/2026-11-20",
                "3, 2026-11-18/2026-11-30, -",
                "40, last 60 days, 2026-09-22/2026-10-11"
            })
    void whatGoesBeyondIsToldWithTheCompleteDaysThatAreLeft(int daysBefore, String period, String complete) {
        CompleteDays days = beyond(Samples.report(), complete("ordered_at", daysBefore), period)
                .orElseThrow();
        assertThat(days.until()).isEqualTo(LocalDate.of(2026, 11, 20).minusDays(daysBefore));
        assertThat(days.complete().map(Object::toString)).isEqualTo(Optional.ofNullable(complete));
    }

    @Test
    void completeDaysAloneAndWhatIsAskedOfAnotherDateAreNotTold() {
        DatasetModel dataset = complete("ordered_at", 1);
        assertThat(beyond(Samples.report(), dataset, "up to yesterday")).isEmpty();
        assertThat(beyond(Samples.report(), dataset, "previous month")).isEmpty();
        assertThat(beyond(Samples.report(), Samples.dataset(), "today")).isEmpty();
        Report off = Definitions.readReport(
                Samples.REPORT.replace("\"prompt\": \"period\"}", "\"prompt\": \"period\", \"off\": true}"));
        assertThat(beyond(off, dataset, "today")).isEmpty();
    }

    @Test
    void aDatasetSaysItInDaysOfADate() {
        assertThatThrownBy(() -> complete("region", 1)).hasMessageContaining("\"region\" is no date");
        assertThatThrownBy(() -> complete("ordered", 1)).hasMessageContaining("/complete/field");
        assertThatThrownBy(() -> complete("ordered_at", -1)).hasMessageContaining("/complete/daysBefore");
    }
}
