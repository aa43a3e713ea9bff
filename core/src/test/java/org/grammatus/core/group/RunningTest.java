package org.grammatus.core.group;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.TreeText;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.value.Scalar;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** 11: running figures are taken over the union of the printed groups so far, and groups that overlap say so. */
@Meaning(24)
class RunningTest {

    private static final String REGION = """
            {"id": "region", "name": "Region", "key": "region", "order": []}""";
    private static final String CATEGORY = """
            {"id": "category", "name": "Category", "key": "category", "order": [] %s}""";

    /** S1 has lines in two categories, S2 in one of them. */
    private static Samples sales() {
        return new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
                .order("S2", "2026-01-06T10:00", "Lakeside", "7.00")
                .order("S3", "2026-01-07T10:00", "Upland", "2.00")
                .line("S1", "Feed", "10.00")
                .line("S1", "Hives", "30.00")
                .line("S2", "Jars", "6.00")
                .line("S2", "Hives", "4.00")
                .line("S3", "Jars", "8.00");
    }

    private static String soFar(String value, String shown) {
        return "{\"value\": \"" + value + "\", \"shown\": \"" + shown + "\"}";
    }

    @Test
    void groupsThatShareOrdersCountEachOnce() {
        String levels = REGION + "," + CATEGORY.formatted("");
        assertThat(TreeText.of(sales().grouped(
                                Samples.report(
                                        levels,
                                        "",
                                        soFar("SUM(freight)", "value"),
                                        soFar("SUM(freight)", "running-in-parent"),
                                        soFar("SUM(freight)", "running-in-report"),
                                        soFar("AVG(net)", "running-in-parent"),
                                        soFar("SUM(net) / COUNT(*)", "running-in-parent")),
                                Answers.NONE)))
                .containsExactly(
                        "all | 14.00 | 14.00 | 14.00 | 11.60 | 11.60",
                        "  Lakeside | 12.00 | 12.00 | 12.00 | 12.50 | 12.50",
                        "    Feed | 5.00 | 5.00 | 5.00 | 10.00 | 10.00",
                        "    Hives | 12.00 | 12.00 | 12.00 | 14.67 | 14.67",
                        "    Jars | 7.00 | 12.00 | 12.00 | 12.50 | 12.50",
                        "  Upland | 2.00 | 14.00 | 14.00 | 11.60 | 11.60",
                        "    Jars | 2.00 | 2.00 | 14.00 | 8.00 | 8.00");
    }

    @Test
    void othersHaveComeOnceTheyArePrinted() {
        String limited = CATEGORY.formatted(
                ", \"limit\": {\"keep\": \"largest\", \"by\": \"SUM(net)\", \"count\": 1, \"others\": true}");
        assertThat(TreeText.of(sales().grouped(
                                Samples.report(
                                        REGION + "," + limited,
                                        "",
                                        soFar("SUM(freight)", "running-in-report"),
                                        soFar("COUNT(DISTINCT category)", "running-in-report")),
                                Answers.NONE)))
                .containsExactly(
                        "all | 14.00 | 3",
                        "  Lakeside | 12.00 | 3",
                        "    Hives | 12.00 | 1",
                        "    Others (2) | 12.00 | 3",
                        "  Upland | 14.00 | 3",
                        "    Jars | 14.00 | 3");
    }

    @Test
    void aTotalOfGroupsThatOverlapSaysSoOnce() {
        Report report = Definitions.readReport(Samples.REPORT
                .replace("\"key\": \"order_number\"", "\"key\": \"category\"")
                .replace(
                        "\"value\": \"SUM(freight)\",",
                        "\"value\": \"SUM(freight)\", \"shown\": \"share-of-parent\","));
        assertThat(sales().grouped(report, Answers.NONE).notices())
                .extracting(Problem::message)
                .filteredOn(message -> message.contains("several groups"))
                .containsExactly(
                        "An order can have lines in several groups of \"Order\", so 2 orders appear 4 times below."
                                + " So shares may add up to more than 100 %: Freight");
        Report apart = Definitions.readReport(Samples.REPORT);
        assertThat(sales().grouped(apart, Answers.NONE).notices())
                .extracting(Problem::message)
                .noneMatch(message -> message.contains("several groups"));
    }

    static IntStream seeds() {
        return IntStream.range(0, 60);
    }

    /** Every step's figure equals the one computed over a plain set of all rows that came so far. */
    @ParameterizedTest
    @MethodSource("seeds")
    void stepsEqualPlainComputation(int seed) {
        Random random = new Random(seed);
        Samples samples = new Samples();
        int orders = 1 + random.nextInt(8);
        for (int i = 0; i < orders; i++) {
            samples.order("S" + i, "2026-01-0" + (1 + i) + "T10:00", "R" + random.nextInt(3), "1" + i + ".25");
        }
        for (int i = 0; i < random.nextInt(40); i++) {
            String net = random.nextInt(6) == 0
                    ? null
                    : BigDecimal.valueOf(random.nextInt(900) - 200, 2).toString();
            samples.line("S" + random.nextInt(orders), "C" + random.nextInt(4), net);
        }
        boolean others = random.nextBoolean();
        String limit = ", \"limit\": {\"keep\": \"largest\", \"by\": \"COUNT(*)\", \"count\": 2, \"others\": true}";
        List<String> values =
                List.of("SUM(freight)", "SUM(net)", "AVG(net)", "MEDIAN(net)", "COUNT(DISTINCT category)");
        GroupingStep.Result result = samples.grouping(
                Samples.report(
                        REGION + "," + CATEGORY.formatted(others ? limit : ""),
                        "",
                        values.stream()
                                .map(value -> soFar(value, "running-in-report"))
                                .toArray(String[]::new)),
                Answers.NONE);
        TableResult grouped = result.grouped();
        Map<String, Set<Integer>> sofar = new HashMap<>();
        for (int place = 1; place < grouped.tree().nodeCount(); place++) {
            int node = grouped.tree().nodeAt(place);
            int depth = grouped.tree().depthOf(node);
            Set<Integer> rows = sofar.computeIfAbsent("depth " + depth, d -> new LinkedHashSet<>());
            for (int row : result.drillDown().rows(node, depth)) {
                rows.add(row);
            }
            for (int total = 0; total < values.size(); total++) {
                BigDecimal found = Scalars.at(grouped.figures().totals().get(total), node) instanceof Scalar.Number n
                        ? n.value()
                        : null;
                BigDecimal expected = expected(result.drillDown().star(), total, rows);
                String what = values.get(total) + " at place " + place;
                if (expected == null) {
                    assertThat(found).as(what).isNull();
                } else {
                    assertThat(found).as(what).isEqualByComparingTo(expected);
                }
            }
        }
    }

    private static BigDecimal expected(Star star, int total, Set<Integer> rows) {
        if (total == 0) {
            int[] path = star.path(0, 1);
            Column freight = star.table(1).fields().get("freight");
            return rows.stream()
                    .map(row -> path[row])
                    .distinct()
                    .map(order -> number(freight, order))
                    .reduce(null, RunningTest::plus);
        }
        if (total == 4) {
            Column category = star.at(0).field("category");
            return BigDecimal.valueOf(rows.stream()
                    .map(row -> Scalars.at(category, row))
                    .distinct()
                    .count());
        }
        Column net = star.at(0).field("net");
        List<BigDecimal> values = new ArrayList<>();
        rows.stream()
                .map(row -> number(net, row))
                .filter(value -> value != null)
                .sorted()
                .forEach(values::add);
        BigDecimal sum = values.stream().reduce(null, RunningTest::plus);
        if (total == 1 || sum == null) {
            return sum;
        }
        int size = values.size();
        return total == 2
                ? sum.divide(BigDecimal.valueOf(size), 10, RoundingMode.HALF_UP)
                : values.get((size - 1) / 2).add(values.get(size / 2)).divide(BigDecimal.TWO, 10, RoundingMode.HALF_UP);
    }

    private static BigDecimal number(Column column, int row) {
        return Scalars.at(column, row) instanceof Scalar.Number n ? n.value() : null;
    }

    private static BigDecimal plus(BigDecimal a, BigDecimal b) {
        return a == null ? b : a.add(b);
    }
}
