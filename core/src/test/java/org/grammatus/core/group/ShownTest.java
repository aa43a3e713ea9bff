package org.grammatus.core.group;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.TreeText;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** 2.3: shares, running totals, ranks and changes; and figures of another time beside those of this one. */
@Meaning(24)
class ShownTest {

    private static final String REGION = """
            {"id": "region", "name": "Region", "key": "region",
             "order": [{"id": "o-region", "by": "SUM(net)", "direction": "descending"}] %s}""";
    private static final String CATEGORY = """
            {"id": "category", "name": "Category", "key": "category", "order": []}""";
    private static final String YEAR = """
            {"id": "year", "name": "Year", "key": "ordered_at", "bucket": "fiscal-year", "order": []}""";

    private static Samples sales() {
        return new Samples()
                .order("S1", "2025-01-05T10:00", "Lakeside", "5.00")
                .order("S2", "2025-10-06T10:00", "Lakeside", "7.00")
                .order("S3", "2025-12-10T10:00", "Upland", "2.00")
                .order("S4", "2024-12-08T10:00", "Upland", "1.00")
                .order("S5", "2024-12-24T10:00", "Coast", "1.00")
                .line("S1", "Hives", "30.00")
                .line("S1", "Jars", "10.00")
                .line("S2", "Jars", "20.00")
                .line("S3", "Hives", "15.00")
                .line("S3", "Jars", "5.00")
                .line("S4", "Feed", "20.00")
                .line("S5", "Feed", "0.00");
    }

    private static List<String> tree(String levels, Answers answers, String... totals) {
        return TreeText.of(sales().grouped(Samples.report(levels, "", totals), answers));
    }

    private static String shown(String shown) {
        return "{\"value\": \"SUM(net)\", \"shown\": \"" + shown + "\"}";
    }

    @Test
    void sharesRunningTotalsRanksAndChanges() {
        assertThat(tree(
                        REGION.formatted("") + "," + CATEGORY,
                        Answers.NONE,
                        shown("value"),
                        shown("share-of-parent"),
                        shown("share-of-report"),
                        shown("running-in-parent"),
                        shown("running-in-report"),
                        shown("rank"),
                        shown("change"),
                        shown("change-percent")))
                .containsExactly(
                        "all | 100.00 |  | 100.0% | 100.00 | 100.00 |  |  | ",
                        "  Lakeside | 60.00 | 60.0% | 60.0% | 60.00 | 60.00 | 1 |  | ",
                        "    Hives | 30.00 | 50.0% | 30.0% | 30.00 | 30.00 | 1 |  | ",
                        "    Jars | 30.00 | 50.0% | 30.0% | 60.00 | 60.00 | 1 | 0.00 | 0.0%",
                        "  Upland | 40.00 | 40.0% | 40.0% | 100.00 | 100.00 | 2 | -20.00 | -33.3%",
                        "    Feed | 20.00 | 50.0% | 20.0% | 20.00 | 80.00 | 1 |  | ",
                        "    Hives | 15.00 | 37.5% | 15.0% | 35.00 | 95.00 | 2 | -5.00 | -25.0%",
                        "    Jars | 5.00 | 12.5% | 5.0% | 40.00 | 100.00 | 3 | -10.00 | -66.7%",
                        "  Coast | 0.00 | 0.0% | 0.0% | 100.00 | 100.00 | 3 | -40.00 | -100.0%",
                        "    Feed | 0.00 |  | 0.0% | 0.00 | 100.00 | 1 |  | ");
    }

    @Test
    void aShareOfNothingIsBlankAndSaid() {
        Report report = Definitions.readReport(Definitions.write(
                        Samples.report(REGION.formatted("") + "," + CATEGORY, "", shown("share-of-parent")))
                .replaceAll("\"cells\" ?: ?\\[ ?\\]", "\"cells\": [{\"at\": \"category\", \"in\": \"footer\"}]"));
        assertThat(sales().grouped(report, Answers.NONE).notices())
                .extracting(Problem::message)
                .contains("One figure is blank because the value is divided by zero: C0");
    }

    @Test
    void othersTakePartInSharesAndRunningTotalsButHaveNoRankAndNoChange() {
        String limited = REGION.formatted(
                ", \"limit\": {\"keep\": \"largest\", \"by\": \"SUM(net)\", \"count\": 1, \"others\": true}");
        assertThat(tree(
                        limited,
                        Answers.NONE,
                        shown("value"),
                        shown("share-of-report"),
                        shown("running-in-parent"),
                        shown("rank"),
                        shown("change")))
                .containsExactly(
                        "all | 100.00 | 100.0% | 100.00 |  | ",
                        "  Lakeside | 60.00 | 60.0% | 60.00 | 1 | ", "  Others (2) | 40.00 | 40.0% | 100.00 |  | ");
    }

    private static String lastYear(String shown, String more) {
        return "{\"value\": \"SUM(net)\", \"compare\": {\"with\": \"last-year\", \"date\": \"ordered_at\", \"shown\": \""
                + shown + "\"" + more + "}}";
    }

    @Test
    void theSamePeriodLastYearStandsBesideEachGroup() {
        // Fiscal 2025/26 has 40.00 of S2 and S3; the year before 60.00 of S1, S4 and S5, Coast among it.
        assertThat(tree(
                        REGION.formatted(""),
                        new Answers(Map.of("period", "2025-10-01/2026-09-30")),
                        shown("value"),
                        lastYear("figure", ""),
                        lastYear("difference", ""),
                        lastYear("percent", "")))
                .containsExactly(
                        "all | 40.00 | 60.00 | -20.00 | -33.3%",
                        "  Lakeside | 20.00 | 40.00 | -20.00 | -50.0%", "  Upland | 20.00 | 20.00 | 0.00 | 0.0%");
    }

    @Test
    void aCountOfAnotherTimeWithoutRowsIsZero() {
        String count = "{\"value\": \"COUNT(*)\", \"compare\": {\"with\": \"last-year\", \"date\": \"ordered_at\","
                + " \"shown\": \"%s\"}}";
        // Lakeside's S1 and Upland's S4 are of the year before; Coast has rows there alone, Jars of Upland here alone.
        assertThat(tree(
                        REGION.formatted("") + "," + CATEGORY,
                        new Answers(Map.of("period", "2025-10-01/2026-09-30")),
                        "{\"value\": \"COUNT(*)\"}",
                        count.formatted("figure"),
                        count.formatted("difference"),
                        count.formatted("percent"),
                        lastYear("figure", "").replace("SUM(net)", "COALESCE(SUM(net), 0) + COUNT(*)")))
                .containsExactly(
                        "all | 3 | 4 | -1 | -25.0% | 64.00",
                        "  Lakeside | 1 | 2 | -1 | -50.0% | 42.00",
                        "    Jars | 1 | 1 | 0 | 0.0% | 11.00",
                        "  Upland | 2 | 1 | 1 | 100.0% | 21.00",
                        "    Hives | 1 | 0 | 1 |  | 0.00",
                        "    Jars | 1 | 0 | 1 |  | 0.00");
    }

    @Test
    void lastYearCanBeCutToTheSameDay() {
        // The business date is 20 November 2026: of the months before 20 November 2025 there is S2 alone.
        assertThat(tree(
                        YEAR,
                        new Answers(Map.of("period", "2025-10-01/2027-09-30")),
                        shown("value"),
                        lastYear("figure", ""),
                        lastYear("figure", ", \"cut\": true")))
                .containsExactly("all | 40.00 | 100.00 | 80.00", "  2025/26 | 40.00 | 60.00 | 60.00");
    }

    @Test
    void thePreviousPeriodIsAsLongAsTheOneThatWasAskedFor() {
        String previous =
                "{\"value\": \"SUM(net)\", \"compare\": {\"with\": \"previous-period\", \"date\": \"ordered_at\","
                        + " \"shown\": \"figure\"}}";
        assertThat(tree(
                        REGION.formatted(""),
                        new Answers(Map.of("period", "2025-12-01/2025-12-31")),
                        shown("value"),
                        previous))
                .containsExactly("all | 20.00 | ", "  Upland | 20.00 | ");
        assertThat(tree(
                        REGION.formatted(""),
                        new Answers(Map.of("period", "2025-10-01/2025-12-31")),
                        shown("value"),
                        previous))
                .containsExactly("all | 40.00 | ", "  Lakeside | 20.00 | ", "  Upland | 20.00 | ");
        assertThat(tree(
                        REGION.formatted(""),
                        new Answers(Map.of("period", "2025-12-09/2026-02-10")),
                        shown("value"),
                        previous))
                .as("64 days before 9 December begin on 6 October")
                .containsExactly("all | 20.00 | 20.00", "  Upland | 20.00 | ");
    }

    @Test
    void otherTimesFollowTheSameChoiceOfGroups() {
        String limited = REGION.formatted(
                ", \"limit\": {\"keep\": \"largest\", \"by\": \"SUM(freight)\", \"count\": 1, \"others\": true}");
        assertThat(tree(
                        limited,
                        new Answers(Map.of("period", "2025-10-01/2026-09-30")),
                        shown("value"),
                        lastYear("figure", "")))
                .as("others of last year are all but Lakeside, Coast among them")
                .containsExactly("all | 40.00 | 60.00", "  Lakeside | 20.00 | 40.00", "  Others (1) | 20.00 | 20.00");
    }

    @Test
    void aPlanStandsBesideAMeasure() {
        assertThat(
                        tree(
                                REGION.formatted(""),
                                Answers.NONE,
                                shown("value"),
                                "{\"value\": \"SUM(net)\", \"compare\": {\"with\": \"plan\", \"plan\": \"SUM(freight) * 4\", \"shown\": \"difference\"}}",
                                "{\"value\": \"SUM(net)\", \"compare\": {\"with\": \"plan\", \"plan\": \"SUM(freight) * 4\", \"shown\": \"percent\"}}"))
                .containsExactly(
                        "all | 100.00 | 36.00 | 56.3%",
                        "  Lakeside | 60.00 | 12.00 | 25.0%",
                        "  Upland | 40.00 | 28.00 | 233.3%",
                        "  Coast | 0.00 | -4.00 | -100.0%");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"with\": \"last-year\", \"shown\": \"figure\" | /compare | \"date\" is missing",
                "\"with\": \"last-year\", \"date\": \"region\", \"shown\": \"figure\" | /compare/date | not a date",
                "\"with\": \"last-year\", \"date\": \"orderd_at\", \"shown\": \"figure\" | /compare/date | did you mean",
                "\"with\": \"plan\", \"plan\": \"MAX(region)\", \"shown\": \"figure\" | /compare/plan | a plan is a number",
                "\"with\": \"plan\", \"date\": \"ordered_at\", \"shown\": \"figure\" | /compare | \"plan\" is missing"
            })
    void comparisonsThatSayTooLittleAreRefused(String compare, String pointer, String message) {
        assertThatThrownBy(() -> tree(
                        REGION.formatted(""),
                        Answers.NONE,
                        "{\"value\": \"SUM(net)\", \"compare\": {" + compare + "}}"))
                .hasMessageContaining(pointer)
                .hasMessageContaining(message);
    }
}
