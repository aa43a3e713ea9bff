package org.grammatus.demo.same;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.Bands;
import org.grammatus.core.page.Page;
import org.grammatus.core.page.Page.BandRole;
import org.grammatus.core.page.Pages;
import org.grammatus.export.Format;
import org.grammatus.export.ReportWriter.WriteProgress;
import org.grammatus.runs.RunResult;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What holds on the pages of any report in any style: nothing is lost or twice, nothing overlaps, and the PDF is the pages. */
class GeneratedPagesTest {

    private static final int SEEDS = 50;
    /** Signs of several rules stand left of their row, the sign of a cell right of its column. */
    private static final int BESIDE = 2_400;

    private static final Set<BandRole> EDGES = Set.of(BandRole.PAGE_HEADER, BandRole.PAGE_FOOTER, BandRole.WATERMARK);

    private static List<RunResult> results(int from) {
        return GeneratedResults.of(from, SEEDS);
    }

    private static List<Page> pages(RunResult result) {
        Pages pages = result.pages();
        return IntStream.rangeClosed(1, pages.count()).mapToObj(pages::page).toList();
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 100, 200, 300, 400})
    void everyRowStandsOnOnePageInOrder(int from) {
        for (RunResult result : results(from)) {
            Bands bands = result.first().bands();
            List<Integer> expected = IntStream.range(0, bands.size())
                    .filter(band -> bands.kind(band) == BandKind.DETAIL)
                    .mapToObj(bands::row)
                    .toList();
            List<Integer> printed = pages(result).stream()
                    .flatMap(page -> page.bands().stream())
                    .map(Page.BandBox::row)
                    .filter(row -> row != Page.NONE)
                    .toList();
            assertThat(printed).isEqualTo(expected);
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 100, 200, 300, 400})
    void nothingOverlapsOrLeavesTheMargins(int from) {
        for (RunResult result : results(from)) {
            var paper = result.grouped().plan().inputs().page().sheet();
            for (Page page : pages(result)) {
                boolean back = paper.mirrored() && page.number() % 2 == 0;
                int left = back ? paper.right() : paper.left();
                int right = page.width() - (back ? paper.left() : paper.right());
                int bottom = 0;
                for (Page.BandBox band : page.bands()) {
                    if (band.role() == BandRole.WATERMARK) {
                        continue;
                    }
                    assertThat(band.top()).isGreaterThanOrEqualTo(bottom);
                    bottom = band.top() + band.height();
                }
                assertThat(bottom).isLessThanOrEqualTo(page.height() - paper.bottom());
                for (Page.Cell cell : page.cells()) {
                    assertThat(cell.x()).isGreaterThanOrEqualTo(left - BESIDE);
                    assertThat(cell.turned() ? cell.x() : cell.x() + cell.width())
                            .as(page.texts().get(cell.text()))
                            .isLessThanOrEqualTo(right + BESIDE);
                }
                for (Page.Rule rule : page.drawings().rules()) {
                    assertThat(rule.x()).isGreaterThanOrEqualTo(left);
                    assertThat(rule.x() + rule.width()).isLessThanOrEqualTo(right + 1);
                }
            }
        }
    }

    /** Texts on one line do not run into each other, but for a sign beside a value. */
    @ParameterizedTest
    @ValueSource(ints = {25, 225, 425})
    void textsOfALineStandBesideEachOther(int from) {
        for (RunResult result : results(from)) {
            for (Page page : pages(result)) {
                for (int i = 0; i < page.bands().size(); i++) {
                    int end = i + 1 < page.bands().size()
                            ? page.bands().get(i + 1).firstCell()
                            : page.cells().size();
                    List<Page.Cell> line = page
                            .cells()
                            .subList(page.bands().get(i).firstCell(), end)
                            .stream()
                            .filter(cell -> !cell.turned())
                            .sorted(Comparator.comparingInt(Page.Cell::y).thenComparingInt(Page.Cell::x))
                            .toList();
                    for (int c = 1; c < line.size(); c++) {
                        Page.Cell before = line.get(c - 1);
                        if (before.y() == line.get(c).y()) {
                            assertThat(line.get(c).x())
                                    .as(
                                            "%s after %s",
                                            page.texts().get(line.get(c).text()),
                                            page.texts().get(before.text()))
                                    .isGreaterThanOrEqualTo(before.x() + before.width() - 2);
                        }
                    }
                }
            }
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 100, 200, 300, 400})
    void headersAndFootersStandWhereTheRulesSay(int from) {
        for (RunResult result : results(from)) {
            var layout = result.grouped().plan().layout();
            Bands bands = result.first().bands();
            // Headings alone follow each other where neither rows nor totals are printed.
            boolean hasRows = IntStream.range(0, bands.size())
                    .anyMatch(band -> bands.kind(band).isRow());
            for (Page page : pages(result)) {
                List<BandRole> roles =
                        page.bands().stream().map(Page.BandBox::role).toList();
                assertThat(roles.getLast()).isEqualTo(BandRole.PAGE_FOOTER);
                var edges = result.grouped().plan().inputs().page();
                boolean header = page.number() > 1
                        || edges.header().isPresent()
                        || edges.lines().header().isPresent()
                        || edges.lines().firstHeader().isPresent();
                assertThat(roles.contains(BandRole.PAGE_HEADER)).isEqualTo(header);
                List<BandRole> body =
                        roles.stream().filter(role -> !EDGES.contains(role)).toList();
                if (body.isEmpty()) {
                    // The back before a group that begins on a front.
                    continue;
                }
                boolean columns = !result.grouped().plan().columns().isEmpty();
                assertThat(body.contains(BandRole.COLUMN_HEADINGS))
                        .isEqualTo(columns && (page.number() == 1 || layout.repeatsHeadings()));
                if (hasRows) {
                    assertThat(body.getLast()).isNotEqualTo(BandRole.HEADING);
                }
            }
        }
    }

    /** A text of a PDF, with the place of its first letter in hundredths of a point. */
    private record Placed(String text, int x, int y) {}

    @ParameterizedTest
    @ValueSource(ints = {10, 260})
    void thePdfIsThePages(int from) throws IOException {
        for (RunResult result : results(from).subList(0, 12)) {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            Format.PDF.writer().write(result, out, WriteProgress.SILENT);
            try (PDDocument document = Loader.loadPDF(out.toByteArray())) {
                assertThat(document.getNumberOfPages()).isEqualTo(result.pageCount());
                for (Page page : pages(result)) {
                    List<Placed> drawn = drawn(document, page.number());
                    List<Page.Cell> cells = page.cells().stream()
                            .filter(cell -> !page.texts().get(cell.text()).isBlank())
                            .toList();
                    int at = 0;
                    for (Page.Cell cell : cells) {
                        String text = page.texts().get(cell.text());
                        Placed first = drawn.get(at);
                        assertThat(first.x()).as(text).isCloseTo(cell.x(), within(2));
                        assertThat(first.y()).as(text).isCloseTo(cell.y(), within(2));
                        StringBuilder letters = new StringBuilder();
                        while (letters.length() < text.length()) {
                            letters.append(drawn.get(at++).text());
                        }
                        assertThat(letters.toString()).isEqualTo(text);
                    }
                    assertThat(at).isEqualTo(drawn.size());
                }
            }
        }
    }

    /** The letters of a page in the order in which they are drawn. */
    private static List<Placed> drawn(PDDocument document, int page) throws IOException {
        List<Placed> found = new ArrayList<>();
        float height = document.getPage(page - 1).getMediaBox().getHeight();
        PDFTextStripper stripper = new PDFTextStripper() {
            @Override
            protected void processTextPosition(TextPosition letter) {
                found.add(new Placed(
                        letter.getUnicode(),
                        Math.round(letter.getTextMatrix().getTranslateX() * 100),
                        Math.round((height - letter.getTextMatrix().getTranslateY()) * 100)));
            }
        };
        stripper.setStartPage(page);
        stripper.setEndPage(page);
        stripper.getText(document);
        return found;
    }
}
