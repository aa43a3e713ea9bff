package org.grammatus.demo.generated;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.value.Scalar;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Generated reports over generated data: levels of fields, buckets and classes, orders by shown and hidden measures inside the parent or
 * across the report, conditions on groups, limits of groups and rows with and without others, keys without rows, totals of what is
 * shown or of everything, shares, running totals, ranks, changes, plans, lines rounded first, figures of a year or a period before.
 * Every group and every figure, in printed order, against SQL.
 */
class GeneratedGroupsTest {

    private static final int DATASETS = 25;
    private static final int REPORTS = 80;

    private static final String DATASET = """
            {"format": "grammatus-dataset", "version": 1, "id": "lines", "label": "Lines",
             "calendar": {"fiscalYearStart": 10}, "grain": "lines",
             "tables": [
               {"id": "lines", "table": "line", "key": ["id"], "noun": {"one": "line", "other": "lines"}},
               {"id": "orders", "table": "ord", "key": ["id"], "noun": {"one": "order", "other": "orders"}}],
             "joins": [{"id": "j", "from": "lines", "to": "orders", "columns": ["ord"]}],
             "fields": [
               {"id": "number", "table": "orders", "column": "id", "label": "Order", "type": "integer", "role": "identifier"},
               {"id": "at", "table": "orders", "column": "at", "label": "Ordered", "type": "timestamp", "role": "descriptive"},
               {"id": "region", "table": "orders", "column": "region", "label": "Region", "type": "text", "role": "descriptive"},
               {"id": "freight", "table": "orders", "column": "freight", "label": "Freight", "type": "decimal", "scale": 2,
                "role": "additive"},
               {"id": "category", "table": "lines", "column": "category", "label": "Category", "type": "text",
                "role": "descriptive"},
               {"id": "quantity", "table": "lines", "column": "quantity", "label": "Quantity", "type": "integer",
                "role": "additive"},
               {"id": "net", "table": "lines", "column": "net", "label": "Net", "type": "decimal", "scale": 2,
                "role": "additive"}]}
            """;

    @TempDir
    Path folder;

    static IntStream seeds() {
        return IntStream.range(0, DATASETS);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void equalSql(int seed) throws SQLException {
        Random random = new Random(seed);
        Path database = folder.resolve("generated.db");
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + database)) {
            fill(connection, random);
            DatasetModel dataset = DatasetModel.of(Definitions.readDataset(DATASET));
            SqliteSource source = new SqliteSource(database);
            for (int i = 0; i < REPORTS; i++) {
                Asked asked = Asked.random(random);
                Answers answers = new Answers(Map.of("period", asked.from() + "/" + asked.to()));
                RunRequest request = new RunRequest(
                        Definitions.readReport(asked.definition()),
                        dataset,
                        answers,
                        new RunContext(LocalDate.of(2025, 12, 31), ZoneId.of("UTC")));
                TableResult grouped = new RunEngine(RunLimits.DEFAULT)
                        .run(request, StarReader.over(source), progress -> {}, () -> false)
                        .grouped();
                assertThat(lines(grouped))
                        .as("report %d: %s", i, asked)
                        .containsExactlyElementsOf(GroupsBySql.of(connection, asked));
            }
        }
    }

    private static void fill(Connection connection, Random random) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            statement.execute("CREATE TABLE ord (id INTEGER PRIMARY KEY, region TEXT, at TEXT, freight INTEGER)");
            statement.execute(
                    "CREATE TABLE line (id INTEGER PRIMARY KEY, ord INTEGER, category TEXT, quantity INTEGER, net INTEGER)");
        }
        int orders = 1 + random.nextInt(14);
        connection.setAutoCommit(false);
        try (PreparedStatement order = connection.prepareStatement("INSERT INTO ord VALUES (?, ?, ?, ?)");
                PreparedStatement line = connection.prepareStatement("INSERT INTO line VALUES (?, ?, ?, ?, ?)")) {
            for (int i = 1; i <= orders; i++) {
                order.setInt(1, i);
                order.setString(2, random.nextInt(6) == 0 ? null : "R" + random.nextInt(4));
                order.setString(
                        3,
                        random.nextInt(12) == 0
                                ? null
                                : "202%d-%02d-%02d %02d:30:00"
                                        .formatted(
                                                4 + random.nextInt(2),
                                                1 + random.nextInt(12),
                                                1 + random.nextInt(28),
                                                random.nextInt(24)));
                order.setObject(4, random.nextInt(5) == 0 ? null : random.nextInt(900));
                order.addBatch();
            }
            order.executeBatch();
            int lines = random.nextInt(45);
            for (int i = 1; i <= lines; i++) {
                line.setInt(1, i);
                line.setInt(2, 1 + random.nextInt(orders + 1));
                line.setString(3, random.nextInt(7) == 0 ? null : "K" + random.nextInt(5));
                line.setObject(4, random.nextInt(6) == 0 ? null : random.nextInt(9));
                line.setObject(5, random.nextInt(6) == 0 ? null : random.nextInt(4000) - 800);
                line.addBatch();
            }
            line.executeBatch();
        }
        connection.commit();
        connection.setAutoCommit(true);
    }

    private static List<String> lines(TableResult grouped) {
        List<String> lines = new ArrayList<>();
        for (int place = 0; place < grouped.tree().nodeCount(); place++) {
            int node = grouped.tree().nodeAt(place);
            StringBuilder line = new StringBuilder();
            for (int depth = 1; depth <= grouped.tree().depthOf(node); depth++) {
                line.append('/').append(part(grouped, grouped.tree().ancestor(node, depth), depth));
            }
            grouped.figures().totals().forEach(total -> line.append(' ').append(number(Scalars.at(total, node))));
            grouped.rows()
                    .others()
                    .filter(rows -> rows.counts()[node] > 0)
                    .ifPresent(rows -> line.append(" + %d: %s"
                            .formatted(
                                    rows.counts()[node],
                                    number(Scalars.at(rows.totals().getFirst().orElseThrow(), node)))));
            lines.add(line.toString());
        }
        return lines;
    }

    private static String part(TableResult grouped, int node, int depth) {
        if (grouped.groups().isOthers(node)) {
            return "~~1";
        }
        return switch (Scalars.at(
                grouped.groups().keys().get(depth).orElseThrow(),
                grouped.groups().within(node))) {
            case Scalar.Null n -> "~";
            case Scalar.Text t -> t.value();
            case Scalar.Date d -> d.value().toString();
            case Scalar.Number(BigDecimal value, var type) -> "%03d".formatted(value.intValueExact());
            default -> throw new IllegalStateException();
        };
    }

    private static String number(Scalar value) {
        return value instanceof Scalar.Number(BigDecimal number, var type)
                ? number.unscaledValue().toString()
                : "-";
    }
}
