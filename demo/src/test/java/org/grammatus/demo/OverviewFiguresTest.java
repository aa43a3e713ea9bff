package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.grammatus.core.definition.Report;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.Answers;
import org.grammatus.export.Format;
import org.grammatus.export.ReportWriter.WriteProgress;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunResult;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The starters with key figures and two datasets, against plain statements. */
class OverviewFiguresTest {

    private static final DatasetReader READER =
            Mockito.spy(StarReader.over(new SqliteSource(DemoData.database(ScenarioSize.DEMO))));

    private static RunResult run(String id, String period) {
        Report report = Starters.report(id).orElseThrow();
        return new RunEngine(RunLimits.DEFAULT)
                .run(
                        new RunRequest(
                                report,
                                DemoData.datasets(report),
                                new Answers(Map.of("period", period)),
                                DemoData.CONTEXT),
                        READER,
                        progress -> {},
                        () -> false);
    }

    private static JsonNode json(RunResult result) throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Format.JSON.writer().write(result, out, WriteProgress.SILENT);
        return JsonMapper.shared().readTree(out.toString(StandardCharsets.UTF_8));
    }

    private static BigDecimal asked(String sql) throws Exception {
        try (Connection connection =
                        DriverManager.getConnection("jdbc:sqlite:" + DemoData.database(ScenarioSize.DEMO));
                Statement statement = connection.createStatement();
                ResultSet result = statement.executeQuery(sql)) {
            return new BigDecimal(result.getString(1));
        }
    }

    private static JsonNode named(JsonNode parts, String id) {
        return StreamSupport.stream(parts.spliterator(), false)
                .filter(part -> part.path("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private static String sold(String from, String to) {
        return " FROM sales_order_line l JOIN sales_order o USING (order_id) WHERE date(ordered_at) BETWEEN '" + from
                + "' AND '" + to + "' AND status <> 'cancelled'";
    }

    @Test
    void keyFiguresAndThoseOfLastYearAreWhatPlainStatementsSay() throws Exception {
        JsonNode figures = named(
                        json(run("order-overview", "2026-10-01/2026-11-20")).path("blocks"), "key")
                .path("figures");
        String now = sold("2026-10-01", "2026-11-20");
        String then = sold("2025-10-01", "2025-11-20");
        JsonNode net = named(figures, "key-net");
        BigDecimal sum = asked("SELECT SUM(net_amount)" + now).movePointLeft(2);
        BigDecimal before = asked("SELECT SUM(net_amount)" + then).movePointLeft(2);
        assertThat(net.path("value").decimalValue()).isEqualByComparingTo(sum);
        assertThat(net.path("other").decimalValue()).isEqualByComparingTo(before);
        assertThat(net.path("change").decimalValue())
                .isCloseTo(
                        sum.subtract(before).divide(before, 8, RoundingMode.HALF_UP),
                        org.assertj.core.data.Offset.offset(new BigDecimal("0.000001")));
        JsonNode orders = named(figures, "key-orders");
        assertThat(orders.path("value").decimalValue())
                .isEqualByComparingTo(asked("SELECT COUNT(DISTINCT order_id)" + now));
        assertThat(orders.path("other").decimalValue())
                .isEqualByComparingTo(asked("SELECT COUNT(DISTINCT order_id)" + then));
        assertThat(named(figures, "key-average").path("value").decimalValue())
                .isCloseTo(
                        sum.divide(asked("SELECT COUNT(DISTINCT order_id)" + now), 8, RoundingMode.HALF_UP),
                        org.assertj.core.data.Offset.offset(new BigDecimal("0.0001")));
    }

    @Test
    void onePeriodNarrowsTwoDatasetsAndEachIsReadOnce() throws Exception {
        Mockito.clearInvocations(READER);
        JsonNode blocks =
                json(run("sales-and-purchasing", "2026-08-01/2026-08-31")).path("blocks");
        Mockito.verify(READER, Mockito.times(2)).read(Mockito.any(), Mockito.any(ReadProgress.class));
        assertThat(named(named(blocks, "sold").path("figures"), "sold-net")
                        .path("value")
                        .decimalValue())
                .isEqualByComparingTo(asked("SELECT SUM(net_amount)" + sold("2026-08-01", "2026-08-31"))
                        .movePointLeft(2));
        String bought = " FROM purchase_order_line JOIN purchase_order USING (order_id)"
                + " WHERE order_date BETWEEN '2026-08-01' AND '2026-08-31'";
        JsonNode figures = named(blocks, "bought").path("figures");
        assertThat(named(figures, "bought-value").path("value").decimalValue())
                .isEqualByComparingTo(
                        asked("SELECT SUM(quantity * unit_cost)" + bought).movePointLeft(2));
        assertThat(named(figures, "bought-orders").path("value").decimalValue())
                .isEqualByComparingTo(asked("SELECT COUNT(DISTINCT order_id)" + bought));
        assertThat(named(blocks, "purchases").path("narrowing").path(0).asString())
                .isEqualTo("Not narrowed by Status is not cancelled");
    }

    @Test
    void noticesCallTotalsAsTheirColumnsAndSayTheirBlock() {
        assertThat(run("sales-and-purchasing", "2026-08-01/2026-08-31").notices())
                .extracting(Problem::message)
                .anySatisfy(message -> assertThat(message)
                        .startsWith("Sales by category: An order can have lines in several groups of \"Category\","
                                + " so 217 orders appear 660 times below.")
                        .endsWith(": Orders"))
                .noneSatisfy(message -> assertThat(message).contains("sales-t-orders"));
    }
}
