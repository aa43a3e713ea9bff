package org.grammatus.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.grammatus.core.Samples;
import org.grammatus.core.definition.FiguresBlock;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportCell;
import org.grammatus.core.definition.ReportFigure;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.expression.RenamedLevels;
import org.junit.jupiter.api.Test;

class BlockEditsTest {

    private static final String COPY = "{'edit': 'copy-block', 'block': 'main', 'title': 'Once more'}";

    @Test
    void aCopyNamesItsOwnPartsAlsoInExpressions() {
        Report report = Edited.sample(
                "{'edit': 'add-ready-highlight', 'about': 't-net', 'rule': 'first-three', 'label': 'Best'}", COPY);
        TableBlock copy = (TableBlock) report.blocks().getLast();
        assertThat(copy.title()).contains("Once more");
        assertThat(copy.levels()).extracting(ReportLevel::id).containsExactly("region-2", "order-2");
        ReportHighlight rule = copy.highlights().getFirst();
        assertThat(rule.reach().orElseThrow().level()).contains("order-2");
        assertThat(rule.when()).contains("PARTITION BY \"region-2\"");
        assertThat(copy.totals()).extracting(ReportTotal::column).containsExactly("c-net-2", "c-freight-2");
        assertThat(Definitions.checkReport(Definitions.write(report)).faults()).isEmpty();
    }

    @Test
    void whatFieldsAreCalledInABlockStaysInItsCopy() {
        String named = Definitions.write(Samples.report())
                .replaceFirst("\"levels\"", "\"fields\": [{\"id\": \"net\", \"label\": \"Turnover\"}], \"levels\"");
        Report report = Edited.by(Definitions.readReport(named), COPY);
        assertThat(report.blocks().getLast().fields())
                .isEqualTo(report.blocks().getFirst().fields());
    }

    @Test
    void onlyTheNamesOfLevelsInWindowsChange() {
        assertThat(RenamedLevels.expression(
                        "region = 'region' AND SUM(net) > AVG(net) OVER (PARTITION BY Region, \"order\")",
                        java.util.Map.of("region", "region-2", "order", "order-2")))
                .isEqualTo("region = 'region' AND SUM(net) > AVG(net) OVER (PARTITION BY \"region-2\", \"order-2\")");
    }

    @Test
    void keyFiguresAreTheGrandTotalsEachOnce() {
        Report report = Edited.sample(
                "{'edit': 'add-total', 'column': 'c-freight', 'value': 'SUM(net)'}",
                "{'edit': 'add-block', 'kind': 'figures'}");
        assertThat(report.blocks().getLast())
                .isInstanceOfSatisfying(
                        FiguresBlock.class,
                        block -> assertThat(block.figures())
                                .extracting(ReportFigure::value)
                                .containsExactly("SUM(net)", "SUM(freight)"));
    }

    @Test
    void theSameMeasuresStandInTheWholeOfANewTable() {
        Report report = Edited.sample("{'edit': 'add-block', 'kind': 'likewise'}");
        TableBlock table = (TableBlock) report.blocks().getLast();
        assertThat(table.levels()).isEmpty();
        assertThat(table.rows().shown()).isFalse();
        assertThat(table.totals())
                .hasSize(2)
                .allSatisfy(total ->
                        assertThat(total.cells()).extracting(ReportCell::at).containsExactly("report"));
    }

    @Test
    void whatReachedARemovedBlockAloneGoesWithIt() {
        Report two = Edited.sample(
                COPY,
                "{'edit': 'add-filter', 'field': 'category'}",
                "{'edit': 'reach-with-filter', 'filter': 'f-category', 'reach': 'blocks', 'blocks': ['main-2']}");
        Report left = Edited.by(two, "{'edit': 'remove-block', 'block': 'main-2'}");
        assertThat(left).isEqualTo(Edited.sample());
        assertThatThrownBy(() -> Edited.by(left, "{'edit': 'remove-block', 'block': 'main'}"))
                .hasMessageContaining("last block");
    }

    @Test
    void sharesOfARowStayOnlyWhereTheyComeToTheWhole() {
        String rows = Definitions.write(Edited.sample(COPY, COPY)).replace("\"page\"", """
                        "arrangement": [{"blocks": [{"block": "main", "share": 50}, {"block": "main-2", "share": 30},
                          {"block": "main-3", "share": 20}]}], "page\"""");
        Report left = Edited.by(Definitions.readReport(rows), "{'edit': 'remove-block', 'block': 'main-3'}");
        assertThat(left.arrangement().orElseThrow().getFirst().blocks())
                .allSatisfy(place -> assertThat(place.share()).isEmpty());
        Report one = Edited.by(left, "{'edit': 'remove-block', 'block': 'main-2'}");
        assertThat(one.arrangement()).isEmpty();
        assertThat(one.blocks()).extracting(ReportBlock::id).isEqualTo(List.of("main"));
    }
}
