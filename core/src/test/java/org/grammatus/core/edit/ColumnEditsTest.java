package org.grammatus.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.grammatus.core.edit.Edited.table;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.Align;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.definition.OrderTerm;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.expression.AggregateText;
import org.junit.jupiter.api.Test;

class ColumnEditsTest {

    private static ReportColumn column(Report report, String id) {
        return EditScope.part(table(report).columns(), ReportColumn::id, id);
    }

    private static ReportTotal total(Report report, String id) {
        return EditScope.part(table(report).totals(), ReportTotal::id, id);
    }

    @Test
    void aFieldComesWithItsUsualTotalEverywhere() {
        Report report = Edited.sample("{'edit': 'add-column', 'field': 'net', 'after': 'c-net'}");
        assertThat(table(report).columns())
                .extracting(ReportColumn::id)
                .containsExactly("c-net", "c-net-2", "c-freight");
        assertThat(total(report, "t-net-2").cells()).extracting("at").containsExactly("region", "order", "report");
        Report plain = Edited.sample("{'edit': 'add-column', 'field': 'category'}");
        assertThat(table(plain).totals()).hasSameSizeAs(table(Edited.sample()).totals());
    }

    @Test
    void aMeasureIsEmptyInRowsAndStandsAsFiguresDo() {
        Report report = Edited.sample("{'edit': 'add-column', 'field': 'mean_price'}");
        assertThat(column(report, "c-mean-price").value()).contains("''");
        assertThat(column(report, "c-mean-price").align()).contains(Align.END);
        assertThat(total(report, "t-mean-price").value()).isEqualTo("mean_price");
    }

    @Test
    void rowsInWhichNothingWouldStandAreNotPrinted() {
        Report grouped = Edited.by(Edited.empty(), "{'edit': 'add-level', 'field': 'region'}");
        Report summary = Edited.by(grouped, "{'edit': 'add-column', 'field': 'mean_price'}");
        assertThat(table(summary).rows().shown()).isFalse();
        Report emptied = Edited.sample(
                "{'edit': 'add-column', 'field': 'mean_price'}",
                "{'edit': 'remove-columns', 'columns': ['c-net', 'c-freight']}");
        assertThat(table(emptied).rows().shown()).isFalse();
    }

    @Test
    void whatItTotalsGoesAlongWithWhatAColumnShows() {
        Report report = Edited.sample("{'edit': 'show-in-column', 'column': 'c-net', 'value': 'price'}");
        assertThat(column(report, "c-net").value()).contains("price");
        assertThat(total(report, "t-net").value()).isEqualTo("SUM(price)");
        assertThat(total(report, "t-freight").value()).isEqualTo("SUM(freight)");
    }

    @Test
    void whatDoesNotAddUpIsCountedInstead() {
        Report report = Edited.sample("{'edit': 'show-in-column', 'column': 'c-net', 'value': 'order_number'}");
        assertThat(total(report, "t-net").value()).isEqualTo("COUNT(DISTINCT order_number)");
    }

    @Test
    void anAggregateIsRewrittenAndTheRestStaysAsItIsWritten() {
        assertThat(AggregateText.of("sum( net )/NULLIF(COUNT(DISTINCT net), 0)", "net", "price"))
                .isEqualTo("sum( price )/NULLIF(COUNT(DISTINCT price), 0)");
        assertThat(AggregateText.of("SUM(net + 1)", "net", "price")).isEqualTo("SUM(net + 1)");
        assertThat(AggregateText.of("SUM(net", "net", "price")).isEqualTo("SUM(net");
        assertThat(AggregateText.of("SUM(net) FILTER (WHERE region = 'net')", "net", "price"))
                .isEqualTo("SUM(price) FILTER (WHERE region = 'net')");
    }

    @Test
    void aCopyHasItsOwnIdsAndLeavesOutWhatIsNotHere() {
        String columns =
                Definitions.tree(Edited.sample()).at("/blocks/0/columns").toString();
        String totals = Definitions.tree(Edited.sample()).at("/blocks/0/totals").toString();
        Report pasted = Edits.apply(
                Edited.by(Edited.empty(), "{'edit': 'add-level', 'field': 'region'}"),
                Definitions.readEdit(
                        "{\"edit\": \"paste-columns\", \"columns\": " + columns + ", \"totals\": " + totals + "}"),
                Edited.scope());
        assertThat(table(pasted).columns()).extracting(ReportColumn::id).contains("c-net", "c-freight");
        assertThat(total(pasted, "t-net").cells()).extracting("at").containsExactly("region", "report");
        Report again = Edits.apply(
                pasted,
                Definitions.readEdit(
                        "{\"edit\": \"paste-columns\", \"columns\": " + columns + ", \"totals\": " + totals + "}"),
                Edited.scope());
        assertThat(total(again, "t-net-2").column()).isEqualTo("c-net-2");
    }

    @Test
    void aColumnOrdersLevelsByItsTotalAndRowsByWhatItShows() {
        Report report = Edited.sample("{'edit': 'order-by-column', 'column': 'c-freight'}");
        assertThat(table(report).levels())
                .allSatisfy(level ->
                        assertThat(level.order()).extracting(OrderTerm::by).containsExactly("SUM(freight)"));
        assertThat(table(report).rows().order().getFirst().by()).isEqualTo("freight");
        assertThat(table(report).rows().order().getFirst().direction()).isEqualTo(Direction.DESCENDING);
        Report turned = Edited.by(report, "{'edit': 'order-by-column', 'column': 'c-freight'}");
        assertThat(table(turned).rows().order().getFirst().direction()).isEqualTo(Direction.ASCENDING);
        assertThat(table(turned).levels())
                .extracting(ReportLevel::order)
                .allSatisfy(order ->
                        assertThat(order).extracting(OrderTerm::direction).isEqualTo(List.of(Direction.ASCENDING)));
        Report said = Edited.by(turned, "{'edit': 'order-by-column', 'column': 'c-freight', 'direction': 'ascending'}");
        assertThat(table(said).rows().order().getFirst().direction()).isEqualTo(Direction.ASCENDING);
    }

    @Test
    void textsBeginWithTheFirstOfThem() {
        Report report = Edited.sample(
                "{'edit': 'add-column', 'field': 'category'}", "{'edit': 'order-by-column', 'column': 'c-category'}");
        assertThat(table(report).rows().order().getFirst())
                .returns("category", OrderTerm::by)
                .returns(Direction.ASCENDING, OrderTerm::direction)
                .returns(Optional.empty(), OrderTerm::bucket);
    }
}
