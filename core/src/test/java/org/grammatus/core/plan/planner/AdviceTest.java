package org.grammatus.core.plan.planner;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.grammatus.core.Samples;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.problem.Cure;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** 3.5: what is allowed but seldom meant is said, with what would put it right in one step. */
class AdviceTest {

    private static List<Problem> on(String total) {
        return Planner.plan(
                        Samples.report("", "", "{\"value\": \"" + total + "\"}"),
                        Samples.dataset("""
                                {"id": "with_freight", "label": "With freight", "value": "net + freight", "role": "additive"}""", ""),
                        Answers.NONE,
                        Samples.CONTEXT)
                .notices();
    }

    @Test
    void aSumOfPricesBecomesTheirAverage() {
        assertThat(on("SUM(price)")).singleElement().satisfies(problem -> {
            assertThat(problem.message()).contains("\"Price\" does not add up");
            assertThat(problem.cure()).contains(Cure.of("Take the average", "/blocks/0/totals/0/value", "AVG(price)"));
        });
        assertThat(on("SUM(net)")).isEmpty();
        assertThat(on("AVG(price)")).isEmpty();
    }

    @Test
    void anAmountThatIsRepeatedIsSummedByItself() {
        assertThat(on("SUM(with_freight)"))
                .singleElement()
                .satisfies(problem -> assertThat(problem.cure())
                        .contains(Cure.of("Sum Freight by itself", "/blocks/0/totals/0/value", "SUM(freight)")));
    }

    @Test
    void figuresInDifferentUnitsAreNotAddedUp() {
        String units = Samples.DATASET
                .replace("\"label\": \"Net\",", "\"label\": \"Net\", \"unit\": \"EUR\",")
                .replace("\"label\": \"Price\",", "\"label\": \"Price\", \"unit\": \"kg\",");
        List<Problem> notices = Planner.plan(
                        Samples.report(
                                "", "", "{\"value\": \"SUM(net + price)\"}", "{\"value\": \"SUM(net * price)\"}"),
                        DatasetModel.of(Definitions.readDataset(units)),
                        Answers.NONE,
                        Samples.CONTEXT)
                .notices();
        assertThat(notices).extracting(Problem::pointer).containsExactly("/blocks/0/totals/0/value");
        assertThat(notices.getFirst().message())
                .isEqualTo("adds figures in different units: EUR, kg; total each by itself");
        assertThat(notices.getFirst().cure())
                .contains(Cure.of("Take SUM(net) alone", "/blocks/0/totals/0/value", "SUM(net)"));
    }

    @Test
    void twoThingsOfOneNameAreToldApart() {
        String twice = Samples.REPORT.replace("\"label\": \"Freight\"", "\"label\": \"Net\"");
        List<Problem> notices = Planner.plan(
                        Definitions.readReport(twice),
                        DatasetModel.of(Definitions.readDataset(Samples.DATASET)),
                        Answers.NONE,
                        Samples.CONTEXT)
                .notices();
        assertThat(notices)
                .filteredOn(problem -> problem.message().startsWith("two columns are called \"Net\""))
                .singleElement()
                .satisfies(problem -> assertThat(problem.cure())
                        .contains(Cure.of("Call the second \"Freight\"", "/blocks/0/columns/1/label", "Freight")));
    }
}
