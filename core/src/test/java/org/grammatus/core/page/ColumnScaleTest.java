package org.grammatus.core.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.assertj.core.data.Offset;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.band.Bands;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.page.Page.BandRole;
import org.grammatus.core.page.column.ScaleMarks;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** Meaning 47: bars and dots beside figures, and what highlights mark, said below the title. */
@Meaning(47)
class ColumnScaleTest {

    private static Page page(String scale, String... more) {
        Samples rows = new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
                .line("S1", "Hives", "-50.00")
                .line("S1", "Jars", "100.00")
                .line("S1", "Lids", "25.00")
                .line("S1", "Wax", null);
        String report = Samples.REPORT.replace("\"label\": \"Net\"", "\"label\": \"Net\", \"scale\": " + scale);
        for (int i = 0; i < more.length; i += 2) {
            report = report.replace(more[i], more[i + 1]);
        }
        return Pages.of(Bands.of(rows.grouped(Definitions.readReport(report), Answers.NONE)), () -> false)
                .page(1);
    }

    @Test
    void aBarReachesFromZeroAndTheOtherWayForLosses() {
        Page page = page("{\"kind\": \"bar\"}");
        Page.ColumnBox column = page.parts().columns().getFirst();
        int zero = column.x() + column.width() / 3;
        // Rows stand from the largest to the smallest.
        List<Page.Fill> bars = page.drawings().fills();
        assertThat(bars).hasSize(3);
        assertThat(bars.get(0).x()).isCloseTo(zero, Offset.offset(2));
        assertThat(bars.get(0).x() + bars.get(0).width()).isEqualTo(column.x() + column.width());
        assertThat(bars.get(1).width()).isCloseTo(bars.get(0).width() / 4, Offset.offset(2));
        assertThat(bars.get(2).x()).isEqualTo(column.x());
        assertThat(bars.get(2).x() + bars.get(2).width()).isCloseTo(zero, Offset.offset(2));
        assertThat(page.drawings().fillColours()).containsExactly(ScaleMarks.TINT);
    }

    @Test
    void dotsSayInWhichThirdAFigureIsOrBetweenWhichEdges() {
        assertThat(dots(page("{\"kind\": \"steps\"}"))).containsExactly("•••", "••", "•");
        assertThat(dots(page("{\"kind\": \"steps\", \"edges\": [30, 99.5]}"))).containsExactly("•••", "•", "•");
    }

    @Test
    void thirdsAreOfEachGroupWhereAskedFor() {
        Samples rows = new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
                .line("S1", "Hives", "1.00")
                .line("S1", "Jars", "2.00")
                .line("S1", "Lids", "3.00")
                .order("S2", "2026-01-05T10:00", "Coast", "5.00")
                .line("S2", "Hives", "100.00")
                .line("S2", "Jars", "200.00")
                .line("S2", "Lids", "300.00");
        List<String> within = List.of("report", "region");
        List<List<String>> expected =
                List.of(List.of("•••", "•••", "••", "••", "•", "•"), List.of("•••", "••", "•", "•••", "••", "•"));
        for (int i = 0; i < 2; i++) {
            String report = Samples.REPORT.replace(
                    "\"label\": \"Net\"",
                    "\"label\": \"Net\", \"scale\": {\"kind\": \"steps\", \"within\": \"" + within.get(i) + "\"}");
            assertThat(dots(Pages.of(Bands.of(rows.grouped(Definitions.readReport(report), Answers.NONE)), () -> false)
                            .page(1)))
                    .isEqualTo(expected.get(i));
        }
    }

    @Test
    void onlyThirdsAreToldApartGroupByGroup() {
        assertThatThrownBy(() -> page("{\"kind\": \"bar\", \"within\": \"region\"}"))
                .hasMessageContaining("/blocks/0/columns/0/scale/within")
                .hasMessageContaining("only steps that are thirds");
        assertThatThrownBy(() -> page("{\"kind\": \"steps\", \"within\": \"regoin\"}"))
                .hasMessageContaining("unknown level \"regoin\"");
    }

    private static List<String> dots(Page page) {
        return page.cells().stream()
                .map(cell -> page.texts().get(cell.text()))
                .filter(text -> text.startsWith("•"))
                .toList();
    }

    @Test
    void dotsStandBeforeTheFiguresInRoomOfTheirOwn() {
        Page page = page("{\"kind\": \"steps\"}");
        Page.ColumnBox column = page.parts().columns().getFirst();
        for (Page.BandBox row : page.bands()) {
            if (row.role() == BandRole.ROW && row.row() < 3) {
                Page.Cell dots = page.cells().get(row.firstCell());
                Page.Cell figure = page.cells().get(row.firstCell() + 1);
                assertThat(dots.x()).isEqualTo(column.x());
                assertThat(dots.x() + dots.width()).isLessThan(figure.x());
            }
        }
    }

    @Test
    void linesOfGroupsAreDrawnByTheirTotals() {
        Page page = page(
                "{\"kind\": \"bar\"}",
                "\"header\": \"heading\", \"footer\": \"totals\"}],",
                "\"header\": \"line\", \"footer\": \"none\"}],",
                "\"shown\": true",
                "\"shown\": false",
                "\"at\": \"order\", \"in\": \"footer\"",
                "\"at\": \"order\", \"in\": \"header\"");
        assertThat(page.drawings().fills()).hasSize(1);
    }

    @Test
    void whatCannotBeDrawnIsToldWithItsPlace() {
        assertThatThrownBy(() -> page("{\"kind\": \"steps\", \"edges\": [5, 5]}"))
                .hasMessageContaining("/blocks/0/columns/0/scale/edges");
        assertThatThrownBy(() -> page("{\"kind\": \"bar\"}", "\"value\": \"net\"", "\"value\": \"category\""))
                .hasMessageContaining("/blocks/0/columns/0/scale: the column shows");
        assertThatThrownBy(() -> page("{\"kind\": \"pie\"}")).hasMessageContaining("/scale/kind");
    }

    @Test
    void aLegendSaysWhatIsMarked() {
        Page page = page(
                "{\"kind\": \"bar\"}",
                "\"highlights\": []",
                "\"layout\": {\"legend\": true}, \"highlights\": ["
                        + "{\"id\": \"a\", \"label\": \"Loss\", \"when\": \"net < 0\", \"look\": \"alert\"},"
                        + "{\"id\": \"b\", \"label\": \"Large\", \"when\": \"net > 50\", \"look\": \"note\", \"word\": \"big\"}]");
        assertThat(page.texts()).contains("▲ Loss (act now) · big Large");
    }
}
