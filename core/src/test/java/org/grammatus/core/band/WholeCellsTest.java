package org.grammatus.core.band;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.grammatus.core.Samples;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.value.Type;
import org.junit.jupiter.api.Test;

/** A cell of a band says everything that a page or a file needs to know of it. */
class WholeCellsTest {

    private static final Samples ROWS = new Samples()
            .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
            .order("S2", "2026-02-05T10:00", "Lakeside", "7.50")
            .line("S1", "Hives", "10.00")
            .line("S1", "Hives", "-2.00")
            .line("S2", "Hives", "20.00");

    /** A flat table with the category before its figures, printed once as far as it stays. */
    private static final String FLAT = Samples.REPORT
            .replaceFirst("(?s)\"levels\": \\[.*?\\],\\s*\"columns\": \\[", "\"levels\": [], \"columns\": [")
            .replaceFirst("(?s)\"totals\": \\[.*?\\]\\}\\],", "\"totals\": [],")
            .replace(
                    "\"columns\": [",
                    "\"columns\": [{\"id\": \"c-category\", \"label\": \"Category\", \"value\": \"category\","
                            + " \"once\": \"report\"},");

    private static TableResult grouped(String json) {
        return ROWS.grouped(Definitions.readReport(json), Answers.NONE);
    }

    private static List<BandCell.Value> under(String column, TableResult grouped, BandKind kind) {
        Bands bands = Bands.of(grouped);
        BandContents contents = new BandContents(grouped);
        return IntStream.range(0, bands.size())
                .filter(band -> bands.kind(band) == kind)
                .boxed()
                .flatMap(band -> contents.values(bands, band).stream())
                .filter(cell -> cell.column().id().equals(column))
                .toList();
    }

    @Test
    void aCellKnowsItsTypeItsPatternAndItsGroup() {
        TableResult grouped =
                grouped(Samples.REPORT.replace("\"label\": \"Net\",", "\"label\": \"Net\", \"format\": \"#,##0.0\","));
        BandCell.Value net = under("c-net", grouped, BandKind.REPORT_FOOTER).getFirst();
        assertThat(net.type()).isEqualTo(Type.decimal(2));
        assertThat(net.format().pattern()).isEqualTo("#,##0.0");
        assertThat(net.node()).isZero();
        assertThat(net.column().heading()).isEqualTo("Net");
        assertThat(net.isOfColumn()).isFalse();
        BandCell.Value row = under("c-net", grouped, BandKind.DETAIL).getFirst();
        assertThat(row.isOfColumn()).isTrue();
        assertThat(grouped.tree().depthOf(row.node())).isEqualTo(2);
    }

    @Test
    void aValueThatIsPrintedOnceSaysThatItRepeatsTheRowAbove() {
        TableResult grouped = grouped(FLAT);
        assertThat(under("c-category", grouped, BandKind.DETAIL))
                .extracting(BandCell.Value::repeats)
                .containsExactly(false, true, true);
        assertThat(under("c-net", grouped, BandKind.DETAIL))
                .extracting(BandCell.Value::repeats)
                .containsOnly(false);
    }

    @Test
    void aMarkedCellLooksAsItsRuleSays() {
        String marked = FLAT.replace(
                "\"highlights\": []",
                "\"highlights\": [{\"id\": \"h\", \"label\": \"Less\", \"when\": \"net < 0\", \"look\": \"alert\","
                        + " \"reach\": {\"of\": \"row\", \"column\": \"c-net\"}}]");
        TableResult grouped = grouped(marked);
        for (BandCell.Value cell : under("c-net", grouped, BandKind.DETAIL)) {
            boolean less = cell.text().startsWith("-");
            assertThat(cell.look().sign().isPresent()).isEqualTo(less);
            assertThat(cell.look().equals(CellLook.PLAIN)).isEqualTo(!less);
        }
        assertThat(under("c-category", grouped, BandKind.DETAIL))
                .extracting(BandCell.Value::look)
                .allMatch(look -> look.sign().isEmpty());
    }

    /** What a walk calls its visitor with: groups by depth, rows as dots. */
    private static String walked(TableWalk walk, TableResult grouped) {
        List<String> called = new ArrayList<>();
        walk.accept(new TableVisitor() {
            @Override
            public void open(int node) {
                called.add("(" + grouped.tree().depthOf(node));
            }

            @Override
            public void row(int node, int row) {
                called.add(".");
            }

            @Override
            public void otherRows(int node) {
                called.add("+");
            }

            @Override
            public void close(int node) {
                called.add(")");
            }
        });
        return String.join("", called);
    }

    @Test
    void aWalkOpensEveryGroupBeforeItsRowsAndClosesItBehindThem() {
        TableResult grouped = grouped(Samples.REPORT);
        assertThat(walked(TableWalk.printed(grouped), grouped)).isEqualTo("(0(1(2.)(2..)))");
        assertThat(walked(TableWalk.lines(grouped), grouped)).isEqualTo("(0(1(2.)(2..)))");
    }

    @Test
    void groupsOfWhichNothingIsPrintedAreLinesOfFilesAlone() {
        String unprinted = Samples.REPORT
                .replace(
                        "\"header\": \"heading\", \"footer\": \"totals\"", "\"header\": \"none\", \"footer\": \"none\"")
                .replace("\"shown\": true", "\"shown\": false");
        TableResult grouped = grouped(unprinted);
        assertThat(walked(TableWalk.printed(grouped), grouped)).isEqualTo("(0)");
        assertThat(walked(TableWalk.lines(grouped), grouped)).isEqualTo("(0(1(2)(2)))");
    }
}
