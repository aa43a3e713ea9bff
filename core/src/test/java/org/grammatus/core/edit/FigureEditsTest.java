package org.grammatus.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Optional;
import org.grammatus.core.choice.ComparedWith;
import org.grammatus.core.definition.FiguresBlock;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportFigure;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.edit.part.EditScope;
import org.junit.jupiter.api.Test;

class FigureEditsTest {

    private static Report figures(String... edits) {
        Report next = Edited.sample("{'edit': 'add-block', 'kind': 'figures'}");
        EditScope scope = new EditScope(
                Optional.of("figures"),
                Edited.scope().datasets(),
                Edited.scope().today());
        for (String edit : edits) {
            next = Edits.apply(next, Definitions.readEdit(edit.replace('\'', '"')), scope);
        }
        return next;
    }

    private static ReportFigure figure(Report report, String id) {
        return EditScope.part(((FiguresBlock) report.blocks().getLast()).figures(), ReportFigure::id, id);
    }

    @Test
    void aFieldIsCountedUnlessItAddsUp() {
        Report report = figures(
                "{'edit': 'add-figure', 'field': 'order_number'}", "{'edit': 'add-figure', 'field': 'mean_price'}");
        assertThat(figure(report, "k-order-number").value()).isEqualTo("COUNT(DISTINCT order_number)");
        assertThat(figure(report, "k-mean-price").value()).isEqualTo("mean_price");
    }

    @Test
    void aFigureIsComparedWithAnotherTimeOrNothing() {
        Report report =
                figures("{'edit': 'compare-figure', 'figure': 'k-net', 'with': 'last-year', 'date': 'ordered_at'}");
        assertThat(figure(report, "k-net").compare().orElseThrow().with()).isEqualTo(ComparedWith.LAST_YEAR);
        assertThatThrownBy(() -> figures("{'edit': 'compare-figure', 'figure': 'k-net', 'with': 'last-year'}"))
                .hasMessageContaining("date field");
        assertThat(figures("{'edit': 'compare-figure', 'figure': 'k-net', 'with': 'none'}"))
                .isEqualTo(figures());
    }

    @Test
    void theLastFigureStays() {
        assertThatThrownBy(() -> figures(
                        "{'edit': 'remove-figure', 'figure': 'k-net'}",
                        "{'edit': 'remove-figure', 'figure': 'k-freight'}"))
                .hasMessageContaining("last key figure");
    }

    @Test
    void aFigureTakesSomeRowsOnly() {
        Report report = figures("{'edit': 'filter-figure', 'figure': 'k-net', 'where': 'net > 0'}");
        assertThat(figure(report, "k-net").value()).isEqualTo("SUM(net) FILTER (WHERE net > 0)");
    }

    @Test
    void columnsAndFiguresOfAFieldFollowItsName() {
        Report report = figures("{'edit': 'name-field', 'field': {'id': 'net', 'label': 'Turnover'}}");
        assertThat(report.fields().orElseThrow()).hasSize(1);
        assertThat(figure(report, "k-net").label()).isEmpty();
        assertThat(Edited.table(report).columns())
                .extracting(ReportColumn::label)
                .containsExactly(Optional.empty(), Optional.of("Freight"));
    }
}
