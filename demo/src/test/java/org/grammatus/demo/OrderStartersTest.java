package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.value.Scalar;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.api.Test;

/** The starter reports about orders, figure by figure, against plain SQL. */
class OrderStartersTest {

    private static final Path DATABASE = DemoData.database(ScenarioSize.DEMO);
    private static final String JOINED = " FROM sales_order_line l LEFT JOIN sales_order o USING (order_id)"
            + " LEFT JOIN apiary a USING (apiary_id) WHERE date(o.ordered_at) BETWEEN ";

    private static TableResult grouped(String report, String period) {
        RunRequest request = new RunRequest(
                Starters.report(report).orElseThrow(),
                DatasetModel.of(Starters.dataset("sales-order-lines").orElseThrow()),
                new Answers(Map.of("period", period)),
                DemoData.CONTEXT);
        return new RunEngine(RunLimits.DEFAULT)
                .run(request, StarReader.over(new SqliteSource(DATABASE)), progress -> {}, () -> false)
                .grouped();
    }

    /** Each group in printed order: its label, then some totals as unscaled whole numbers. */
    private static List<String> lines(TableResult grouped, int... totals) {
        BandTexts printed = new BandTexts(grouped);
        List<String> lines = new ArrayList<>();
        for (int place = 1; place < grouped.tree().nodeCount(); place++) {
            int node = grouped.tree().nodeAt(place);
            StringBuilder line = new StringBuilder(printed.label(node));
            for (int total : totals) {
                Scalar value = Scalars.at(grouped.figures().totals().get(total), node);
                line.append('|')
                        .append(value instanceof Scalar.Number n ? n.value().unscaledValue() : "");
            }
            lines.add(line.toString());
        }
        return lines;
    }

    private static List<String> sql(String query) throws SQLException {
        List<String> lines = new ArrayList<>();
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + DATABASE);
                Statement statement = connection.createStatement();
                ResultSet result = statement.executeQuery(query)) {
            while (result.next()) {
                StringBuilder line = new StringBuilder(result.getString(1));
                for (int i = 2; i <= result.getMetaData().getColumnCount(); i++) {
                    String value = result.getString(i);
                    line.append('|').append(value == null ? "" : value);
                }
                lines.add(line.toString());
            }
        }
        return lines;
    }

    @Test
    void ordersOfEachRegionAreCountedByStatusAndNoneIsZero() throws SQLException {
        String counts = ", COUNT(DISTINCT o.order_id), "
                + "COUNT(DISTINCT o.order_id) FILTER (WHERE status = 'open'),"
                + " COUNT(DISTINCT o.order_id) FILTER (WHERE status = 'part shipped'),"
                + " COUNT(DISTINCT o.order_id) FILTER (WHERE status = 'shipped'),"
                + " COUNT(DISTINCT o.order_id) FILTER (WHERE status = 'closed'),"
                + " COUNT(DISTINCT o.order_id) FILTER (WHERE status = 'cancelled'),"
                + " COUNT(DISTINCT o.order_id) FILTER (WHERE status IN ('open', 'part shipped') AND promised_date < '2026-11-20')";
        assertThat(lines(grouped("order-counts", "2026-01-01/2026-11-20"), 0, 2, 3, 4, 5, 6, 7))
                .isEqualTo(
                        sql("SELECT region" + counts + JOINED + "'2026-01-01' AND '2026-11-20' GROUP BY 1 ORDER BY 1"));
        // A day on which few regions ordered: the others stand there all the same.
        List<String> oneDay = lines(grouped("order-counts", "2024-10-01/2024-10-01"), 0);
        assertThat(oneDay).hasSize(5).contains("Coast|" + ofRegion("Coast"), "Islands|" + ofRegion("Islands"));
    }

    private static String ofRegion(String region) throws SQLException {
        return sql("SELECT '', COUNT(DISTINCT o.order_id)" + JOINED + "'2024-10-01' AND '2024-10-01' AND region = '"
                        + region + "'")
                .getFirst()
                .substring(1);
    }

    @Test
    void theScorecardComparesWithTheSameDaysOfTheYearBefore() throws SQLException {
        TableResult grouped = grouped("order-scorecard", "2026-10-01/2026-11-20");
        String kept = " AND (status <> 'cancelled' OR status IS NULL)";
        List<String> regions = new ArrayList<>();
        for (String line : lines(grouped, 0, 2, 3, 5)) {
            if (line.matches("(Coast|Islands|Lakeside|Lowland|Upland)[|].*")) {
                regions.add(line);
            }
        }
        assertThat(regions)
                .isEqualTo(sql("SELECT region, net, RANK() OVER (ORDER BY net DESC), (SELECT SUM(net_amount)"
                        + JOINED + "'2025-10-01' AND '2025-11-20' AND a.region = y.region" + kept
                        + "), orders FROM (SELECT region,"
                        + " SUM(net_amount) AS net, COUNT(DISTINCT o.order_id) AS orders" + JOINED
                        + "'2026-10-01' AND '2026-11-20'" + kept + " GROUP BY 1) y ORDER BY net DESC"));
    }

    @Test
    void aStatementAddsUpAsItGoes() throws SQLException {
        TableResult grouped = grouped("apiary-statement", "2026-10-01/2026-11-20");
        List<String> all = lines(grouped, 1, 3);
        List<String> orders = new ArrayList<>();
        for (int place = 1; place < grouped.tree().nodeCount(); place++) {
            int node = grouped.tree().nodeAt(place);
            if (grouped.tree().depthOf(node) == 2) {
                orders.add(all.get(place - 1));
            }
        }
        assertThat(orders)
                .isNotEmpty()
                .containsExactlyInAnyOrderElementsOf(
                        sql("SELECT order_number, SUM(net_amount), SUM(SUM(net_amount)) OVER"
                                + " (PARTITION BY apiary_id ORDER BY ordered_at, order_number)" + JOINED
                                + "'2026-10-01' AND '2026-11-20' AND (status <> 'cancelled' OR status IS NULL)"
                                + " GROUP BY apiary_id, order_number, ordered_at"));
    }
}
