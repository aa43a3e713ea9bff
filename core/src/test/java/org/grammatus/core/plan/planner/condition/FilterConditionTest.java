package org.grammatus.core.plan.planner.condition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Meaning 13: what a built condition keeps, and that it means what its typed form means. */
@Meaning(13)
class FilterConditionTest {

    private static final Samples ROWS = new Samples()
            .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
            .order("S2", "2026-03-31T23:30", "Lake_side", "7.50")
            .order("S3", "2026-04-01T00:00", "Upland", null)
            .order("S4", "2026-03-01T09:00", null, "1.00")
            .line("S1", "Hives", "10.00")
            .line("S2", "Hives", "20.00")
            .line("S3", "Jars", "25.00")
            .line("S4", "O'Brien", "-3.00");

    private static Report with(String condition) {
        return Definitions.readReport(Samples.REPORT.replace(
                "{\"id\": \"f-period\", \"kind\": \"period\", \"field\": \"ordered_at\", \"prompt\": \"period\"}",
                "{\"id\": \"f-own\", \"kind\": \"condition\", " + condition.replace('`', '"') + "}"));
    }

    private static String typed(Report report) {
        return FilterCondition.text(
                report.filters().getFirst(),
                new FilterScope(Samples.dataset(), report.prompts(), ReportDatasets.of(Samples.dataset())));
    }

    private static int kept(Report report) {
        TableResult grouped = ROWS.grouped(report, Answers.NONE);
        return grouped.rowsKept();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            value = {
                "`field`: `region`, `comparison`: `is`, `values`: [`Lakeside`] | 1 | `region` IN ('Lakeside')",
                "`field`: `region`, `comparison`: `is`, `values`: [`Lakeside`, `Upland`] | 2 |"
                        + " `region` IN ('Lakeside', 'Upland')",
                "`field`: `region`, `comparison`: `is-not`, `values`: [`Lakeside`] | 3 |"
                        + " `region` NOT IN ('Lakeside') OR `region` IS NULL",
                "`field`: `region`, `comparison`: `contains`, `values`: [`_s`] | 1 |"
                        + " `region` LIKE '%\\_s%' ESCAPE '\\'",
                "`field`: `region`, `comparison`: `does-not-contain`, `values`: [`ake`] | 2 |"
                        + " `region` NOT LIKE '%ake%' ESCAPE '\\' OR `region` IS NULL",
                "`field`: `region`, `comparison`: `starts-with`, `values`: [`Lake`] | 2 |"
                        + " `region` LIKE 'Lake%' ESCAPE '\\'",
                "`field`: `region`, `comparison`: `blank` | 1 | `region` IS NULL",
                "`field`: `region`, `comparison`: `not-blank` | 3 | `region` IS NOT NULL",
                "`field`: `net`, `comparison`: `more`, `values`: [`10`] | 2 | `net` > 10",
                "`field`: `net`, `comparison`: `at-least`, `values`: [`10.00`] | 3 | `net` >= 10.00",
                "`field`: `net`, `comparison`: `less`, `values`: [`0`] | 1 | `net` < 0",
                "`field`: `net`, `comparison`: `between`, `values`: [`10`, `20`] | 2 | `net` >= 10 AND `net` <= 20",
                "`field`: `category`, `comparison`: `is`, `values`: [`O'Brien`] | 1 | `category` IN ('O''Brien')",
                "`field`: `ordered_at`, `comparison`: `is`, `values`: [`2026-03-31`] | 1 | `ordered_at` >= DATE"
                        + " '2026-03-31' AND `ordered_at` < DATE '2026-03-31' + INTERVAL '1' DAY",
                "`field`: `ordered_at`, `comparison`: `at-most`, `values`: [`2026-03-31`] | 3 |"
                        + " `ordered_at` < DATE '2026-03-31' + INTERVAL '1' DAY",
                "`field`: `ordered_at`, `comparison`: `more`, `values`: [`2026-03-31`] | 1 |"
                        + " `ordered_at` >= DATE '2026-03-31' + INTERVAL '1' DAY"
            })
    void aBuiltConditionKeepsWhatItsTypedFormKeeps(String condition, int kept, String text) {
        Report built = with(condition);
        assertThat(typed(built)).isEqualTo(text.replace('`', '"'));
        assertThat(kept(built)).isEqualTo(kept);
        Report typed = Definitions.readReport(Definitions.write(built)
                .replaceFirst(
                        "(?s)\"filters\"\\s*:\\s*\\[.*?\\}\\s*\\]",
                        java.util.regex.Matcher.quoteReplacement(
                                "\"filters\": [{\"id\": \"f\", \"kind\": \"expression\","
                                        + " \"where\": \""
                                        + typed(built).replace("\\", "\\\\").replace("\"", "\\\"") + "\"}]")));
        assertThat(kept(typed)).isEqualTo(kept);
    }

    @Test
    void aValueThatDoesNotFitTheFieldIsToldAtTheFilter() {
        assertThatThrownBy(() -> kept(with("`field`: `net`, `comparison`: `more`, `values`: [`much`]")))
                .hasMessage("/filters/0/values: found \"much\", expected a number such as 12.50");
        assertThatThrownBy(() -> kept(with("`field`: `net`, `comparison`: `contains`, `values`: [`1`]")))
                .hasMessageContaining("only texts are searched");
    }

    @Test
    void aConditionHasAsManyValuesAsItsComparisonTakes() {
        assertThatThrownBy(() -> with("`field`: `net`, `comparison`: `between`, `values`: [`1`]"))
                .hasMessageContaining("/filters/0/values: found 1 value to compare with, expected 2");
        assertThatThrownBy(() -> with("`field`: `net`, `comparison`: `blank`, `values`: [`1`]"))
                .hasMessageContaining("expected none");
    }

    @Test
    void anUnansweredChoiceRestrictsNothing() {
        String choice = Samples.REPORT
                .replace(
                        "\"type\": \"period\", \"label\": \"Ordered\"}",
                        "\"type\": \"choice\", \"label\": \"Region\", \"field\": \"region\"}")
                .replace(
                        "\"kind\": \"period\", \"field\": \"ordered_at\"",
                        "\"kind\": \"condition\", \"field\": \"region\", \"comparison\": \"is\"");
        Report report = Definitions.readReport(choice);
        assertThat(kept(report)).isEqualTo(4);
        TableResult chosen = ROWS.grouped(report, new Answers(Map.of("period", "Upland")));
        assertThat(chosen.rowsKept()).isEqualTo(1);
        assertThat(chosen.plan().prompts().getFirst().inWords(chosen.plan().locale()))
                .isEqualTo("Upland");
    }

    @Test
    @Meaning(16)
    void aFilterThatIsSwitchedOffKeepsEverything() {
        assertThat(kept(with("`field`: `region`, `comparison`: `blank`, `off`: true")))
                .isEqualTo(4);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            value = {
                "`kind`: `condition`, `field`: `region`, `comparison`: `is` | 4",
                "`kind`: `condition`, `field`: `region`, `comparison`: `is-not` | 4",
                "`kind`: `condition`, `field`: `net`, `comparison`: `between`, `values`: [``, ``] | 4",
                "`kind`: `condition`, `field`: `net`, `comparison`: `between`, `values`: [`15`, ``] | 2",
                "`kind`: `condition`, `field`: `net`, `comparison`: `between`, `values`: [``, `15`] | 2",
                "`kind`: `condition`, `field`: `ordered_at`, `comparison`: `between`, `values`: [`2026-03-31`, ``] | 2",
                "`kind`: `none`, `filters`: [{`id`: `f-1`, `kind`: `condition`, `field`: `region`, `comparison`: `is`}] | 4",
                "`kind`: `none`, `filters`: [{`id`: `f-1`, `kind`: `condition`, `field`: `net`, `comparison`: `between`,"
                        + " `values`: [`15`, ``]}] | 2",
                "`kind`: `any`, `filters`: [{`id`: `f-1`, `kind`: `condition`, `field`: `region`, `comparison`: `is`},"
                        + " {`id`: `f-2`, `kind`: `condition`, `field`: `net`, `comparison`: `more`, `values`: [`20`]}] | 1",
            })
    void whatIsNotWrittenYetDropsNoRow(String filter, int kept) {
        Report report = Definitions.readReport(Samples.REPORT.replace(
                "{\"id\": \"f-period\", \"kind\": \"period\", \"field\": \"ordered_at\", \"prompt\": \"period\"}",
                "{\"id\": \"f-own\", " + filter.replace('`', '"') + "}"));
        assertThat(kept(report)).isEqualTo(kept);
    }

    @Test
    void aMissingValueIsSaidToTheAuthor() {
        Report report = with("`field`: `region`, `comparison`: `is`");
        assertThat(Planner.plan(report, Samples.dataset(), Answers.NONE, Samples.CONTEXT)
                        .notices())
                .extracting(Problem::pointer)
                .contains("/filters/0/values");
    }
}
