package org.grammatus.demo.generated;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.prompt.Answers;
import org.grammatus.demo.DemoData;
import org.grammatus.demo.ScenarioSize;
import org.grammatus.demo.Starters;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunResult;
import org.grammatus.sources.DatasetReader;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Prompts of every kind, answered and not: a report keeps the rows that SQLite keeps by a condition written by hand for each answer, TRUE
 * where there is none.
 */
class GeneratedPromptsTest {

    private static final String FROM = " FROM sales_order_line l LEFT JOIN sales_order o ON o.order_id = l.order_id"
            + " LEFT JOIN product p ON p.product_id = l.product_id";

    private static final DatasetReader READER = DemoData.held();
    private static final DatasetModel DATASET =
            DatasetModel.of(Starters.dataset("sales-order-lines").orElseThrow());

    private static final List<String> DEPOTS =
            List.of("Alder Quay", "Finch Lane", "Kiln Yard", "Tarn Street", "Nowhere, \"here\"");

    /** A prompt with the filter that reads it, what was answered, and what that means in SQL. */
    private record Asked(String type, String more, String field, String comparison, String answer, String sql) {}

    private static <T> T one(List<T> list, Random random) {
        return list.get(random.nextInt(list.size()));
    }

    private static String quoted(String text) {
        return "'" + text.replace("'", "''") + "'";
    }

    private static Asked depots(Random random) {
        List<String> chosen =
                DEPOTS.stream().filter(depot -> random.nextBoolean()).toList();
        boolean blank = random.nextInt(3) == 0;
        boolean except = random.nextBoolean();
        boolean not = random.nextInt(3) == 0;
        List<String> items = new ArrayList<>(chosen.stream()
                .map(depot -> depot.contains(",") ? '"' + depot.replace("\"", "\"\"") + '"' : depot)
                .toList());
        if (blank) {
            items.add("(none)");
        }
        if (items.isEmpty()) {
            return new Asked("choices", ", \"field\": \"depot\"", "depot", not ? "is-not" : "is", "", "1");
        }
        String in = chosen.isEmpty()
                ? "0"
                : chosen.stream()
                        .map(GeneratedPromptsTest::quoted)
                        .collect(Collectors.joining(",", "COALESCE(o.depot IN (", "), 0)"));
        String any = "(" + in + (blank ? " OR o.depot IS NULL" : "") + ")";
        String meant = except ? "NOT " + any : any;
        // Every row meets the condition or its exclusion, one where the field is blank among them, and none meets both.
        String sql = not ? "NOT (" + meant + ")" : meant;
        return new Asked(
                "choices",
                ", \"field\": \"depot\"",
                "depot",
                not ? "is-not" : "is",
                (except ? "all but " : "") + String.join(", ", items),
                sql);
    }

    private static Asked amounts(Random random) {
        int low = random.nextInt(300);
        int high = low + random.nextInt(2000);
        return switch (random.nextInt(4)) {
            case 0 -> new Asked("number-range", "", "net_amount", "between", "", "1");
            case 1 ->
                new Asked("number-range", "", "net_amount", "between", low + "..", "l.net_amount >= " + low * 100L);
            case 2 ->
                new Asked(
                        "number-range",
                        "",
                        "net_amount",
                        "between",
                        ".." + high + ".50",
                        "l.net_amount <= " + (high * 100L + 50));
            default ->
                new Asked(
                        "number-range",
                        "",
                        "net_amount",
                        "between",
                        low + ".." + high,
                        "l.net_amount BETWEEN " + low * 100L + " AND " + high * 100L);
        };
    }

    private static Asked orders(Random random) {
        String from = "S01%05d".formatted(random.nextInt(6500));
        return random.nextBoolean()
                ? new Asked(
                        "text-range", "", "order_number", "between", from + "..", "o.order_number >= " + quoted(from))
                : new Asked(
                        "text-range", "", "order_number", "between", ".." + from, "o.order_number <= " + quoted(from));
    }

    private static Asked day(Random random) {
        String day = "2026-%02d-%02d".formatted(1 + random.nextInt(11), 1 + random.nextInt(28));
        return switch (random.nextInt(4)) {
            case 0 -> new Asked("date", "", "ordered_at", "is", day, "date(o.ordered_at) = " + quoted(day));
            case 1 -> new Asked("date", "", "ordered_at", "at-most", day, "date(o.ordered_at) <= " + quoted(day));
            case 2 -> new Asked("date", "", "ordered_at", "more", day, "date(o.ordered_at) > " + quoted(day));
            default ->
                new Asked(
                        "date",
                        "",
                        "ordered_at",
                        "is-not",
                        day,
                        "(date(o.ordered_at) <> " + quoted(day) + " OR o.ordered_at IS NULL)");
        };
    }

    private static Asked words(Random random) {
        String part = one(List.of("jar", "a", "Hive", "%", "_", "é", "x\\"), random);
        String found = "INSTR(p.name, " + quoted(part) + ")";
        return switch (random.nextInt(3)) {
            case 0 -> new Asked("text", "", "product_name", "contains", part, found + " > 0");
            case 1 -> new Asked("text", "", "product_name", "starts-with", part, found + " = 1");
            default ->
                new Asked(
                        "text",
                        "",
                        "product_name",
                        "does-not-contain",
                        part,
                        "(NOT (" + found + " > 0) OR p.name IS NULL)");
        };
    }

    private static Asked pieces(Random random) {
        int number = random.nextInt(60);
        return new Asked("whole-number", "", "quantity", "at-least", String.valueOf(number), "l.quantity >= " + number);
    }

    private static Asked asked(Random random) {
        return switch (random.nextInt(6)) {
            case 0 -> depots(random);
            case 1 -> amounts(random);
            case 2 -> orders(random);
            case 3 -> day(random);
            case 4 -> words(random);
            default -> pieces(random);
        };
    }

    static IntStream seeds() {
        return IntStream.range(0, 300);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aReportKeepsWhatItsAnswersSay(int seed) throws Exception {
        Random random = new Random(seed);
        List<Asked> all = IntStream.range(0, 1 + random.nextInt(3))
                .mapToObj(i -> asked(random))
                .toList();
        List<String> prompts = new ArrayList<>();
        List<String> filters = new ArrayList<>();
        Map<String, String> answers = new HashMap<>();
        for (int i = 0; i < all.size(); i++) {
            Asked asked = all.get(i);
            prompts.add("{\"id\": \"p%1$d\", \"name\": \"p%1$d\", \"type\": \"%2$s\", \"label\": \"P\"%3$s}"
                    .formatted(i, asked.type, asked.more));
            filters.add(
                    "{\"id\": \"f%1$d\", \"kind\": \"condition\", \"field\": \"%2$s\", \"comparison\": \"%3$s\", \"prompt\": \"p%1$d\"}"
                            .formatted(i, asked.field, asked.comparison));
            answers.put("p" + i, asked.answer);
        }
        String report = """
                {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "sales-order-lines",
                 "locale": "en-GB", "prompts": [%s], "filters": [%s],
                 "blocks": [{"id": "k", "kind": "figures", "figures": [{"id": "n", "label": "Lines", "value": "COUNT(*)"}]}],
                 "page": {"paper": "A4", "orientation": "portrait",
                   "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
                """.formatted(String.join(",", prompts), String.join(",", filters));
        RunResult result = new RunEngine(RunLimits.DEFAULT)
                .compute(
                        new RunRequest(Definitions.readReport(report), DATASET, new Answers(answers), DemoData.CONTEXT),
                        READER);
        String where = all.stream().map(Asked::sql).collect(Collectors.joining(") AND (", " WHERE (", ")"));
        assertThat(result.rowsKept()).as(all.toString()).isEqualTo(counted("SELECT COUNT(*)" + FROM + where));
    }

    private static int counted(String sql) throws SQLException {
        try (Connection connection =
                        DriverManager.getConnection("jdbc:sqlite:" + DemoData.database(ScenarioSize.DEMO));
                Statement statement = connection.createStatement();
                ResultSet rows = statement.executeQuery(sql)) {
            return rows.getInt(1);
        }
    }
}
