package org.grammatus.demo.same;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.documentinterchange.markedcontent.PDMarkedContent;
import org.apache.pdfbox.text.PDFMarkedContentExtractor;
import org.apache.pdfbox.text.TextPosition;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.page.Page;
import org.grammatus.core.prompt.Answers;
import org.grammatus.demo.DemoData;
import org.grammatus.demo.ScenarioSize;
import org.grammatus.demo.Starters;
import org.grammatus.export.Format;
import org.grammatus.export.ReportWriter.WriteProgress;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunResult;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Names in other scripts than the report's own, from the data to the file: drawn in order, read as they are. */
class OtherScriptsTest {

    private static final List<String> NAMES = List.of(
            "מכוורת הגליל (1950)",
            "منحل الواحة",
            "زنبورداری پگاه",
            "Μελισσοκομείο Υμηττού",
            "Пасека «Липа» № 7",
            "Պարսից Մեղր ☎ 12",
            "თაფლის სახლი",
            "น้ำผึ้งป่า",
            "Honey דבש Co",
            "北谷养蜂场（1950）",
            "はちみつの家",
            "꿀벌 농장");

    private static final String TURNED = "Depot מחסן";

    @TempDir
    private static Path folder;

    private static RunResult statement;

    @BeforeAll
    static void nameEveryApiary() throws IOException, SQLException {
        Path database = Files.copy(DemoData.database(ScenarioSize.DEMO), folder.resolve("named.db"));
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + database);
                PreparedStatement naming =
                        connection.prepareStatement("update apiary set name = ? where apiary_id % ? = ?")) {
            for (int i = 0; i < NAMES.size(); i++) {
                naming.setString(1, NAMES.get(i));
                naming.setInt(2, NAMES.size());
                naming.setInt(3, i);
                naming.executeUpdate();
            }
        }
        // A heading that reads from bottom to top is drawn likewise.
        String turned = Starters.reportText("sales-by-fiscal-year")
                .replace("\"label\": \"Depot\"", "\"label\": \"" + TURNED + "\", \"room\": {\"turned\": true}");
        Report report = Definitions.readReport(turned);
        statement = new RunEngine(RunLimits.DEFAULT)
                .run(
                        new RunRequest(
                                report,
                                DemoData.datasets(report),
                                new Answers(Map.of("period", "2026-09-15/2026-10-15")),
                                DemoData.CONTEXT),
                        StarReader.over(new SqliteSource(database)),
                        p -> {},
                        () -> false);
    }

    @Test
    void everyNameStandsOnThePagesAsItIsSaid() {
        Set<String> texts = new LinkedHashSet<>();
        for (int number = 1; number <= statement.pageCount(); number++) {
            texts.addAll(statement.pages().page(number).texts());
        }
        assertThat(texts).contains(TURNED);
        assertThat(NAMES)
                .allSatisfy(name ->
                        assertThat(texts).anySatisfy(text -> assertThat(text).contains(name)));
    }

    /** A run of glyphs in a file, with the place of its first. */
    private record Drawn(String said, String glyphs, int x, int y) {}

    @Test
    void thePdfDrawsTheRunsOfThePagesAndSaysWhatIsRead() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Format.PDF.writer().write(statement, out, WriteProgress.SILENT);
        int checked = 0;
        try (PDDocument document = Loader.loadPDF(out.toByteArray())) {
            for (int number = 1; number <= statement.pageCount(); number++) {
                Page page = statement.pages().page(number);
                List<Drawn> drawn = drawn(document.getPage(number - 1));
                Set<Integer> cells =
                        page.fonts().runs().stream().map(Page.Run::cell).collect(Collectors.toSet());
                List<Integer> inOrder = cells.stream().sorted().toList();
                assertThat(drawn).hasSameSizeAs(inOrder);
                for (int i = 0; i < drawn.size(); i++) {
                    int index = inOrder.get(i);
                    Page.Cell cell = page.cells().get(index);
                    List<Page.Run> runs = page.fonts().runs().stream()
                            .filter(run -> run.cell() == index)
                            .toList();
                    assertThat(drawn.get(i).said()).isEqualTo(page.texts().get(cell.text()));
                    assertThat(drawn.get(i).glyphs())
                            .isEqualTo(runs.stream().map(Page.Run::text).collect(Collectors.joining()));
                    assertThat(drawn.get(i).x()).isCloseTo(cell.x(), within(2));
                    assertThat(drawn.get(i).y()).isCloseTo(cell.y(), within(2));
                    checked++;
                }
            }
        }
        assertThat(checked).isGreaterThan(20);
    }

    private static List<Drawn> drawn(PDPage page) throws IOException {
        PDFMarkedContentExtractor reader = new PDFMarkedContentExtractor();
        reader.setSuppressDuplicateOverlappingText(false);
        reader.processPage(page);
        List<Drawn> found = new ArrayList<>();
        reader.getMarkedContents().forEach(content -> add(content, page, found));
        return found;
    }

    private static void add(PDMarkedContent content, PDPage page, List<Drawn> found) {
        if (content.getActualText() != null) {
            List<TextPosition> letters =
                    content.getContents().stream().map(TextPosition.class::cast).toList();
            found.add(new Drawn(
                    content.getActualText(),
                    letters.stream().map(TextPosition::getUnicode).collect(Collectors.joining()),
                    Math.round(letters.getFirst().getTextMatrix().getTranslateX() * 100),
                    Math.round((page.getMediaBox().getHeight()
                                    - letters.getFirst().getTextMatrix().getTranslateY())
                            * 100)));
        } else {
            content.getContents().forEach(inner -> {
                if (inner instanceof PDMarkedContent marked) {
                    add(marked, page, found);
                }
            });
        }
    }
}
