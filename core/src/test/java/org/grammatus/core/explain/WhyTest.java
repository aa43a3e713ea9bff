package org.grammatus.core.explain;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.grammatus.core.Samples;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.GroupingStep;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** Figures and orders explain themselves, in words that name what was done and the rows behind it. */
class WhyTest {

    private static final Samples ROWS = new Samples()
            .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
            .order("S2", "2026-02-05T10:00", "Lakeside", "7.50")
            .order("S3", "2026-03-31T23:30", "Upland", null)
            .line("S1", "Hives", "10.00")
            .line("S2", "Hives", "20.00")
            .line("S2", "Jars", "0.05")
            .line("S3", "Jars", "25.00");

    private static int node(TableResult grouped, String label) {
        BandTexts printed = new BandTexts(grouped);
        for (int place = 1; place < grouped.tree().nodeCount(); place++) {
            int node = grouped.tree().nodeAt(place);
            if (printed.label(node).equals(label)) {
                return node;
            }
        }
        throw new AssertionError("No group is called " + label);
    }

    private static GroupingStep.Result grouped(String period) {
        return ROWS.grouping(Samples.report(), new Answers(Map.of("period", period)));
    }

    @Test
    void aSumSaysItsFormulaScopeRowsAndShare() {
        GroupingStep.Result result = grouped("2026-01-01/..");
        WhyFigure why = WhyFigure.of(result, new BandTexts(result.grouped()), 0, node(result.grouped(), "Lakeside"));
        assertThat(why.label()).isEqualTo("Net");
        assertThat(why.figure()).isEqualTo("30.05");
        assertThat(why.formula()).isEqualTo("sum of Net");
        assertThat(why.expression()).isEqualTo("SUM(net)");
        assertThat(why.scope()).containsExactly("Region Lakeside");
        assertThat(why.conditions()).containsExactly("Ordered from 1 January 2026");
        assertThat(why.counted()).isEqualTo("2 orders, 3 lines");
        assertThat(why.remarks()).containsExactly("54.6% of the whole report (55.05)");
    }

    @Test
    void aCoarserMeasureSaysThatItWasTakenOnce() {
        GroupingStep.Result result = grouped("all");
        WhyFigure why = WhyFigure.of(result, new BandTexts(result.grouped()), 1, node(result.grouped(), "Lakeside"));
        assertThat(why.figure()).isEqualTo("12.50");
        assertThat(why.remarks().getFirst()).startsWith("Taken once per order: 2 orders, however many lines each has.");
        assertThat(why.scope()).containsExactly("Region Lakeside");
    }

    @Test
    void groupsThatShareAnOrderAreSaidToOverlap() {
        Report byCategory =
                Definitions.readReport(Samples.REPORT.replace("\"key\": \"region\"", "\"key\": \"category\""));
        GroupingStep.Result result = ROWS.grouping(byCategory, Answers.NONE);
        WhyFigure why = WhyFigure.of(result, new BandTexts(result.grouped()), 1, node(result.grouped(), "Hives"));
        assertThat(why.remarks()).anyMatch(remark -> remark.contains("can share one order"));
        assertThat(why.remarks()).noneMatch(remark -> remark.contains("%"));
    }

    @Test
    void theWholeReportIsItsOwnScope() {
        GroupingStep.Result result = grouped("all");
        WhyFigure why = WhyFigure.of(result, new BandTexts(result.grouped()), 0, GroupTree.ROOT);
        assertThat(why.scope()).containsExactly("Whole report");
        assertThat(why.conditions()).isEmpty();
    }

    @Test
    void anOrderSaysItsRuleWithTheValuesCompared() {
        GroupingStep.Result result = grouped("all");
        WhyOrder why = WhyOrder.of(result, new BandTexts(result.grouped()), node(result.grouped(), "S1"));
        assertThat(why.rule()).isEqualTo("within Lakeside by Net, largest first, then by name");
        assertThat(why.terms()).containsExactly("sum of Net");
        assertThat(why.siblings())
                .extracting(WhyOrder.Sibling::label, WhyOrder.Sibling::values, WhyOrder.Sibling::self)
                .containsExactly(
                        org.assertj.core.api.Assertions.tuple("S2", List.of("20.05"), false),
                        org.assertj.core.api.Assertions.tuple("S1", List.of("10.00"), true));
        assertThat(why.all()).isEqualTo(2);
    }

    @Test
    void theRowsBehindAGroupAreItsRowsInOrderSomeAtATime() {
        GroupingStep.Result result = grouped("all");
        RowsBehind behind = rows(result, node(result.grouped(), "Lakeside"), 0);
        assertThat(behind.fields()).containsExactly("Order", "Ordered", "Region", "Freight", "Net");
        assertThat(behind.ids())
                .containsExactlyElementsOf(RowFields.read(result.grouped().plan()));
        assertThat(behind.numeric()).containsExactly(false, false, false, true, true);
        assertThat(behind.all()).isEqualTo(3);
        assertThat(behind.noun()).isEqualTo("lines");
        assertThat(behind.rows())
                .containsExactly(
                        List.of("S2", "5 Feb 2026 10:00", "Lakeside", "7.50", "20.00"),
                        List.of("S1", "5 Jan 2026 10:00", "Lakeside", "5.00", "10.00"));
        assertThat(rows(result, node(result.grouped(), "Lakeside"), 2).rows()).hasSize(1);
        assertThat(rows(result, GroupTree.ROOT, 99).rows()).isEmpty();
    }

    private static RowsBehind rows(GroupingStep.Result result, int node, int offset) {
        ShownFields shown = ShownFields.of(
                result.grouped().plan(),
                RowFields.read(result.grouped().plan()),
                result.drillDown().star());
        RowsBehind.Some some = RowsBehind.Some.of(
                result.drillDown().rows(node, result.grouped().tree().depthOf(node)), offset, 2);
        return RowsBehind.of(result, WhyFigure.path(result, new BandTexts(result.grouped()), node), some, shown, false);
    }

    @Test
    void rowsAreOfferedWithEveryFieldOfTheDatasetThatIsNotHidden() {
        TablePlan plan = grouped("all").grouped().plan();
        assertThat(RowFields.offered(plan).stream().map(RowFields.Offered::id))
                .containsExactlyElementsOf(plan.dataset().rowNames());
        assertThat(RowFields.usual(plan)).containsAll(RowFields.read(plan));
    }
}
