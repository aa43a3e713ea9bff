package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.value.Scalar;
import org.grammatus.runs.RunResult;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Every figure of the starter report, node by node and in order, against plain SQL on the same database. Figures are compared
 * as the whole numbers that the database holds.
 */
class StarterFiguresTest {

    @ParameterizedTest
    @CsvSource({
        "20, 6500, all, 0001-01-01, 9999-12-31",
        "20, 6500, 2026-01-01/2026-03-31, 2026-01-01, 2026-03-31",
        "20, 6500, ../2025-01-31, 0001-01-01, 2025-01-31",
        "20, 6500, previous fiscal year, 2025-10-01, 2026-09-30",
        "20, 6500, today, 2026-11-20, 2026-11-20",
        "20, 6500, 2030-01-01/.., 2030-01-01, 9999-12-31",
        "1, 700, all, 0001-01-01, 9999-12-31",
        "2, 900, last 30 days, 2026-10-22, 2026-11-20",
        "3, 25000, all, 0001-01-01, 9999-12-31",
        "4, 1, all, 0001-01-01, 9999-12-31",
        "5, 0, all, 0001-01-01, 9999-12-31"
    })
    void equalsPlainSql(long seed, int orders, String period, String from, String to) throws Exception {
        Path database = DemoData.database(ScenarioSize.DEMO.withSeed(seed).withSalesOrders(orders));
        RunResult result = DemoData.run(database, period);
        List<String> expected = bySql(database, from, to, period.equals("all"));
        assertThat(byReport(result.grouped())).isEqualTo(expected);
    }

    /** Each node in printed order: depth, label, quantity, net and freight in hundredths, orders, lines. */
    private static List<String> byReport(TableResult grouped) {
        BandTexts printed = new BandTexts(grouped);
        List<String> lines = new ArrayList<>();
        GroupTree tree = grouped.tree();
        for (int place = 0; place < tree.nodeCount(); place++) {
            int node = tree.nodeAt(place);
            StringBuilder line = new StringBuilder()
                    .append(tree.depthOf(node))
                    .append('|')
                    .append(node == GroupTree.ROOT ? "" : printed.label(node));
            for (int total = 0; total < 3; total++) {
                line.append('|')
                        .append(unscaled(Scalars.at(grouped.figures().totals().get(total), node)));
            }
            line.append('|').append(grouped.figures().counts().get(0)[node]);
            line.append('|').append(grouped.figures().counts().get(1)[node]);
            lines.add(line.toString());
        }
        return lines;
    }

    private static String unscaled(Scalar value) {
        return value instanceof Scalar.Number(BigDecimal number, var type)
                ? number.unscaledValue().toString()
                : "";
    }

    private static List<String> bySql(Path database, String from, String to, boolean open) throws Exception {
        List<String> lines = new ArrayList<>();
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + database);
                PreparedStatement statement = connection.prepareStatement(sql())) {
            statement.setString(1, from);
            statement.setString(2, to);
            statement.setBoolean(3, open);
            try (ResultSet result = statement.executeQuery()) {
                while (result.next()) {
                    List<String> parts = new ArrayList<>();
                    for (int i = 1; i <= 7; i++) {
                        String part = result.getString(i);
                        parts.add(part == null ? "" : part);
                    }
                    lines.add(String.join("|", parts));
                }
            }
        }
        return lines;
    }

    private static String sql() throws IOException {
        try (InputStream in = StarterFiguresTest.class.getResourceAsStream("sales-by-fiscal-year.sql")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }
}
