package org.grammatus.benchmarks;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.grammatus.core.group.TableResult;

/**
 * What else reports ask of groups: more levels, distinct counts, many nodes, shares and ranks, the largest with others. Each beside an anchor,
 * once both answers have been compared row by row.
 */
final class GroupVariants {

    private static final String SUM_FIRST = "{\"id\": \"o-%s\", \"by\": \"SUM(net)\", \"direction\": \"descending\"}";
    private static final String CLASSES =
            ", \"classes\": [{\"upTo\": \"0\"}, {\"upTo\": \"100\"}, {\"upTo\": \"1000\"}, {}]";

    private GroupVariants() {}

    static void run(int[] sizes) throws Exception {
        System.out.printf(
                "%-52s %10s %10s %8s %12s%n", "groups of other kinds", "ours s", "DuckDB s", "ratio", "groups");
        for (int size : sizes) {
            Lines lines = Lines.generate(size);
            String deep = level("region", "region", "") + "," + level("apiary", "apiary", "") + ","
                    + level("order", "order_number", "");
            time(
                    lines,
                    "orders alone, largest first",
                    "orders-alone.sql",
                    level("order", "order_number", ""),
                    List.of());
            time(
                    lines,
                    "five levels",
                    "five-levels.sql",
                    level("region", "region", "") + "," + level("class", "net", CLASSES) + ","
                            + level("apiary", "apiary", "") + "," + level("order", "order_number", "") + ","
                            + level("amount", "net", ""),
                    List.of());
            time(
                    lines,
                    "distinct orders of each apiary",
                    "distinct-orders.sql",
                    level("region", "region", "") + "," + level("apiary", "apiary", ""),
                    List.of("\"value\": \"COUNT(DISTINCT order_number)\""));
            time(
                    lines,
                    "shares, ranks and running totals",
                    "shares-and-ranks.sql",
                    deep,
                    List.of(
                            "\"value\": \"SUM(net)\", \"shown\": \"share-of-parent\"",
                            "\"value\": \"SUM(net)\", \"shown\": \"rank\"",
                            "\"value\": \"SUM(net)\", \"shown\": \"running-in-parent\""));
            String limit =
                    ", \"limit\": {\"keep\": \"largest\", \"by\": \"SUM(net)\", \"count\": 10, \"others\": true}";
            time(
                    lines,
                    "the ten largest, others together",
                    "ten-largest.sql",
                    level("region", "region", limit) + "," + level("apiary", "apiary", limit) + ","
                            + level("order", "order_number", limit),
                    List.of());
        }
    }

    private static String level(String id, String key, String more) {
        return "{\"id\": \"%s\", \"name\": \"%s\", \"key\": \"%s\"%s, \"order\": [%s], \"header\": \"none\", \"footer\": \"none\"}"
                .formatted(id, id, key, more, SUM_FIRST.formatted(id));
    }

    private static void time(Lines lines, String name, String question, String levels, List<String> totals)
            throws Exception {
        List<String> all = new ArrayList<>(List.of("\"value\": \"SUM(net)\""));
        all.addAll(totals);
        String written = all.stream()
                .map(total ->
                        "{\"id\": \"t%d\", \"column\": \"c\", \"cells\": [], %s}".formatted(all.indexOf(total), total))
                .collect(Collectors.joining(","));
        OurEngine engine = new OurEngine(lines, """
                {"format": "grammatus-report", "version": 1, "id": "variant", "title": "Variant", "dataset": "lines",
                 "locale": "en-GB", "prompts": [], "filters": [],
                 "blocks": [{"id": "b", "kind": "banded", "levels": [%s], "columns": [{"id": "c", "label": "C"}],
                   "totals": [%s], "counts": [], "highlights": [], "rows": {"shown": false, "order": []}}],
                 "page": {"paper": "A4", "orientation": "portrait",
                          "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
                """.formatted(levels, written));
        try (DuckDbAnchor anchor = new DuckDbAnchor(lines, question)) {
            TableResult grouped = engine.run();
            AnchorRows rows = new AnchorRows(grouped, question.startsWith("ten"));
            anchor.forEachRow(rows::requireNext);
            rows.requireOver();
            Pairs pairs = Pairs.of(engine::run, anchor::firstRow);
            System.out.printf(
                    "%-52s %10.3f %10.3f %7.1fx %,12d%n",
                    "%,d lines, %s".formatted(lines.count(), name),
                    pairs.ours(),
                    pairs.theirs(),
                    pairs.theirs() / pairs.ours(),
                    grouped.tree().nodeCount() - 1);
        }
    }
}
