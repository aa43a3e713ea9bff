package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.ibm.icu.util.ULocale;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.Meaning;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.runs.profile.DayValues;
import org.grammatus.runs.profile.FieldValues;
import org.grammatus.runs.profile.PromptChoices;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;

/** Answers that only the data can tell: the latest day, the last days that have rows. */
@Meaning(33)
class DaysOfDataTest {

    private static final DatasetReader READER =
            Mockito.spy(StarReader.over(new SqliteSource(DemoData.database(ScenarioSize.DEMO))));

    private static ResolvedPrompt first(String report, Map<String, String> answers) {
        Report definition = Starters.report(report).orElseThrow();
        ReportDatasets dataset = DemoData.datasets(definition);
        return DayValues.found(new Answers(answers), definition, dataset, READER, DemoData.CONTEXT)
                .resolve(definition.prompts(), DemoData.CONTEXT, dataset, ULocale.UK)
                .getFirst();
    }

    private static List<String> days() throws Exception {
        List<String> days = new ArrayList<>();
        try (Connection connection =
                        DriverManager.getConnection("jdbc:sqlite:" + DemoData.database(ScenarioSize.DEMO));
                Statement statement = connection.createStatement();
                ResultSet rows = statement.executeQuery("SELECT DISTINCT date(ordered_at) FROM sales_order_line"
                        + " JOIN sales_order USING (order_id) WHERE ordered_at IS NOT NULL ORDER BY 1 DESC")) {
            while (rows.next()) {
                days.add(rows.getString(1));
            }
        }
        return days;
    }

    @Test
    void theLatestDayIsThatOfTheRowsAndStaysTheLatestInAddresses() throws Exception {
        ResolvedPrompt latest = first("latest-day", Map.of());
        assertThat(latest.resolved()).isEqualTo(days().getFirst());
        assertThat(latest.asked()).isEqualTo("latest");
        assertThat(first("latest-day", Map.of("day", "earliest")).resolved()).isEqualTo(days().getLast());
        assertThat(first("latest-day", Map.of("day", "2026-11-18")).resolved()).isEqualTo("2026-11-18");
    }

    @Test
    void theLastDaysAreCountedByThoseThatHaveRows() throws Exception {
        ResolvedPrompt seven = first("last-days", Map.of());
        assertThat(seven.period().from()).contains(LocalDate.parse(days().get(6)));
        assertThat(seven.period().to()).contains(LocalDate.parse(days().getFirst()));
        assertThat(seven.asked()).isEqualTo("last 7 days with data");
        assertThat(first("last-days", Map.of("period", "last-3-days-with-data"))
                        .period()
                        .from())
                .contains(LocalDate.parse(days().get(2)));
        assertThatThrownBy(() -> first("last-days", Map.of("period", "last 0 days with data")))
                .hasMessageContaining("is not a period");
    }

    @Test
    void nothingIsReadWhereTheAnswerSaysADayItself() {
        Mockito.clearInvocations(READER);
        first("latest-day", Map.of("day", "2026-11-18"));
        first("last-days", Map.of("period", "previous month"));
        Mockito.verify(READER, Mockito.never()).read(Mockito.any(), Mockito.any(ReadProgress.class));
    }

    private static List<FieldValues.Value> offered(String find) {
        Report report = Starters.report("latest-day").orElseThrow();
        return new PromptChoices(READER, report, DemoData.datasets(report), DemoData.CONTEXT)
                .offered(report.prompts().getFirst(), Answers.NONE, find, Optional.empty());
    }

    @Test
    void daysAreOfferedNewestFirstAndFoundAsTheyAreSaid() throws Exception {
        assertThat(offered(""))
                .extracting(FieldValues.Value::value)
                .startsWith(days().subList(0, 5).toArray(String[]::new));
        assertThat(offered("november 2026"))
                .isNotEmpty()
                .allSatisfy(day -> assertThat(day.value()).startsWith("2026-11-"));
    }
}
