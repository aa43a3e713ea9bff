package org.grammatus.demo.generated;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * The groups that a report asks for, computed by plain SQL with window functions on SQLite, step by step as the order of evaluation
 * has it. A group is known by its path, a text of sortable parts: '~' stands for NULL, '~~1' for others, '~~2' for what is hidden.
 */
final class GroupsBySql {

    private static final String NONE = "~";
    private static final String FOLDED = "~~";
    private static final int OTHERS = 1;
    private static final int HIDDEN = 2;
    private static final int DROPPED = 3;

    private final Connection connection;
    private final Asked asked;
    private final int depths;

    private GroupsBySql(Connection connection, Asked asked) {
        this.connection = connection;
        this.asked = asked;
        this.depths = asked.levels().size();
    }

    /** A line for each group that is shown, in printed order: its path and figures. */
    static List<String> of(Connection connection, Asked asked) throws SQLException {
        GroupsBySql groups = new GroupsBySql(connection, asked);
        groups.rows("r", "o.at");
        groups.rows(
                "s",
                "datetime(o.at, '"
                        + asked.otherTime().map(Asked.OtherTime::step).orElse("+12 months") + "')");
        groups.run("DROP TABLE IF EXISTS whole");
        groups.run("CREATE TEMP TABLE whole AS SELECT * FROM r");
        groups.limitRows();
        for (int depth = 0; depth <= groups.depths; depth++) {
            groups.run("DROP TABLE IF EXISTS absent" + depth);
            groups.run("CREATE TEMP TABLE absent" + depth + " (path TEXT)");
        }
        for (int depth = groups.depths; depth > 0; depth--) {
            groups.having(depth);
            groups.limit(depth);
        }
        return groups.printed();
    }

    private void run(String sql) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            statement.execute(sql);
        } catch (SQLException e) {
            throw new SQLException(e.getMessage() + " in " + sql, e);
        }
    }

    /** The rows of the period, each with its way through the levels; dates as they are, or as they are moved. */
    private void rows(String table, String at) throws SQLException {
        StringBuilder keys = new StringBuilder();
        for (int i = 0; i < depths; i++) {
            String key = "COALESCE(" + asked.levels().get(i).key().sql().replace("o.at", at) + ", '" + NONE + "')";
            keys.append(", ").append(key).append(" AS c").append(i + 1);
            keys.append(", ").append(key).append(" AS own").append(i + 1);
        }
        run("DROP TABLE IF EXISTS " + table);
        run("CREATE TEMP TABLE " + table
                + " AS SELECT l.id, 0 AS beyond, l.category, l.quantity, l.net, o.id AS ord, o.freight" + keys
                + " FROM line l LEFT JOIN ord o ON o.id = l.ord WHERE date(" + at + ") BETWEEN '" + asked.from()
                + "' AND '" + asked.to() + "'");
    }

    /** The rows after the first of each innermost group: out of the totals, unless these cover everything or others. */
    private void limitRows() throws SQLException {
        if (asked.rows().isEmpty()) {
            return;
        }
        Asked.RowLimit limit = asked.rows().get();
        String kept = limit.percent() ? "(" + limit.number() + " * rows + 99) / 100" : "" + limit.number();
        String beyond = "id IN (SELECT id FROM (SELECT id, COUNT(*) OVER (PARTITION BY path) AS rows,"
                + " ROW_NUMBER() OVER (PARTITION BY path ORDER BY net DESC NULLS LAST, id) AS place"
                + " FROM (SELECT id, net, " + path(depths) + " AS path FROM r)) WHERE place > " + kept + ")";
        if (limit.others()) {
            run("UPDATE r SET beyond = 1 WHERE " + beyond);
        } else if (!asked.everything()) {
            run("DELETE FROM r WHERE " + beyond);
        }
    }

    /** A row's path at a depth. */
    private static String path(int depth) {
        return depth == 0
                ? "''"
                : IntStream.rangeClosed(1, depth).mapToObj(i -> "'/' || c" + i).collect(Collectors.joining(" || "));
    }

    private static final String FIGURES =
            "SUM(net) AS net, COUNT(*) AS lines, MAX(quantity) AS most, MIN(net) AS least,"
                    + " COUNT(DISTINCT category) AS categories, COUNT(*) FILTER (WHERE quantity > 3) AS large,"
                    + " AVG(net) AS average, COUNT(net) AS counted";

    /** Figures by some key of the rows: lines by themselves, freight once per order. */
    private static String figures(String rows, String key, String also) {
        return "SELECT a.*, b.freight, b.large_freight, m.middle FROM (SELECT " + key + " AS path" + also + ", "
                + FIGURES
                + " FROM "
                + rows
                + " GROUP BY 1) a LEFT JOIN (SELECT path, SUM(freight) AS freight, SUM(freight) FILTER (WHERE large)"
                + " AS large_freight FROM (SELECT " + key
                + " AS path, ord, freight, MAX(COALESCE(quantity > 3, 0)) AS large FROM " + rows
                + " WHERE ord IS NOT NULL GROUP BY 1, 2) GROUP BY 1) b USING (path)"
                + " LEFT JOIN (SELECT path, AVG(quantity) AS middle FROM (SELECT " + key + " AS path, quantity,"
                + " ROW_NUMBER() OVER (PARTITION BY " + key
                + " ORDER BY quantity) AS place, COUNT(*) OVER (PARTITION BY "
                + key + ") AS rows FROM " + rows + " WHERE quantity IS NOT NULL)"
                + " WHERE place IN ((rows + 1) / 2, (rows + 2) / 2) GROUP BY 1) m USING (path)";
    }

    /** The groups of one depth and of those above it, those without rows included: tables n0, n1, … */
    private void groups(String rows, int deepest) throws SQLException {
        for (int depth = 0; depth <= deepest; depth++) {
            String part = depth == 0 ? "''" : "c" + depth;
            run("DROP TABLE IF EXISTS n" + depth);
            run("CREATE TEMP TABLE n" + depth + " AS "
                    + figures(
                            rows,
                            path(depth),
                            ", " + path(Math.max(0, depth - 1)) + " AS parent, " + part + " AS part"));
            if (depth == 0) {
                run("INSERT INTO n0 (path, parent, part, lines, categories, large) SELECT '', '', '', 0, 0, 0"
                        + " WHERE NOT EXISTS (SELECT * FROM n0)");
            } else if (asked.levels().get(depth - 1).empty().isPresent()) {
                fill(depth, asked.levels().get(depth - 1));
            }
        }
    }

    private void fill(int depth, Asked.Level level) throws SQLException {
        String zero = level.empty().get().equals("zero") ? "0" : "NULL";
        String known = level.key().sql().startsWith("o.") ? "ord o" : "line l";
        run("INSERT INTO n" + depth + " (path, parent, part, net, lines, freight, large_freight, categories, large)"
                + " SELECT p.path || '/' || k.part, p.path, k.part, " + zero + ", 0, " + zero + ", " + zero
                + ", 0, 0 FROM n"
                + (depth - 1) + " p CROSS JOIN (SELECT DISTINCT " + level.key().sql() + " AS part FROM " + known
                + " WHERE " + level.key().sql() + " IS NOT NULL) k WHERE p.part NOT LIKE '" + FOLDED
                + "%' AND p.path || '/' || k.part NOT IN (SELECT path FROM n" + depth + ")"
                + " AND p.path || '/' || k.part NOT IN (SELECT path FROM absent" + depth + ")");
    }

    private int leftOut() {
        return asked.everything() ? HIDDEN : DROPPED;
    }

    private void having(int depth) throws SQLException {
        Asked.Level level = asked.levels().get(depth - 1);
        if (level.having().isPresent() || level.ofAll().isPresent()) {
            String ofAll =
                    level.ofAll().isPresent() ? meeting(depth, level.ofAll().get()) : "1";
            groups("r", depth);
            String condition = level.having().orElse("1").replaceAll("(\\d+)\\.(\\d\\d)", "$1$2");
            choose(
                    depth,
                    "SELECT path, CASE WHEN (" + condition + ") AND " + ofAll + " THEN 0 ELSE " + leftOut()
                            + " END AS fate FROM n" + depth,
                    leftOut());
        }
    }

    /** A condition on figures of the groups before any was left out; those that meet it are kept in a table. */
    private String meeting(int depth, Asked.OfAll ofAll) throws SQLException {
        groups("whole", depth);
        String figure = ofAll.by().column();
        run("DROP TABLE IF EXISTS met");
        if (ofAll.measure().equals("across-report")) {
            across("whole", depth);
            // Sums are kept in hundredths.
            int number = List.of("categories", "lines").contains(figure) ? ofAll.number() : ofAll.number() * 100;
            run("CREATE TEMP TABLE met AS SELECT g.path FROM n" + depth + " g JOIN across" + depth
                    + " x ON x.path = g.part WHERE x." + figure + ofAll.compared() + number);
        } else {
            String whole = ofAll.measure().equals("share-of-report")
                    ? "n0 up ON 1"
                    : "n" + (depth - 1) + " up ON up.path = g.parent";
            run("CREATE TEMP TABLE met AS SELECT g.path FROM n" + depth + " g JOIN " + whole + " WHERE up." + figure
                    + " <> 0 AND (g." + figure + " * 100 - " + ofAll.number() + " * up." + figure + ") * sign(up."
                    + figure + ")" + ofAll.compared() + "0");
        }
        return "path IN (SELECT path FROM met)";
    }

    private void limit(int depth) throws SQLException {
        Asked.Level level = asked.levels().get(depth - 1);
        if (level.limit().isPresent()) {
            Asked.Limit limit = level.limit().get();
            groups("r", depth);
            int beyond = limit.others() ? OTHERS : leftOut();
            String kept = limit.percent() ? "(" + limit.number() + " * siblings + 99) / 100" : "" + limit.number();
            choose(
                    depth,
                    "SELECT path, CASE WHEN place <= " + kept + " THEN 0 ELSE " + beyond
                            + " END AS fate FROM (SELECT path,"
                            + " COUNT(*) OVER (PARTITION BY parent) AS siblings, ROW_NUMBER() OVER (PARTITION BY parent ORDER BY "
                            + limit.by().column() + (limit.largest() ? " DESC" : "") + " NULLS LAST, "
                            + order(depth) + ") AS place FROM " + ordered(depth) + " WHERE part NOT LIKE '" + FOLDED
                            + "%')",
                    beyond);
        }
    }

    /** The groups of a depth, beside each what its terms across the report compare. */
    private String ordered(int depth) {
        return "(SELECT g.*"
                + IntStream.range(0, asked.levels().get(depth - 1).order().size())
                        .mapToObj(i -> ", (SELECT "
                                + asked.levels()
                                        .get(depth - 1)
                                        .order()
                                        .get(i)
                                        .by()
                                        .column() + " FROM across" + depth
                                + " x WHERE x.path = g.part) AS across" + i)
                        .collect(Collectors.joining())
                + " FROM n" + depth + " g)";
    }

    /** Figures of all groups of a key, whatever groups they lie in. */
    private void across(String rows, int depth) throws SQLException {
        run("DROP TABLE IF EXISTS across" + depth);
        run("CREATE TEMP TABLE across" + depth + " AS " + figures(rows, "own" + depth, ""));
        Asked.Level level = asked.levels().get(depth - 1);
        String zero = level.empty().equals(java.util.Optional.of("zero")) ? "0" : "NULL";
        run("INSERT INTO across" + depth
                + " (path, net, lines, freight, large_freight, categories, large) SELECT part, "
                + zero + ", 0, " + zero + ", " + zero + ", 0, 0 FROM (SELECT DISTINCT part FROM n" + depth + ") WHERE "
                + level.empty().isPresent() + " AND part NOT IN (SELECT path FROM across" + depth + ")");
    }

    private String order(int depth) throws SQLException {
        across("r", depth);
        Asked.Level level = asked.levels().get(depth - 1);
        List<String> terms = new ArrayList<>();
        for (int i = 0; i < level.order().size(); i++) {
            Asked.Order term = level.order().get(i);
            terms.add((term.acrossReport() ? "across" + i : term.by().column()) + (term.descending() ? " DESC" : "")
                    + " NULLS LAST");
        }
        terms.add("part");
        return String.join(", ", terms);
    }

    /** Gives the groups of a depth their fates, and the same groups of the other time with them. */
    private void choose(int depth, String fates, int unmatched) throws SQLException {
        run("DROP TABLE IF EXISTS fate");
        run("CREATE TEMP TABLE fate AS " + fates);
        run("INSERT INTO absent" + depth + " SELECT path FROM fate WHERE fate <> 0");
        for (int fate : List.of(OTHERS, HIDDEN, DROPPED)) {
            give("r", depth, fate, path(depth) + " IN (SELECT path FROM fate WHERE fate = " + fate + ")");
            String missing = fate == unmatched ? " OR " + path(depth) + " NOT IN (SELECT path FROM fate)" : "";
            give("s", depth, fate, path(depth) + " IN (SELECT path FROM fate WHERE fate = " + fate + ")" + missing);
        }
    }

    private void give(String rows, int depth, int fate, String where) throws SQLException {
        String free = "c" + depth + " NOT LIKE '" + FOLDED + "%' AND (" + where + ")";
        if (fate == DROPPED) {
            run("DELETE FROM " + rows + " WHERE " + free);
        } else {
            String folded = IntStream.rangeClosed(depth, depths)
                    .mapToObj(i -> "c" + i + " = '" + FOLDED + fate + "'")
                    .collect(Collectors.joining(", "));
            run("UPDATE " + rows + " SET " + folded + " WHERE " + free);
        }
    }

    /** The groups that are shown, parents before children, with all that is made of their figures. */
    private List<String> printed() throws SQLException {
        groups("r", depths);
        String parentPlace = "''";
        for (int depth = 0; depth <= depths; depth++) {
            String order = depth == 0 ? "part" : order(depth);
            String from = depth == 0 ? "n0" : ordered(depth);
            run("DROP TABLE IF EXISTS p" + depth);
            run("CREATE TEMP TABLE p" + depth + " AS SELECT g.*, " + parentPlace
                    + (depth == 0
                            ? ""
                            : " || printf('/%06d', ROW_NUMBER() OVER (PARTITION BY g.parent ORDER BY g.part LIKE '"
                                    + FOLDED
                                    + "%', "
                                    + order.replaceAll(
                                            "\\b(part|across\\d|net|lines|freight|most|least|categories|large|large_freight|average|middle)\\b",
                                            "g.$1")
                                    + "))")
                    + " AS place, " + (depth == 0 ? "NULL" : "up.net") + " AS around FROM " + from + " g"
                    + (depth == 0
                            ? ""
                            : " JOIN p" + (depth - 1) + " up ON up.path = g.parent AND up.part NOT LIKE '" + FOLDED
                                    + "%'")
                    + " WHERE g.part NOT LIKE '" + FOLDED + HIDDEN + "'");
            parentPlace = "up.place";
        }
        run("DROP TABLE IF EXISTS n" + depths + "_r");
        run("CREATE TEMP TABLE n" + depths + "_r AS SELECT * FROM n" + depths);
        groups("s", depths);
        List<String> lines = new ArrayList<>();
        String all = IntStream.rangeClosed(0, depths)
                .mapToObj(depth ->
                        "SELECT p.path, p.place, p.net, p.lines, p.freight, p.most, p.least, p.categories, p.large,"
                                + " p.large_freight, p.average, p.counted, p.middle, " + rounded(depth)
                                + " AS rounded, p.around, (SELECT net FROM p0) AS whole,"
                                + " SUM(p.net) OVER (PARTITION BY p.parent ORDER BY p.place) AS in_parent,"
                                + " (SELECT SUM(x.net) FROM (" + printedSoFar(depth)
                                + ") x WHERE x.place <= p.place) AS in_report,"
                                + (depth == 0
                                        ? "NULL AS rank, NULL AS change"
                                        : " CASE WHEN p.net IS NOT NULL AND p.part NOT LIKE '" + FOLDED
                                                + "%' THEN RANK() OVER (PARTITION BY p.parent, p.part LIKE '"
                                                + FOLDED + "%' ORDER BY p.net DESC NULLS LAST) END AS rank,"
                                                + " CASE WHEN p.part NOT LIKE '" + FOLDED
                                                + "%' THEN p.net - LAG(p.net) OVER (PARTITION BY p.parent, p.part LIKE '"
                                                + FOLDED + "%' ORDER BY p.place) END AS change")
                                + ", n.net AS last_net, COALESCE(n.lines, 0) AS last_lines, n.freight AS last_freight"
                                + " FROM p" + depth + " p LEFT JOIN n" + depth + " n ON n.path = p.path")
                .collect(Collectors.joining(" UNION ALL "));
        Map<String, String> others = otherRows();
        try (Statement statement = connection.createStatement();
                ResultSet result = statement.executeQuery("SELECT * FROM (" + all + ") ORDER BY place")) {
            while (result.next()) {
                lines.add(line(result) + others.getOrDefault(result.getString("path"), ""));
            }
        }
        return lines;
    }

    /** The printed groups of a depth, and the others further out, which are not divided. */
    private static String printedSoFar(int depth) {
        return "SELECT net, place FROM p" + depth
                + IntStream.range(1, depth)
                        .mapToObj(above -> " UNION ALL SELECT net, place FROM p" + above + " WHERE part = '" + FOLDED
                                + OTHERS + "'")
                        .collect(Collectors.joining());
    }

    /** By innermost group: how many rows stand together in it, and what they come to. */
    private Map<String, String> otherRows() throws SQLException {
        Map<String, String> others = new HashMap<>();
        String path = path(depths);
        try (Statement statement = connection.createStatement();
                ResultSet result = statement.executeQuery("SELECT " + path
                        + " AS path, COUNT(*), SUM(net) FROM r WHERE beyond = 1 AND " + path + " NOT LIKE '%" + FOLDED
                        + "%' GROUP BY 1")) {
            while (result.next()) {
                others.put(result.getString(1), " + " + result.getString(2) + ": " + text(result.getString(3)));
            }
        }
        return others;
    }

    /** The sum of a group once each innermost group in it is rounded to a whole number, half away from zero; rounding makes no sum of nothing. */
    private String rounded(int depth) {
        if (!asked.roundsLines()) {
            return "p.net";
        }
        String whole = "(ABS(%1$s) + 50) / 100 * 100 * SIGN(%1$s)";
        String inside = "SELECT SUM(" + whole.formatted("x.net") + ") FROM n" + depths
                + "_r x WHERE x.path LIKE p.path || '/%'";
        return depth == depths
                ? whole.formatted("p.net")
                : "CASE WHEN p.net IS NOT NULL THEN COALESCE((" + inside + "), " + whole.formatted("p.net") + ") END";
    }

    private String line(ResultSet result) throws SQLException {
        List<String> line = new ArrayList<>(List.of(result.getString("path")));
        for (Asked.Measure measure : Asked.MEASURES) {
            line.add(figure(result, measure.column()));
        }
        line.add(ratio(result, "net", "around"));
        line.add(ratio(result, "net", "whole"));
        for (String column : List.of("in_parent", "in_report", "rank", "change")) {
            line.add(text(result.getString(column)));
        }
        line.add(difference(result, false));
        line.add(difference(result, true));
        line.add(text(result.getString("rounded")));
        if (asked.otherTime().isPresent()) {
            for (String column : List.of("last_net", "last_lines", "last_freight")) {
                line.add(text(result.getString(column)));
            }
        }
        return String.join(" ", line);
    }

    /** A figure with all digits of its scale; averages and medians have eight more than what they are of. */
    private static String figure(ResultSet result, String column) throws SQLException {
        String value = result.getString(column);
        return switch (column) {
            case "average" ->
                value == null
                        ? "-"
                        : new BigDecimal(result.getString("net"))
                                .movePointRight(8)
                                .divide(new BigDecimal(result.getString("counted")), 0, RoundingMode.HALF_UP)
                                .toString();
            case "middle" ->
                value == null
                        ? "-"
                        : new BigDecimal(value).movePointRight(8).toBigInteger().toString();
            default -> text(value);
        };
    }

    /** What net is more than its plan, freight; or how much more in percent of it. */
    private static String difference(ResultSet result, boolean percent) throws SQLException {
        String net = result.getString("net");
        String plan = result.getString("freight");
        if (net == null || plan == null || percent && plan.equals("0")) {
            return "-";
        }
        BigDecimal more = new BigDecimal(net).subtract(new BigDecimal(plan));
        return percent
                ? more.divide(new BigDecimal(plan).abs(), 10, RoundingMode.HALF_UP)
                        .unscaledValue()
                        .toString()
                : more.toString();
    }

    private static String text(String value) {
        return value == null ? "-" : value;
    }

    private static String ratio(ResultSet result, String part, String whole) throws SQLException {
        String own = result.getString(part);
        String all = result.getString(whole);
        return own == null || all == null || all.equals("0")
                ? "-"
                : new BigDecimal(own)
                        .divide(new BigDecimal(all), 10, RoundingMode.HALF_UP)
                        .unscaledValue()
                        .toString();
    }
}
