package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.value.ScalarText;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.sources.PostgresServer;
import org.grammatus.sources.Source;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Generated datasets: trees of up to five tables, keys of one or two columns, left and inner joins, rows that point to nothing, rows that
 * nothing points to, blanks. Sums, counts and distinct counts of every table, per group, against plain SQL on the same database.
 */
class GeneratedDatasetsTest {

    private static final int DATASETS = 80;
    /** A server takes longer to fill than a file. */
    private static final int ON_POSTGRES = 16;

    private static PostgresServer postgres;

    @TempDir
    Path folder;

    @BeforeAll
    static void startPostgres() {
        postgres = new PostgresServer();
    }

    @AfterAll
    static void stopPostgres() {
        postgres.close();
    }

    static IntStream seeds() {
        return IntStream.range(0, DATASETS);
    }

    static IntStream fewSeeds() {
        return IntStream.range(0, ON_POSTGRES);
    }

    /** A table that hangs on another, or is the grain. */
    private record Table(int number, int from, int keyColumns, int rows, boolean inner) {

        String name() {
            return "t" + number;
        }

        List<String> key() {
            return keyColumns == 1 ? List.of("k0") : List.of("k0", "k1");
        }

        /** The columns of the table it hangs on that hold its key. */
        List<String> pointers() {
            return key().stream().map(column -> name() + "_" + column).toList();
        }
    }

    private static List<Table> tables(Random random) {
        List<Table> tables = new ArrayList<>();
        int count = 1 + random.nextInt(5);
        for (int i = 0; i < count; i++) {
            int rows = i == 0 ? random.nextInt(120) : random.nextInt(25);
            int from = i == 0 ? -1 : random.nextInt(i);
            tables.add(new Table(i, from, 1 + random.nextInt(2), rows, i > 0 && random.nextInt(3) == 0));
        }
        return tables;
    }

    private static List<String> statements(List<Table> tables, Random random) {
        List<String> statements = new ArrayList<>();
        for (Table table : tables) {
            List<String> pointers = tables.stream()
                    .filter(other -> other.from() == table.number())
                    .flatMap(other -> other.pointers().stream())
                    .toList();
            statements.add("CREATE TABLE %s (%s, num INTEGER, txt TEXT%s, PRIMARY KEY (%s))"
                    .formatted(
                            table.name(),
                            table.key().stream().map(k -> k + " INTEGER").collect(Collectors.joining(", ")),
                            pointers.stream().map(p -> ", " + p + " INTEGER").collect(Collectors.joining()),
                            String.join(", ", table.key())));
            for (int row = 0; row < table.rows(); row++) {
                List<String> values = new ArrayList<>();
                values.add(String.valueOf(table.keyColumns() == 1 ? row : row / 3));
                if (table.keyColumns() == 2) {
                    values.add(String.valueOf(row % 3));
                }
                values.add(random.nextInt(8) == 0 ? "NULL" : String.valueOf(random.nextInt(2000) - 600));
                values.add(random.nextInt(8) == 0 ? "NULL" : "'" + "abcA Ä".charAt(random.nextInt(6)) + "'");
                pointers.forEach(p -> values.add(random.nextInt(9) == 0 ? "NULL" : String.valueOf(random.nextInt(12))));
                statements.add("INSERT INTO " + table.name() + " VALUES (" + String.join(", ", values) + ")");
            }
        }
        return statements;
    }

    private static DatasetModel dataset(List<Table> tables) {
        String all = tables.stream()
                .map(t -> """
                        {"id": "%1$s", "table": "%1$s", "key": [%2$s], "noun": {"one": "x", "other": "xs"}}""".formatted(t.name(), quoted(t.key())))
                .collect(Collectors.joining(", "));
        String joins = tables.stream()
                .filter(t -> t.from() >= 0)
                .map(t -> """
                        {"id": "j%d", "from": "t%d", "to": "%s", "columns": [%s], "keep": "%s"}""".formatted(
                                t.number(), t.from(), t.name(), quoted(t.pointers()), t.inner() ? "matched" : "all"))
                .collect(Collectors.joining(", "));
        String fields = tables.stream().map(t -> """
                        {"id": "num%1$d", "table": "t%1$d", "column": "num", "label": "N", "type": "decimal", "scale": 2,
                         "role": "additive"},
                        {"id": "txt%1$d", "table": "t%1$d", "column": "txt", "label": "T", "type": "text",
                         "role": "descriptive"}""".formatted(t.number())).collect(Collectors.joining(", "));
        return DatasetModel.of(Definitions.readDataset("""
                {"format": "grammatus-dataset", "version": 1, "id": "d", "label": "D", "grain": "t0",
                 "tables": [%s], "joins": [%s], "fields": [%s]}""".formatted(all, joins, fields)));
    }

    private static String quoted(List<String> names) {
        return names.stream().map(name -> '"' + name + '"').collect(Collectors.joining(", "));
    }

    private static TableResult grouped(Source source, DatasetModel dataset, int tables, int keyTable) {
        List<String> totals = new ArrayList<>(List.of("COUNT(*)"));
        for (int i = 0; i < tables; i++) {
            totals.addAll(List.of("SUM(num" + i + ")", "COUNT(num" + i + ")", "COUNT(DISTINCT txt" + i + ")"));
        }
        String columns = IntStream.range(0, totals.size())
                .mapToObj("{\"id\": \"c%d\", \"label\": \"C\", \"value\": \"num0\"}"::formatted)
                .collect(Collectors.joining(", "));
        String lines = IntStream.range(0, totals.size())
                .mapToObj(i -> "{\"id\": \"s%d\", \"column\": \"c%d\", \"value\": \"%s\", \"cells\": []}"
                        .formatted(i, i, totals.get(i)))
                .collect(Collectors.joining(", "));
        String report = """
                {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "d", "locale": "en-GB",
                 "prompts": [], "filters": [],
                 "blocks": [{"id": "b", "kind": "banded", "levels": [{"id": "l", "name": "L", "key": "txt%d", "order": [],
                   "header": "heading", "footer": "totals"}], "columns": [%s], "totals": [%s], "counts": [],
                   "highlights": [], "rows": {"shown": false, "order": []}}],
                 "page": {"paper": "A4", "orientation": "landscape",
                          "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}""".formatted(keyTable, columns, lines);
        RunRequest request = new RunRequest(
                Definitions.readReport(report), dataset, Answers.NONE, RunContext.on(LocalDate.of(2026, 11, 20)));
        return new RunEngine(RunLimits.DEFAULT)
                .run(request, StarReader.over(source), progress -> {}, () -> false)
                .grouped();
    }

    private static Map<String, String> byReport(TableResult grouped) {
        Map<String, String> figures = new TreeMap<>();
        for (int node = 1; node < grouped.tree().nodeCount(); node++) {
            int at = node;
            figures.put(
                    ScalarText.write(Scalars.at(
                            grouped.groups().keys().get(1).orElseThrow(),
                            grouped.groups().within(node))),
                    grouped.figures().totals().stream()
                            .map(total ->
                                    ScalarText.write(Scalars.at(total, at)).replace(".", ""))
                            .map(text -> text.isEmpty() ? "" : String.valueOf(Long.parseLong(text)))
                            .collect(Collectors.joining(" ")));
        }
        return figures;
    }

    /** Every table's measure is taken once for each of its rows that a group leads to. */
    private static Map<String, String> bySql(Connection sql, List<Table> tables, int keyTable) throws SQLException {
        String joined = tables.stream().skip(1).map(GeneratedDatasetsTest::join).collect(Collectors.joining(" "));
        Map<String, List<String>> figures = new TreeMap<>();
        String group = "t" + keyTable + ".txt";
        add(sql, "SELECT " + group + " g, COUNT(*) FROM t0 " + joined + " GROUP BY 1", figures, 1);
        for (Table table : tables) {
            String key = table.key().stream().map(k -> table.name() + "." + k).collect(Collectors.joining(", "));
            String once =
                    "SELECT DISTINCT %s g, %s, %3$s.num n, %3$s.txt x, CASE WHEN %3$s.k0 IS NULL THEN 0 ELSE 1 END is_there FROM t0 %4$s"
                            .formatted(group, key, table.name(), joined);
            add(sql, """
                    SELECT g, SUM(CASE WHEN is_there = 1 THEN n END), COUNT(CASE WHEN is_there = 1 THEN n END),
                      COUNT(DISTINCT CASE WHEN is_there = 1 THEN x END) FROM (%s) o GROUP BY 1""".formatted(once), figures, 3);
        }
        return figures.entrySet().stream()
                .collect(Collectors.toMap(
                        Map.Entry::getKey, entry -> String.join(" ", entry.getValue()), (a, b) -> a, TreeMap::new));
    }

    private static String join(Table table) {
        return IntStream.range(0, table.keyColumns())
                .mapToObj(i -> "t%d.%s = %s.%s"
                        .formatted(
                                table.from(),
                                table.pointers().get(i),
                                table.name(),
                                table.key().get(i)))
                .collect(Collectors.joining(
                        " AND ", (table.inner() ? "JOIN " : "LEFT JOIN ") + table.name() + " ON ", ""));
    }

    private static void add(Connection sql, String select, Map<String, List<String>> figures, int count)
            throws SQLException {
        try (Statement statement = sql.createStatement();
                ResultSet result = statement.executeQuery(select)) {
            while (result.next()) {
                String group = result.getString(1);
                List<String> line = figures.computeIfAbsent(group == null ? "" : group, g -> new ArrayList<>());
                for (int i = 0; i < count; i++) {
                    String figure = result.getString(2 + i);
                    line.add(figure == null ? "" : figure);
                }
            }
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void inAFileEqualPlainSql(int seed) throws Exception {
        Random random = new Random(seed);
        List<Table> tables = tables(random);
        int keyTable = random.nextInt(tables.size());
        Path file = folder.resolve("generated.db");
        try (Connection sql = DriverManager.getConnection("jdbc:sqlite:" + file)) {
            sql.setAutoCommit(false);
            for (String statement : statements(tables, random)) {
                sql.createStatement().execute(statement);
            }
            sql.commit();
            TableResult grouped = grouped(new SqliteSource(file), dataset(tables), tables.size(), keyTable);
            assertThat(byReport(grouped)).isEqualTo(bySql(sql, tables, keyTable));
        }
    }

    @ParameterizedTest
    @MethodSource("fewSeeds")
    void onAServerEqualPlainSql(int seed) throws Exception {
        Random random = new Random(1_000 + seed);
        List<Table> tables = tables(random);
        int keyTable = random.nextInt(tables.size());
        List<String> statements = new ArrayList<>(List.of("DROP SCHEMA public CASCADE", "CREATE SCHEMA public"));
        statements.addAll(statements(tables, random));
        statements.add("GRANT USAGE ON SCHEMA public TO " + PostgresServer.READER);
        statements.add("GRANT SELECT ON ALL TABLES IN SCHEMA public TO " + PostgresServer.READER);
        postgres.execute(statements.toArray(String[]::new));
        TableResult grouped = grouped(postgres.source(), dataset(tables), tables.size(), keyTable);
        try (Connection sql = DriverManager.getConnection(
                "jdbc:postgresql://localhost:" + postgres.port() + "/postgres", "postgres", "")) {
            assertThat(byReport(grouped)).isEqualTo(bySql(sql, tables, keyTable));
        }
    }
}
