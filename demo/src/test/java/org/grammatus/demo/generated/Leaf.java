package org.grammatus.demo.generated;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;

/**
 * A filter that is made of no others, with what it keeps written by hand in SQLite's SQL.
 *
 * @param json without its id
 * @param meets where a row meets it, NULL where SQL knows not; none where the prompt that it reads has no answer
 * @param typed whether it keeps SQL's logic where it is turned round; a built one drops no blanks then
 */
record Leaf(String json, Optional<String> meets, boolean typed) {

    private static final List<String> DEPOTS = List.of("Alder Quay", "Finch Lane", "Kiln Yard", "Tarn Street");

    /** The period prompts of every report, by name: what is answered, and what lies in it. */
    enum Days {
        OPEN("", "1"),
        BOTH("2026-01-01/2026-03-31", "date(o.ordered_at) BETWEEN '2026-01-01' AND '2026-03-31'"),
        FROM("2026-02-28/..", "date(o.ordered_at) >= '2026-02-28'"),
        TO("../2025-12-31", "date(o.ordered_at) <= '2025-12-31'");

        final String answer;
        final String meets;

        Days(String answer, String meets) {
            this.answer = answer;
            this.meets = meets;
        }

        String prompt() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private static Leaf built(String json, String meets) {
        return new Leaf(json, Optional.of(meets), false);
    }

    private static Leaf condition(String field, String comparison, String rest, String meets) {
        return built(
                "\"kind\": \"condition\", \"field\": \"%s\", \"comparison\": \"%s\"%s"
                        .formatted(field, comparison, rest.isEmpty() ? "" : ", " + rest),
                meets);
    }

    private static String values(Object... values) {
        return Arrays.stream(values)
                .map(value -> "\"" + value + "\"")
                .collect(Collectors.joining(", ", "\"values\": [", "]"));
    }

    static Leaf any(Random random) {
        int number = random.nextInt(60);
        String depot = DEPOTS.get(random.nextInt(DEPOTS.size()));
        return switch (random.nextInt(17)) {
            case 0 -> condition("depot", "is", values(depot), "o.depot = '" + depot + "'");
            case 1 -> condition("depot", "is-not", values(depot), "(o.depot <> '" + depot + "' OR o.depot IS NULL)");
            case 2 -> condition("depot", "blank", "", "o.depot IS NULL");
            case 3 -> condition("quantity", "more", values(number), "l.quantity > " + number);
            case 4 ->
                condition(
                        "net_amount",
                        "between",
                        values(number, number + 200),
                        "l.net_amount BETWEEN " + number * 100 + " AND " + (number + 200) * 100);
            case 5 ->
                condition(
                        "product_name",
                        "contains",
                        values("JAR") + ", \"ignoreCase\": true",
                        "INSTR(lower(p.name), 'jar') > 0");
            case 6 ->
                condition(
                        "product_name", "does-not-contain", values("a"), "(INSTR(p.name, 'a') = 0 OR p.name IS NULL)");
            case 7 ->
                condition(
                        "promised_date",
                        "less",
                        values(number + " days before today"),
                        "o.promised_date < date('2026-11-20', '-" + number + " days')");
            case 8 ->
                condition(
                        "ordered_at",
                        "at-least",
                        values("2 months before today"),
                        "date(o.ordered_at) >= date('2026-09-20')");
            case 9 -> condition("ship_date", "more", "\"other\": \"promised_date\"", "o.ship_date > o.promised_date");
            case 10 -> {
                Days days = Days.values()[random.nextInt(Days.values().length)];
                yield new Leaf(
                        "\"kind\": \"period\", \"field\": \"ordered_at\", \"prompt\": \"" + days.prompt() + "\"",
                        days == Days.OPEN ? Optional.empty() : Optional.of(days.meets),
                        false);
            }
            case 11 ->
                new Leaf(
                        "\"kind\": \"condition\", \"field\": \"depot\", \"comparison\": \"is\", \"prompt\": \"nobody\"",
                        Optional.empty(),
                        false);
            case 12 -> typed("depot = '" + depot + "'", "o.depot = '" + depot + "'");
            case 13 ->
                typed(
                        "NOT (depot = 'Kiln Yard' OR quantity < " + number + ")",
                        "NOT (o.depot = 'Kiln Yard' OR l.quantity < " + number + ")");
            case 14 -> new Leaf("\"kind\": \"expression\", \"where\": \"depot = :nobody\"", Optional.empty(), true);
            case 15 -> related("has", number, random);
            default -> related("has-none", number, random);
        };
    }

    private static Leaf typed(String where, String meets) {
        return new Leaf("\"kind\": \"expression\", \"where\": \"" + where + "\"", Optional.of(meets), true);
    }

    /** Rows of the same order, or of purchases of the same product. */
    private static Leaf related(String kind, int number, Random random) {
        int least = 1 + random.nextInt(2);
        String many = least == 1 ? "" : ", \"least\": " + least;
        String other = random.nextBoolean()
                ? "\"dataset\": \"sales-order-lines\", \"keys\": [{\"field\": \"order_number\", \"of\": \"order_number\"}],"
                        + " \"filters\": [{\"id\": \"ID-in\", \"kind\": \"condition\", \"field\": \"quantity\","
                        + " \"comparison\": \"more\", \"values\": [\"" + number + "\"]}]"
                : "\"dataset\": \"purchase-order-lines\", \"keys\": [{\"field\": \"product_code\", \"of\": \"product_code\"}],"
                        + " \"filters\": [{\"id\": \"ID-in\", \"kind\": \"expression\","
                        + " \"where\": \"quantity > " + number + " AND depot = :nobody\"}]";
        String having = " GROUP BY 1 HAVING count(*) >= " + least + ")";
        String among = other.contains("purchase")
                ? "p.code IN (SELECT xp.code FROM purchase_order_line x JOIN product xp ON xp.product_id = x.product_id"
                        + " WHERE x.quantity > " + number + having
                : "o.order_number IN (SELECT xo.order_number FROM sales_order_line x"
                        + " JOIN sales_order xo ON xo.order_id = x.order_id WHERE x.quantity > " + number + having;
        // A blank key has no rows.
        return built(
                "\"kind\": \"" + kind + "\", " + other + many,
                (kind.equals("has") ? "" : "NOT ") + "COALESCE(" + among + ", 0)");
    }

    /** Where a row is kept; none where all are. */
    Optional<String> kept() {
        return meets;
    }

    /** Where a row is kept that may not meet it. */
    Optional<String> excluded() {
        return meets.map(sql -> typed ? "NOT (" + sql + ")" : "NOT COALESCE((" + sql + "), 0)");
    }
}
