package org.grammatus.core.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.band.Bands;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.page.Page.BandRole;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** What an author sets on the page: texts, widths, breaks, values printed once; and the same bands as one list. */
class PageSettingsTest {

    private static Samples rows() {
        Samples samples = new Samples();
        for (int i = 0; i < 30; i++) {
            samples.order("S" + i, "2026-01-05T10:00", "Region " + i % 3, "1.00");
            for (int j = 0; j <= i % 9; j++) {
                samples.line("S" + i, "Hives", (i * 10 + j) + ".37");
            }
        }
        return samples;
    }

    private static Pages pages(String... replacements) {
        String report = Samples.REPORT;
        for (int i = 0; i < replacements.length; i += 2) {
            assertThat(report).contains(replacements[i]);
            report = report.replace(replacements[i], replacements[i + 1]);
        }
        return Pages.of(Bands.of(rows().grouped(Definitions.readReport(report), Answers.NONE)), () -> false);
    }

    private static List<Page> all(Pages pages) {
        return IntStream.rangeClosed(1, pages.count()).mapToObj(pages::page).toList();
    }

    private static List<String> texts(Page page, BandRole role) {
        List<String> found = new ArrayList<>();
        for (int i = 0; i < page.bands().size(); i++) {
            Page.BandBox band = page.bands().get(i);
            int end = i + 1 < page.bands().size()
                    ? page.bands().get(i + 1).firstCell()
                    : page.cells().size();
            if (band.role() == role) {
                page.cells()
                        .subList(band.firstCell(), end)
                        .forEach(cell -> found.add(page.texts().get(cell.text())));
            }
        }
        return found;
    }

    /** Right edges of the columns, by their headings. */
    private static int rightOf(Page page, String heading) {
        return page.cells().stream()
                .filter(cell -> page.texts().get(cell.text()).equals(heading))
                .mapToInt(cell -> cell.x() + cell.width())
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aTextIsNotSetFarFromItsFiguresAndTheLastColumnStandsAtTheEdge() {
        Page page = pages(
                        "\"paper\": \"A4\", \"orientation\": \"portrait\"",
                        "\"paper\": \"A3\", \"orientation\": \"landscape\"",
                        "\"columns\": [",
                        "\"columns\": [{\"id\": \"c-order\", \"label\": \"Number\", \"value\": \"order_number\"},")
                .page(1);
        int number = rightOf(page, "Number");
        int net = rightOf(page, "Net");
        int freight = rightOf(page, "Freight");
        assertThat(freight).isBetween(page.width() - 4_300, page.width() - 4_200);
        // What is left over is shared, but for an inch that texts have more.
        assertThat(net - number).isBetween(2 * (freight - net) + 5_200, 2 * (freight - net) + 9_200);
    }

    @Test
    void aColumnOfAGivenWidthTakesNothingOfWhatIsLeft() {
        String[] wide = {"\"label\": \"Freight\"", "\"label\": \"Freight\", \"width\": 60"};
        String text = "{\"id\": \"c-order\", \"label\": \"Number\", \"value\": \"order_number\"},";
        Page page = pages("\"columns\": [", "\"columns\": [" + text, wide[0], wide[1])
                .page(1);
        assertThat(rightOf(page, "Freight") - rightOf(page, "Net")).isEqualTo(6_000 + 900);
    }

    @Test
    void eachGroupBeginsOnAPageOfItsOwn() {
        Pages pages = pages("\"name\": \"Region\"", "\"name\": \"Region\", \"newPage\": true");
        for (Page page : all(pages)) {
            long regions =
                    page.nodes().stream().filter(node -> node.depth() == 1).count();
            assertThat(regions).isEqualTo(1);
        }
        assertThat(pages.count()).isGreaterThanOrEqualTo(3);
    }

    @Test
    void headingsAndFootersSayWhatTheirLevelsTextsSay() {
        Pages pages = pages(
                "\"name\": \"Region\"",
                "\"name\": \"Region\", \"headerText\": \"{group}: {SUM(net)} in {COUNT(DISTINCT order_number)} orders\","
                        + " \"footerText\": \"All of {region}\"");
        assertThat(texts(pages.page(1), BandRole.HEADING)).contains("Region 2: 9,156.09 in 10 orders");
        List<String> footers = all(pages).stream()
                .flatMap(page -> texts(page, BandRole.TOTALS).stream())
                .toList();
        assertThat(footers).contains("All of Region 0", "All of Region 1", "All of Region 2");
    }

    @Test
    void aWrongTextIsToldWithItsPlace() {
        assertThatThrownBy(() -> pages("\"name\": \"Region\"", "\"name\": \"Region\", \"headerText\": \"In {regoin}\""))
                .hasMessageContaining("/blocks/0/levels/0/headerText: 1:5 unknown field \"regoin\"; did you mean");
        assertThatThrownBy(() -> pages("\"paper\": \"A4\"", "\"paper\": \"A4\", \"footer\": \"{pags}\""))
                .hasMessageContaining("/page/footer: 1:2 unknown name \"pags\"");
    }

    @Test
    @Meaning(17)
    void aValuePrintedOnceStandsAgainAtTheTopOfAPage() {
        Pages pages = pages(
                "{\"id\": \"c-net\"",
                "{\"id\": \"c-region\", \"label\": \"Region\", \"value\": \"region\", \"once\": \"region\"},"
                        + " {\"id\": \"c-net\"");
        for (Page page : all(pages)) {
            List<String> printed = texts(page, BandRole.ROW).stream()
                    .filter(text -> text.startsWith("Region"))
                    .toList();
            long groups =
                    page.nodes().stream().filter(node -> node.depth() == 1).count();
            assertThat(printed).hasSize((int) groups).doesNotHaveDuplicates();
        }
    }

    @Test
    @Meaning(17)
    void onlyWhatEqualsTheRowAboveIsLeftOut() {
        Pages pages = Pages.of(
                Bands.of(new Samples()
                        .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
                        .order("S2", "2026-01-06T10:00", "Lakeside", "7.00")
                        .order("S3", "2026-01-07T10:00", "Upland", "2.00")
                        .line("S1", "Hives", "9.00")
                        .line("S1", "Hives", "8.00")
                        .line("S1", null, "7.00")
                        .line("S2", null, "6.00")
                        .line("S2", "Hives", "5.00")
                        .line("S3", "Hives", "4.00")
                        .grouped(
                                Definitions.readReport(Samples.REPORT
                                        .replace(
                                                "{\"id\": \"c-net\"",
                                                "{\"id\": \"c-kind\", \"label\": \"Kind\", \"value\": \"category\","
                                                        + " \"once\": \"region\"}, {\"id\": \"c-net\"")
                                        .replace("\"value\": \"freight\"", "\"value\": \"freight\", \"off\": true")),
                                Answers.NONE)),
                () -> false);
        assertThat(texts(pages.page(1), BandRole.ROW))
                .as("blank equals blank; what differs from the row above is printed")
                .containsExactly("Hives", "9.00", "8.00", "7.00", "6.00", "Hives", "5.00", "Hives", "4.00");
    }

    @Test
    void aWidthIsKeptButFiguresAreNeverClipped() {
        Pages pages = pages(
                "{\"id\": \"c-net\"",
                "{\"id\": \"c-region\", \"label\": \"Region\", \"value\": \"region\", \"width\": 40},"
                        + " {\"id\": \"c-net\", \"width\": 10");
        Page page = pages.page(1);
        assertThat(page.parts().columns().getFirst().width()).isEqualTo(4_000);
        int figures = page.parts().columns().get(1).width();
        assertThat(figures).isGreaterThan(1_000);
        assertThat(page.cells().stream().filter(Page.Cell::figure).mapToInt(Page.Cell::width))
                .allMatch(width -> width <= figures);
    }

    @Test
    void pageTextsAreFilledIn() {
        Pages pages = pages("\"paper\": \"A4\"", "\"paper\": \"A4\", \"footer\": \"{title}, sheet {page} of {pages}\"");
        assertThat(pages.page(1).texts()).contains("Orders, sheet 1 of " + pages.count());
    }

    @Test
    @Meaning(16)
    void partsThatAreSwitchedOffAreNotPrinted() {
        Pages pages = pages(
                "{\"id\": \"c-freight\"",
                "{\"id\": \"c-freight\", \"off\": true",
                "\"name\": \"Region\"",
                "\"name\": \"Region\", \"off\": true");
        assertThat(pages.page(1).parts().columns())
                .extracting(Page.ColumnBox::id)
                .containsExactly("c-net");
        assertThat(all(pages))
                .allSatisfy(page ->
                        assertThat(page.nodes()).noneMatch(n -> n.level().equals("region")));
    }

    @Test
    void stripsHoldTheSameRowsAsPages() {
        Pages pages = pages();
        ContinuousView strips = pages.strips();
        List<String> onPages = all(pages).stream()
                .flatMap(page -> texts(page, BandRole.ROW).stream())
                .toList();
        List<String> onStrips = IntStream.rangeClosed(1, strips.count())
                .mapToObj(strips::strip)
                .flatMap(strip -> texts(strip, BandRole.ROW).stream())
                .toList();
        assertThat(onStrips).isEqualTo(onPages);
        assertThat(IntStream.rangeClosed(1, strips.count())
                        .map(number -> strips.strip(number).height())
                        .toArray())
                .isEqualTo(strips.heights());
        assertThat(texts(strips.headings(), BandRole.COLUMN_HEADINGS)).containsExactly("Net", "Freight");
    }

    @Test
    void aColumnThatCannotFitIsToldWithItsName() {
        assertThatThrownBy(() -> pages("{\"id\": \"c-net\"", "{\"id\": \"c-net\", \"width\": 1000"))
                .hasMessageContaining("/blocks/0/columns/0: the columns do not fit the paper")
                .hasMessageContaining("or narrow \"Net\", the widest");
    }
}
