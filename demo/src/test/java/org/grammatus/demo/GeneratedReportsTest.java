package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.value.Scalar;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Generated definitions over the demo data: levels of fields from every table and of date buckets, in any order, row filters,
 * and aggregates of every home. Each node's figures equal plain SQL's, on scaled integers; each level is in the order it asks for.
 */
class GeneratedReportsTest {

    private static final int REPORTS = 80;

    /** A key as a definition writes it, and as SQL does. */
    private record Key(String field, String bucket, String sql) {}

    private static final List<Key> KEYS = List.of(
            new Key("region", "", "a.region"),
            new Key("customer_type", "", "a.customer_type"),
            new Key("account_manager", "", "a.account_manager"),
            new Key("apiary_name", "", "a.name"),
            new Key("depot", "", "o.depot"),
            new Key("status", "", "o.status"),
            new Key("category", "", "p.category"),
            new Key("unit", "", "l.unit"),
            new Key("line_number", "", "l.line_number"),
            new Key("ordered_at", "month", "strftime('%Y-%m-01', o.ordered_at)"),
            new Key("ordered_at", "day", "date(o.ordered_at)"),
            new Key("ordered_at", "year", "strftime('%Y-01-01', o.ordered_at)"),
            new Key("ordered_at", "week", "date(o.ordered_at, '-6 days', 'weekday 1')"),
            new Key("ordered_at", "day-of-week", "(strftime('%w', o.ordered_at) + 6) % 7 + 1"),
            new Key("ordered_at", "month-of-year", "CAST(strftime('%m', o.ordered_at) AS INTEGER)"),
            new Key("ordered_at", "fiscal-month", "(strftime('%m', o.ordered_at) + 2) % 12 + 1"),
            new Key("ordered_at", "quarter-of-year", "(strftime('%m', o.ordered_at) + 2) / 3"),
            new Key(
                    "ordered_at",
                    "quarter",
                    "date(o.ordered_at, 'start of month', '-' || ((strftime('%m', o.ordered_at) - 1) % 3) || ' months')"),
            new Key(
                    "promised_date",
                    "fiscal-quarter",
                    "date(o.promised_date, 'start of month', '-' || ((strftime('%m', o.promised_date) - 1) % 3) || ' months')"),
            new Key("ordered_at", "fiscal-year", "strftime('%Y-10-01', date(o.ordered_at, '-9 months'))"));

    /** Filters that mean the same in both languages, blanks included. */
    private static final List<String[]> FILTERS = List.of(
            new String[] {"TRUE", "1"},
            new String[] {"net_amount > 100", "l.net_amount > 10000"},
            new String[] {"NOT (depot = 'Kiln Yard')", "NOT (o.depot = 'Kiln Yard')"},
            new String[] {"depot IS NULL OR quantity < 0", "o.depot IS NULL OR l.quantity < 0"},
            new String[] {
                "category IN ('Hives', 'Extraction') AND status <> 'open'",
                "p.category IN ('Hives', 'Extraction') AND o.status <> 'open'"
            },
            new String[] {
                "CASE WHEN discount > 0 THEN region ELSE town END >= 'L'",
                "CASE WHEN l.discount > 0 THEN a.region ELSE a.town END >= 'L'"
            },
            new String[] {
                "ordered_at >= DATE '2026-01-31' AND ordered_at < DATE '2026-01-31' + INTERVAL '1' DAY",
                "date(o.ordered_at) = '2026-01-31'"
            },
            new String[] {
                "UPPER(category) = 'HIVES' OR CHAR_LENGTH(TRIM(town)) > 11",
                "upper(p.category) = 'HIVES' OR length(trim(a.town)) > 11"
            },
            new String[] {
                "EXTRACT(MONTH FROM ordered_at) = 3 OR EXTRACT(HOUR FROM ordered_at) >= 16",
                "strftime('%m', o.ordered_at) = '03' OR strftime('%H', o.ordered_at) >= '16'"
            },
            new String[] {
                "MOD(quantity, 3) = 1 AND FLOOR(unit_price) < 10", "l.quantity % 3 = 1 AND l.unit_price / 100 < 10"
            },
            new String[] {
                "SUBSTRING(apiary_name FROM 2 FOR 3) = 'ead' OR POSITION('e' IN town) = 2",
                "substr(a.name, 2, 3) = 'ead' OR instr(a.town, 'e') = 2"
            },
            new String[] {
                "CAST(ordered_at AS DATE) + INTERVAL '9' DAY < promised_date AND NULLIF(discount, 0) IS NULL",
                "date(o.ordered_at, '+9 days') < o.promised_date AND NULLIF(l.discount, 0) IS NULL"
            },
            new String[] {
                "ABS(net_amount) > ROUND(99.6) AND line_number < 3", "abs(l.net_amount) > 10000 AND l.line_number < 3"
            });

    /** An aggregate as a definition writes it; what SQL takes it of; whether once per order. */
    private record Figure(String value, String sql, boolean perOrder) {}

    private static final List<Figure> FIGURES = List.of(
            new Figure("SUM(net_amount)", "SUM(net_amount)", false),
            new Figure("SUM(quantity * unit_price)", "SUM(quantity * unit_price)", false),
            new Figure("COUNT(*)", "COUNT(*)", false),
            new Figure("COUNT(DISTINCT order_number)", "COUNT(DISTINCT order_number)", false),
            new Figure("COUNT(DISTINCT product_code)", "COUNT(DISTINCT product_code)", false),
            new Figure("MIN(net_amount)", "MIN(net_amount)", false),
            new Figure("MAX(unit_price)", "MAX(unit_price)", false),
            new Figure("SUM(freight)", "SUM(freight)", true),
            new Figure("COUNT(promised_date)", "COUNT(promised_date)", true),
            new Figure("MAX(freight)", "MAX(freight)", true),
            new Figure(
                    "SUM(net_amount) FILTER (WHERE depot = 'Kiln Yard')",
                    "SUM(net_amount) FILTER (WHERE depot = 'Kiln Yard')",
                    false),
            new Figure("COUNT(*) FILTER (WHERE quantity > 10)", "COUNT(*) FILTER (WHERE quantity > 10)", false),
            new Figure(
                    "COUNT(DISTINCT product_code) FILTER (WHERE quantity > 10)",
                    "COUNT(DISTINCT product_code) FILTER (WHERE quantity > 10)",
                    false),
            new Figure(
                    "SUM(freight) FILTER (WHERE promised_date IS NOT NULL)",
                    "SUM(freight) FILTER (WHERE promised_date IS NOT NULL)",
                    true),
            // An order counts whole where any of its lines in the group meets the condition.
            new Figure("SUM(freight) FILTER (WHERE quantity > 10)", "SUM(freight) FILTER (WHERE some_large)", true));

    static IntStream seeds() {
        return IntStream.range(0, REPORTS);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void equalsPlainSql(int seed) throws Exception {
        Random random = new Random(seed);
        List<Key> keys = new ArrayList<>(KEYS);
        Collections.shuffle(keys, random);
        keys = keys.subList(0, 1 + random.nextInt(3));
        String[] filter = FILTERS.get(random.nextInt(FILTERS.size()));
        Path database = DemoData.database(ScenarioSize.DEMO.withSeed(seed % 3).withSalesOrders(400));
        TableResult grouped = grouped(database, Definitions.readReport(definition(keys, filter[0])));
        assertThat(byReport(grouped)).isEqualTo(bySql(database, keys, filter[1]));
        assertLargestFirst(grouped);
    }

    private static String definition(List<Key> keys, String where) {
        String levels = IntStream.range(0, keys.size())
                .mapToObj(i -> """
                        {"id": "l%d", "name": "L%d", "key": "%s", %s
                         "order": [{"id": "o%d", "by": "SUM(net_amount)", "direction": "descending"}],
                         "header": "heading", "footer": "totals"}""".formatted(
                                i,
                                i,
                                keys.get(i).field(),
                                keys.get(i).bucket().isEmpty()
                                        ? ""
                                        : "\"bucket\": \"" + keys.get(i).bucket() + "\",",
                                i))
                .collect(Collectors.joining(","));
        String columns = IntStream.range(0, FIGURES.size())
                .mapToObj("{\"id\": \"c%d\", \"label\": \"C\", \"value\": \"net_amount\"}"::formatted)
                .collect(Collectors.joining(","));
        String totals = IntStream.range(0, FIGURES.size())
                .mapToObj(i -> "{\"id\": \"t%d\", \"column\": \"c%d\", \"value\": \"%s\", \"cells\": []}"
                        .formatted(i, i, FIGURES.get(i).value()))
                .collect(Collectors.joining(","));
        return """
                {"format": "grammatus-report", "version": 1, "id": "generated", "title": "Generated",
                 "dataset": "sales-order-lines", "locale": "en-GB", "prompts": [],
                 "filters": [{"id": "f", "kind": "expression", "where": "%s"}],
                 "blocks": [{"id": "b", "kind": "banded", "levels": [%s], "columns": [%s], "totals": [%s], "counts": [],
                   "highlights": [], "rows": {"shown": false, "order": []}}],
                 "page": {"paper": "A4", "orientation": "landscape",
                          "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
                """.formatted(where, levels, columns, totals);
    }

    private static TableResult grouped(Path database, Report report) {
        RunRequest request = new RunRequest(
                report,
                DatasetModel.of(Starters.dataset("sales-order-lines").orElseThrow()),
                Answers.NONE,
                DemoData.CONTEXT);
        return new RunEngine(RunLimits.DEFAULT)
                .run(request, StarReader.over(new SqliteSource(database)), progress -> {}, () -> false)
                .grouped();
    }

    /** By path: the node's figures. */
    private static Map<String, String> byReport(TableResult grouped) {
        Map<String, String> figures = new TreeMap<>();
        for (int node = 0; node < grouped.tree().nodeCount(); node++) {
            int of = node;
            figures.put(
                    path(grouped, node),
                    grouped.figures().totals().stream()
                            .map(total -> unscaled(total, of))
                            .collect(Collectors.joining("|")));
        }
        return figures;
    }

    private static String path(TableResult grouped, int node) {
        StringBuilder path = new StringBuilder();
        for (int depth = 1; depth <= grouped.tree().depthOf(node); depth++) {
            int ancestor = grouped.tree().ancestor(node, depth);
            Scalar key = Scalars.at(
                    grouped.groups().keys().get(depth).orElseThrow(),
                    grouped.groups().within(ancestor));
            path.append('/')
                    .append(
                            switch (key) {
                                case Scalar.Text t -> t.value();
                                case Scalar.Date d -> d.value().toString();
                                case Scalar.Number n -> n.value().toPlainString();
                                default -> "";
                            });
        }
        return path.toString();
    }

    private static String unscaled(Column column, int node) {
        return Scalars.at(column, node) instanceof Scalar.Number(BigDecimal number, var type)
                ? number.unscaledValue().toString()
                : "";
    }

    private static Map<String, String> bySql(Path database, List<Key> keys, String where) throws SQLException {
        Map<String, String> figures = new TreeMap<>();
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + database);
                Statement statement = connection.createStatement()) {
            for (int depth = 0; depth <= keys.size(); depth++) {
                try (ResultSet result = statement.executeQuery(sql(keys.subList(0, depth), where))) {
                    while (result.next()) {
                        StringBuilder path = new StringBuilder();
                        for (int k = 1; k <= depth; k++) {
                            String key = result.getString(k);
                            path.append('/').append(key == null ? "" : key);
                        }
                        List<String> values = new ArrayList<>();
                        for (int f = 1; f <= FIGURES.size(); f++) {
                            String value = result.getString(depth + f);
                            values.add(value == null ? "" : value);
                        }
                        figures.put(path.toString(), String.join("|", values));
                    }
                }
            }
        }
        return figures;
    }

    /** Lines and, for what is taken once per order, the distinct orders of each group. */
    private static String sql(List<Key> keys, String where) {
        List<String> names =
                IntStream.range(0, keys.size()).mapToObj("k%d"::formatted).toList();
        String listed = names.stream().map(name -> name + ", ").collect(Collectors.joining());
        String grouped = names.isEmpty() ? "" : " GROUP BY " + String.join(", ", names);
        String selected = IntStream.range(0, keys.size())
                .mapToObj(i -> keys.get(i).sql() + " AS k" + i + ", ")
                .collect(Collectors.joining());
        String lines = "kept AS (SELECT " + selected
                + "l.*, o.order_number, o.freight, o.promised_date, o.depot, o.order_id AS own,"
                + " p.code AS product_code FROM sales_order_line l LEFT JOIN sales_order o USING (order_id)"
                + " LEFT JOIN apiary a USING (apiary_id) LEFT JOIN product p USING (product_id) WHERE " + where + ")";
        String perLine = "lines AS (SELECT " + listed + figures(false) + " FROM kept" + grouped + ")";
        String perOrder = "orders AS (SELECT " + listed + figures(true) + " FROM (SELECT " + listed
                + "own, freight, promised_date, MAX(COALESCE(quantity > 10, 0)) AS some_large FROM kept GROUP BY "
                + listed + "own, freight, promised_date)" + grouped + ")";
        String join = names.isEmpty()
                ? ""
                : " ON "
                        + names.stream()
                                .map(n -> "lines." + n + " IS orders." + n)
                                .collect(Collectors.joining(" AND "));
        String outer = names.stream().map(n -> "lines." + n + ", ").collect(Collectors.joining())
                + IntStream.range(0, FIGURES.size()).mapToObj("f%d"::formatted).collect(Collectors.joining(", "));
        return "WITH " + lines + ", " + perLine + ", " + perOrder + " SELECT " + outer + " FROM lines JOIN orders"
                + join;
    }

    private static String figures(boolean perOrder) {
        return IntStream.range(0, FIGURES.size())
                .filter(i -> FIGURES.get(i).perOrder() == perOrder)
                .mapToObj(i -> FIGURES.get(i).sql() + " AS f" + i)
                .collect(Collectors.joining(", "));
    }

    private static void assertLargestFirst(TableResult grouped) {
        GroupTree tree = grouped.tree();
        BigDecimal[] before = new BigDecimal[tree.nodeCount()];
        for (int place = 1; place < tree.nodeCount(); place++) {
            int node = tree.nodeAt(place);
            int parent = tree.parentOf(node);
            BigDecimal own = new BigDecimal(unscaled(grouped.figures().totals().getFirst(), node));
            assertThat(before[parent] == null || before[parent].compareTo(own) >= 0)
                    .isTrue();
            before[parent] = own;
        }
    }
}
