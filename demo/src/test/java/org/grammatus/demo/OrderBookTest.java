package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.grammatus.core.Meaning;
import org.grammatus.core.address.FigureAddress;
import org.grammatus.core.address.GroupAddress;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.group.GroupAddresses;
import org.grammatus.core.plan.planner.ReaderView;
import org.grammatus.core.prompt.Answers;
import org.grammatus.export.Format;
import org.grammatus.export.ReportWriter.WriteProgress;
import org.grammatus.runs.BlockResult;
import org.grammatus.runs.Explanations;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunResult;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.api.Test;
import org.mockito.ArgumentCaptor;
import org.mockito.Mockito;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A report of three tables: each keeps and orders its own, over rows that are read once. */
@Meaning(31)
class OrderBookTest {

    private static final DatasetReader READER =
            Mockito.spy(StarReader.over(new SqliteSource(DemoData.database(ScenarioSize.DEMO))));

    private static RunResult run(ReaderView view) {
        RunRequest request = new RunRequest(
                Starters.report("order-book").orElseThrow(),
                DatasetModel.of(Starters.dataset("sales-order-lines").orElseThrow()),
                new Answers(Map.of("period", "2026-09-01/2026-10-31")),
                DemoData.CONTEXT,
                view);
        return new RunEngine(RunLimits.DEFAULT).run(request, READER, progress -> {}, () -> false);
    }

    private static byte[] written(RunResult result, Format format) throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        format.writer().write(result, out, WriteProgress.SILENT);
        return out.toByteArray();
    }

    /** The lines of each file of an archive, by its name. */
    private static Map<String, List<String>> files(byte[] archive) throws Exception {
        Map<String, List<String>> files = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(archive))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                files.put(
                        entry.getName(),
                        new String(zip.readAllBytes(), StandardCharsets.UTF_8)
                                .lines()
                                .toList());
            }
        }
        return files;
    }

    private static List<String> asked(String sql) throws Exception {
        List<String> rows = new ArrayList<>();
        try (Connection connection =
                        DriverManager.getConnection("jdbc:sqlite:" + DemoData.database(ScenarioSize.DEMO));
                Statement statement = connection.createStatement();
                ResultSet result = statement.executeQuery(sql)) {
            int columns = result.getMetaData().getColumnCount();
            while (result.next()) {
                List<String> row = new ArrayList<>();
                for (int i = 1; i <= columns; i++) {
                    row.add(result.getString(i) == null ? "" : result.getString(i));
                }
                rows.add(String.join(",", row));
            }
        }
        return rows;
    }

    private static String from(String more) {
        return " FROM sales_order_line l JOIN sales_order o USING (order_id) JOIN apiary a USING (apiary_id)"
                + " WHERE date(ordered_at) BETWEEN '2026-09-01' AND '2026-10-31' AND status <> 'cancelled'" + more;
    }

    @Test
    void everyTableIsWhatAPlainStatementSays() throws Exception {
        Map<String, List<String>> files = files(written(run(ReaderView.PLAIN), Format.CSV));
        assertThat(files.keySet()).containsExactly("blocks.csv", "depots.csv", "types.csv", "apiaries.csv");
        String net = "printf('%.2f', SUM(net_amount) / 100.0)";
        assertThat(files.get("depots.csv").stream().skip(1).map(line -> line.substring(line.indexOf(',') + 1)))
                .containsExactlyElementsOf(asked("SELECT depot, COUNT(DISTINCT order_id), COUNT(*), " + net + from("")
                        + " GROUP BY depot ORDER BY COUNT(*) DESC, depot"));
        assertThat(files.get("types.csv").stream().skip(1).map(line -> line.substring(line.indexOf(',') + 1)))
                .containsExactlyElementsOf(
                        asked("SELECT customer_type, COUNT(DISTINCT order_id), " + net + from(" AND status = 'open'")
                                + " GROUP BY customer_type ORDER BY COUNT(DISTINCT order_id) DESC, customer_type"));
        assertThat(files.get("blocks.csv"))
                .hasSize(4)
                .contains("depots.csv,depots,Orders and lines by depot,"
                        + asked("SELECT COUNT(*)" + from("")).getFirst());
    }

    @Test
    void theJsonHasTheSameTablesBlockByBlock() throws Exception {
        RunResult result = run(ReaderView.PLAIN);
        JsonNode json = JsonMapper.shared().readTree(written(result, Format.JSON));
        assertThat(json.path("version").asInt()).isEqualTo(3);
        assertThat(json.path("blocks")).hasSize(3);
        for (BlockResult table : result.results()) {
            JsonNode block = json.path("blocks").path(table.index());
            assertThat(block.path("id").asString())
                    .isEqualTo(table.grouped().plan().id());
            assertThat(block.path("rowsKept").asInt()).isEqualTo(table.grouped().rowsKept());
            assertThat(block.path("result").path("groups")).hasSize(table.places() - 1);
        }
    }

    @Test
    void rowsAreReadOnceAndNarrowedAtTheSourceOnlyByWhatReachesEveryBlock() {
        Mockito.clearInvocations(READER);
        run(ReaderView.PLAIN);
        ArgumentCaptor<org.grammatus.sources.Reading> reading =
                ArgumentCaptor.forClass(org.grammatus.sources.Reading.class);
        Mockito.verify(READER).read(reading.capture(), Mockito.any(ReadProgress.class));
        assertThat(reading.getValue().conditions()).hasSize(2);
        assertThat(reading.getValue().fields()).contains("depot", "customer_type", "apiary_code");
    }

    @Test
    void whyAndRowsBehindAreOfTheBlockInWhichAGroupStands() {
        RunResult result = run(ReaderView.PLAIN);
        Explanations explanations = new Explanations(result);
        for (BlockResult table : result.results()) {
            String total = table.grouped().plan().totals().getFirst().id();
            GroupAddresses addresses = new GroupAddresses(table.grouped());
            for (int place = 0; place < table.places(); place++) {
                int node = table.grouped().tree().nodeAt(place);
                GroupAddress group = addresses.of(node);
                assertThat(addresses.find(group)).hasValue(node);
                assertThat(explanations.figure(FigureAddress.of(group, total))).isPresent();
                if (place > 1) {
                    continue;
                }
                int rows = explanations
                        .rows(group, 0, 1, Optional.empty(), READER)
                        .orElseThrow()
                        .all();
                int depth = table.grouped().tree().depthOf(node);
                assertThat(rows).isEqualTo(table.grouping().drillDown().rows(node, depth).length);
            }
        }
        assertThat(explanations.figure(FigureAddress.parse("depots/depot:Nowhere#depots-t-orders")))
                .isEmpty();
    }

    @Test
    void aReadersOrderIsOfTheColumnsOwnBlock() {
        ReaderView byName = new ReaderView(
                List.of(new ReaderView.Sort("types-c-name", org.grammatus.core.choice.Direction.ASCENDING)),
                List.of(),
                List.of());
        RunResult plain = run(ReaderView.PLAIN);
        RunResult ordered = run(byName);
        assertThat(places(ordered, 0)).isEqualTo(places(plain, 0));
        assertThat(places(ordered, 2)).isEqualTo(places(plain, 2));
        assertThat(places(ordered, 1)).isSorted();
    }

    private static List<String> places(RunResult result, int table) {
        BlockResult found = result.results().get(table);
        var printed = new org.grammatus.core.band.BandTexts(found.grouped());
        List<String> labels = new ArrayList<>();
        for (int place = 1; place < found.places(); place++) {
            labels.add(printed.label(found.grouped().tree().nodeAt(place)));
        }
        return labels;
    }

    @Test
    void theSameReportGivesTheSameBytesInEveryFormat() throws Exception {
        for (Format format : Format.values()) {
            assertThat(written(run(ReaderView.PLAIN), format)).isEqualTo(written(run(ReaderView.PLAIN), format));
        }
        assertThat(Format.CSV.ending(run(ReaderView.PLAIN))).isEqualTo("zip");
        assertThat(Format.CSV.mediaType(run(ReaderView.PLAIN))).isEqualTo("application/zip");
        assertThat(Format.PDF.ending(run(ReaderView.PLAIN))).isEqualTo("pdf");
    }

    @Test
    void aNarrowingReachesTheBlockOfItsLevelAlone() {
        ReaderView only = new ReaderView(
                List.of(), List.of(new ReaderView.Only("depots-level", java.util.Optional.of("Kiln Yard"))), List.of());
        RunResult plain = run(ReaderView.PLAIN);
        RunResult narrowed = run(only);
        assertThat(places(narrowed, 0)).containsExactly("Kiln Yard");
        assertThat(narrowed.results().get(1).grouped().rowsKept())
                .isEqualTo(plain.results().get(1).grouped().rowsKept());
        assertThat(places(narrowed, 2)).isEqualTo(places(plain, 2));
    }

    @Test
    void whatNoBlockHasIsSaid() {
        ReaderView unknown = new ReaderView(
                List.of(new ReaderView.Sort("gone", org.grammatus.core.choice.Direction.ASCENDING)),
                List.of(),
                List.of());
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> run(unknown))
                .hasMessageContaining("the report has no column \"gone\"");
    }

    @Test
    void findReachesEveryBlock() {
        RunResult result = run(ReaderView.PLAIN);
        assertThat(org.grammatus.runs.TextSearch.find(result, "Open orders by customer type"))
                .extracting(org.grammatus.runs.TextSearch.Hit::block)
                .containsExactly(1);
        assertThat(org.grammatus.runs.TextSearch.find(result, "Kiln Yard")).isNotEmpty();
        assertThat(org.grammatus.runs.Outline.below(result, Optional.empty()))
                .as("each block's title above its groups")
                .hasSize(result.groupCount() + 3);
    }
}
