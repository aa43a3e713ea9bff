package org.grammatus.core.group;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.band.BandContents;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.order.ColumnOrder;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.value.Scalar;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/** Meaning 3, 8 and 9 by worked example: order inside the parent, grain-safe totals, ties, blanks. */
@Meaning({3, 7, 8})
class GroupingTest {

    /** Two orders in Lakeside, one in Upland, one with no region, one line without an order. */
    private static Samples orders() {
        return new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
                .order("S2", "2026-02-05T10:00", "Lakeside", "7.50")
                .order("S3", "2026-03-31T23:30", "Upland", null)
                .order("S4", "2026-03-01T09:00", null, "1.00")
                .order("S5", "2026-03-02T09:00", "Coast", "99.00")
                .line("S1", "Hives", "10.00")
                .line("S2", "Hives", "20.00")
                .line("S2", "Jars", "0.05")
                .line("S3", "Jars", "25.00")
                .line("S4", "Hives", "-3.00")
                .line("gone", "Jars", "1.00");
    }

    /** The tree in words, one line a group: label, net, freight, counts. */
    private static List<String> tree(TableResult grouped) {
        BandTexts printed = new BandTexts(grouped);
        List<String> lines = new ArrayList<>();
        for (int place = 0; place < grouped.tree().nodeCount(); place++) {
            int node = grouped.tree().nodeAt(place);
            String label = node == GroupTree.ROOT ? "all" : printed.label(node);
            lines.add("  ".repeat(grouped.tree().depthOf(node)) + label + " " + printed.total(0, node) + " "
                    + printed.total(1, node) + " · " + printed.countsInWords(node));
        }
        return lines;
    }

    private static Report with(Map<String, String> replacements) {
        String text = Samples.REPORT;
        for (Map.Entry<String, String> r : replacements.entrySet()) {
            assertThat(text).contains(r.getKey());
            text = text.replace(r.getKey(), r.getValue());
        }
        return Definitions.readReport(text);
    }

    @Test
    void siblingsStandInOrderInsideTheirParentBlanksLastInAName() {
        assertThat(tree(orders().grouped()))
                .containsExactly(
                        "all 53.05 13.50 · 4 orders, 6 lines",
                        "  Lakeside 30.05 12.50 · 2 orders, 3 lines",
                        "    S2 20.05 7.50 · 1 order, 2 lines",
                        "    S1 10.00 5.00 · 1 order, 1 line",
                        "  Upland 25.00  · 1 order, 1 line",
                        "    S3 25.00  · 1 order, 1 line",
                        "  (none) -2.00 1.00 · 1 order, 2 lines",
                        "    (none) 1.00  · 0 orders, 1 line",
                        "    S4 -3.00 1.00 · 1 order, 1 line");
    }

    /** 3.2: an order's freight is counted once per order, whole even where some of its lines are filtered away. */
    @Test
    void aCoarserMeasureIsTakenOncePerRowOfItsHome() {
        Report jarsOnly = with(Map.of(
                "\"kind\": \"period\", \"field\": \"ordered_at\", \"prompt\": \"period\"",
                "\"kind\": \"expression\", \"where\": \"category = 'Jars'\""));
        assertThat(tree(orders().grouped(jarsOnly, Answers.NONE)))
                .containsExactly(
                        "all 26.05 7.50 · 2 orders, 3 lines",
                        "  Upland 25.00  · 1 order, 1 line",
                        "    S3 25.00  · 1 order, 1 line",
                        "  (none) 1.00  · 0 orders, 1 line",
                        "    (none) 1.00  · 0 orders, 1 line",
                        "  Lakeside 0.05 7.50 · 1 order, 1 line",
                        "    S2 0.05 7.50 · 1 order, 1 line");
    }

    /** 3.2: where groups share an order they overlap, and the parent is the figure over its key set, not their sum. */
    @Test
    void groupsThatShareARowOfTheHomeOverlap() {
        Report byCategory = with(Map.of("\"key\": \"region\"", "\"key\": \"category\""));
        assertThat(tree(orders().grouped(byCategory, Answers.NONE)))
                .containsExactly(
                        "all 53.05 13.50 · 4 orders, 6 lines",
                        "  Hives 27.00 13.50 · 3 orders, 3 lines",
                        "    S2 20.00 7.50 · 1 order, 1 line",
                        "    S1 10.00 5.00 · 1 order, 1 line",
                        "    S4 -3.00 1.00 · 1 order, 1 line",
                        "  Jars 26.05 7.50 · 2 orders, 3 lines",
                        "    S3 25.00  · 1 order, 1 line",
                        "    (none) 1.00  · 0 orders, 1 line",
                        "    S2 0.05 7.50 · 1 order, 1 line");
    }

    /** 3.3: among the rows themselves a coarser measure stands in the first row of its key in each group. */
    @Test
    void aCoarserMeasureIsPrintedOncePerKeyAmongRows() {
        Report byCategory = with(Map.of("\"key\": \"order_number\"", "\"key\": \"category\""));
        TableResult grouped = new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
                .order("S2", "2026-01-05T10:00", "Lakeside", "7.50")
                .line("S1", "Hives", "9.00")
                .line("S2", "Hives", "8.00")
                .line("S1", "Hives", "7.00")
                .line("S1", "Jars", "1.00")
                .grouped(byCategory, Answers.NONE);
        BandTexts printed = new BandTexts(grouped);
        List<String> rows = new ArrayList<>();
        for (int row : grouped.rows().order()) {
            rows.add(new BandContents(grouped).cells().rowText(row, 0) + " "
                    + new BandContents(grouped).cells().rowText(row, 1));
        }
        assertThat(rows).containsExactly("9.00 5.00", "8.00 7.50", "7.00 ", "1.00 5.00");
    }

    /** 6.2: the last day of a period counts whole; a date that is missing is outside any closed side. */
    @Test
    void theLastDayOfAPeriodCountsWhole() {
        TableResult march = orders().grouped(Samples.report(), new Answers(Map.of("period", "2026-03-02/2026-03-31")));
        assertThat(tree(march)).startsWith("all 25.00  · 1 order, 1 line");
        TableResult openStart = orders().grouped(Samples.report(), new Answers(Map.of("period", "../2026-01-31")));
        assertThat(tree(openStart)).startsWith("all 10.00 5.00 · 1 order, 1 line");
    }

    @Test
    void noRowsLeaveTheReportAlone() {
        TableResult none = orders().grouped(Samples.report(), new Answers(Map.of("period", "2030-01-01/..")));
        assertThat(tree(none)).containsExactly("all   · 0 orders, 0 lines");
        assertThat(tree(new Samples().grouped())).containsExactly("all   · 0 orders, 0 lines");
    }

    /** 4: fiscal years in the order of time, named by the calendar. */
    @Test
    void bucketsOfADateStandInTimesOrder() {
        Samples samples = new Samples()
                .order("A", "2026-10-01T00:00", "x", "0")
                .order("B", "2026-09-30T23:59", "x", "0")
                .order("C", "2024-12-31T12:00", "x", "0")
                .line("A", "c", "1.00")
                .line("B", "c", "2.00")
                .line("C", "c", "3.00");
        Report byYear = with(Map.of(
                "\"key\": \"region\",\n      \"order\": [{\"id\": \"o-region\", \"by\": \"SUM(net)\", \"direction\": \"descending\"}],",
                "\"key\": \"ordered_at\", \"bucket\": \"fiscal-year\", \"order\": [],"));
        TableResult grouped = samples.grouped(byYear, Answers.NONE);
        BandTexts printed = new BandTexts(grouped);
        assertThat(List.of(printed.label(1), printed.label(2), printed.label(3)))
                .containsExactlyInAnyOrder("2026/27", "2025/26", "2024/25");
        assertThat(tree(grouped).stream().filter(line -> line.startsWith("  2")))
                .map(String::strip)
                .map(line -> line.substring(0, 7))
                .containsExactly("2024/25", "2025/26", "2026/27");
    }

    /** 8.2: ties by label in the locale's order, digits as numbers. */
    @Test
    void tiesStandByLabelDigitsAsNumbers() {
        Samples samples = new Samples();
        for (String number : List.of("S10", "S2", "s1", "É1", "E2")) {
            samples.order(number, "2026-01-01T00:00", "x", "0").line(number, "c", "1.00");
        }
        assertThat(tree(samples.grouped()).stream()
                        .skip(2)
                        .map(line -> line.strip().split(" ")[0]))
                .containsExactly("É1", "E2", "s1", "S2", "S10");
    }

    /** 1.1: sums beyond 64 bits are exact. */
    @Test
    void sumsGoBeyond64Bits() {
        Samples samples = new Samples().order("S1", "2026-01-01T00:00", "x", "0");
        for (int i = 0; i < 3; i++) {
            samples.line("S1", "c", "90000000000000000.00");
        }
        TableResult grouped = samples.grouped();
        assertThat(((Scalar.Number) Scalars.at(grouped.figures().totals().getFirst(), GroupTree.ROOT)).value())
                .isEqualTo(new BigDecimal("270000000000000000.00"));
    }

    /** 8.2: permuting the rows changes nothing, to the order of equal siblings and rows. */
    @RepeatedTest(40)
    void permutingTheRowsChangesNothing(RepetitionInfo repetition) {
        SplittableRandom random = new SplittableRandom(repetition.getCurrentRepetition());
        Samples samples = random(random);
        int[] permutation = permutation(samples.lineCount(), random);
        assertThat(printedRows(samples.permuted(permutation).grouped())).isEqualTo(printedRows(samples.grouped()));
    }

    /** 9: totals of children meet their parent's, for a measure whose home the levels know. */
    @RepeatedTest(40)
    void childrenMeetTheirParent(RepetitionInfo repetition) {
        TableResult grouped = random(new SplittableRandom(repetition.getCurrentRepetition() * 31L))
                .grouped();
        for (int total = 0; total < grouped.figures().totals().size(); total++) {
            BigDecimal[] ofChildren = new BigDecimal[grouped.tree().nodeCount()];
            for (int node = 1; node < grouped.tree().nodeCount(); node++) {
                int parent = grouped.tree().parentOf(node);
                BigDecimal own = number(grouped, total, node);
                ofChildren[parent] = ofChildren[parent] == null ? own : ofChildren[parent].add(own);
            }
            for (int node = 0; node < ofChildren.length; node++) {
                if (ofChildren[node] != null) {
                    assertThat(number(grouped, total, node)).isEqualByComparingTo(ofChildren[node]);
                }
            }
        }
    }

    private static BigDecimal number(TableResult grouped, int total, int node) {
        return Scalars.at(grouped.figures().totals().get(total), node) instanceof Scalar.Number n
                ? n.value()
                : BigDecimal.ZERO;
    }

    private static List<String> printedRows(TableResult grouped) {
        List<String> all = tree(grouped);
        BandTexts printed = new BandTexts(grouped);
        for (int row : grouped.rows().order()) {
            all.add(new BandContents(grouped).cells().rowText(row, 0)
                    + new BandContents(grouped).cells().rowText(row, 1));
        }
        return all;
    }

    private static Samples random(SplittableRandom random) {
        Samples samples = new Samples();
        for (int i = 0; i < 12; i++) {
            String region = random.nextInt(5) == 0 ? null : "R" + random.nextInt(3);
            String freight = random.nextInt(4) == 0 ? null : random.nextInt(20) + ".50";
            samples.order("S" + i, "2026-01-0" + (1 + random.nextInt(9)) + "T10:00", region, freight);
        }
        for (int i = 0; i < 60; i++) {
            String net = random.nextInt(9) == 0 ? null : random.nextInt(-3, 6) + ".25";
            samples.line("S" + random.nextInt(14), "C" + random.nextInt(4), net);
        }
        return samples;
    }

    private static int[] permutation(int size, SplittableRandom random) {
        int[] numbers = ColumnOrder.numbers(size);
        for (int i = size - 1; i > 0; i--) {
            int j = random.nextInt(i + 1);
            int swapped = numbers[i];
            numbers[i] = numbers[j];
            numbers[j] = swapped;
        }
        return numbers;
    }
}
