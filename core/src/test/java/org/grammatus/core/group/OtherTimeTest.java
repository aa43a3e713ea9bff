package org.grammatus.core.group;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.TreeText;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/**
 * Figures of another time where the days asked for are open, or end on 29 February. An open end is the business date, in both times;
 * without a start nothing is compared but inside spans of time. The business date is 20 November 2026.
 */
@Meaning(25)
class OtherTimeTest {

    private static final String LAST_YEAR = compared("last-year", "figure", "");
    private static final String PREVIOUS = compared("previous-period", "figure", "");
    private static final String NET = "{\"value\": \"SUM(net)\"}";

    private static String compared(String with, String shown, String more) {
        return "{\"value\": \"SUM(net)\", \"compare\": {\"with\": \"" + with
                + "\", \"date\": \"ordered_at\", \"shown\": \"" + shown + "\"" + more + "}}";
    }

    private static String level(String bucket) {
        return "{\"id\": \"" + bucket + "\", \"name\": \"Time\", \"key\": \"ordered_at\", \"bucket\": \"" + bucket
                + "\", \"order\": []}";
    }

    private static Samples sales() {
        return new Samples()
                .order("A", "2024-11-10T10:00", "Upland", "0.00")
                .order("B", "2025-10-05T10:00", "Upland", "0.00")
                .order("C", "2025-12-05T10:00", "Upland", "0.00")
                .order("D", "2026-08-15T10:00", "Upland", "0.00")
                .order("E", "2026-10-05T10:00", "Upland", "0.00")
                .order("F", "2026-12-24T10:00", "Upland", "0.00")
                .order("G", null, "Upland", "0.00")
                .line("A", "Hives", "1.00")
                .line("B", "Hives", "2.00")
                .line("C", "Hives", "4.00")
                .line("D", "Hives", "8.00")
                .line("E", "Hives", "16.00")
                .line("F", "Hives", "32.00")
                .line("G", "Hives", "64.00");
    }

    private static Answers period(String period) {
        return new Answers(Map.of("period", period));
    }

    private static List<String> tree(Report report, Answers answers) {
        return TreeText.of(sales().grouped(report, answers));
    }

    private static List<String> notices(Report report, Answers answers) {
        return sales().grouped(report, answers).notices().stream()
                .map(Problem::message)
                .toList();
    }

    @Test
    void anOpenEndIsTheBusinessDateInBothTimes() {
        Report report = Samples.report(level("fiscal-year"), "", NET, LAST_YEAR, PREVIOUS);
        // E and F are of 2026/27, of which only E is before 20 November; of the year before that is B, not C.
        // 51 days from 1 October to 20 November follow 51 days from 11 August on, in which there is D.
        assertThat(tree(report, period("2026-10-01/..")))
                .containsExactly("all | 48.00 | 2.00 | 8.00", "  2026/27 | 48.00 | 2.00 | 8.00");
    }

    @Test
    void ofAnOpenEndDifferencesAreUpToTheBusinessDateOnBothSides() {
        Report report = Samples.report("", "", NET, compared("last-year", "difference", ""));
        assertThat(tree(report, period("2026-10-01/.."))).containsExactly("all | 48.00 | 14.00");
        assertThat(notices(report, period("2026-10-01/..")))
                .anyMatch(notice -> notice.startsWith("Days after 20 November 2026 are not compared for"));
        assertThat(tree(report, period("2026-10-01/2027-09-30")))
                .as("a closed end is the reader's own")
                .containsExactly("all | 48.00 | 34.00");
    }

    @Test
    void withoutAStartNothingIsComparedAndTheFigureSaysWhy() {
        for (String open : List.of("../2026-11-20", "../..")) {
            Report report = Samples.report("", "", NET, LAST_YEAR, compared("last-year", "percent", ""), PREVIOUS);
            assertThat(tree(report, period(open)).getFirst()).endsWith(" |  |  | ");
            assertThat(notices(report, period(open)))
                    .containsExactly(
                            "Nothing is compared for C1 and C2: answer \"Ordered\" with a start",
                            "No previous period for C3: answer \"Ordered\" with a start");
        }
    }

    @Test
    void countsWithoutAStartAreBlankToo() {
        String count = LAST_YEAR.replace("SUM(net)", "COUNT(*)");
        assertThat(tree(Samples.report("", "", NET, count), Answers.NONE)).containsExactly("all | 127.00 | ");
    }

    @Test
    void withoutAStartSpansOfTimeAreComparedUpToTheBusinessDateAndBlankDatesAreNot() {
        Report report = Samples.report(level("fiscal-year"), "", NET, LAST_YEAR);
        assertThat(tree(report, Answers.NONE))
                .containsExactly(
                        "all | 127.00 | ",
                        "  2024/25 | 1.00 | ",
                        "  2025/26 | 14.00 | 1.00",
                        "  2026/27 | 48.00 | 2.00",
                        "  (none) | 64.00 | ");
        Report printed = Definitions.readReport(Definitions.write(report)
                .replaceAll("\"cells\" ?: ?\\[ ?\\]", "\"cells\": [{\"at\": \"report\", \"in\": \"footer\"}]"));
        assertThat(notices(printed, Answers.NONE))
                .containsExactly("Compared only inside groups of one time: C1;"
                        + " for the totals around them, answer \"Ordered\" with a start");
    }

    @Test
    void placesOfACycleAreNoSpansUnlessTheyStandInsideOne() {
        String month = level("month-of-year").replace("month-of-year\", \"name", "month\", \"name");
        String year = level("fiscal-year").replace("fiscal-year\", \"name", "year\", \"name");
        assertThat(tree(Samples.report(month, "", NET, LAST_YEAR), Answers.NONE))
                .contains("  October | 18.00 | ");
        assertThat(tree(Samples.report(year + "," + month, "", NET, LAST_YEAR), Answers.NONE))
                .containsSubsequence("  2026/27 | 48.00 | 2.00", "    October | 16.00 | 2.00");
    }

    @Test
    void aTypedConditionGivesAStartToo() {
        for (String where : List.of(
                "ordered_at >= DATE '2026-10-01'",
                "DATE '2026-10-01' <= ordered_at",
                "NOT (ordered_at < DATE '2026-10-01')",
                "ordered_at > CURRENT_DATE - INTERVAL '51' DAY",
                "ordered_at BETWEEN DATE '2026-10-01' AND DATE '2027-09-30' AND ordered_at < CURRENT_DATE + INTERVAL '1' DAY")) {
            Report report = Samples.report(
                    "",
                    "\"filters\": [{\"id\": \"f-typed\", \"kind\": \"expression\", \"where\": \"" + where + "\"}],",
                    NET,
                    LAST_YEAR);
            assertThat(tree(report, Answers.NONE).getFirst()).as(where).endsWith(" | 2.00");
        }
    }

    /** Sales around the end of February of a leap year, and of the year before. */
    private static List<String> inFebruary(String period, String levels) {
        Samples february = new Samples()
                .order("P", "2027-02-27T10:00", "Upland", "0.00")
                .order("Q", "2027-02-28T23:30", "Upland", "0.00")
                .order("R", "2028-02-28T10:00", "Upland", "0.00")
                .order("S", "2028-02-29T23:30", "Upland", "0.00")
                .order("T", "2029-02-28T10:00", "Upland", "0.00")
                .line("P", "Hives", "1.00")
                .line("Q", "Hives", "2.00")
                .line("R", "Hives", "4.00")
                .line("S", "Hives", "8.00")
                .line("T", "Hives", "16.00");
        Report report = Samples.report(levels, "", NET, LAST_YEAR);
        TableResult grouped = february.grouped(report, period(period));
        List<String> all = new ArrayList<>(TreeText.of(grouped));
        grouped.notices().forEach(notice -> all.add(notice.message()));
        return all;
    }

    @Test
    void aYearBefore29FebruaryIs28February() {
        assertThat(inFebruary("2028-02-29/2028-02-29", ""))
                .containsExactly(
                        "all | 8.00 | 2.00",
                        "C1: a year before 29 February is 28 February;"
                                + " 29 February 2028 is compared with 28 February 2027");
        assertThat(inFebruary("2028-02-28/2028-02-29", level("day")))
                .containsExactly(
                        "all | 12.00 | 2.00",
                        "  28 Feb 2028 | 4.00 | 2.00",
                        "  29 Feb 2028 | 8.00 | 2.00",
                        "C1: a year before 29 February is 28 February;"
                                + " 28 and 29 February 2028 are both compared with 28 February 2027");
        assertThat(inFebruary("2028-02-01/2028-02-29", "")).containsExactly("all | 12.00 | 3.00");
        assertThat(inFebruary("2029-02-01/2029-02-28", ""))
                .as("a whole February is compared with a whole February")
                .containsExactly("all | 16.00 | 12.00");
    }

    @Test
    void theSameNoticeIsShownOnceForAllFigures() {
        Report report = Samples.report("", "", NET, PREVIOUS, PREVIOUS.replace("SUM(net)", "COUNT(*)"));
        assertThat(Planner.plan(report, Samples.dataset(), Answers.NONE, Samples.CONTEXT)
                        .notices())
                .isEmpty();
        assertThat(notices(report, Answers.NONE))
                .containsExactly("No previous period for C1 and C2: answer \"Ordered\" with a start");
    }
}
