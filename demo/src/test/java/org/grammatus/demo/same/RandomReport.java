package org.grammatus.demo.same;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.plan.planner.ReaderView;

/** A report over the sales of the demo, and how a reader looks at it, made from a seed: the same seed gives the same report. */
public final class RandomReport {

    private static final List<String> KEYS = List.of(
            "\"key\": \"region\"",
            "\"key\": \"depot\"",
            "\"key\": \"status\", \"listed\": [\"open\", \"shipped\"]",
            "\"key\": \"category\"",
            "\"key\": \"customer_type\"",
            "\"key\": \"apiary_code\", \"label\": \"apiary_name\"",
            "\"key\": \"ordered_at\", \"bucket\": \"month\"",
            "\"key\": \"ordered_at\", \"bucket\": \"week\", \"empty\": \"zero\"",
            "\"key\": \"ordered_at\", \"bucket\": \"fiscal-quarter\"",
            "\"key\": \"ordered_at\", \"bucket\": \"day-of-week\", \"empty\": \"blank\"",
            "\"key\": \"quantity\", \"classes\": [{\"upTo\": \"5\"}, {\"upTo\": \"20\", \"label\": \"some\"}, {}]");
    private static final List<String> COLUMNS = List.of(
            "\"label\": \"Order\", \"value\": \"order_number\"",
            "\"label\": \"Ordered\", \"value\": \"ordered_at\"",
            "\"label\": \"Product\", \"value\": \"product_name\"",
            "\"label\": \"Quantity\", \"value\": \"quantity\"",
            "\"label\": \"Net sales\", \"value\": \"net_amount\", \"unit\": \"thousands\", \"format\": \"#,##0.0\"",
            "\"label\": \"Freight\", \"value\": \"freight\"",
            "\"label\": \"Margin of a long heading\", \"value\": \"net_amount - quantity\", \"width\": 90");
    private static final List<String> FIGURES = List.of(
            "\"value\": \"SUM(net_amount)\"",
            "\"value\": \"SUM(freight)\"",
            "\"value\": \"COUNT(DISTINCT order_number)\"",
            "\"value\": \"AVG(quantity)\"",
            "\"value\": \"MAX(ordered_at)\"",
            "\"value\": \"order_count\"",
            "\"value\": \"SUM(net_amount) FILTER (WHERE depot = 'Kiln Yard')\"",
            "\"value\": \"SUM(net_amount) / NULLIF(SUM(quantity), 0)\"",
            "\"value\": \"SUM(quantity)\", \"shown\": \"share-of-report\"",
            "\"value\": \"SUM(net_amount)\", \"shown\": \"running-in-parent\"",
            "\"value\": \"SUM(net_amount)\", \"shown\": \"rank\"",
            "\"value\": \"SUM(net_amount)\", \"compare\": {\"with\": \"last-year\", \"date\": \"ordered_at\", \"shown\": \"difference\"}");
    private static final List<String> FILTERS =
            List.of("TRUE", "depot <> 'Kiln Yard'", "quantity > 3 AND status <> 'open'", "category IS NOT NULL");
    private static final List<String> MARKS =
            List.of("quantity > 30", "net_amount < 20", "freight IS NULL", "status = 'open'");

    /** Groups that readers narrow to, by what their level is made of: the key as files write it, none for blank ones. */
    private static final Map<String, String> NARROWED = Map.of(
            "\"region\"", "Lakeside",
            "\"depot\"", "",
            "\"month\"", "2026-10-01",
            "\"week\"", "2026-10-12",
            "\"day-of-week\"", "3",
            "\"quantity\"", "2");

    private final List<ReaderView.Only> narrowed = new ArrayList<>();
    private final Random random;
    /** How it looks is chosen apart, so that what it says stays the same. */
    private final Random looks;

    private final List<String> levels = new ArrayList<>();
    private final List<String> columns = new ArrayList<>();

    public RandomReport(long seed) {
        random = new Random(seed * 7_919 + 1);
        looks = new Random(seed * 104_729 + 3);
    }

    private boolean chance(int percent) {
        return random.nextInt(100) < percent;
    }

    private <T> T one(List<T> of) {
        return of.get(random.nextInt(of.size()));
    }

    private static String list(Stream<String> items) {
        return items.collect(Collectors.joining(", ", "[", "]"));
    }

    /** Its document. */
    public String text() {
        List<String> keys = new ArrayList<>(KEYS);
        String allLevels =
                list(Stream.generate(() -> 0).limit(random.nextInt(4)).map(i -> level(keys)));
        String allColumns =
                list(Stream.generate(() -> 0).limit(2 + random.nextInt(4)).map(i -> column()));
        String totals = list(Stream.iterate(0, i -> i + 1)
                .limit(Math.min(columns.size(), 1 + random.nextInt(3)))
                .map(this::total));
        String highlights =
                list(Stream.iterate(0, i -> i + 1).limit(random.nextInt(3)).map(this::highlight));
        boolean shown = levels.isEmpty() || chance(60);
        String rows = "{\"shown\": " + shown + ", \"order\": "
                + (chance(50) ? "[{\"id\": \"o\", \"by\": \"net_amount\", \"direction\": \"descending\"}]" : "[]")
                + (shown && chance(30) ? ", \"limit\": " + (1 + random.nextInt(4)) + ", \"others\": " + chance(60) : "")
                + "}";
        return """
                {"format": "grammatus-report", "version": 1, "id": "r", "title": "Made from a seed", "dataset": "sales-order-lines",
                 "locale": "%s", "prompts": [],
                 "filters": [{"id": "f-days", "kind": "expression",
                   "where": "ordered_at >= DATE '2026-10-05' AND ordered_at < DATE '2026-10-19'"},
                   {"id": "f", "kind": "expression", "where": "%s"}],
                 "blocks": [{"id": "b", "kind": "banded", "levels": %s, "columns": %s, "totals": %s%s%s, "counts": %s,
                   "highlights": %s, "rows": %s%s}],
                 "page": {"paper": "%s", "orientation": "%s", "margins": {"top": 15, "right": 12, "bottom": 15, "left": 12}%s}%s}
                """.formatted(
                        one(List.of("en-GB", "de-DE", "fr-FR")),
                        one(FILTERS),
                        allLevels,
                        allColumns,
                        totals,
                        chance(30) ? ", \"totalsCover\": \"everything\"" : "",
                        chance(25) ? ", \"rounding\": \"each-line\"" : "",
                        one(List.of("[]", "[\"orders\"]", "[\"orders\", \"lines\"]")),
                        highlights,
                        rows,
                        tableLayout(shown && !rows.contains("limit")),
                        one(List.of("A4", "Letter")),
                        one(List.of("portrait", "landscape")),
                        chance(30) ? ", \"header\": \"{title} · {business_date}\", \"footer\": \"Ours\"" : pageLines(),
                        style());
    }

    private String level(List<String> keys) {
        String key = keys.remove(random.nextInt(keys.size()));
        String id = "l" + levels.size();
        levels.add(id);
        NARROWED.forEach((part, value) -> {
            if (key.contains(part)) {
                narrowed.add(new ReaderView.Only(id, Optional.of(value).filter(v -> !v.isEmpty())));
            }
        });
        String order = chance(50)
                ? "[{\"id\": \"o-" + id + "\", \"by\": \"SUM(net_amount)\", \"direction\": \""
                        + one(List.of("ascending", "descending")) + "\"" + (chance(30) ? ", \"basis\": \"report\"" : "")
                        + "}]"
                : "[]";
        String limit = chance(25)
                ? ", \"limit\": {\"keep\": \"largest\", \"by\": \"SUM(net_amount)\", \""
                        + one(List.of("count", "percent")) + "\": " + (2 + random.nextInt(30)) + ", \"others\": "
                        + chance(50) + "}"
                : "";
        return "{\"id\": \"" + id + "\", \"name\": \"Level " + id + "\", " + key + ", \"order\": " + order
                + (chance(15) ? ", \"having\": \"SUM(quantity) > 20\"" : "")
                + limit
                + ", \"header\": \"" + one(List.of("heading", "heading", "line", "none")) + "\""
                + (chance(20) ? ", \"headerText\": \"{group}: {COUNT(*)}\"" : "")
                + ", \"footer\": \"" + one(List.of("totals", "none")) + "\""
                + (chance(10) ? ", \"newPage\": true" : "") + levelLayout() + "}";
    }

    private String column() {
        String id = "c" + columns.size();
        columns.add(id);
        String once = !levels.isEmpty() && chance(15) ? ", \"once\": \"" + one(levels) + "\"" : "";
        return "{\"id\": \"" + id + "\", " + one(COLUMNS) + once + room() + "}";
    }

    private String total(int number) {
        List<String> cells = new ArrayList<>();
        for (String level : levels) {
            if (chance(70)) {
                cells.add(
                        "{\"at\": \"" + level + "\", \"in\": \"" + one(List.of("header", "footer", "footer")) + "\"}");
            }
        }
        cells.add("{\"at\": \"report\", \"in\": \"footer\"}");
        return "{\"id\": \"t" + number + "\", \"column\": \"" + columns.get(number % columns.size()) + "\", "
                + one(FIGURES) + ", \"cells\": " + list(cells.stream()) + "}";
    }

    private String highlight(int number) {
        return "{\"id\": \"h" + number + "\", \"label\": \"Rule " + number + "\", \"when\": \"" + one(MARKS)
                + "\", \"look\": \"" + one(List.of("alert", "watch", "note")) + "\"" + reach()
                + (looks.nextInt(5) == 0 ? ", \"word\": \"late\"" : "")
                + (looks.nextInt(4) == 0 ? ", \"also\": true" : "") + "}";
    }

    /** What a rule marks; one of groups holds for what their first row is. */
    private String reach() {
        String column = looks.nextInt(3) == 0 ? ", \"column\": \"" + any(columns) + "\"" : "";
        if (levels.isEmpty() || looks.nextInt(2) == 0) {
            return column.isEmpty() ? "" : ", \"reach\": {\"of\": \"row\"" + column + "}";
        }
        return ", \"reach\": {\"of\": \"" + any(List.of("heading", "totals", "group")) + "\", \"level\": \""
                + any(levels) + "\"" + column + "}";
    }

    private String some(int oneIn, String text) {
        return looks.nextInt(oneIn) == 0 ? text : "";
    }

    private String levelLayout() {
        String layout = Stream.of(
                        some(4, "\"keepTogether\": true"),
                        some(6, "\"newPageUnder\": 30"),
                        some(6, "\"onFront\": true"),
                        some(5, "\"totalsFrom\": 3"),
                        some(5, "\"ruleAfter\": true"),
                        some(5, "\"spaceAfter\": 7.5"))
                .filter(text -> !text.isEmpty())
                .collect(Collectors.joining(", "));
        return layout.isEmpty() ? "" : ", \"layout\": {" + layout + "}";
    }

    private String room() {
        return any(List.of(
                "",
                "",
                "",
                ", \"room\": {\"over\": \"Together\"}",
                ", \"room\": {\"lines\": 1}",
                ", \"room\": {\"below\": true}",
                ", \"room\": {\"turned\": true}",
                ", \"room\": {\"over\": \"Together\", \"share\": 12}"));
    }

    private String tableLayout(boolean mayCarry) {
        String layout = Stream.of(
                        some(4, "\"headingsOnce\": true"),
                        mayCarry ? some(2, "\"carried\": true") : "",
                        some(5, "\"blankEvery\": 4"))
                .filter(text -> !text.isEmpty())
                .collect(Collectors.joining(", "));
        return layout.isEmpty() ? "" : ", \"layout\": {" + layout + "}";
    }

    private String pageLines() {
        return some(4, ", \"mirrored\": true")
                + some(4, ", \"watermark\": \"Draft\"")
                + some(
                        3,
                        ", \"lines\": {\"header\": {\"start\": \"{group}\", \"centre\": \"{title}\", \"end\": \"{page_of_group}\"},"
                                + " \"firstHeader\": {\"centre\": \"First\"}}");
    }

    private String style() {
        String style = any(List.of("", "", ", \"style\": \"ledger\"", ", \"style\": \"black-on-white\""));
        return style
                + (looks.nextInt(4) == 0
                        ? ", \"look\": {\"figures\": {\"negative\": \"red\", \"blank\": \"none\"}, \"spacing\": {\"lines\": 160}}"
                        : "");
    }

    private <T> T any(List<T> of) {
        return of.get(looks.nextInt(of.size()));
    }

    /** How its reader looks at it; asked for after its document. */
    ReaderView view() {
        if (chance(50)) {
            return ReaderView.PLAIN;
        }
        List<ReaderView.Sort> order =
                chance(60) ? List.of(new ReaderView.Sort(one(columns), one(List.of(Direction.values())))) : List.of();
        List<ReaderView.Width> widths =
                chance(20) ? List.of(new ReaderView.Width(one(columns), Optional.of(60))) : List.of();
        List<ReaderView.Only> only = !narrowed.isEmpty() && chance(40) ? List.of(one(narrowed)) : List.of();
        List<String> whole = !levels.isEmpty() && chance(30) ? List.of(one(levels)) : List.of();
        Optional<String> downTo = !levels.isEmpty() && chance(30) ? Optional.of(one(levels)) : Optional.empty();
        return new ReaderView(order, only, List.of(), widths, whole, downTo, chance(25));
    }
}
