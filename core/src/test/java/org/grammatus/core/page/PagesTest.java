package org.grammatus.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.band.Bands;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.page.Page.BandRole;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** Meaning 11: breaks that keep together what belongs together, and nothing lost between pages. */
@Meaning(9)
class PagesTest {

    private static final int ORDERS = 60;

    /** Orders of one to nine lines in four regions, every line with an amount of its own. */
    private static Samples many() {
        Samples samples = new Samples();
        int line = 0;
        for (int i = 0; i < ORDERS; i++) {
            samples.order("S" + i, "2026-01-05T10:00", "Region " + i % 4, "1.00");
            for (int j = 0; j <= i % 9; j++) {
                samples.line("S" + i, "Hives", ++line + ".37");
            }
        }
        return samples;
    }

    private static List<Page> all(Pages pages) {
        List<Page> list = new ArrayList<>();
        for (int number = 1; number <= pages.count(); number++) {
            list.add(pages.page(number));
        }
        return list;
    }

    private static Pages pages(TableResult grouped) {
        return Pages.of(Bands.of(grouped), () -> false);
    }

    private static List<String> texts(Page page, Page.BandBox band) {
        int index = page.bands().indexOf(band);
        int end = index + 1 < page.bands().size()
                ? page.bands().get(index + 1).firstCell()
                : page.cells().size();
        return page.cells().subList(band.firstCell(), end).stream()
                .map(cell -> page.texts().get(cell.text()))
                .toList();
    }

    @Test
    void everyRowStandsOnExactlyOnePage() {
        Samples samples = many();
        List<String> printed = all(samples.pages()).stream()
                .flatMap(page -> page.bands().stream()
                        .filter(band -> band.role() == BandRole.ROW)
                        .map(band -> texts(page, band).getFirst()))
                .toList();
        assertThat(printed).hasSize(samples.lineCount()).doesNotHaveDuplicates();
    }

    @Test
    void aHeadingIsNeverLastAndAFooterNeverFirst() {
        List<Page> pages = all(many().pages());
        assertThat(pages).hasSizeGreaterThan(5);
        for (Page page : pages) {
            List<BandRole> body = page.bands().stream()
                    .map(Page.BandBox::role)
                    .filter(role -> role == BandRole.HEADING
                            || role == BandRole.ROW
                            || role == BandRole.TOTALS
                            || role == BandRole.GRAND_TOTAL)
                    .toList();
            assertThat(body.getLast()).isNotEqualTo(BandRole.HEADING);
            assertThat(body.stream().filter(role -> role != BandRole.HEADING).findFirst())
                    .contains(BandRole.ROW);
        }
    }

    @Test
    void nothingStandsOutsideThePaperOrOverAnother() {
        for (Page page : all(many().pages())) {
            int bottom = 0;
            for (Page.BandBox band : page.bands()) {
                assertThat(band.top()).isGreaterThanOrEqualTo(bottom);
                bottom = band.top() + band.height();
            }
            assertThat(bottom).isLessThan(page.height());
            for (Page.Cell cell : page.cells()) {
                assertThat(cell.x()).isPositive();
                assertThat(cell.x() + cell.width()).isLessThan(page.width());
            }
        }
    }

    @Test
    void openGroupsAreNamedAgainOnTheNextPage() {
        List<Page> pages = all(many().pages());
        boolean continued = pages.stream()
                .skip(1)
                .flatMap(page -> page.bands().stream()
                        .filter(band -> band.role() == BandRole.HEADING)
                        .map(band -> texts(page, band).getFirst()))
                .anyMatch(text -> text.startsWith("Region") && text.endsWith("(continued)"));
        assertThat(continued).isTrue();
        assertThat(pages.getFirst().texts()).noneMatch(text -> text.endsWith("(continued)"));
    }

    @Test
    void pagesAreNumberedNofM() {
        List<Page> pages = all(many().pages());
        for (Page page : pages) {
            assertThat(page.texts()).contains("Page " + page.number() + " of " + pages.size());
        }
    }

    @Test
    void figuresOfAColumnEndAtOneEdge() {
        for (Page page : all(many().pages())) {
            Map<Integer, Integer> edge = new java.util.HashMap<>();
            for (Page.Cell cell : page.cells()) {
                if (cell.figure() && page.ids().get(cell.id()).equals("c-net")) {
                    assertThat(edge.computeIfAbsent(cell.id(), id -> cell.x() + cell.width()))
                            .isEqualTo(cell.x() + cell.width());
                }
            }
            assertThat(edge).hasSize(1);
        }
    }

    /** A brace spans exactly the rows that feed its group's total. */
    @Test
    @Meaning(10)
    void bracesSpanTheRowsOfTheirGroup() {
        for (Page page : all(many().pages())) {
            for (Page.Brace brace : page.parts().braces()) {
                Page.Node group = page.nodes().get(brace.node());
                List<Page.BandBox> rows = page.bands().stream()
                        .filter(band -> band.role() == BandRole.ROW)
                        .filter(band -> {
                            int place = page.nodes().get(band.node()).place();
                            return place >= group.place() && place <= group.last();
                        })
                        .toList();
                assertThat(brace.top()).isEqualTo(rows.getFirst().top());
                assertThat(brace.bottom())
                        .isEqualTo(rows.getLast().top() + rows.getLast().height());
            }
        }
        List<Page> pages = all(many().pages());
        long opened = pages.stream()
                .flatMap(p -> p.parts().braces().stream())
                .filter(Page.Brace::opens)
                .count();
        long closed = pages.stream()
                .flatMap(p -> p.parts().braces().stream())
                .filter(Page.Brace::closes)
                .count();
        assertThat(opened).isEqualTo(ORDERS + 4L).isEqualTo(closed);
    }

    @Test
    @Meaning(11)
    void aReportWithoutRowsHasItsHeadingsAndItsTotal() {
        Pages pages = pages(many().grouped(Samples.report(), new Answers(Map.of("period", "2030-01-01/.."))));
        assertThat(pages.count()).isEqualTo(1);
        assertThat(pages.page(1).texts())
                .contains(
                        "Orders",
                        "Net",
                        "Freight",
                        "No rows meet these conditions.",
                        "Grand total",
                        "0 orders, 0 lines")
                .contains("Ordered: from 1 January 2030");
    }

    @Test
    void aNameOfTwoHundredCharactersWraps() {
        String name = "The Fellowship of the Bee ".repeat(8).strip();
        Samples samples =
                new Samples().order("S1", "2026-01-05T10:00", name, "1.00").line("S1", "Hives", "1.00");
        Page page = samples.pages().page(1);
        String joined = String.join(
                " ",
                page.bands().stream()
                        .filter(band -> band.role() == BandRole.HEADING)
                        .findFirst()
                        .map(band -> texts(page, band))
                        .orElseThrow());
        assertThat(joined).isEqualTo(name);
        assertThat(page.cells()).allMatch(cell -> cell.x() + cell.width() < page.width());
    }

    @Test
    void whatAFaceCannotPrintIsReplacedAndNeverFails() {
        Samples samples = new Samples()
                .order("S1", "2026-01-05T10:00", "蜂蜜 & <script>alert('x')</script>\n\u0007", "1.00")
                .line("S1", "Hives", "1.00");
        assertThat(samples.pages().page(1).texts()).anyMatch(text -> text.contains("& <script>alert('x')</script>"));
    }

    @Test
    void tooManyColumnsForThePaperIsSaid() {
        StringBuilder columns = new StringBuilder();
        for (int i = 0; i < 60; i++) {
            columns.append("{\"id\": \"x%d\", \"label\": \"Net\", \"value\": \"net\"},".formatted(i));
        }
        String text = Samples.REPORT.replace("\"columns\": [", "\"columns\": [" + columns);
        TableResult grouped = many().grouped(Definitions.readReport(text), Answers.NONE);
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> pages(grouped))
                .hasMessageStartingWith("/blocks/0/columns/60: the columns do not fit the paper");
    }
}
