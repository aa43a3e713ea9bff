package org.grammatus.core.group;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.TreeText;
import org.grammatus.core.explain.InWords;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** 8: number classes, given lists of keys, keys without rows, and orders across the report. */
class LevelKindsTest {

    private static final String NET = "{\"value\": \"SUM(net)\"}";
    private static final String COUNT = "{\"value\": \"COUNT(*)\"}";

    private static String level(String id, String key, String more) {
        return "{\"id\": \"%s\", \"name\": \"%s\", \"key\": \"%s\", \"order\": [] %s}"
                .formatted(id, id, key, more.isEmpty() ? "" : ", " + more);
    }

    private static Samples sales() {
        return new Samples()
                .order("S1", "2025-09-05T10:00", "Lakeside", "5.00")
                .order("S2", "2025-11-06T10:00", "Lakeside", "7.00")
                .order("S3", "2026-01-31T23:30", "Upland", "2.00")
                .order("S4", null, null, null)
                .order("S5", "2026-02-01T10:00", "Coast", "1.00")
                .line("S1", "Hives", "30.00")
                .line("S2", "Jars", "6.00")
                .line("S3", "Hives", "8.00")
                .line("S3", "Feed", "8.01")
                .line("S4", "Jars", "-4.00")
                .line("S4", "Jars", null);
    }

    private static TableResult grouped(String levels, Answers answers, String... totals) {
        return sales().grouped(Samples.report(levels, "", totals), answers);
    }

    @Test
    @Meaning(22)
    void classesTakeNumbersUpToTheirEdges() {
        String classes = "\"classes\": [{\"upTo\": \"0\", \"label\": \"none\"}, {\"upTo\": \"8\", \"label\": \"1–8\"},"
                + " {\"upTo\": \"20\"}, {}]";
        assertThat(TreeText.of(grouped(level("size", "net", classes), Answers.NONE, NET, COUNT)))
                .containsExactly(
                        "all | 48.01 | 6",
                        "  none | -4.00 | 1",
                        "  1–8 | 14.00 | 2",
                        "  over 8 to 20 | 8.01 | 1",
                        "  over 20 | 30.00 | 1",
                        "  (none) |  | 1");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "net | [{\"upTo\": \"5\"}] | /classes/0/upTo | the last class takes all",
                "net | [{\"upTo\": \"5\"}, {}, {}] | /classes/1 | only the last class",
                "net | [{\"upTo\": \"5\"}, {\"upTo\": \"5.0\"}, {}] | /classes/1/upTo | expected more than 5",
                "net | [] | /classes | at least 1",
                "category | [{\"upTo\": \"5\"}, {}] | /classes | only a number has classes",
            })
    void classesThatDoNotFitAreRefused(String key, String classes, String pointer, String message) {
        assertThatThrownBy(() -> grouped(level("size", key, "\"classes\": " + classes), Answers.NONE, NET))
                .hasMessageContaining(pointer)
                .hasMessageContaining(message);
    }

    @Test
    void listedKeysStandAsGivenAndOthersAfterThem() {
        TableResult grouped =
                grouped(level("category", "category", "\"listed\": [\"Jars\", \"Wax\", \"Hives\"]"), Answers.NONE, NET);
        assertThat(TreeText.of(grouped))
                .containsExactly("all | 48.01", "  Jars | 2.00", "  Hives | 38.00", "  Feed | 8.01");
        assertThat(new InWords(Samples.dataset())
                        .order(
                                grouped.plan().levels().getFirst(),
                                grouped.plan().totals()))
                .isEqualTo("in the order given, others after it");
    }

    @Test
    @Meaning(23)
    void listedKeysWithoutRowsAreShownWithZeroOrBlank() {
        String listed = "\"listed\": [\"Jars\", \"Wax\", \"Hives\"], \"empty\": ";
        assertThat(TreeText.of(grouped(
                        level("category", "category", listed + "\"zero\""),
                        Answers.NONE,
                        NET,
                        COUNT,
                        "{\"value\": \"MAX(net)\"}")))
                .containsExactly(
                        "all | 48.01 | 6 | 30.00",
                        "  Jars | 2.00 | 3 | 6.00",
                        "  Wax | 0.00 | 0 | ",
                        "  Hives | 38.00 | 2 | 30.00",
                        "  Feed | 8.01 | 1 | 8.01");
        assertThat(TreeText.of(grouped(level("category", "category", listed + "\"blank\""), Answers.NONE, NET, COUNT)))
                .contains("  Wax |  | ");
    }

    @Test
    void keysOfTheDataWithoutRowsAreShownInEveryParent() {
        String levels = level("region", "region", "\"empty\": \"zero\"") + ", "
                + level("category", "category", "\"empty\": \"zero\"");
        assertThat(TreeText.of(grouped(levels, Answers.NONE, COUNT)))
                .startsWith(
                        "all | 6",
                        "  Coast | 0",
                        "    Feed | 0",
                        "    Hives | 0",
                        "    Jars | 0",
                        "  Lakeside | 2",
                        "    Feed | 0",
                        "    Hives | 1",
                        "    Jars | 1")
                .hasSize(17);
    }

    @Test
    @Meaning(23)
    void monthsWithoutRowsAreFilledInInsideTheirYears() {
        String levels = level("year", "ordered_at", "\"bucket\": \"fiscal-year\"")
                + ", "
                + level("month", "ordered_at", "\"bucket\": \"month\", \"empty\": \"zero\"");
        assertThat(TreeText.of(grouped(levels, Answers.NONE, NET)))
                .containsExactly(
                        "all | 48.01",
                        "  2024/25 | 30.00",
                        "    September 2025 | 30.00",
                        "  2025/26 | 22.01",
                        "    October 2025 | 0.00",
                        "    November 2025 | 6.00",
                        "    December 2025 | 0.00",
                        "    January 2026 | 16.01",
                        "  (none) | -4.00",
                        "    (none) | -4.00");
    }

    @Test
    @Meaning(23)
    void spansInsideCyclesAndCyclesInsideSpansAreFilledInWhereTheyShareADay() {
        String month = level("month", "ordered_at", "\"bucket\": \"month-of-year\", \"empty\": \"zero\"");
        String year = level("year", "ordered_at", "\"bucket\": \"year\", \"empty\": \"zero\"");
        assertThat(TreeText.of(grouped(month + ", " + year, Answers.NONE, COUNT)))
                .as("every month holds both years")
                .containsSubsequence("  January | 2", "    2025 | 0", "    2026 | 2", "  February | 0", "    2025 | 0")
                .containsSubsequence("  December | 0", "    2025 | 0", "    2026 | 0")
                .hasSize(1 + 12 * 3 + 2);
        assertThat(TreeText.of(grouped(year + ", " + month, Answers.NONE, COUNT)))
                .hasSize(1 + 2 * 13 + 2);
        String quarter = level("quarter", "ordered_at", "\"bucket\": \"quarter\", \"empty\": \"zero\"");
        assertThat(TreeText.of(grouped(quarter + ", " + month, Answers.NONE, COUNT)))
                .as("a quarter holds its three months")
                .containsSubsequence(
                        "  Q3 2025 | 1",
                        "    July | 0",
                        "    August | 0",
                        "    September | 1",
                        "  Q4 2025 | 1",
                        "    October | 0",
                        "    November | 1",
                        "    December | 0",
                        "  Q1 2026 | 2")
                .hasSize(1 + 3 * 4 + 2);
    }

    @Test
    void whatIsAskedForLimitsTheDaysThatSpansAndCyclesShare() {
        Answers answers = new Answers(Map.of("period", "2025-11-03/2026-02-02"));
        String fiscalMonth = level("month", "ordered_at", "\"bucket\": \"fiscal-month\", \"empty\": \"zero\"");
        String fiscalYear = level("year", "ordered_at", "\"bucket\": \"fiscal-year\", \"empty\": \"zero\"");
        assertThat(TreeText.of(grouped(fiscalYear + ", " + fiscalMonth, answers, COUNT)))
                .containsExactly(
                        "all | 3",
                        "  2025/26 | 3",
                        "    November | 1",
                        "    December | 0",
                        "    January | 2",
                        "    February | 0");
        Answers week = new Answers(Map.of("period", "2025-11-13/2025-11-18"));
        String weeks = level("week", "ordered_at", "\"bucket\": \"week\", \"empty\": \"zero\"");
        String days = level("day", "ordered_at", "\"bucket\": \"day-of-week\", \"empty\": \"zero\"");
        assertThat(TreeText.of(grouped(weeks + ", " + days, week, COUNT)))
                .as("from Thursday to the next Tuesday")
                .containsExactly(
                        "all | 0",
                        "  2025-W46 | 0",
                        "    Thursday | 0",
                        "    Friday | 0",
                        "    Saturday | 0",
                        "    Sunday | 0",
                        "  2025-W47 | 0",
                        "    Monday | 0",
                        "    Tuesday | 0");
    }

    @Test
    @Meaning(23)
    void thePeriodThatWasAskedForIsFilledInToItsEnds() {
        Answers answers = new Answers(Map.of("period", "2025-10-10/2026-03-02"));
        assertThat(TreeText.of(grouped(
                        level("month", "ordered_at", "\"bucket\": \"month\", \"empty\": \"blank\""), answers, NET)))
                .containsExactly(
                        "all | 22.01",
                        "  October 2025 | ",
                        "  November 2025 | 6.00",
                        "  December 2025 | ",
                        "  January 2026 | 16.01",
                        "  February 2026 | ",
                        "  March 2026 | ");
    }

    @Test
    void aFilledInGroupFaresAsOthersDo() {
        String levels = level("region", "region", "\"empty\": \"zero\", \"having\": \"SUM(net) < 20\"");
        assertThat(TreeText.of(grouped(levels, Answers.NONE, COUNT)))
                .containsExactly("all | 4", "  Coast | 0", "  Upland | 2", "  (none) | 2")
                .as("Lakeside, once left out, does not come back as a group without rows");
    }

    @Test
    @Meaning(27)
    void siblingsCanStandInTheOrderOfTheWholeReport() {
        String levels = level("region", "region", "") + ", " + """
                {"id": "category", "name": "category", "key": "category", "order": [
                 {"id": "o", "by": "SUM(net)", "direction": "descending", "basis": "%s"}]}""";
        assertThat(TreeText.of(grouped(levels.formatted("report"), Answers.NONE, NET)))
                .as("Hives 38.00, Feed 8.01, Jars 2.00 in the whole report")
                .containsSubsequence("  Lakeside | 36.00", "    Hives | 30.00", "    Jars | 6.00")
                .containsSubsequence("  Upland | 16.01", "    Hives | 8.00", "    Feed | 8.01");
        assertThat(TreeText.of(grouped(levels.formatted("parent"), Answers.NONE, NET)))
                .containsSubsequence("  Upland | 16.01", "    Feed | 8.01", "    Hives | 8.00");
    }
}
