package org.grammatus.core.group;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.regex.Matcher;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.band.BandContents;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.explain.InWords;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.value.Scalar;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** 2.2: aggregates over the groups around; and those that depend on each row, against plain computation. */
@Meaning({3, 7})
class OverTest {

    private static Report report(String total, String cells) {
        return Definitions.readReport(Samples.REPORT.replaceAll(
                "(?s)\"value\": \"SUM\\(freight\\)\", \"cells\": \\[.*?\\]",
                Matcher.quoteReplacement("\"value\": \"" + total + "\", \"cells\": [" + cells + "]")));
    }

    private static final String ALL_BUT_REPORT =
            "{\"at\": \"region\", \"in\": \"footer\"}, {\"at\": \"order\", \"in\": \"footer\"}";

    private static Samples sales() {
        return new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
                .order("S2", "2026-01-06T10:00", "Lakeside", "7.50")
                .order("S3", "2026-01-07T10:00", "Upland", null)
                .line("S1", "Hives", "30.00")
                .line("S2", "Hives", "9.00")
                .line("S2", "Jars", "1.00")
                .line("S3", "Jars", "10.00");
    }

    private static List<String> figures(String total, String cells) {
        TableResult grouped = sales().grouped(report(total, cells), Answers.NONE);
        BandTexts printed = new BandTexts(grouped);
        List<String> figures = new ArrayList<>();
        for (int place = 0; place < grouped.tree().nodeCount(); place++) {
            figures.add(printed.total(1, grouped.tree().nodeAt(place)));
        }
        return figures;
    }

    @Test
    void sharesOfTheReportAndOfTheParent() {
        assertThat(figures("SUM(net) / SUM(net) OVER ()", ""))
                .containsExactly("1.00", "0.80", "0.60", "0.20", "0.20", "0.20");
        assertThat(figures("SUM(net) / SUM(net) OVER (PARTITION BY region)", ALL_BUT_REPORT))
                .as("above the level there is none")
                .containsExactly("", "1.00", "0.75", "0.25", "1.00", "1.00");
        assertThat(figures(
                        "COUNT(*) OVER (PARTITION BY Region, \\\"order\\\")",
                        "{\"at\": \"order\", \"in\": \"footer\"}"))
                .containsExactly("", "", "1", "2", "", "1");
        assertThat(figures("COUNT(*) FILTER (WHERE category = 'Jars') OVER ()", ""))
                .containsOnly("2");
    }

    private static final String AT_ORDERS = "{\"at\": \"order\", \"in\": \"footer\"}";

    @Test
    void anAggregateStepsOverGroupsInPrintedOrder() {
        // Lakeside 40.00 with S1 30.00 and S2 10.00, then Upland with S3 10.00.
        assertThat(figures("SUM(net) OVER (PARTITION BY region ORDER BY \\\"order\\\")", AT_ORDERS))
                .containsExactly("", "", "30.00", "40.00", "", "10.00");
        assertThat(figures("SUM(net) OVER (ORDER BY order)", AT_ORDERS))
                .containsExactly("", "", "30.00", "40.00", "", "50.00");
        assertThat(figures("MIN(net) OVER (ORDER BY order)", AT_ORDERS))
                .containsExactly("", "", "30.00", "1.00", "", "1.00");
        assertThat(figures("COUNT(*) OVER (ORDER BY region)", "{\"at\": \"region\", \"in\": \"footer\"}"))
                .containsExactly("", "3", "", "", "4", "");
        assertThat(figures("SUM(net) / SUM(net) OVER (ORDER BY order)", AT_ORDERS))
                .containsExactly("", "", "1.00", "0.25", "", "0.20");
    }

    private static List<String> cells(String column) {
        TableResult grouped = sales().grouped(
                        Definitions.readReport(
                                Samples.REPORT.replace("\"value\": \"freight\"", "\"value\": \"" + column + "\"")),
                        Answers.NONE);
        BandTexts printed = new BandTexts(grouped);
        return Arrays.stream(grouped.rows().order())
                .mapToObj(row -> new BandContents(grouped).cells().rowText(row, 1))
                .toList();
    }

    @Test
    void aCellOfARowLooksAtTheGroupsAroundItAndStepsOverRows() {
        assertThat(cells("net / SUM(net) OVER (PARTITION BY region)")).containsExactly("0.75", "0.23", "0.03", "1.00");
        assertThat(cells("COUNT(*) OVER (PARTITION BY region, order)")).containsExactly("1", "2", "2", "1");
        assertThat(cells("SUM(net) OVER (PARTITION BY region ORDER BY lines)"))
                .containsExactly("30.00", "39.00", "40.00", "10.00");
        assertThat(cells("COUNT(*) OVER (ORDER BY lines)")).containsExactly("1", "2", "3", "4");
        // Freight counts once an order, with its first row.
        assertThat(cells("SUM(freight) OVER (ORDER BY lines)")).containsExactly("5.00", "12.50", "12.50", "12.50");
        assertThat(cells("COUNT(*) FILTER (WHERE category = 'Jars') OVER (ORDER BY lines)"))
                .containsExactly("0", "0", "1", "2");
    }

    @Test
    void everyAggregateStepsOverAllThatCameSoFar() {
        assertThat(cells("AVG(net) OVER (PARTITION BY region ORDER BY lines)"))
                .containsExactly("30.00", "19.50", "13.33", "10.00");
        assertThat(cells("MEDIAN(net) OVER (ORDER BY lines)")).containsExactly("30.00", "19.50", "9.00", "9.50");
        assertThat(cells("COUNT(DISTINCT category) OVER (ORDER BY lines)")).containsExactly("1", "1", "2", "2");
        assertThat(cells("FIRST(net) OVER (ORDER BY lines)")).containsExactly("30.00", "30.00", "30.00", "30.00");
        assertThat(cells("LAST(freight) OVER (PARTITION BY region ORDER BY lines)"))
                .containsExactly("5.00", "7.50", "7.50", "");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "SUM(net) | 1:1 an aggregate in a row's cell needs OVER, which says of which group: OVER (), OVER (PARTITION BY region)",
                "SUM(net) OVER (ORDER BY region) | 1:25 found region, expected what is stepped over in printed order: lines"
            })
    void aCellIsRefusedWhatItCannotHave(String column, String message) {
        assertThatThrownBy(() -> cells(column))
                .hasMessageContaining("/columns/1/value")
                .hasMessageContaining(message);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "SUM(net) OVER (ORDER BY lines) | /value | 1:25 found lines, expected what is stepped over in printed order: region or order",
                "SUM(net) OVER (PARTITION BY region ORDER BY region) | /value | 1:45 found region",
                "SUM(net) OVER (ORDER BY region) | /cells/1/at | steps over \"Region\", so it has a value beside each of these and nowhere else",
                "SUM(net) OVER (PARTITION BY \\\"order\\\") | /value | 1:29 found order, expected one of OVER (), OVER (PARTITION BY region), OVER",
                "SUM(net) OVER (PARTITION BY region, region) | /value | 1:37 found region",
                "SUM(net) OVER (PARTITION BY category) | /value | 1:29 found category",
                "SUM(net) OVER (PARTITION BY region, \\\"order\\\") | /cells/0/at | over groups inside this one; allowed here: OVER (), OVER (PARTITION BY region)"
            })
    void anythingElseIsRefusedWithWhatIsAllowed(String total, String pointer, String message) {
        assertThatThrownBy(() -> figures(total, ALL_BUT_REPORT))
                .hasMessageContaining(pointer)
                .hasMessageContaining(message);
    }

    @Test
    void itIsToldInWords() {
        TableResult grouped = new Samples()
                .grouped(report("SUM(net) / SUM(net) OVER (PARTITION BY region)", ALL_BUT_REPORT), Answers.NONE);
        assertThat(new InWords(Samples.dataset())
                        .of(grouped.plan().totals().get(1).value()))
                .contains("(sum of Net in its “Region” group)");
    }

    /** Every node's figure equals that of its rows, computed one by one. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void mediansAndEndsEqualPlainComputation(int seed) {
        Random random = new Random(seed);
        Samples samples = new Samples();
        int orders = 1 + random.nextInt(6);
        for (int i = 0; i < orders; i++) {
            samples.order("S" + i, "2026-01-0" + (1 + i) + "T10:00", "R" + random.nextInt(3), null);
        }
        for (int i = 0; i < random.nextInt(40); i++) {
            String net = random.nextInt(6) == 0
                    ? null
                    : BigDecimal.valueOf(random.nextInt(2000) - 500, 2).toString();
            samples.line("S" + random.nextInt(orders + 1), "Hives", net);
        }
        for (String function : List.of("MEDIAN", "FIRST", "LAST")) {
            GroupingStep.Result result = samples.grouping(report(function + "(net)", ""), Answers.NONE);
            TableResult grouped = result.grouped();
            Column net = result.drillDown().star().at(0).field("net");
            for (int place = 0; place < grouped.tree().nodeCount(); place++) {
                int node = grouped.tree().nodeAt(place);
                List<BigDecimal> values = new ArrayList<>();
                for (int row : result.drillDown().rows(node, grouped.tree().depthOf(node))) {
                    values.add(Scalars.at(net, row) instanceof Scalar.Number n ? n.value() : null);
                }
                BigDecimal found = Scalars.at(grouped.figures().totals().get(1), node) instanceof Scalar.Number n
                        ? n.value()
                        : null;
                BigDecimal expected = expected(function, values);
                if (expected == null) {
                    assertThat(found).as(function + " of " + values).isNull();
                } else {
                    assertThat(found).as(function + " of " + values).isEqualByComparingTo(expected);
                }
            }
        }
    }

    private static BigDecimal expected(String function, List<BigDecimal> values) {
        if (function.equals("MEDIAN")) {
            List<BigDecimal> sorted =
                    values.stream().filter(v -> v != null).sorted().toList();
            int size = sorted.size();
            return size == 0
                    ? null
                    : sorted.get((size - 1) / 2)
                            .add(sorted.get(size / 2))
                            .divide(BigDecimal.TWO, 10, RoundingMode.HALF_UP);
        }
        return values.isEmpty() ? null : function.equals("FIRST") ? values.getFirst() : values.getLast();
    }
}
