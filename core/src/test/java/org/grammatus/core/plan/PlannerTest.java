package org.grammatus.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;
import org.grammatus.core.Samples;
import org.grammatus.core.definition.Definitions;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** A definition against its dataset: everything wrong at once, each at its pointer; advice where a sum means nothing. */
class PlannerTest {

    private static Plan plan(String report) {
        return Planner.plan(Definitions.readReport(report), Samples.dataset(), Answers.NONE, Samples.CONTEXT);
    }

    @Test
    void everyFaultOfADefinitionIsToldAtOnce() {
        String wrong = Samples.REPORT
                .replace("\"key\": \"region\"", "\"key\": \"regoin\"")
                .replace("\"value\": \"SUM(freight)\"", "\"value\": \"SUM(freight) + net\"")
                .replace("\"field\": \"ordered_at\"", "\"field\": \"orderd_at\"")
                .replace("\"counts\": [\"orders\", \"lines\"]", "\"counts\": [\"orders\", \"linse\"]");
        assertThatThrownBy(() -> plan(wrong))
                .hasMessageContaining("/filters/0/field: unknown field \"orderd_at\"; did you mean \"ordered_at\"?")
                .hasMessageContaining("/blocks/0/levels/0/key: 1:1 unknown field \"regoin\"; did you mean \"region\"?")
                .hasMessageContaining("/blocks/0/totals/1/value: 1:16 field \"net\" has many values here")
                .hasMessageContaining("/blocks/0/counts/1: unknown table \"linse\"");
    }

    @Test
    void aFilterIsCheckedWhateverWasAnswered() {
        assertThatThrownBy(() -> plan(Samples.REPORT.replace("ordered_at\", \"prompt", "net\", \"prompt")))
                .hasMessageContaining("/filters/0/field: found a date, expected a decimal number to compare with");
    }

    @Test
    void anOpenPeriodLeavesNoFilter() {
        assertThat(plan(Samples.REPORT).filters()).isEmpty();
        Plan half = Planner.plan(
                Samples.report(), Samples.dataset(), new Answers(Map.of("period", "2026-01-01/..")), Samples.CONTEXT);
        assertThat(half.filters()).hasSize(1);
    }

    @Test
    void onlyNeededFieldsAreRead() {
        assertThat(plan(Samples.REPORT).fields())
                .containsExactly("freight", "net", "order_number", "ordered_at", "region");
    }

    @Test
    void summingAPriceIsAdvisedAgainst() {
        assertThat(plan(Samples.REPORT.replace("\"value\": \"SUM(freight)\"", "\"value\": \"SUM(price)\""))
                        .notices())
                .extracting(Object::toString)
                .containsExactly(
                        "/blocks/0/totals/1/value: \"Price\" does not add up; an average or a count may be meant");
    }

    @Test
    void twoTotalsInOneCellAreAFault() {
        assertThatThrownBy(() -> plan(Samples.REPORT.replace("\"column\": \"c-freight\"", "\"column\": \"c-net\"")))
                .hasMessageContaining("/blocks/0/totals/1/cells: stands in a cell that \"t-net\" has already");
    }

    @Test
    void onlyDatesHaveBuckets() {
        assertThatThrownBy(() -> plan(
                        Samples.REPORT.replace("\"key\": \"region\"", "\"key\": \"region\", \"bucket\": \"month\"")))
                .hasMessage(
                        "/blocks/0/levels/0/bucket: the key \"region\" is a text; only a date or timestamp has buckets");
    }

    @Test
    void aPatternThatCldrDoesNotKnowIsAFault() {
        assertThatThrownBy(() -> plan(
                        Samples.REPORT.replace("\"value\": \"net\"}", "\"value\": \"net\", \"format\": \"0.0.0\"}")))
                .hasMessageContaining("/blocks/0/columns/0/format: found \"0.0.0\", expected a CLDR pattern");
    }
}
