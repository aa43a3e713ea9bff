package org.grammatus.demo.generated;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * What a generated report asks for, in a form from which both its definition and SQL can be made.
 *
 * @param everything whether totals cover what is not shown
 * @param otherTime what figures are compared with
 * @param rows how many rows of each group are shown, where not all are
 * @param roundsLines whether each line is rounded before totals add it
 * @param from first day of the period, in the middle of the data
 */
record Asked(
        List<Level> levels,
        boolean everything,
        Optional<OtherTime> otherTime,
        Optional<RowLimit> rows,
        boolean roundsLines,
        LocalDate from,
        LocalDate to) {

    /** Another time: what a definition calls it, and the step from it to the period asked for, as SQLite writes it. */
    record OtherTime(String word, String step) {}

    /** The first rows, largest net first. */
    record RowLimit(int number, boolean percent, boolean others) {}

    /**
     * A key of groups.
     *
     * @param json its properties in a definition
     * @param sql its value as a text that sorts as the key does
     * @param fillable whether the values without rows are those of the data
     */
    record Key(String json, String sql, boolean fillable) {}

    /** An aggregate: as a definition writes it, and the column of the groups' table that holds it. */
    record Measure(String expression, String column) {}

    record Order(Measure by, boolean descending, boolean acrossReport) {}

    record Limit(Measure by, boolean largest, int number, boolean percent, boolean others) {}

    /**
     * A condition on figures of all groups.
     *
     * @param measure what of a group is compared, as a definition calls it
     * @param more whether it must be more than the number, or less
     */
    record OfAll(String measure, Measure by, boolean more, int number) {

        String compared() {
            return more ? " > " : " < ";
        }
    }

    record Level(
            Key key,
            List<Order> order,
            Optional<String> having,
            Optional<OfAll> ofAll,
            Optional<Limit> limit,
            Optional<String> empty) {}

    static final List<Key> KEYS = List.of(
            new Key("\"key\": \"region\"", "o.region", true),
            new Key("\"key\": \"category\"", "l.category", true),
            new Key("\"key\": \"number\"", "printf('%03d', o.id)", false),
            new Key("\"key\": \"at\", \"bucket\": \"month\"", "strftime('%Y-%m-01', o.at)", false),
            new Key("\"key\": \"at\", \"bucket\": \"fiscal-year\"", "strftime('%Y-10-01', o.at, '-9 months')", false),
            new Key("\"key\": \"at\", \"bucket\": \"month-of-year\"", "printf('%03d', strftime('%m', o.at))", false),
            new Key(
                    "\"key\": \"quantity\", \"classes\": [{\"upTo\": \"2\"}, {\"upTo\": \"5.5\"}, {}]",
                    "CASE WHEN l.quantity IS NULL THEN NULL WHEN l.quantity <= 2 THEN '001'"
                            + " WHEN l.quantity <= 5 THEN '002' ELSE '003' END",
                    false));

    static final List<Measure> MEASURES = List.of(
            new Measure("SUM(net)", "net"),
            new Measure("COUNT(*)", "lines"),
            new Measure("SUM(freight)", "freight"),
            new Measure("MAX(quantity)", "most"),
            new Measure("MIN(net)", "least"),
            new Measure("COUNT(DISTINCT category)", "categories"),
            new Measure("COUNT(*) FILTER (WHERE quantity > 3)", "large"),
            new Measure("SUM(freight) FILTER (WHERE quantity > 3)", "large_freight"),
            new Measure("AVG(net)", "average"),
            new Measure("MEDIAN(quantity)", "middle"));

    /** A report of one to three levels with up to everything that a level can have. */
    static Asked random(Random random) {
        List<Key> keys = new ArrayList<>(KEYS);
        Collections.shuffle(keys, random);
        LocalDate from = LocalDate.of(2025, 1 + random.nextInt(6), 1);
        LocalDate to = LocalDate.of(2025, 7 + random.nextInt(6), 28);
        LocalDate end = random.nextBoolean() ? to : YearMonth.from(to).atEndOfMonth();
        Optional<OtherTime> otherTime = otherTime(from, end, random);
        List<Level> levels = IntStream.rangeClosed(0, random.nextInt(3))
                .mapToObj(i -> level(keys.get(i), otherTime.isEmpty(), random))
                .toList();
        Optional<RowLimit> rows = random.nextInt(4) == 0
                ? Optional.of(new RowLimit(1 + random.nextInt(3) * 20, random.nextBoolean(), random.nextBoolean()))
                : Optional.empty();
        return new Asked(levels, random.nextBoolean(), otherTime, rows, random.nextBoolean(), from, end);
    }

    private static Optional<OtherTime> otherTime(LocalDate from, LocalDate to, Random random) {
        LocalDate after = to.plusDays(1);
        String before = after.getDayOfMonth() == 1
                ? "+" + ChronoUnit.MONTHS.between(from, after) + " months"
                : "+" + ChronoUnit.DAYS.between(from, after) + " days";
        return switch (random.nextInt(6)) {
            case 0 -> Optional.of(new OtherTime("last-year", "+12 months"));
            case 1 -> Optional.of(new OtherTime("previous-period", before));
            default -> Optional.empty();
        };
    }

    private static Level level(Key key, boolean mayFill, Random random) {
        List<Order> order = IntStream.range(0, random.nextInt(3))
                .mapToObj(i -> new Order(measure(random), random.nextBoolean(), random.nextInt(4) == 0))
                .toList();
        Optional<String> having = random.nextInt(3) == 0
                ? Optional.of(
                        switch (random.nextInt(4)) {
                            case 0 -> "net > 20.00";
                            case 1 -> "lines < 4";
                            case 2 -> "freight IS NOT NULL";
                            default -> "most >= 3 OR least < 0.00";
                        })
                : Optional.empty();
        Optional<OfAll> ofAll = random.nextInt(4) == 0
                ? Optional.of(new OfAll(
                        List.of("share-of-parent", "share-of-report", "across-report")
                                .get(random.nextInt(3)),
                        // Sums and counts: what is made of whole numbers is compared alike everywhere.
                        List.of(MEASURES.get(0), MEASURES.get(1), MEASURES.get(2), MEASURES.get(5))
                                .get(random.nextInt(4)),
                        random.nextBoolean(),
                        random.nextInt(30)))
                : Optional.empty();
        Optional<Limit> limit = random.nextInt(3) == 0
                ? Optional.of(new Limit(
                        measure(random),
                        random.nextBoolean(),
                        random.nextBoolean() ? 1 + random.nextInt(3) : 10 + random.nextInt(80),
                        random.nextBoolean(),
                        random.nextBoolean()))
                : Optional.empty();
        Optional<String> empty = mayFill && key.fillable() && random.nextInt(3) == 0
                ? Optional.of(random.nextBoolean() ? "zero" : "blank")
                : Optional.empty();
        return new Level(key, order, having, ofAll, limit, empty);
    }

    private static Measure measure(Random random) {
        return MEASURES.get(random.nextInt(MEASURES.size()));
    }

    /** A condition on groups as a definition writes it: columns of the groups' table become aggregates. */
    private static String condition(String having) {
        String written = having;
        for (Measure measure : MEASURES.subList(0, 5)) {
            written = written.replaceAll("\\b" + measure.column() + "\\b", "{" + MEASURES.indexOf(measure) + "}");
        }
        for (Measure measure : MEASURES) {
            written = written.replace("{" + MEASURES.indexOf(measure) + "}", measure.expression());
        }
        return written;
    }

    /** What is shown of the first measure besides its value. */
    static final List<String> SHOWN =
            List.of("share-of-parent", "share-of-report", "running-in-parent", "running-in-report", "rank", "change");

    /** The report's definition. */
    String definition() {
        List<String> totals = new ArrayList<>();
        MEASURES.forEach(measure -> totals.add("\"value\": \"" + measure.expression() + "\""));
        SHOWN.forEach(shown -> totals.add("\"value\": \"SUM(net)\", \"shown\": \"" + shown + "\""));
        totals.add(
                "\"value\": \"SUM(net)\", \"compare\": {\"with\": \"plan\", \"plan\": \"SUM(freight)\", \"shown\": \"difference\"}");
        totals.add(
                "\"value\": \"SUM(net)\", \"compare\": {\"with\": \"plan\", \"plan\": \"SUM(freight)\", \"shown\": \"percent\"}");
        totals.add("\"value\": \"SUM(net)\", \"format\": \"#,##0\"");
        if (otherTime.isPresent()) {
            for (String measure : List.of("SUM(net)", "COUNT(*)", "SUM(freight)")) {
                totals.add("\"value\": \"" + measure
                        + "\", \"compare\": {\"with\": \"" + otherTime.get().word()
                        + "\", \"date\": \"at\", \"shown\": \"figure\"}");
            }
        }
        return """
                {"format": "grammatus-report", "version": 1, "id": "generated", "title": "Generated", "dataset": "lines",
                 "locale": "en-GB", "prompts": [{"id": "p", "name": "period", "type": "period", "label": "Ordered"}],
                 "filters": [{"id": "f", "kind": "period", "field": "at", "prompt": "period"}],
                 "blocks": [{"id": "b", "kind": "banded", "levels": [%s], "totalsCover": "%s", "rounding": "%s",
                   "columns": [{"id": "c", "label": "C"}], "totals": [%s], "counts": [], "highlights": [],
                   "rows": {"shown": %s, "order": [{"id": "r", "by": "net", "direction": "descending"}]%s}}],
                 "page": {"paper": "A4", "orientation": "portrait",
                          "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
                """.formatted(
                        IntStream.range(0, levels.size())
                                .mapToObj(i -> level(i, levels.get(i)))
                                .collect(Collectors.joining(",")),
                        everything ? "everything" : "shown",
                        roundsLines ? "each-line" : "printed",
                        IntStream.range(0, totals.size())
                                .mapToObj(i -> "{\"id\": \"t%d\", \"column\": \"c\", \"cells\": [%s], %s}"
                                        .formatted(i, totals.get(i).contains("#,##0") ? places() : "", totals.get(i)))
                                .collect(Collectors.joining(",")),
                        rows.isPresent(),
                        rows.map(Asked::limit).orElse(""));
    }

    private static String limit(RowLimit rows) {
        return ", \"%s\": %d, \"others\": %s"
                .formatted(rows.percent() ? "percent" : "limit", rows.number(), rows.others());
    }

    /** A total's places: beside every group and the report. */
    private String places() {
        return IntStream.range(0, levels.size())
                .mapToObj(i -> "{\"at\": \"l" + i + "\", \"in\": \"footer\"}, ")
                .collect(Collectors.joining("", "", "{\"at\": \"report\", \"in\": \"footer\"}"));
    }

    private static String level(int number, Level level) {
        String order = IntStream.range(0, level.order().size())
                .mapToObj(i -> {
                    Order term = level.order().get(i);
                    return "{\"id\": \"o%d-%d\", \"by\": \"%s\", \"direction\": \"%s\"%s}"
                            .formatted(
                                    number,
                                    i,
                                    term.by().expression(),
                                    term.descending() ? "descending" : "ascending",
                                    term.acrossReport() ? ", \"basis\": \"report\"" : "");
                })
                .collect(Collectors.joining(","));
        String having = level.having()
                .map(text -> ", \"having\": \"" + condition(text) + "\"")
                .orElse("");
        String ofAll = level.ofAll()
                .map(all -> (", 'conditions': [{'id': 'g%d', 'measure': '%s', 'by': '%s', 'comparison': '%s',"
                                + " 'value': '%d'}]")
                        .replace('\'', '"')
                        .formatted(
                                number,
                                all.measure(),
                                all.by().expression(),
                                all.more() ? "more" : "less",
                                all.number()))
                .orElse("");
        String limit = level.limit()
                .map(l -> ", \"limit\": {\"keep\": \"%s\", \"by\": \"%s\", \"%s\": %d, \"others\": %s}"
                        .formatted(
                                l.largest() ? "largest" : "smallest",
                                l.by().expression(),
                                l.percent() ? "percent" : "count",
                                l.number(),
                                l.others()))
                .orElse("");
        String empty =
                level.empty().map(text -> ", \"empty\": \"" + text + "\"").orElse("");
        return "{\"id\": \"l%d\", \"name\": \"L%d\", %s, \"order\": [%s]%s%s%s%s, \"header\": \"heading\", \"footer\": \"totals\"}"
                .formatted(number, number, level.key().json(), order, having, ofAll, limit, empty);
    }
}
