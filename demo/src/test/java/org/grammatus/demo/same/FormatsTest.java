package org.grammatus.demo.same;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.grammatus.core.band.BandCell;
import org.grammatus.core.band.BandContents;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.Bands;
import org.grammatus.core.page.ContinuousView;
import org.grammatus.core.page.Page;
import org.grammatus.core.page.Pages;
import org.grammatus.core.value.ScalarText;
import org.grammatus.export.Format;
import org.grammatus.export.Printout;
import org.grammatus.export.ReportWriter.WriteProgress;
import org.grammatus.runs.RunResult;
import org.grammatus.runs.TextSearch;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.cfg.JsonNodeFeature;
import tools.jackson.databind.json.JsonMapper;

/** One result in every format: what bands print stands on pages, strips and in the PDF, once and in order; CSV and JSON have the same rows. */
class FormatsTest {

    private static final int SEEDS = 12;
    private static final JsonMapper JSON = JsonMapper.builder()
            .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .disable(JsonNodeFeature.STRIP_TRAILING_BIGDECIMAL_ZEROES)
            .build();

    /** Generated reports that fit their paper, a dozen from a seed on. */
    private static List<RunResult> results(int from) {
        return GeneratedResults.of(from, SEEDS);
    }

    private static byte[] written(RunResult result, Format format) throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        format.writer().write(result, out, WriteProgress.SILENT);
        return out.toByteArray();
    }

    /** How often each text stands there, spaces and line ends aside: a long text is set in several lines. */
    private static Map<Character, Integer> letters(String text) {
        Map<Character, Integer> letters = new HashMap<>();
        text.chars().filter(c -> !Character.isWhitespace(c)).forEach(c -> letters.merge((char) c, 1, Integer::sum));
        return letters;
    }

    /** A text without its spaces and line ends, which depend on where it is broken into lines. */
    private static String together(String text) {
        return text.replaceAll("\\s", "");
    }

    private static List<String> texts(BandContents contents, Bands bands, int band) {
        return contents.of(bands, band).stream().map(BandCell::text).toList();
    }

    private static String texts(Page page) {
        return page.cells().stream().map(cell -> page.texts().get(cell.text())).collect(Collectors.joining(" "));
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 100, 200, 300, 400})
    void whatBandsPrintStandsOnStripsOnceAndInOrder(int from) {
        for (RunResult result : results(from)) {
            Bands bands = result.first().bands();
            if (bands.grouped().plan().columns().stream()
                    .anyMatch(column -> column.print().onceIn().isPresent())) {
                continue;
            }
            BandContents texts = new BandContents(bands.grouped());
            StringBuilder expected = new StringBuilder();
            int columns = bands.grouped().plan().columns().size();
            for (int band = 0; band < bands.size(); band++) {
                List<BandCell.Words> said = texts.words(bands, band);
                // The headings of columns stand above the list by themselves.
                int own = bands.kind(band) == BandKind.REPORT_HEADER ? said.size() - columns : said.size();
                expected.append(PrintedSigns.atTheEdge(texts, bands, band));
                said.subList(0, own).forEach(words -> expected.append(words.text()));
                for (BandCell.Value value : texts.values(bands, band)) {
                    expected.append(PrintedSigns.marked(texts, bands, band, value));
                }
            }
            ContinuousView strips = result.pages().strips();
            String onStrips = IntStream.rangeClosed(1, strips.count())
                    .mapToObj(strip -> texts(strips.strip(strip)))
                    .collect(Collectors.joining());
            assertThat(together(onStrips)).isEqualTo(together(expected.toString()));
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {20, 120, 220})
    void thePdfHasThePagesTexts(int from) throws Exception {
        for (RunResult result : results(from)) {
            try (PDDocument document = Loader.loadPDF(written(result, Format.PDF))) {
                assertThat(document.getNumberOfPages()).isEqualTo(result.pageCount());
                PDFTextStripper stripper = new PDFTextStripper();
                for (int number = 1; number <= Math.min(4, result.pageCount()); number++) {
                    stripper.setStartPage(number);
                    stripper.setEndPage(number);
                    assertThat(letters(stripper.getText(document)))
                            .isEqualTo(letters(texts(result.pages().page(number))));
                }
            }
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {40, 140, 240, 340})
    void csvAndJsonHaveTheSameRowsInTheSameOrder(int from) throws Exception {
        for (RunResult result : results(from)) {
            if (!result.grouped().plan().printsRows()) {
                continue;
            }
            List<String> columns = result.grouped().plan().columns().stream()
                    .map(column -> column.id())
                    .toList();
            List<String> ofJson = new ArrayList<>();
            List<String> marksOfJson = new ArrayList<>();
            List<String> marksOfCsv = new ArrayList<>();
            Map<String, String> labels = new HashMap<>();
            result.grouped().plan().highlights().forEach(rule -> labels.put(rule.id(), rule.label()));
            marks(JSON.readTree(written(result, Format.JSON)).path("result"), labels, marksOfJson);
            rows(JSON.readTree(written(result, Format.JSON)).path("result"), columns, ofJson);
            int levels = result.grouped().plan().levels().size();
            List<String> ofCsv = new ArrayList<>();
            String csv = new String(written(result, Format.CSV), StandardCharsets.UTF_8);
            List<CSVRecord> records =
                    CSVFormat.RFC4180.parse(new StringReader(csv)).getRecords();
            for (CSVRecord line : records.subList(1, records.size())) {
                // Spreadsheets read moments with a space, ISO 8601 writes a T between day and time.
                String values = String.join("|", line.toList().subList(levels, levels + columns.size()));
                if (!labels.isEmpty()) {
                    marksOfCsv.add(line.get(levels + columns.size()));
                }
                ofCsv.add(values.replaceAll("(\\d{4}-\\d\\d-\\d\\d) (\\d\\d:)", "$1T$2"));
            }
            if (result.grouped().rows().others().isEmpty()) {
                assertThat(ofCsv).isEqualTo(ofJson);
                assertThat(marksOfCsv).isEqualTo(labels.isEmpty() ? List.of() : marksOfJson);
            } else {
                assertThat(ofCsv).containsAll(ofJson);
            }
        }
    }

    /** What marks each row, by its label. */
    private static void marks(JsonNode node, Map<String, String> labels, List<String> marks) {
        node.path("rows").forEach(row -> {
            List<String> all = row.has("marks")
                    ? row.path("marks").valueStream().map(JsonNode::asString).toList()
                    : List.of(row.path("mark").asString(""));
            assertThat(row.path("mark").asString("")).isEqualTo(all.getFirst());
            marks.add(all.stream().map(id -> labels.getOrDefault(id, "")).collect(Collectors.joining("; ")));
        });
        node.path("groups").forEach(group -> marks(group, labels, marks));
    }

    /** A report that must not be broken into pages. */
    private record WithoutPages(List<Bands> blocks) implements Printout {

        @Override
        public Pages pages() {
            throw new AssertionError("Pages were made");
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {80, 180})
    void filesOfRowsAndGroupsMakeNoPages(int from) throws Exception {
        for (RunResult result : results(from)) {
            for (Format format : List.of(Format.CSV, Format.JSON)) {
                ByteArrayOutputStream out = new ByteArrayOutputStream();
                format.writer().write(new WithoutPages(result.blocks()), out, WriteProgress.SILENT);
                assertThat(out.toByteArray()).isEqualTo(written(result, format));
            }
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {10, 110, 210})
    void everyPrintedTotalIsInTheJsonWithAllItsDigits(int from) throws Exception {
        for (RunResult result : results(from)) {
            if (result.grouped().plan().rows().markedOnly()) {
                // The file has those groups alone in which something is marked.
                continue;
            }
            Bands bands = result.first().bands();
            BandContents contents = new BandContents(bands.grouped());
            List<JsonNode> groups = new ArrayList<>();
            inPrintedOrder(JSON.readTree(written(result, Format.JSON)).path("result"), groups);
            List<Integer> nodes = nodesOfJson(bands);
            assertThat(groups).hasSameSizeAs(nodes);
            for (int band = 0; band < bands.size(); band++) {
                JsonNode group = groups.get(nodes.indexOf(bands.node(band)));
                for (BandCell.Value value : contents.values(bands, band)) {
                    boolean total = bands.grouped().plan().totals().stream()
                            .anyMatch(each -> each.id().equals(value.part()));
                    if (total) {
                        JsonNode exact = group.path("totals").path(value.part());
                        assertThat(exact.isMissingNode()).as(value.part()).isFalse();
                        String text = exact.isNumber() ? exact.decimalValue().toPlainString() : exact.asString("");
                        assertThat(exact.isNull() ? "" : text.replace('T', ' '))
                                .isEqualTo(ScalarText.write(value.scalar()));
                    }
                }
            }
        }
    }

    /** The groups that the file has: those inside the innermost level of which anything is printed only where rows are, too. */
    private static List<Integer> nodesOfJson(Bands bands) {
        var tree = bands.grouped().tree();
        var plan = bands.grouped().plan();
        return IntStream.range(0, tree.nodeCount())
                .map(tree::nodeAt)
                .filter(node -> plan.printsRows() || tree.depthOf(node) <= plan.innermostPrinted())
                .boxed()
                .toList();
    }

    private static void inPrintedOrder(JsonNode group, List<JsonNode> found) {
        found.add(group);
        group.path("groups").forEach(inner -> inPrintedOrder(inner, found));
    }

    private static void rows(JsonNode node, List<String> columns, List<String> found) {
        node.path("rows")
                .forEach(row -> found.add(columns.stream()
                        .map(row::path)
                        .map(value -> value.isNull()
                                ? ""
                                : value.isNumber() ? value.decimalValue().toPlainString() : value.asString())
                        .collect(Collectors.joining("|"))));
        node.path("groups").forEach(group -> rows(group, columns, found));
    }

    @ParameterizedTest
    @ValueSource(ints = {60, 160})
    void whateverIsPrintedIsFound(int from) {
        for (RunResult result : results(from)) {
            BandContents texts = new BandContents(result.grouped());
            for (int band = 0; band < Math.min(result.first().bands().size(), 40); band++) {
                int at = band;
                for (String text : texts(texts, result.first().bands(), band)) {
                    if (!text.isBlank()) {
                        List<TextSearch.Hit> hits = TextSearch.find(result, text);
                        assertThat(hits.size() == TextSearch.MOST
                                        || hits.stream().anyMatch(hit -> hit.band() == at))
                                .as(text)
                                .isTrue();
                    }
                }
            }
        }
    }
}
