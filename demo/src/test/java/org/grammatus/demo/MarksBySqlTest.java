package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.prompt.Answers;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.junit.jupiter.api.Test;

/** What rules mark is what SQL counts: of rows, of groups, and among the others of their group. Amounts are in cents there. */
class MarksBySqlTest {

    /**
     * A rule.
     *
     * @param reach of the rule, as the definition has it; none for rows
     * @param sql counts what it is to mark, over {@code r}, the rows, or {@code g}, the depots of regions
     */
    private record Rule(String when, String reach, String sql) {}

    private static Rule rows(String when, String sql) {
        return new Rule(when, "", "SELECT COUNT(*) FROM " + sql);
    }

    private static Rule groups(String when, String sql) {
        return new Rule(when, ", \"reach\": {\"of\": \"totals\", \"level\": \"depot\"}", "SELECT COUNT(*) FROM " + sql);
    }

    private static final String RANKED =
            "(SELECT RANK() OVER (PARTITION BY region, depot ORDER BY net DESC) AS place FROM r)";
    private static final String BEFORE =
            "(SELECT net, LAG(net) OVER (PARTITION BY region, depot ORDER BY line_id) AS before FROM r)";

    private static final List<Rule> RULES = List.of(
            rows("net_amount > 5000", "r WHERE net > 500000"),
            rows("ship_date > promised_date", "r WHERE ship_date > promised_date"),
            rows("depot IS NULL", "r WHERE depot IS NULL"),
            rows("net_amount > AVG(net_amount) OVER ()", "r WHERE net > (SELECT AVG(net) FROM r)"),
            rows(
                    "net_amount > 3 * AVG(net_amount) OVER (PARTITION BY region, depot)",
                    "(SELECT net, AVG(net) OVER (PARTITION BY region, depot) AS middle FROM r) WHERE net > 3 * middle"),
            rows(
                    "RANK() OVER (PARTITION BY region, depot ORDER BY net_amount DESC) <= 10",
                    RANKED + " WHERE place <= 10"),
            rows(
                    "CUME_DIST() OVER (PARTITION BY region ORDER BY net_amount DESC) <= 0.1",
                    "(SELECT CUME_DIST() OVER (PARTITION BY region ORDER BY net DESC) AS part FROM r) WHERE part <= 0.1"),
            rows(
                    "ABS(net_amount - LAG(net_amount) OVER (PARTITION BY region, depot ORDER BY lines)) > 1000",
                    BEFORE + " WHERE ABS(net - before) > 100000"),
            rows(
                    "COUNT(*) OVER (PARTITION BY net_amount) > 1",
                    "(SELECT COUNT(*) OVER (PARTITION BY net) AS alike FROM r) WHERE alike > 1"),
            rows(
                    "COUNT(*) OVER (PARTITION BY region, depot, product_code) > 8",
                    "(SELECT COUNT(*) OVER (PARTITION BY region, depot, product_id) AS alike FROM r) WHERE alike > 8"),
            groups("SUM(net_amount) > 100000", "g WHERE net > 10000000"),
            groups(
                    "RANK() OVER (PARTITION BY region ORDER BY SUM(net_amount) DESC) <= 2",
                    "(SELECT RANK() OVER (PARTITION BY region ORDER BY net DESC) AS place FROM g) WHERE place <= 2"),
            groups(
                    "SUM(net_amount) < LAG(SUM(net_amount)) OVER (PARTITION BY region ORDER BY depot)",
                    "(SELECT net, LAG(net) OVER (PARTITION BY region ORDER BY depot NULLS LAST) AS before FROM g)"
                            + " WHERE net < before"));

    private static TableResult marked() {
        String highlights = IntStream.range(0, RULES.size())
                .mapToObj(i ->
                        "{\"id\": \"h%d\", \"label\": \"%d\", \"when\": \"%s\", \"look\": \"alert\", \"also\": true%s}"
                                .formatted(
                                        i, i, RULES.get(i).when(), RULES.get(i).reach()))
                .collect(Collectors.joining(", "));
        Report report = Definitions.readReport("""
                {"format": "grammatus-report", "version": 1, "id": "marked", "title": "Marked",
                 "dataset": "sales-order-lines", "locale": "en-GB", "prompts": [], "filters": [],
                 "page": {"paper": "A4", "orientation": "portrait",
                  "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}},
                 "blocks": [{"id": "lines", "kind": "banded", "rows": {"shown": true, "order": []}, "counts": [],
                  "levels": [
                   {"id": "region", "name": "Region", "key": "region", "order": [], "header": "heading", "footer": "totals"},
                   {"id": "depot", "name": "Depot", "key": "depot", "order": [], "header": "heading", "footer": "totals"}],
                  "columns": [{"id": "net", "value": "net_amount"}], "totals": [], "highlights": [%s]}]}
                """.formatted(highlights));
        return new RunEngine(RunLimits.DEFAULT)
                .run(
                        new RunRequest(report, DemoData.datasets(report), Answers.NONE, DemoData.CONTEXT),
                        DemoData.held(),
                        p -> {},
                        () -> false)
                .first()
                .grouped();
    }

    private static int counted(Connection sql, String query) throws SQLException {
        try (ResultSet rows = sql.createStatement()
                .executeQuery("WITH r AS (SELECT line_id, net_amount AS net, product_id, region, depot, ship_date,"
                        + " promised_date FROM sales_order_line LEFT JOIN sales_order USING (order_id)"
                        + " LEFT JOIN apiary USING (apiary_id)),"
                        + " g AS (SELECT region, depot, SUM(net) AS net FROM r GROUP BY region, depot) " + query)) {
            return rows.getInt(1);
        }
    }

    @Test
    void everyRuleMarksWhatSqlCounts() throws SQLException {
        TableResult grouped = marked();
        try (Connection sql = DriverManager.getConnection("jdbc:sqlite:" + DemoData.database(ScenarioSize.DEMO))) {
            for (int i = 0; i < RULES.size(); i++) {
                int expected = counted(sql, RULES.get(i).sql());
                assertThat(expected).as(RULES.get(i).when()).isPositive();
                assertThat(grouped.marks().count(i)).as(RULES.get(i).when()).isEqualTo(expected);
            }
        }
    }
}
