package org.grammatus.core.group;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.TreeText;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** 9: exact values rounded for display alone, or each line first; figures in thousands. */
@Meaning({1, 26})
class RoundingTest {

    private static Samples sales() {
        return new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "5.50")
                .order("S2", "2026-01-06T10:00", "Lakeside", "7.50")
                .order("S3", "2026-01-07T10:00", "Upland", "2.50")
                .line("S1", "Hives", "1000.40")
                .line("S1", "Jars", "1000.40")
                .line("S2", "Jars", "499.60")
                .line("S3", "Hives", "-500.50");
    }

    /** The sample report with its figures printed in whole numbers. */
    private static Report report(String more, String unit, boolean rows) {
        return Definitions.readReport(Samples.REPORT
                .replace("\"counts\"", more + "\"counts\"")
                .replace("\"value\": \"net\"", "\"value\": \"net\", " + unit + " \"format\": \"#,##0\"")
                .replace("\"value\": \"SUM(net)\",", "\"value\": \"SUM(net)\", \"format\": \"#,##0\",")
                .replace("\"value\": \"SUM(freight)\",", "\"value\": \"SUM(freight)\", \"format\": \"#,##0\",")
                .replace("\"shown\": true", "\"shown\": " + rows));
    }

    private static final String EACH_LINE = "\"rounding\": \"each-line\", ";

    @Test
    void figuresAreExactAndRoundedForDisplayAlone() {
        assertThat(TreeText.of(sales().grouped(report("", "", true), Answers.NONE)))
                .containsExactly(
                        "all | 2,000 | 16",
                        "  Lakeside | 2,500 | 13",
                        "    S1 | 2,001 | 6",
                        "    S2 | 500 | 8",
                        "  Upland | -501 | 3",
                        "    S3 | -501 | 3");
    }

    @Test
    void eachLineCanBeRoundedFirst() {
        assertThat(TreeText.of(sales().grouped(report(EACH_LINE, "", true), Answers.NONE)))
                .as(
                        "lines print 1,000 and 1,000, 500, -501; freight is of orders, whose deepest place is the order's footer")
                .containsExactly(
                        "all | 1,999 | 17",
                        "  Lakeside | 2,500 | 14",
                        "    S1 | 2,000 | 6",
                        "    S2 | 500 | 8",
                        "  Upland | -501 | 3",
                        "    S3 | -501 | 3");
        assertThat(TreeText.of(sales().grouped(report(EACH_LINE, "", false), Answers.NONE)))
                .as("without lines the orders are the lines")
                .startsWith("all | 2,000 | 17", "  Lakeside | 2,501 | 14", "    S1 | 2,001 | 6");
    }

    @Test
    void thousandsAreNamedInTheHeadingAndCanBeRoundedFirstToo() {
        String thousands = "\"unit\": \"thousands\",";
        TableResult exact = sales().grouped(report("", thousands, false), Answers.NONE);
        assertThat(exact.plan().columns().getFirst().heading(exact.plan().locale()))
                .isEqualTo("Net (thousands)");
        assertThat(TreeText.of(exact))
                .startsWith("all | 2 | 16", "  Lakeside | 3 | 13", "    S1 | 2 | 6", "    S2 | 0 | 8");
        assertThat(TreeText.of(sales().grouped(report(EACH_LINE, thousands, false), Answers.NONE)))
                .containsExactly(
                        "all | 1 | 17",
                        "  Lakeside | 2 | 14",
                        "    S1 | 2 | 6",
                        "    S2 | 0 | 8",
                        "  Upland | -1 | 3",
                        "    S3 | -1 | 3");
    }

    @Test
    void sumsThatOverlapAndOtherAggregatesStayExact() {
        String category = Samples.REPORT.replace("\"key\": \"order_number\"", "\"key\": \"category\"");
        Report byCategory = Definitions.readReport(category.replace("\"counts\"", EACH_LINE + "\"counts\"")
                .replace("\"value\": \"SUM(freight)\",", "\"value\": \"SUM(freight)\", \"format\": \"#,##0\",")
                .replace("\"value\": \"SUM(net)\",", "\"value\": \"AVG(net)\", \"format\": \"#,##0\","));
        assertThat(TreeText.of(sales().grouped(byCategory, Answers.NONE)))
                .as("an order's freight is in both of its categories")
                .startsWith("all | 500 | 16", "  Lakeside | 833 | 13");
    }

    /** What is folded into "others" has come, too, once these are printed: the running total ends at the report's. */
    @Test
    void roundedLinesRunOverOthersLikeExactFigures() {
        String running = Samples.REPORT
                .replace(
                        "\"id\": \"region\",",
                        "\"id\": \"region\", \"limit\": {\"keep\": \"largest\", \"count\": 1, \"by\": \"SUM(net)\", \"others\": true},")
                .replace("\"value\": \"SUM(net)\",", "\"value\": \"SUM(net)\", \"shown\": \"running-in-report\",")
                .replace("\"shown\": true", "\"shown\": false");
        Samples rows = new Samples()
                .order("S1", "2026-01-05T10:00", "Upland", "1.00")
                .order("S2", "2026-01-06T10:00", "Lakeside", "2.00")
                .order("S3", "2026-01-06T10:00", "Coast", "3.00")
                .line("S1", "Hives", "500.00")
                .line("S2", "Jars", "20.00")
                .line("S3", "Jars", "1.00");
        List<String> exact = TreeText.of(rows.grouped(Definitions.readReport(running), Answers.NONE));
        assertThat(exact).contains("  Upland | 500.00 | 1.00");
        assertThat(TreeText.of(rows.grouped(
                        Definitions.readReport(running.replace("\"counts\"", EACH_LINE + "\"counts\"")), Answers.NONE)))
                .isEqualTo(exact);
    }

    @Test
    void aDeeperLevelThatDoesNotPrintASumLeavesItsRoundingAlone() {
        // Freight is printed at regions, in which no order is twice; categories inside share orders, but print none.
        Report report = Definitions.readReport(
                Samples.REPORT
                        .replace("\"key\": \"order_number\"", "\"key\": \"category\"")
                        .replace("\"counts\"", EACH_LINE + "\"counts\"")
                        .replace("\"shown\": true", "\"shown\": false")
                        .replace(
                                "\"SUM(freight)\", \"cells\": [\n       {\"at\": \"region\", \"in\": \"footer\"}, {\"at\": \"order\", \"in\": \"footer\"},",
                                "\"SUM(freight)\", \"format\": \"#,##0\", \"cells\": [{\"at\": \"region\", \"in\": \"footer\"},"));
        TableResult grouped = sales().order("S4", "2026-01-08T10:00", "Coast", "0.50")
                .line("S4", "Hives", "1.00")
                .grouped(report, Answers.NONE);
        assertThat(TreeText.of(grouped))
                .as("13 and 3 and 1 as printed; exact it is 16.00")
                .startsWith("all | 2,000.90 | 17")
                .contains("  Lakeside | 2,500.40 | 13", "  Upland | -500.50 | 3", "  Coast | 1.00 | 1");
        assertThat(grouped.notices()).extracting(Problem::message).noneMatch(text -> text.contains("exact figures"));
    }

    @Test
    void aSumThatCannotAddUpWhatIsRoundedSaysSo() {
        String category = Samples.REPORT.replace("\"key\": \"order_number\"", "\"key\": \"category\"");
        Report byCategory = Definitions.readReport(category.replace("\"counts\"", EACH_LINE + "\"counts\"")
                .replace("\"value\": \"SUM(freight)\",", "\"value\": \"SUM(freight)\", \"format\": \"#,##0\",")
                .replace("\"value\": \"SUM(net)\",", "\"value\": \"SUM(net) - 1\", \"format\": \"#,##0\","));
        assertThat(sales().grouped(byCategory, Answers.NONE).notices())
                .extracting(Problem::message)
                .contains(
                        "Each line is rounded first, but not for Freight: one order may stand in several groups of level"
                                + " \"Order\"",
                        "Each line is rounded first, but not for Net: it is no plain sum");
    }
}
