package org.grammatus.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.grammatus.core.Samples;
import org.grammatus.core.band.Bands;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.page.Page.BandRole;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** Columns that stand below one another in one place, and headings that read from bottom to top. */
class StackedColumnsTest {

    private static Samples sales() {
        return new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
                .line("S1", "Hives", "30.00")
                .line(
                        "S1",
                        "Wax foundation for deep frames, wired and unwired, by the kilogram or by the sheet",
                        "9.00")
                .line("S1", "Jars", "1.00");
    }

    /** A list of lines; the second of its columns as it is asked for. */
    private static Page page(String room) {
        String columns = """
                [{"id": "c-category", "label": "Category", "value": "category"},
                 {"id": "c-net", "label": "Net of lines", "value": "net"%s},
                 {"id": "c-region", "label": "Region", "value": "region"}]""".formatted(room.isEmpty() ? "" : ", \"room\": {" + room + "}");
        String totals = "[{\"id\": \"t-net\", \"column\": \"c-net\", \"value\": \"SUM(net)\","
                + " \"cells\": [{\"at\": \"report\", \"in\": \"footer\"}]}]";
        String report = Samples.REPORT.replaceAll(
                "(?s)\"columns\":.*\"counts\"", "\"columns\": " + columns + ", \"totals\": " + totals + ", \"counts\"");
        return Pages.of(Bands.of(sales().grouped(Definitions.readReport(report), Answers.NONE)), () -> false)
                .page(1);
    }

    private static List<Page.Cell> cells(Page page, BandRole role, int nth) {
        List<Page.BandBox> bands =
                page.bands().stream().filter(band -> band.role() == role).toList();
        Page.BandBox band = bands.get(nth);
        int next = page.bands().indexOf(band) + 1;
        int end = next < page.bands().size()
                ? page.bands().get(next).firstCell()
                : page.cells().size();
        return page.cells().subList(band.firstCell(), end);
    }

    private static Page.Cell cell(Page page, BandRole role, int nth, String text) {
        return cells(page, role, nth).stream()
                .filter(cell -> page.texts().get(cell.text()).startsWith(text))
                .findFirst()
                .orElseThrow();
    }

    private static int height(Page page, int row) {
        return page.bands().stream()
                .filter(band -> band.role() == BandRole.ROW)
                .toList()
                .get(row)
                .height();
    }

    @Test
    void aColumnBelowAnotherSharesItsPlaceOnALineOfItsOwn() {
        Page page = page("\"below\": true");
        Page.ColumnBox above = page.parts().columns().get(0);
        Page.ColumnBox below = page.parts().columns().get(1);
        assertThat(below.x()).isEqualTo(above.x());
        assertThat(below.width()).isEqualTo(above.width());
        assertThat(page.parts().columns().get(2).x()).isGreaterThan(above.x() + above.width());
        Page.Cell first = cell(page, BandRole.ROW, 0, "Hives");
        Page.Cell second = cell(page, BandRole.ROW, 0, "30.00");
        assertThat(second.y()).isGreaterThan(first.y());
        assertThat(cell(page, BandRole.ROW, 0, "Lakeside").y())
                .as("beside the first line")
                .isEqualTo(first.y());
        assertThat(height(page, 0)).isGreaterThan(height(page(""), 0));
        assertThat(cell(page, BandRole.COLUMN_HEADINGS, 0, "Net").y())
                .isGreaterThan(
                        cell(page, BandRole.COLUMN_HEADINGS, 0, "Category").y());
    }

    @Test
    void whatStandsBelowATextThatWrapsStandsBelowAllOfIt() {
        Page page = page("\"below\": true");
        List<Page.Cell> row = cells(page, BandRole.ROW, 1);
        int last = row.stream()
                .filter(cell -> page.ids().get(cell.id()).equals("c-category"))
                .mapToInt(Page.Cell::y)
                .max()
                .orElseThrow();
        assertThat(row.stream().filter(cell -> page.ids().get(cell.id()).equals("c-category")))
                .hasSizeGreaterThan(1);
        assertThat(cell(page, BandRole.ROW, 1, "9.00").y()).isGreaterThan(last);
    }

    @Test
    void totalsStandOnTheLineOfTheirColumn() {
        Page page = page("\"below\": true");
        Page.Cell total = cell(page, BandRole.GRAND_TOTAL, 0, "40.00");
        assertThat(total.y())
                .isGreaterThan(cell(page, BandRole.GRAND_TOTAL, 0, "Grand").y());
        Page.BandBox band = page.bands().stream()
                .filter(one -> one.role() == BandRole.GRAND_TOTAL)
                .findFirst()
                .orElseThrow();
        assertThat(total.y()).isLessThan(band.top() + band.height());
    }

    @Test
    void aTurnedHeadingTakesNoMoreWidthThanItsFigures() {
        Page upright = page("");
        Page turned = page("\"turned\": true");
        assertThat(turned.parts().columns().get(1).width())
                .isLessThanOrEqualTo(upright.parts().columns().get(1).width());
        Page.Cell heading = cell(turned, BandRole.COLUMN_HEADINGS, 0, "Net of lines");
        assertThat(heading.turned()).isTrue();
        Page.BandBox band = turned.bands().stream()
                .filter(one -> one.role() == BandRole.COLUMN_HEADINGS)
                .findFirst()
                .orElseThrow();
        assertThat(heading.y() - heading.width()).as("it has room to its top").isGreaterThanOrEqualTo(band.top());
        assertThat(heading.y()).isLessThan(band.top() + band.height());
        assertThat(turned.cells().stream().filter(Page.Cell::turned)).hasSize(1);
    }
}
