package org.grammatus.core.plan.planner;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.band.Bands;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.plan.planner.ReaderView.Only;
import org.grammatus.core.plan.planner.ReaderView.Sort;
import org.grammatus.core.plan.planner.ReaderView.Width;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Meaning 15: a reader's order and narrowing are worked out like the author's own. */
@Meaning(15)
class ReaderViewTest {

    private static final Samples ROWS = new Samples()
            .order("S1", "2026-01-05T10:00", "Lakeside", "9.00")
            .order("S2", "2026-02-05T10:00", "Lakeside", "7.50")
            .order("S3", "2026-03-31T23:30", "Upland", "1.00")
            .order("S4", "2026-03-31T23:30", null, "2.00")
            .line("S1", "Hives", "10.00")
            .line("S2", "Hives", "20.00")
            .line("S3", "Jars", "25.00")
            .line("S4", "Jars", "1.00");

    private static List<String> labels(Report report, ReaderView view) {
        Plan plan = Planner.plan(report, Samples.dataset(), Answers.NONE, Samples.CONTEXT);
        TableResult grouped = ROWS.grouped(view.applied(plan).table());
        BandTexts printed = new BandTexts(grouped);
        List<String> labels = new ArrayList<>();
        for (int place = 1; place < grouped.tree().nodeCount(); place++) {
            labels.add(printed.label(grouped.tree().nodeAt(place)));
        }
        return labels;
    }

    private static ReaderView order(String column, Direction direction) {
        return new ReaderView(List.of(new Sort(column, direction)), List.of(), List.of());
    }

    private static ReaderView only(Only... only) {
        return new ReaderView(List.of(), List.of(only), List.of());
    }

    @Test
    void everyLevelIsOrderedByTheTotalUnderTheColumnInsideItsParent() {
        assertThat(labels(Samples.report(), order("c-freight", Direction.ASCENDING)))
                .containsExactly("Upland", "S3", "(none)", "S4", "Lakeside", "S2", "S1");
        assertThat(labels(Samples.report(), order("c-net", Direction.DESCENDING)))
                .containsExactly("Lakeside", "S2", "S1", "Upland", "S3", "(none)", "S4");
    }

    @Test
    void aPathNarrowsToItsRowsAndAValueToThemWhereverTheyStand() {
        assertThat(labels(
                        Samples.report(),
                        only(new Only("region", Optional.of("Lakeside")), new Only("order", Optional.of("S1")))))
                .containsExactly("Lakeside", "S1");
        assertThat(labels(Samples.report(), only(new Only("order", Optional.of("S3")))))
                .containsExactly("Upland", "S3");
        assertThat(labels(Samples.report(), only(new Only("region", Optional.empty()))))
                .containsExactly("(none)", "S4");
    }

    @Test
    void aBucketNarrowsToItsWholeSpan() {
        Report byMonth = Definitions.readReport(
                Samples.REPORT.replace("\"key\": \"region\"", "\"key\": \"ordered_at\", \"bucket\": \"month\""));
        assertThat(labels(byMonth, only(new Only("region", Optional.of("2026-03-01")))))
                .containsExactly("March 2026", "S3", "S4");
    }

    @ParameterizedTest
    @CsvSource({
        "day-of-week, 2, Tuesday",
        "month-of-year, 3, March",
        "fiscal-month, 6, March",
        "quarter-of-year, 1, Q1",
        "fiscal-quarter, 2026-01-01, Q2 2025/26",
        "week, 2026-03-30, 2026-W14"
    })
    void aBucketNarrowsToItsPlaceInItsCycle(String bucket, String key, String label) {
        Report report = Definitions.readReport(Samples.REPORT.replace(
                "\"key\": \"region\"", "\"key\": \"ordered_at\", \"bucket\": \"" + bucket + "\""));
        List<String> all = labels(report, ReaderView.PLAIN);
        List<String> narrowed = labels(report, only(new Only("region", Optional.of(key))));
        assertThat(narrowed).startsWith(label).contains("S3", "S4");
        int start = all.indexOf(label);
        assertThat(all.subList(start, start + narrowed.size())).isEqualTo(narrowed);
    }

    @Test
    void whatTheReportDoesNotHaveIsToldByName() {
        assertThatThrownBy(() -> labels(Samples.report(), order("c-none", Direction.ASCENDING)))
                .hasMessageContaining("the report has no column \"c-none\"");
        assertThatThrownBy(() -> labels(Samples.report(), only(new Only("nowhere", Optional.empty()))))
                .hasMessageContaining("the report has no level \"nowhere\"");
    }

    private static Optional<Integer> width(Plan plan, String column) {
        return plan.table().columns().stream()
                .filter(c -> c.id().equals(column))
                .findFirst()
                .orElseThrow()
                .print()
                .width();
    }

    private static ReaderView widths(Width... widths) {
        return new ReaderView(List.of(), List.of(), List.of(widths));
    }

    @Test
    void columnsAreAsWideAsTheReaderSetsThemLast() {
        Plan plan = Planner.plan(Samples.report(), Samples.dataset(), Answers.NONE, Samples.CONTEXT);
        Plan widened = widths(new Width("c-net", Optional.of(120)), new Width("c-net", Optional.of(90)))
                .applied(plan);
        assertThat(width(widened, "c-net")).contains(90);
        assertThat(width(widths(new Width("c-net", Optional.empty())).applied(widened), "c-net"))
                .isEmpty();
    }

    @Test
    void aWidthThatCannotBeIsRefusedInWords() {
        Plan plan = Planner.plan(Samples.report(), Samples.dataset(), Answers.NONE, Samples.CONTEXT);
        assertThatThrownBy(() -> widths(new Width("c-net", Optional.of(5000))).applied(plan))
                .hasMessageContaining("from 10 to 1000 points wide, not 5000");
        assertThatThrownBy(() -> widths(new Width("nowhere", Optional.of(50))).applied(plan))
                .hasMessageContaining("the report has no column \"nowhere\"; set the width of one of its own");
    }

    private static List<String> printed(Plan plan) {
        Bands bands = Bands.of(ROWS.grouped(plan.table()));
        BandTexts printed = new BandTexts(bands.grouped());
        List<String> lines = new ArrayList<>();
        for (int band = 0; band < bands.size(); band++) {
            if (bands.kind(band) == BandKind.GROUP_FOOTER || bands.kind(band) == BandKind.REPORT_FOOTER) {
                lines.add(printed.totalName(bands.node(band)) + " " + printed.total(0, bands.node(band)));
            } else {
                lines.add(bands.kind(band).name());
            }
        }
        return lines;
    }

    @Test
    void levelsFoldToOneLineAGroup() {
        ReaderView folded = new ReaderView(List.of(), List.of(), List.of(), List.of(), Optional.of("region"));
        Plan plan = Planner.plan(Samples.report(), Samples.dataset(), Answers.NONE, Samples.CONTEXT);
        assertThat(printed(folded.applied(plan)))
                .containsExactly(
                        "REPORT_HEADER",
                        "Lakeside total 30.00",
                        "Upland total 25.00",
                        "(none) total 1.00",
                        "Grand total 56.00");
    }

    /** Rows that are alike are no groups: without rows there is nothing that the rule could mark. */
    @Test
    void aRuleAboutRowsAloneMarksNothingWhereNoRowsArePrinted() {
        Report marked = Definitions.readReport(Samples.REPORT.replace(
                "\"highlights\": []",
                "\"highlights\": [{\"id\": \"h\", \"label\": \"Alike\", \"look\": \"alert\","
                        + " \"when\": \"COUNT(*) OVER (PARTITION BY freight) > 1\"}]"));
        ReaderView folded = new ReaderView(List.of(), List.of(), List.of(), List.of(), Optional.of("region"));
        Plan plan = Planner.plan(marked, Samples.dataset(), Answers.NONE, Samples.CONTEXT);
        assertThat(plan.blocks().getFirst().facts().highlights()).hasSize(1);
        assertThat(folded.applied(plan).blocks().getFirst().facts().highlights())
                .isEmpty();
        TableBlock table = (TableBlock) marked.blocks().getFirst();
        Report lines = marked.withBlocks(List.of(table.withRows(table.rows().withShown(false))));
        Plan ofLines = Planner.plan(lines, Samples.dataset(), Answers.NONE, Samples.CONTEXT);
        assertThat(ofLines.blocks().getFirst().facts().highlights()).isEmpty();
        assertThat(ofLines.notices()).extracting(Problem::message).anyMatch(said -> said.contains("marks nothing"));
    }

    /** Orders that are left out stay so where orders are folded away: a fold changes no figure. */
    @Test
    void foldingChangesNoFigure() {
        Report chosen = Definitions.readReport(Samples.REPORT.replaceFirst(
                "\"key\": \"order_number\",", "\"key\": \"order_number\", \"having\": \"SUM(net) > 15\","));
        ReaderView folded = new ReaderView(List.of(), List.of(), List.of(), List.of(), Optional.of("region"));
        Plan plan = Planner.plan(chosen, Samples.dataset(), Answers.NONE, Samples.CONTEXT);
        assertThat(printed(folded.applied(plan)))
                .containsExactly("REPORT_HEADER", "Upland total 25.00", "Lakeside total 20.00", "Grand total 45.00");
        assertThat(printed(plan)).contains("Upland total 25.00", "Lakeside total 20.00", "Grand total 45.00");
    }

    @Test
    void othersOpenToTheirMembers() {
        Report limited = Definitions.readReport(
                Samples.REPORT.replaceFirst(
                        "\"key\": \"region\",",
                        "\"key\": \"region\", \"limit\": {\"keep\": \"largest\", \"by\": \"SUM(net)\", \"count\": 1, \"others\": true},"));
        assertThat(labels(limited, ReaderView.PLAIN)).containsExactly("Lakeside", "S2", "S1", "Others (2)");
        ReaderView whole = new ReaderView(List.of(), List.of(), List.of(), List.of("region"), Optional.empty());
        assertThat(labels(limited, whole)).containsExactly("Lakeside", "S2", "S1", "Upland", "S3", "(none)", "S4");
    }

    @Test
    void whatLooksAtGroupsAroundARowIsNoOrderOfRows() {
        Report around = Definitions.readReport(
                Samples.REPORT.replace("\"value\": \"net\"", "\"value\": \"SUM(net) OVER (PARTITION BY region)\""));
        assertThatThrownBy(() -> labels(around, order("c-net", Direction.DESCENDING)))
                .hasMessageContaining(
                        "the column \"Net\" looks at the groups around a row; order by one that does not");
    }

    /** What is read and what was planned of everything else stay what they are: a view reads nothing anew. */
    @Test
    void aViewReadsNothingMore() {
        Plan plan = Planner.plan(Samples.report(), Samples.dataset(), Answers.NONE, Samples.CONTEXT);
        Plan seen = new ReaderView(
                        List.of(new Sort("c-freight", Direction.ASCENDING)),
                        List.of(new Only("region", Optional.of("Lakeside"))),
                        List.of(new Width("c-net", Optional.of(60))))
                .applied(plan);
        assertThat(seen.table().fields()).isSameAs(plan.table().fields());
        assertThat(seen.table().totals()).isSameAs(plan.table().totals());
        assertThat(seen.table().filters()).hasSize(plan.table().filters().size() + 1);
        assertThat(ReaderView.PLAIN.applied(plan)).isSameAs(plan);
    }

    @Test
    void aLevelThatIsNotThereIsNamed() {
        assertThatThrownBy(() -> labels(
                        Samples.report(),
                        new ReaderView(List.of(), List.of(), List.of(), List.of("apiary"), Optional.empty())))
                .hasMessageContaining("the report has no level \"apiary\"; show all groups of one of its own");
        assertThatThrownBy(() -> labels(
                        Samples.report(),
                        new ReaderView(List.of(), List.of(), List.of(), List.of(), Optional.of("apiary"))))
                .hasMessageContaining("/view/downTo");
    }
}
