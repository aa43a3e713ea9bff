package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.grammatus.core.address.GroupAddress;
import org.grammatus.core.page.Page;
import org.grammatus.export.Format;
import org.grammatus.export.ReportWriter.WriteProgress;
import org.grammatus.runs.Outline;
import org.grammatus.runs.RunResult;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The same figures in every format: what a reader of the file finds is what the page model says. */
class SameFiguresTest {

    private static RunResult result;

    @BeforeAll
    static void run() {
        result = DemoData.run(DemoData.database(ScenarioSize.DEMO), "2026-09-15/2026-10-15");
    }

    private static byte[] written(Format format) throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        format.writer().write(result, out, WriteProgress.SILENT);
        return out.toByteArray();
    }

    @Test
    void thePdfsTextIsThePageModels() throws Exception {
        try (PDDocument document = Loader.loadPDF(written(Format.PDF))) {
            assertThat(document.getNumberOfPages())
                    .isEqualTo(result.pages().count())
                    .isGreaterThan(5);
            for (int number = 1; number <= document.getNumberOfPages(); number++) {
                Page page = result.pages().page(number);
                PDFTextStripper stripper = new PDFTextStripper();
                stripper.setSortByPosition(false);
                stripper.setStartPage(number);
                stripper.setEndPage(number);
                String expected = page.cells().stream()
                        .map(cell -> page.texts().get(cell.text()))
                        .collect(Collectors.joining());
                assertThat(stripper.getText(document).replaceAll("\\s", "")).isEqualTo(expected.replaceAll("\\s", ""));
            }
        }
    }

    @Test
    void theOutlineListsEveryGroupPrintedAsALineToo() {
        assertThat(listedBelow(Optional.empty()))
                .isEqualTo(result.grouped().tree().nodeCount() - 1);
    }

    private static int listedBelow(Optional<GroupAddress> group) {
        return Outline.below(result, group).stream()
                .mapToInt(entry ->
                        1 + (entry.children() ? listedBelow(Optional.of(GroupAddress.parse(entry.group()))) : 0))
                .sum();
    }

    @Test
    void thePdfHasTitleLanguageBookmarksAndEmbeddedFonts() throws Exception {
        try (PDDocument document = Loader.loadPDF(written(Format.PDF))) {
            assertThat(document.getDocumentInformation().getTitle())
                    .isEqualTo("Sales by fiscal year, region and apiary");
            assertThat(document.getDocumentCatalog().getLanguage()).isEqualTo("en-GB");
            List<String> years = new ArrayList<>();
            document.getDocumentCatalog().getDocumentOutline().children().forEach(item -> years.add(item.getTitle()));
            assertThat(years).containsExactlyInAnyOrder("2025/26", "2026/27");
            for (var name : document.getPage(0).getResources().getFontNames()) {
                var font = document.getPage(0).getResources().getFont(name);
                assertThat(font.isEmbedded()).isTrue();
                assertThat(font.getName()).contains("SourceSans3").contains("+");
            }
        }
    }

    @Test
    void theJsonHasEveryFigureThatThePagesPrint() throws Exception {
        JsonNode json = new JsonMapper().readTree(written(Format.JSON));
        assertThat(json.path("rowsKept").asInt()).isEqualTo(result.grouped().rowsKept());
        List<String> printed = new ArrayList<>();
        for (int number = 1; number <= result.pages().count(); number++) {
            Page page = result.pages().page(number);
            page.cells().stream()
                    .filter(cell ->
                            cell.id() != Page.NONE && page.ids().get(cell.id()).equals("t-net"))
                    .forEach(cell -> printed.add(page.texts().get(cell.text())));
        }
        List<String> found = new ArrayList<>();
        collect(json.path("result"), found);
        assertThat(found).isEqualTo(printed);
    }

    /** Net sales as pages print it: a group's own line first, its total after its groups. */
    private static void collect(JsonNode node, List<String> figures) {
        boolean line = node.has("cells");
        String figure = "%,.2f".formatted(node.path("totals").path("t-net").decimalValue());
        if (line) {
            figures.add(figure);
        }
        node.path("groups").forEach(child -> collect(child, figures));
        if (!line) {
            figures.add(figure);
        }
    }
}
