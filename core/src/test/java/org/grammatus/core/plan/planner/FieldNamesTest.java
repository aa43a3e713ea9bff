package org.grammatus.core.plan.planner;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Optional;
import org.grammatus.core.Samples;
import org.grammatus.core.choice.FigureUnit;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.GroupingInputs;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** A field is called and printed in one way in a report, and what is nearest wins: column, block, report, dataset. */
class FieldNamesTest {

    private static Plan plan(String ofReport, String ofBlock, String columns, String totals) {
        return Planner.plan(
                Definitions.readReport("""
                        {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "lines",
                         "locale": "en-GB", "fields": [%s], "prompts": [], "filters": [],
                         "blocks": [{"id": "a", "kind": "table", "fields": [%s], "levels": [],
                           "columns": [%s], "totals": [%s], "counts": [], "highlights": [],
                           "rows": {"shown": true, "order": []}},
                          {"id": "k", "kind": "figures", "figures": [{"id": "k-net", "value": "SUM(net)"}]}],
                         "page": {"paper": "A4", "orientation": "portrait",
                           "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
                        """.formatted(ofReport, ofBlock, columns, totals)),
                Samples.dataset(),
                Answers.NONE,
                Samples.CONTEXT);
    }

    private static final String NET = "{\"id\": \"c\", \"value\": \"net\"}";

    private static ColumnPlan column(Plan plan, String block) {
        return plan.facts(block).columns().getFirst();
    }

    @Test
    void whatIsNearestWins() {
        assertThat(column(plan("", "", NET, ""), "a").label()).isEqualTo("Net");
        String report = "{\"id\": \"net\", \"label\": \"Takings\", \"format\": \"0\", \"unit\": \"thousands\"}";
        Plan ofReport = plan(report, "", NET, "");
        assertThat(column(ofReport, "a").label()).isEqualTo("Takings");
        assertThat(column(ofReport, "a").format().pattern()).isEqualTo("0");
        assertThat(column(ofReport, "a").format().unit()).isEqualTo(Optional.of(FigureUnit.THOUSANDS));
        assertThat(column(ofReport, "k").label()).isEqualTo("Takings");
        assertThat(column(ofReport, "k").format().unit()).isEqualTo(Optional.of(FigureUnit.THOUSANDS));
        assertThat(ofReport.facts("k").totals().getFirst().format()).isEqualTo("0");
        Plan ofBlock = plan(report, "{\"id\": \"net\", \"label\": \"Revenue\"}", NET, "");
        assertThat(column(ofBlock, "a").label()).isEqualTo("Revenue");
        assertThat(column(ofBlock, "a").format().pattern())
                .as("what the block leaves open is the report's")
                .isEqualTo("0");
        assertThat(column(ofBlock, "k").label()).isEqualTo("Takings");
        String own = "{\"id\": \"c\", \"label\": \"Money\", \"value\": \"net\", \"format\": \"0.0\"}";
        assertThat(column(plan(report, "", own, ""), "a").label()).isEqualTo("Money");
        assertThat(column(plan(report, "", own, ""), "a").format().pattern()).isEqualTo("0.0");
    }

    @Test
    void aColumnOfTotalsAloneIsCalledAsItsTotalIs() {
        String total = "{\"id\": \"t\", \"column\": \"c\", \"value\": \"%s\", \"cells\": []}";
        assertThat(column(plan("", "", "{\"id\": \"c\"}", total.formatted("SUM(net)")), "a")
                        .label())
                .isEqualTo("Net");
        assertThat(column(plan("", "", "{\"id\": \"c\"}", total.formatted("SUM(net) / 2")), "a")
                        .label())
                .as("what is computed on the spot has no name but itself")
                .isEqualTo("SUM(net) / 2");
    }

    @Test
    void namesDoNotGroupAnew() {
        Plan plain = plan("", "", NET, "");
        Plan called = plan("{\"id\": \"net\", \"label\": \"Takings\"}", "", NET, "");
        assertThat(GroupingInputs.of(called.facts("a"))).isEqualTo(GroupingInputs.of(plain.facts("a")));
    }

    @Test
    void aFieldThatNoDatasetHasIsAFault() {
        assertThatThrownBy(() -> plan("{\"id\": \"nett\", \"label\": \"X\"}", "", NET, ""))
                .hasMessageContaining("/fields/0/id: unknown field \"nett\"")
                .hasMessageContaining("did you mean \"net\"");
        assertThatThrownBy(() -> plan("{\"id\": \"net\"}, {\"id\": \"net\"}", "", NET, ""))
                .hasMessageContaining("/fields/1/id: field \"net\" is here already");
    }

    @Test
    void oneLabelOverTwoComputationsIsPointedOutAcrossBlocks() {
        Plan plan = plan("", "", "{\"id\": \"c\", \"label\": \"Net\", \"value\": \"net * 2\"}", "");
        assertThat(plan.notices())
                .extracting(Problem::message)
                .containsExactly("two columns are called \"Net\" and show different things; rename one");
        assertThat(plan("", "", NET, "").notices())
                .as("a figure that adds up what a column shows is the same")
                .isEmpty();
    }
}
