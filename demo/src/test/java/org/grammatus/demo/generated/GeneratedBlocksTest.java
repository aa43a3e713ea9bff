package org.grammatus.demo.generated;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
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
import org.grammatus.sources.DatasetReader;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Generated reports of one to five blocks: tables, key figures and texts over two datasets, with filters that reach the report, some blocks
 * or one. Every figure in the JSON is what SQLite says over the rows that the reaches leave.
 */
class GeneratedBlocksTest {

    private static final String SALES = " FROM sales_order_line l LEFT JOIN sales_order o ON o.order_id = l.order_id"
            + " LEFT JOIN apiary a ON a.apiary_id = o.apiary_id LEFT JOIN product p ON p.product_id = l.product_id";
    private static final String PURCHASES =
            " FROM purchase_order_line l LEFT JOIN purchase_order o ON o.order_id = l.order_id"
                    + " LEFT JOIN supplier s ON s.supplier_id = o.supplier_id LEFT JOIN product p ON p.product_id = l.product_id";

    /** A dataset as the generator knows it: names here, columns in SQL. */
    private record Over(String id, String from, Map<String, String> keys, Map<String, String> measures) {}

    private static final Over OF_SALES = new Over(
            "sales-order-lines",
            SALES,
            Map.of("region", "a.region", "depot", "o.depot", "category", "p.category", "status", "o.status"),
            Map.of(
                    "SUM(net_amount)", "SUM(net_amount)",
                    "COUNT(*)", "COUNT(*) * 100",
                    "COUNT(order_number)", "COUNT(DISTINCT o.order_id) * 100",
                    "SUM(quantity)", "SUM(quantity) * 100"));

    private static final Over OF_PURCHASES = new Over(
            "purchase-order-lines",
            PURCHASES,
            Map.of("branch", "o.branch", "depot", "o.depot", "category", "p.category", "status", "o.status"),
            Map.of(
                    "SUM(quantity * unit_cost)", "SUM(quantity * unit_cost)",
                    "COUNT(*)", "COUNT(*) * 100",
                    "COUNT(order_number)", "COUNT(DISTINCT o.order_id) * 100"));

    private static final DatasetReader READER = DemoData.held();

    private static final ReportDatasets DATASETS = new ReportDatasets(
            DatasetModel.of(Starters.dataset(OF_SALES.id).orElseThrow()),
            Map.of(
                    OF_PURCHASES.id,
                    DatasetModel.of(Starters.dataset(OF_PURCHASES.id).orElseThrow())));

    /** A block with what its rows must meet in SQL. */
    private record Block(String id, String kind, Over over, String key, String measure, List<String> conditions) {

        String document(String filters) {
            String head = "{\"id\": \"%s\", \"kind\": \"%s\", \"title\": \"%s\"%s%s,"
                    .formatted(
                            id,
                            kind,
                            id,
                            over == OF_SALES ? "" : ", \"dataset\": \"" + over.id + "\"",
                            filters.isEmpty() ? "" : ", \"filters\": [" + filters + "]");
            return head
                    + switch (kind) {
                        case "table" -> """
                            "levels": [{"id": "%1$s-l", "name": "By", "key": "%2$s", "order": [],
                              "header": "line", "footer": "none"}],
                            "columns": [{"id": "%1$s-c", "label": "It"}],
                            "totals": [{"id": "%1$s-t", "column": "%1$s-c", "value": "%3$s", "cells": [
                              {"at": "%1$s-l", "in": "header"}, {"at": "report", "in": "footer"}]}],
                            "counts": [], "highlights": [], "rows": {"shown": false, "order": []}}""".formatted(id, key, measure);
                        case "figures" ->
                            "\"figures\": [{\"id\": \"%s-k\", \"label\": \"It\", \"value\": \"%s\"}]}"
                                    .formatted(id, measure);
                        default ->
                            "\"paragraphs\": [{\"id\": \"%s-p\", \"kind\": \"words\", \"text\": \"{%s}\"}]}"
                                    .formatted(id, measure);
                    };
        }

        String where() {
            return conditions.isEmpty()
                    ? ""
                    : conditions.stream().collect(Collectors.joining(") AND (", " WHERE (", ")"));
        }
    }

    private static final List<String> DEPOTS = List.of("Alder Quay", "Finch Lane", "Kiln Yard", "Tarn Street");

    private static <T> T one(List<T> list, Random random) {
        return list.get(random.nextInt(list.size()));
    }

    private record Generated(String document, List<Block> blocks) {}

    private static Generated generated(int seed) {
        Random random = new Random(seed);
        List<Block> blocks = new ArrayList<>();
        for (int i = 0; i < 1 + random.nextInt(5); i++) {
            // The report's own dataset is that of its first block.
            Over over = i > 0 && random.nextInt(3) == 0 ? OF_PURCHASES : OF_SALES;
            blocks.add(new Block(
                    "b" + i,
                    one(List.of("table", "table", "figures", "text"), random),
                    over,
                    one(over.keys.keySet().stream().sorted().toList(), random),
                    one(over.measures.keySet().stream().sorted().toList(), random),
                    new ArrayList<>()));
        }
        List<String> filters = new ArrayList<>();
        if (random.nextBoolean()) {
            boolean also = random.nextBoolean();
            filters.add("{\"id\": \"days\", \"kind\": \"period\", \"field\": \"ordered_at\", \"prompt\": \"period\"%s}"
                    .formatted(
                            also && blocks.stream().anyMatch(block -> block.over == OF_PURCHASES)
                                    ? ", \"also\": [{\"dataset\": \"purchase-order-lines\", \"field\": \"order_date\"}]"
                                    : ""));
            for (Block block : blocks) {
                if (block.over == OF_SALES) {
                    block.conditions.add("date(o.ordered_at) BETWEEN '2026-01-01' AND '2026-06-30'");
                } else if (also) {
                    block.conditions.add("o.order_date BETWEEN '2026-01-01' AND '2026-06-30'");
                }
            }
        }
        if (random.nextBoolean()) {
            String depot = one(DEPOTS, random);
            boolean excludes = random.nextBoolean();
            List<Block> reached =
                    blocks.stream().filter(b -> random.nextBoolean()).toList();
            String condition = excludes ? "o.depot <> '" + depot + "' OR o.depot IS NULL" : "o.depot = '" + depot + "'";
            boolean named = !reached.isEmpty();
            for (Block block : blocks) {
                if (named ? reached.contains(block) : block.over == OF_SALES) {
                    block.conditions.add(condition);
                }
            }
            filters.add("{\"id\": \"where\", \"kind\": \"condition\", \"field\": \"depot\", \"comparison\": \"%s\","
                            .formatted(excludes ? "is-not" : "is")
                    + " \"values\": [\"" + depot + "\"]"
                    + (named
                            ? reached.stream()
                                    .map(block -> "\"" + block.id + "\"")
                                    .collect(Collectors.joining(",", ", \"blocks\": [", "]"))
                            : "")
                    + "}");
        }
        String documents = blocks.stream()
                .map(block -> {
                    if (random.nextInt(3) > 0) {
                        return block.document("");
                    }
                    block.conditions.add("p.category <> 'Hives'");
                    return block.document(
                            "{\"id\": \"own-%s\", \"kind\": \"expression\", \"where\": \"category <> 'Hives'\"}"
                                    .formatted(block.id));
                })
                .collect(Collectors.joining(","));
        String document = """
                {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "sales-order-lines",
                 "locale": "en-GB",
                 "prompts": [{"id": "p", "name": "period", "type": "period", "label": "Days"}],
                 "filters": [%s], "blocks": [%s],
                 "page": {"paper": "A4", "orientation": "portrait",
                   "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
                """.formatted(String.join(",", filters), documents);
        return new Generated(document, blocks);
    }

    static IntStream seeds() {
        return IntStream.range(0, 120);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void everyFigureOfEveryBlockIsWhatSqlSays(int seed) throws Exception {
        Generated generated = generated(seed);
        Report report = Definitions.readReport(generated.document);
        RunResult result = new RunEngine(RunLimits.DEFAULT)
                .compute(
                        new RunRequest(
                                report,
                                DATASETS,
                                new Answers(Map.of("period", "2026-01-01/2026-06-30")),
                                DemoData.CONTEXT),
                        READER);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Format.JSON.writer().write(result, out, WriteProgress.SILENT);
        JsonNode json = JsonMapper.shared().readTree(out.toString(StandardCharsets.UTF_8));
        for (int i = 0; i < generated.blocks.size(); i++) {
            Block block = generated.blocks.get(i);
            JsonNode written = json.has("blocks") ? json.path("blocks").path(i) : json;
            switch (block.kind) {
                case "table" -> {
                    assertThat(groups(block, written)).isEqualTo(groupsBySql(block));
                    assertThat(number(written.path("result").path("totals").path(block.id + "-t")))
                            .isEqualTo(totalBySql(block));
                }
                case "figures" ->
                    assertThat(number(written.path("figures").path(0).path("value")))
                            .isEqualTo(totalBySql(block));
                default ->
                    assertThat(written.path("paragraphs")
                                    .path(0)
                                    .path("text")
                                    .asString()
                                    .replace(",", ""))
                            .as("printed in full")
                            .isEqualTo(printed(block, totalBySql(block)));
            }
        }
    }

    private static Map<String, BigDecimal> groups(Block block, JsonNode written) {
        Map<String, BigDecimal> groups = new LinkedHashMap<>();
        for (JsonNode group : written.path("result").path("groups")) {
            groups.put(
                    group.path("key").isNull() ? "" : group.path("key").asString(),
                    number(group.path("totals").path(block.id + "-t")));
        }
        return groups;
    }

    private static BigDecimal number(JsonNode node) {
        return node.isNull() ? null : node.decimalValue().stripTrailingZeros();
    }

    private static String printed(Block block, BigDecimal total) {
        if (total == null) {
            return "";
        }
        return block.measure.contains("amount") || block.measure.contains("cost")
                ? total.setScale(2).toPlainString()
                : total.toPlainString();
    }

    private static Map<String, BigDecimal> groupsBySql(Block block) throws SQLException {
        String key = block.over.keys.get(block.key);
        return asked("SELECT COALESCE(" + key + ", ''), " + block.over.measures.get(block.measure) + block.over.from
                + block.where() + " GROUP BY " + key);
    }

    private static BigDecimal totalBySql(Block block) throws SQLException {
        return asked("SELECT '', " + block.over.measures.get(block.measure) + block.over.from + block.where())
                .get("");
    }

    /** Hundredths by key. */
    private static Map<String, BigDecimal> asked(String sql) throws SQLException {
        Map<String, BigDecimal> found = new LinkedHashMap<>();
        try (Connection connection =
                        DriverManager.getConnection("jdbc:sqlite:" + DemoData.database(ScenarioSize.DEMO));
                Statement statement = connection.createStatement();
                ResultSet rows = statement.executeQuery(sql)) {
            while (rows.next()) {
                String hundredths = rows.getString(2);
                found.put(
                        rows.getString(1),
                        hundredths == null
                                ? null
                                : new BigDecimal(hundredths).movePointLeft(2).stripTrailingZeros());
            }
        }
        return found;
    }
}
