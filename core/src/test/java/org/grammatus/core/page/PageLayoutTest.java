package org.grammatus.core.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.band.Bands;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.page.Page.BandRole;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Meaning 47: how levels, tables and columns stand on pages, what stands at their edges, and on which paper. */
@Meaning(47)
class PageLayoutTest {

    private static final int MM = 283;

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

    private static Pages ofLevel(String level, String layout, String... more) {
        List<String> all = new ArrayList<>(
                List.of("\"name\": \"" + level + "\"", "\"name\": \"" + level + "\", \"layout\": " + layout));
        all.addAll(List.of(more));
        return pages(all.toArray(String[]::new));
    }

    private static List<Page> all(Pages pages) {
        return IntStream.rangeClosed(1, pages.count()).mapToObj(pages::page).toList();
    }

    private static List<Page.BandBox> bands(Page page, BandRole role) {
        return page.bands().stream().filter(band -> band.role() == role).toList();
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

    private static List<String> texts(Page page, BandRole role) {
        return bands(page, role).stream()
                .flatMap(band -> texts(page, band).stream())
                .toList();
    }

    private static long orders(List<Page> pages) {
        return pages.stream()
                .flatMap(page -> texts(page, BandRole.HEADING).stream())
                .filter(text -> text.startsWith("S"))
                .count();
    }

    @Test
    void aGroupThatFitsAPageIsNotBroken() {
        assertThat(orders(all(pages())))
                .as("some are named again after a break")
                .isGreaterThan(30);
        List<Page> kept = all(ofLevel("Order", "{\"keepTogether\": true}"));
        assertThat(orders(kept)).isEqualTo(30);
        assertThat(kept.stream().flatMap(page -> page.texts().stream()))
                .noneMatch(text -> text.startsWith("S") && text.endsWith("(continued)"));
    }

    @Test
    void aGroupTooTallForAPageFlows() {
        List<Page> pages = all(ofLevel("Region", "{\"keepTogether\": true}"));
        assertThat(pages.stream()
                        .mapToLong(page -> bands(page, BandRole.ROW).size())
                        .sum())
                .isEqualTo(rows().lineCount());
    }

    @Test
    void aGroupBeginsOnANewPageWhereLittleIsLeft() {
        for (Page page : all(ofLevel("Region", "{\"newPageUnder\": 60}"))) {
            bands(page, BandRole.HEADING).stream()
                    .filter(band -> page.nodes().get(band.node()).depth() == 1)
                    .filter(band -> !texts(page, band).getFirst().endsWith("(continued)"))
                    .forEach(band -> assertThat(page.height() - 15 * MM - band.top())
                            .isGreaterThan((page.height() - 30 * MM) / 2));
        }
    }

    @Test
    void totalsAreLeftOutOfGroupsThatAreTooSmall() {
        List<Page> pages = all(ofLevel("Order", "{\"totalsFrom\": 2}"));
        List<String> totals = pages.stream()
                .flatMap(page -> texts(page, BandRole.TOTALS).stream())
                .toList();
        assertThat(totals).contains("S1 total").doesNotContain("S0 total", "S9 total", "S18 total");
    }

    @Test
    void roomAndALineStandBelowGroups() {
        Page plain = pages().page(1);
        Page spaced =
                ofLevel("Order", "{\"spaceAfter\": 20, \"ruleAfter\": true}").page(1);
        Page.BandBox total = bands(spaced, BandRole.TOTALS).getFirst();
        assertThat(total.height())
                .isEqualTo(bands(plain, BandRole.TOTALS).getFirst().height() + 2_500);
        assertThat(spaced.drawings().rules())
                .anyMatch(rule -> rule.y() > total.top() + 1_000 && rule.y() < total.top() + total.height() - 2_000);
    }

    @Test
    void whatTheTotalsHaveComeToIsCarriedFromPageToPage() {
        List<Page> pages = all(pages("\"highlights\": []", "\"highlights\": [], \"layout\": {\"carried\": true}"));
        assertThat(pages).hasSizeGreaterThan(3);
        BigDecimal soFar = BigDecimal.ZERO;
        for (Page page : pages) {
            List<List<String>> carried = bands(page, BandRole.CARRIED).stream()
                    .map(band -> texts(page, band))
                    .toList();
            boolean first = page.number() == 1;
            boolean last = page.number() == pages.size();
            assertThat(carried).hasSize((first ? 0 : 1) + (last ? 0 : 1));
            if (!first) {
                assertThat(carried.getFirst().getFirst()).isEqualTo("Brought forward");
                assertThat(number(carried.getFirst().get(1))).isEqualByComparingTo(soFar);
            }
            for (Page.BandBox row : bands(page, BandRole.ROW)) {
                soFar = soFar.add(number(texts(page, row).getFirst()));
            }
            if (!last) {
                assertThat(carried.getLast().getFirst()).isEqualTo("Carried forward");
                assertThat(number(carried.getLast().get(1))).isEqualByComparingTo(soFar);
            }
        }
        assertThat(number(texts(pages.getLast(), BandRole.GRAND_TOTAL).get(2))).isEqualByComparingTo(soFar);
    }

    private static BigDecimal number(String printed) {
        return new BigDecimal(printed.replace(",", ""));
    }

    @Test
    void carryingBeginsAnewWithAGroupThatBeginsAPage() {
        List<Page> pages = all(pages(
                "\"name\": \"Region\"", "\"name\": \"Region\", \"newPage\": true",
                "\"highlights\": []", "\"highlights\": [], \"layout\": {\"carried\": true}"));
        for (Page page : pages) {
            boolean begins = !texts(page, BandRole.HEADING).getFirst().endsWith("(continued)");
            assertThat(texts(page, BandRole.CARRIED).contains("Brought forward"))
                    .isEqualTo(!begins);
        }
        assertThatThrownBy(() -> pages(
                        "\"highlights\": []", "\"highlights\": [], \"layout\": {\"carried\": true}",
                        "\"shown\": true", "\"shown\": false"))
                .hasMessageContaining("/blocks/0/layout/carried");
    }

    @Test
    void blankLinesStandAmongRowsAndHeadingsOfColumnsOnceIfAsked() {
        List<Page> pages = all(pages(
                "\"highlights\": []", "\"highlights\": [], \"layout\": {\"blankEvery\": 3, \"headingsOnce\": true}"));
        List<Page.BandBox> rows = bands(pages.get(1), BandRole.ROW);
        int plain = rows.stream().mapToInt(Page.BandBox::height).min().orElseThrow();
        assertThat(rows.stream().mapToInt(Page.BandBox::height).max()).hasValue(2 * plain);
        assertThat(bands(pages.getFirst(), BandRole.COLUMN_HEADINGS)).hasSize(1);
        assertThat(pages.stream().skip(1))
                .allMatch(page -> bands(page, BandRole.COLUMN_HEADINGS).isEmpty());
    }

    @Test
    void aHeadingStandsOverSeveralColumns() {
        Page page = pages(
                        "\"label\": \"Net\"", "\"label\": \"Net\", \"room\": {\"over\": \"Amounts\"}",
                        "\"label\": \"Freight\"", "\"label\": \"Freight\", \"room\": {\"over\": \"Amounts\"}")
                .page(1);
        assertThat(texts(page, BandRole.COLUMN_HEADINGS)).containsExactly("Amounts", "Net", "Freight");
        Page.Cell over = page.cells()
                .get(bands(page, BandRole.COLUMN_HEADINGS).getFirst().firstCell());
        int left = page.parts().columns().getFirst().x();
        int right = page.parts().columns().getLast().x()
                + page.parts().columns().getLast().width();
        assertThat(over.x() + over.width() / 2).isBetween((left + right) / 2 - 2, (left + right) / 2 + 2);
    }

    @Test
    void aColumnTakesItsShareAndLongTextsAreCutWithAMark() {
        String text = "{\"id\": \"c-text\", \"label\": \"Text\", \"value\": "
                + "\"'a long text of many words that goes on and on, line by line, and does not end'\", \"room\": {\"share\": 20%s}},"
                + " {\"id\": \"c-net\"";
        Page wrapped = pages("{\"id\": \"c-net\"", text.formatted("")).page(1);
        Page cut = pages("{\"id\": \"c-net\"", text.formatted(", \"lines\": 2")).page(1);
        int printable = wrapped.width() - 30 * MM;
        assertThat(wrapped.parts().columns().getFirst().width()).isBetween(printable * 17 / 100, printable * 21 / 100);
        int rowOfTwo = bands(cut, BandRole.ROW).getFirst().height();
        assertThat(rowOfTwo).isLessThan(bands(wrapped, BandRole.ROW).getFirst().height());
        assertThat(texts(cut, bands(cut, BandRole.ROW).getFirst()).get(1)).endsWith("…");
    }

    @Test
    void aHeaderStandsOnTheFirstPageTooUnlessThatHasItsOwn() {
        for (String header : List.of("\"header\": \"Ours\"", "\"lines\": {\"header\": {\"start\": \"Ours\"}}")) {
            Page first = all(pages("\"paper\": \"A4\"", "\"paper\": \"A4\", " + header))
                    .getFirst();
            assertThat(texts(first, BandRole.PAGE_HEADER)).as(header).contains("Ours");
        }
        Page own = all(pages(
                        "\"paper\": \"A4\"",
                        "\"paper\": \"A4\", \"lines\": {\"header\": {\"start\": \"Ours\"}, \"firstHeader\": {}}"))
                .getFirst();
        assertThat(texts(own, BandRole.PAGE_HEADER)).isEmpty();
        Page usual = all(pages("\"paper\": \"A4\"", "\"paper\": \"A4\"")).getFirst();
        assertThat(bands(usual, BandRole.PAGE_HEADER))
                .as("the title is there already")
                .isEmpty();
    }

    @Test
    void linesAtTheEdgesHaveThreePartsAndTheFirstPageItsOwn() {
        List<Page> pages = all(pages(
                "\"name\": \"Region\"",
                "\"name\": \"Region\", \"newPage\": true",
                "\"paper\": \"A4\"",
                "\"paper\": \"A4\", \"lines\": {\"firstHeader\": {\"centre\": \"Ours alone\"},"
                        + " \"header\": {\"start\": \"{group}\", \"centre\": \"{title}\", \"end\": \"{page_of_group} / {pages_of_group}\"},"
                        + " \"footer\": {\"end\": \"sheet {page}\"}}"));
        assertThat(texts(pages.getFirst(), BandRole.PAGE_HEADER)).containsExactly("Ours alone");
        Page first = pages.getFirst();
        Page.Cell centred =
                first.cells().get(bands(first, BandRole.PAGE_HEADER).getFirst().firstCell());
        assertThat(centred.x() + centred.width() / 2).isBetween(first.width() / 2 - 50, first.width() / 2 + 50);
        for (Page page : pages.subList(1, pages.size())) {
            String region = page.nodes().stream()
                    .filter(node -> node.depth() == 1)
                    .findFirst()
                    .orElseThrow()
                    .label();
            List<Page> same = pages.stream()
                    .filter(other ->
                            other.nodes().stream().anyMatch(node -> node.label().equals(region)))
                    .toList();
            int within = same.stream().map(Page::number).toList().indexOf(page.number()) + 1;
            assertThat(texts(page, BandRole.PAGE_HEADER))
                    .containsExactly(region, "Orders", within + " / " + same.size());
            assertThat(texts(page, BandRole.PAGE_FOOTER)).containsExactly("sheet " + page.number());
        }
    }

    @Test
    void backsAreMirroredAndGroupsBeginOnFrontsIfAsked() {
        List<Page> pages = all(ofLevel(
                "Region", "{\"onFront\": true}",
                "\"name\": \"Region\"", "\"newPage\": true, \"name\": \"Region\"",
                "\"left\": 15", "\"left\": 30",
                "\"orientation\"", "\"mirrored\": true, \"orientation\""));
        for (Page page : pages) {
            boolean front = page.number() % 2 == 1;
            int least = page.cells().stream().mapToInt(Page.Cell::x).min().orElse(0);
            assertThat(least).isBetween((front ? 30 : 15) * MM, (front ? 30 : 15) * MM + 1_000);
            boolean begins = texts(page, BandRole.HEADING).stream().anyMatch(text -> text.matches("Region \\d"));
            assertThat(!begins || front).as("page " + page.number()).isTrue();
        }
        assertThat(pages.stream()
                        .mapToLong(page -> bands(page, BandRole.ROW).size())
                        .sum())
                .isEqualTo(rows().lineCount());
    }

    @Test
    void aWordStandsAcrossEveryPageBehindEverything() {
        for (Page page : all(pages("\"paper\": \"A4\"", "\"paper\": \"A4\", \"watermark\": \"Draft\""))) {
            assertThat(page.bands().getFirst().role()).isEqualTo(BandRole.WATERMARK);
            Page.Cell word = page.cells().getFirst();
            assertThat(page.texts().get(word.text())).isEqualTo("Draft");
            assertThat(word.x()).isGreaterThan(15 * MM);
            assertThat(word.x() + word.width()).isLessThan(page.width() - 15 * MM);
        }
    }

    @ParameterizedTest
    @CsvSource({
        "en-GB, '\"draft\": true', Draft",
        "de-DE, '\"draft\": true', Entwurf",
        "de-DE, '\"draft\": true, \"watermark\": \"Noch nicht\"', Noch nicht"
    })
    void aDraftSaysSoUntilTheReportIsOffered(String locale, String asked, String word) {
        Report report = Definitions.readReport(Samples.REPORT
                .replace("\"paper\": \"A4\"", "\"paper\": \"A4\", " + asked)
                .replace("en-GB", locale));
        assertThat(watermarks(report)).containsOnly(word);
        assertThat(watermarks(report.offered())).containsOnly("");
    }

    @Test
    void aWordThatIsNotThatOfADraftStaysWhenTheReportIsOffered() {
        Report report = Definitions.readReport(
                Samples.REPORT.replace("\"paper\": \"A4\"", "\"paper\": \"A4\", \"watermark\": \"Internal\""));
        assertThat(watermarks(report.offered())).containsOnly("Internal");
    }

    /** The word across each page. */
    private static List<String> watermarks(Report report) {
        return all(Pages.of(Bands.of(rows().grouped(report, Answers.NONE)), () -> false)).stream()
                .map(page -> String.join(" ", texts(page, BandRole.WATERMARK)))
                .toList();
    }

    @ParameterizedTest
    @CsvSource({
        "A3, 84189, 119055",
        "A4, 59528, 84189",
        "A5, 41953, 59528",
        "B4, 70866, 100063",
        "B5, 49890, 70866",
        "Letter, 61200, 79200",
        "Legal, 61200, 100800",
        "Tabloid, 79200, 122400"
    })
    void paperHasItsSize(String name, int width, int height) {
        Page page = pages("\"A4\"", "\"" + name + "\"").page(1);
        assertThat(List.of(page.width(), page.height())).containsExactly(width, height);
        Page turned =
                pages("\"A4\"", "\"" + name + "\"", "portrait", "landscape").page(1);
        assertThat(List.of(turned.width(), turned.height())).containsExactly(height, width);
    }

    @Test
    void paperMayHaveAnySizeThatLeavesRoom() {
        Page page = pages("\"A4\"", "\"A4\", \"size\": {\"width\": 100, \"height\": 200}")
                .page(1);
        assertThat(List.of(page.width(), page.height())).containsExactly(28_346, 56_693);
        assertThatThrownBy(() -> pages(
                        "\"A4\"",
                        "\"A4\", \"size\": {\"width\": 100, \"height\": 200}",
                        "\"right\": 15",
                        "\"right\": 60",
                        "\"left\": 15",
                        "\"left\": 40"))
                .hasMessageContaining("/page/margins: the margins leave nothing");
        assertThatThrownBy(() -> pages("\"A4\"", "\"A4\", \"size\": {\"width\": 10, \"height\": 200}"))
                .hasMessageContaining("/page/size/width");
    }
}
