package org.grammatus.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.Samples;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.plan.planner.ReaderView;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** Ordering by a column means the same for a reader and for an author. */
class ColumnOrderTest {

    private static TablePlan table(String json) {
        return Planner.plan(Definitions.readReport(json), Samples.dataset(), Answers.NONE, Samples.CONTEXT)
                .table();
    }

    private static ColumnOrder of(TablePlan table, String column) {
        return ColumnOrder.of(table).stream()
                .filter(order -> order.column().equals(column))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void levelsByTheTotalThatTheyPrintThereAndRowsByTheColumn() {
        ColumnOrder freight = of(table(Samples.REPORT), "c-freight");
        assertThat(freight.levels())
                .containsExactly(
                        new ColumnOrder.OfLevel("region", "SUM(freight)"),
                        new ColumnOrder.OfLevel("order", "SUM(freight)"));
        assertThat(freight.rows()).contains("freight");
        assertThat(freight.now()).isEmpty();
    }

    @Test
    void whatDecidesTheOrderNowIsSaid() {
        assertThat(of(table(Samples.REPORT), "c-net").now()).contains(Direction.DESCENDING);
        String rowsAlone = Samples.REPORT.replace("\"by\": \"SUM(net)\"", "\"by\": \"COUNT(*)\"");
        assertThat(of(table(rowsAlone), "c-net").now()).contains(Direction.DESCENDING);
        String none = rowsAlone.replace("\"by\": \"net\"", "\"by\": \"freight\"");
        assertThat(of(table(none), "c-net").now()).isEmpty();
    }

    @Test
    void aLevelWithoutTheTotalKeepsItsOrderUnlessItStandsAsALine() {
        String outer = Samples.REPORT.replace("{\"at\": \"order\", \"in\": \"footer\"}, ", "");
        assertThat(of(table(outer), "c-net").levels()).containsExactly(new ColumnOrder.OfLevel("region", "SUM(net)"));
        String lines = outer.replace(
                "\"header\": \"heading\", \"footer\": \"totals\"}],", "\"header\": \"line\", \"footer\": \"none\"}],");
        assertThat(of(table(lines), "c-net").levels())
                .containsExactly(
                        new ColumnOrder.OfLevel("region", "SUM(net)"), new ColumnOrder.OfLevel("order", "net"));
    }

    @Test
    void aReadersClickOrdersByNothingElse() {
        TablePlan table = table(Samples.REPORT);
        ColumnOrder meant = of(table, "c-freight");
        ReaderView view =
                new ReaderView(List.of(new ReaderView.Sort("c-freight", Direction.ASCENDING)), List.of(), List.of());
        Plan plan = Planner.plan(Samples.report(), Samples.dataset(), Answers.NONE, Samples.CONTEXT);
        TablePlan seen = view.applied(plan).table();
        for (int level = 0; level < seen.levels().size(); level++) {
            TablePlan.Term first = seen.levels().get(level).order().getFirst();
            assertThat(Optional.of(first.by()))
                    .isEqualTo(ColumnOrder.by(table, level, table.columns().get(1)));
            assertThat(meant.levels().get(level).level())
                    .isEqualTo(seen.levels().get(level).id());
        }
        assertThat(of(seen, "c-freight").now()).contains(Direction.ASCENDING);
    }
}
