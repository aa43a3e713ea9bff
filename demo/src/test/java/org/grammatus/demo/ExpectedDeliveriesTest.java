package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.grammatus.core.band.BandContents;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.value.Scalar;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunResult;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Expected deliveries against plain SQL: lines in order, what is open, what is overdue, and the value of each day. */
class ExpectedDeliveriesTest {

    private static final String FROM_WHERE = """
            FROM purchase_order_line l JOIN purchase_order o USING (order_id) JOIN supplier s USING (supplier_id)
            WHERE l.quantity > l.received_quantity AND l.expected_date <= '2026-11-27'
            """;

    private static RunResult run(Map<String, String> answers) {
        RunRequest request = new RunRequest(
                Starters.report("expected-deliveries").orElseThrow(),
                DatasetModel.of(Starters.dataset("purchase-order-lines").orElseThrow()),
                new Answers(answers),
                DemoData.CONTEXT);
        return new RunEngine(RunLimits.DEFAULT).run(request, DemoData.held(), progress -> {}, () -> false);
    }

    private static List<String> query(String sql) throws Exception {
        List<String> found = new ArrayList<>();
        try (Connection connection =
                        DriverManager.getConnection("jdbc:sqlite:" + DemoData.database(ScenarioSize.DEMO));
                Statement statement = connection.createStatement();
                ResultSet result = statement.executeQuery(sql)) {
            while (result.next()) {
                List<String> row = new ArrayList<>();
                for (int i = 1; i <= result.getMetaData().getColumnCount(); i++) {
                    row.add(String.valueOf(result.getObject(i)));
                }
                found.add(String.join("|", row));
            }
        }
        return found;
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            nullValues = "none",
            value = {"none | none", "Kiln Yard | none", "none | Ironbark Tools", "Tarn Street | Ironbark Tools"})
    void everyLineAndDayEqualsPlainSql(String depot, String supplier) throws Exception {
        String where = FROM_WHERE
                + (depot == null ? "" : " AND o.depot = '" + depot + "'")
                + (supplier == null ? "" : " AND s.name = '" + supplier + "'");
        TableResult grouped = run(Map.of(
                        "depot", depot == null ? "" : depot, "supplier", supplier == null ? "" : supplier))
                .grouped();
        BandTexts printed = new BandTexts(grouped);

        List<String> lines = new ArrayList<>();
        for (int row : grouped.rows().order()) {
            lines.add(new BandContents(grouped).cells().rowText(row, 1) + "|"
                    + new BandContents(grouped).cells().rowText(row, 2) + "|"
                    + new BandContents(grouped).cells().rowText(row, 3) + "|"
                    + new BandContents(grouped).cells().rowText(row, 5));
        }
        assertThat(lines)
                .isEqualTo(query("SELECT l.quantity, l.received_quantity, l.quantity - l.received_quantity,"
                        + " CASE WHEN l.expected_date < '2026-11-20' THEN"
                        + " CAST(julianday('2026-11-20') - julianday(l.expected_date) AS INTEGER) ELSE '' END "
                        + where
                        + " ORDER BY l.expected_date, o.depot IS NULL, o.depot, o.order_number, l.line_number"));

        List<String> days = new ArrayList<>();
        for (int place = 1; place < grouped.tree().nodeCount(); place++) {
            int node = grouped.tree().nodeAt(place);
            if (grouped.tree().depthOf(node) == 1) {
                days.add(unscaled(grouped, node) + "|"
                        + grouped.figures().counts().get(0)[node] + "|"
                        + grouped.figures().counts().get(1)[node]);
            }
        }
        assertThat(days)
                .isEqualTo(query("SELECT SUM((l.quantity - l.received_quantity) * l.unit_cost),"
                        + " COUNT(DISTINCT o.order_id), COUNT(*) " + where
                        + " GROUP BY l.expected_date ORDER BY l.expected_date"));
        assertThat(List.of(grouped.marks().count(0) + "|" + grouped.marks().count(1)))
                .isEqualTo(query("SELECT COUNT(CASE WHEN l.expected_date < '2026-11-20' THEN 1 END),"
                        + " COUNT(CASE WHEN l.expected_date = '2026-11-20' THEN 1 END) " + where));
        assertThat(grouped.marks().count(0)).isPositive();
    }

    private static String unscaled(TableResult grouped, int node) {
        assertThat(node).isNotEqualTo(GroupTree.ROOT);
        return Scalars.at(grouped.figures().totals().getFirst(), node)
                        instanceof Scalar.Number(BigDecimal number, var type)
                ? number.unscaledValue().toString()
                : "";
    }
}
