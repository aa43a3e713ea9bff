package org.grammatus.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.grammatus.core.edit.Edited.table;

import java.util.Optional;
import org.grammatus.core.choice.Compared;
import org.grammatus.core.choice.ComparedWith;
import org.grammatus.core.choice.Place;
import org.grammatus.core.choice.Shown;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportCell;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportCompare;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.edit.part.TotalPositions;
import org.grammatus.core.expression.FilteredAggregate;
import org.junit.jupiter.api.Test;

class TotalEditsTest {

    private static ReportTotal total(Report report, String id) {
        return EditScope.part(table(report).totals(), ReportTotal::id, id);
    }

    @Test
    void aTotalTurnsThroughItsPositions() {
        String turn = "{'edit': 'turn-total', 'total': 't-net', 'at': 'region'}";
        assertThat(total(Edited.sample(turn), "t-net").cells()).contains(new ReportCell("region", Place.HEADER));
        assertThat(total(Edited.sample(turn, turn), "t-net").cells())
                .noneMatch(cell -> cell.at().equals("region"));
        assertThat(TotalPositions.of(total(Edited.sample(turn, turn, turn), "t-net"), "region"))
                .contains(Place.FOOTER);
        String grand = turn.replace("region", "report");
        assertThat(TotalPositions.of(total(Edited.sample(grand), "t-net"), "report"))
                .isEmpty();
    }

    @Test
    void aTotalIsEverywhereOrNowhere() {
        String toggle = "{'edit': 'toggle-total', 'total': 't-net'}";
        Report none = Edited.sample(toggle);
        assertThat(total(none, "t-net").cells()).isEmpty();
        assertThat(total(Edited.by(none, toggle), "t-net").cells()).hasSize(3);
    }

    @Test
    void twoTotalsOfAColumnTakeNoPositionTwice() {
        Report two = Edited.sample(
                "{'edit': 'place-total', 'total': 't-net', 'at': 'report', 'in': 'none'}",
                "{'edit': 'add-total', 'column': 'c-net', 'value': 'AVG(net)'}");
        assertThat(total(two, "t-net-2").cells()).containsExactly(new ReportCell("report", Place.FOOTER));
        assertThatThrownBy(() ->
                        Edited.by(two, "{'edit': 'place-total', 'total': 't-net', 'at': 'report', 'in': 'footer'}"))
                .hasMessageContaining("printed there already");
        Report all = Edited.by(two, "{'edit': 'toggle-totals-at', 'at': 'report'}");
        assertThat(total(all, "t-net").cells()).extracting(ReportCell::at).doesNotContain("report");
    }

    @Test
    void aTotalShowsItsShareOrItsComparison() {
        Report share = Edited.sample("{'edit': 'show-total-as', 'total': 't-net', 'as': 'share-of-parent'}");
        assertThat(total(share, "t-net").shown()).contains(Shown.SHARE_OF_PARENT);
        Report compared = Edited.by(
                share, "{'edit': 'show-total-as', 'total': 't-net', 'as': 'last-year-percent', 'date': 'ordered_at'}");
        assertThat(total(compared, "t-net").shown()).isEmpty();
        assertThat(total(compared, "t-net").compare())
                .contains(new ReportCompare.WithTime(
                        ComparedWith.LAST_YEAR, "ordered_at", Optional.empty(), Compared.PERCENT));
        Report plain = Edited.by(compared, "{'edit': 'show-total-as', 'total': 't-net', 'as': 'value'}");
        assertThat(plain).isEqualTo(Edited.sample());
    }

    @Test
    void somethingMadeOfATotalStandsBesideIt() {
        Report report = Edited.sample(
                "{'edit': 'show-beside-total', 'total': 't-net', 'as': 'rank', 'name': 'place among all'}");
        assertThat(table(report).columns()).extracting(ReportColumn::id).startsWith("c-net", "c-net-rank");
        assertThat(table(report).columns().get(1).label()).contains("Net, place among all");
        assertThat(total(report, "t-net-rank"))
                .returns("c-net-rank", ReportTotal::column)
                .returns(total(report, "t-net").cells(), ReportTotal::cells);
    }

    @Test
    void aTotalTakesSomeRowsOnlyAlsoOfAMeasure() {
        Report report = Edited.sample("{'edit': 'filter-total', 'total': 't-net', 'where': 'category IS NULL'}");
        assertThat(total(report, "t-net").value()).isEqualTo("SUM(net) FILTER (WHERE category IS NULL)");
        Report other = Edited.by(report, "{'edit': 'set-total', 'total': 't-net', 'value': 'mean_price'}");
        assertThat(total(other, "t-net").value())
                .isEqualTo(
                        "SUM(net) FILTER (WHERE category IS NULL) / NULLIF(COUNT(*) FILTER (WHERE category IS NULL), 0)");
        Report all = Edited.by(report, "{'edit': 'filter-total', 'total': 't-net'}");
        assertThat(all).isEqualTo(Edited.sample());
    }

    @Test
    void aConditionInTheMiddleOfAQuoteStaysApart() {
        FilteredAggregate half =
                FilteredAggregate.of("SUM(net) FILTER (WHERE region = 'Nor)").orElseThrow();
        assertThat(half).isEqualTo(new FilteredAggregate("SUM(net)", Optional.of("region = 'Nor")));
        assertThat(half.text()).isEqualTo("SUM(net) FILTER (WHERE region = 'Nor)");
        assertThat(FilteredAggregate.of("SUM(net) FILTER (WHERE region = ')') - SUM(net)"))
                .isEmpty();
        assertThat(FilteredAggregate.of("net")).isEmpty();
        assertThat(FilteredAggregate.of("COUNT(*)")
                        .orElseThrow()
                        .taking(Optional.of(" "))
                        .text())
                .isEqualTo("COUNT(*)");
    }
}
