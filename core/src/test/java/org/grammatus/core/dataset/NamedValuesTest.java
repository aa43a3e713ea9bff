package org.grammatus.core.dataset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.grammatus.core.Samples;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.explain.InWords;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.value.ScalarText;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Calculated fields and measures: named once, standing on one another, never on themselves. */
class NamedValuesTest {

    private static String calculated(String id, String value) {
        return "{\"id\": \"" + id + "\", \"label\": \"" + id + "\", \"value\": \"" + value
                + "\", \"role\": \"additive\"}";
    }

    private static String measure(String id, String value) {
        return "{\"id\": \"" + id + "\", \"label\": \"" + id + "\", \"value\": \"" + value + "\"}";
    }

    private static DatasetModel dataset(String calculated, String measures) {
        return Samples.dataset(calculated, measures);
    }

    private static String fault(String calculated, String measures) {
        ProblemException fault = catchThrowableOfType(ProblemException.class, () -> dataset(calculated, measures));
        return fault.problems().stream()
                .map(p -> p.pointer()
                        + p.position()
                                .map(at -> " " + at.line() + ":" + at.column())
                                .orElse("") + " " + p.message())
                .collect(Collectors.joining("\n"));
    }

    @Test
    void theyMayUseOneAnotherWhateverTheirOrder() {
        DatasetModel dataset = dataset(
                calculated("gross", "net + tax") + ", " + calculated("tax", "net * 0.20"),
                measure("per_order", "takings / order_count") + ", " + measure("takings", "SUM(gross)") + ", "
                        + measure("order_count", "COUNT(DISTINCT order_number)"));
        assertThat(dataset.named().keySet()).containsExactly("gross", "tax", "per_order", "takings", "order_count");
    }

    private static final Samples ROWS = new Samples()
            .order("A", "2026-01-10T08:00:00", "Lakeside", "10.00")
            .order("B", "2026-02-10T08:00:00", "Coast", "4.00")
            .line("A", "Hives", "5.00")
            .line("A", "Feed", "7.50")
            .line("B", "Hives", "20.00");

    /** The sample report with its sums of net and freight written in another way. */
    private static TableResult grouped(DatasetModel dataset, String net, String freight) {
        return ROWS.grouped(report(net, freight), dataset, Answers.NONE);
    }

    private static Report report(String net, String freight) {
        return Definitions.readReport(Samples.REPORT.replace("SUM(net)", net).replace("SUM(freight)", freight));
    }

    private static List<String> figures(TableResult grouped) {
        List<String> figures = new ArrayList<>();
        for (int place = 0; place < grouped.tree().nodeCount(); place++) {
            int node = grouped.tree().nodeAt(place);
            figures.add(grouped.figures().totals().stream()
                    .map(total -> ScalarText.write(Scalars.at(total, node)))
                    .collect(Collectors.joining(" ")));
        }
        return figures;
    }

    @Test
    void inTotalsAndOrdersTheyAreWhatTheyStandFor() {
        DatasetModel dataset = dataset(
                calculated("gross", "net + net * 0.20") + ", " + calculated("carriage", "freight * 2"),
                measure("takings", "SUM(gross)"));
        List<String> written = figures(grouped(dataset, "SUM(net + net * 0.20)", "SUM(freight * 2)"));
        assertThat(figures(grouped(dataset, "takings", "SUM(carriage)"))).isEqualTo(written);
        // Carriage is at home in orders, as freight is: once an order.
        assertThat(written)
                .containsExactly("39.0000 28.00", "24.0000 8.00", "24.0000 8.00", "15.0000 20.00", "15.0000 20.00");
    }

    @Test
    void anAmountOfAnOrderRepeatedForItsLinesIsPointedOut() {
        DatasetModel dataset =
                dataset(calculated("delivered", "net + freight") + ", " + calculated("fee", "freight * 2"), "");
        assertThat(notices(dataset, "SUM(delivered)"))
                .containsExactly(
                        "\"Freight\" is one amount for each order, and is repeated here for each line; sum it by"
                                + " itself, so that it counts once for each order");
        assertThat(notices(dataset, "SUM(net + freight)")).hasSize(1);
        assertThat(notices(dataset, "SUM(fee)")).isEmpty();
        assertThat(notices(dataset, "SUM(net) + SUM(freight)")).isEmpty();
    }

    private static List<String> notices(DatasetModel dataset, String total) {
        return Planner.plan(report(total, "SUM(freight)"), dataset, Answers.NONE, Samples.CONTEXT).notices().stream()
                .filter(problem -> problem.severity() != Problem.Severity.ADVICE)
                .map(Problem::message)
                .toList();
    }

    @Test
    void explanationsCallThemByTheirLabels() {
        DatasetModel dataset = dataset(calculated("gross", "net * 1.20"), measure("takings", "SUM(gross)"));
        TableResult grouped = grouped(dataset, "takings", "AVG(gross)");
        InWords words = new InWords(dataset);
        assertThat(words.of(grouped.plan().totals().get(0).value())).isEqualTo("takings");
        assertThat(words.of(grouped.plan().totals().get(1).value())).isEqualTo("average of gross");
        assertThat(grouped.plan().fields()).contains("net").doesNotContain("gross", "takings");
    }

    @Test
    void readingAndWritingBackChangesNothing() {
        String written = Definitions.write(dataset(calculated("tax", "net * 0.20"), measure("takings", "SUM(net)"))
                .definition());
        assertThat(Definitions.write(Definitions.readDataset(written))).isEqualTo(written);
        assertThat(written).contains("\"calculated\"").contains("\"measures\"");
        assertThat(Definitions.write(Samples.dataset().definition())).doesNotContain("\"calculated\"");
    }

    @Test
    void aCircleIsAnErrorThatNamesIt() {
        assertThat(fault(calculated("a", "b + 1") + ", " + calculated("b", "c * 2") + ", " + calculated("c", "a"), ""))
                .contains(
                        "/calculated/0/value a circle: \"a\" uses \"b\", which uses \"c\", which uses \"a\"; break it")
                .contains("/calculated/1/value a circle: \"b\" uses \"c\", which uses \"a\", which uses \"b\"");
        assertThat(fault("", measure("m", "m + 1"))).contains("/measures/0/value a circle: \"m\" uses \"m\"");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            nett + 1          | /calculated/0/value 1:1 unknown field "nett"; did you mean "net"?
            net +             | /calculated/0/value 1:6
            SUM(net)          | /calculated/0/value 1:1 an aggregate has no rows to work on here
            takings + 1       | /calculated/0/value 1:1 measure "takings" has one value for a group
            :period_from      | /calculated/0/value 1:1 unknown prompt
            region * 2        | /calculated/0/value 1:1 found a text, expected a number
            """)
    void aWrongExpressionSaysWhere(String value, String expected) {
        assertThat(fault(calculated("x", value), measure("takings", "SUM(net)")))
                .contains(expected);
    }

    @Test
    void aFaultElsewhereIsNotGivenAPlaceHere() {
        assertThat(fault(calculated("a", "b + 1") + ", " + calculated("b", "nett * 2"), ""))
                .contains("/calculated/0/value uses \"b\", which is wrong: unknown field \"nett\"")
                .contains("/calculated/1/value 1:1 unknown field \"nett\"");
    }

    @Test
    void aMeasureNeedsAggregates() {
        assertThat(fault("", measure("m", "net"))).contains("/measures/0/value 1:1 field \"net\" has many values here");
        assertThat(fault("", measure("m", "SUM(n)") + ", " + measure("n", "SUM(net)")))
                .contains("/measures/0/value 1:5 measure \"n\" has one value for a group, none for a row");
    }

    @Test
    void everyIdIsUniqueAmongAllThatHaveNames() {
        assertThat(fault(calculated("net", "1"), "")).contains("/calculated/0/id found \"net\", which /fields/");
        assertThat(fault(calculated("x", "1"), measure("x", "COUNT(*)"))).contains("/measures/0/id found \"x\"");
    }

    @Test
    void whatGrowsBeyondMeasureWhenWrittenOutIsRefused() {
        String doubling = IntStream.range(0, 40)
                .mapToObj(i -> calculated("d" + i, i == 0 ? "net" : "d" + (i - 1) + " + d" + (i - 1)))
                .collect(Collectors.joining(", "));
        assertThat(fault(doubling, "")).contains("has more than 20000 parts");
    }
}
