package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.grammatus.core.Meaning;
import org.grammatus.core.definition.Report;
import org.grammatus.core.prompt.Answers;
import org.grammatus.export.Format;
import org.grammatus.export.ReportWriter.WriteProgress;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunResult;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Who ordered before and not in the days that are asked for: rows without rows of another dataset, as SQL finds them. */
@Meaning(39)
class QuietApiariesTest {

    @ParameterizedTest
    @CsvSource({
        "last 60 days, 2026-09-22, 2026-11-20",
        "last 30 days, 2026-10-22, 2026-11-20",
        "2026-03-01/.., 2026-03-01, 9999-12-31"
    })
    void thoseAreListedWhoOrderedBeforeAndNotSince(String days, String from, String to) throws Exception {
        Report report = Starters.report("quiet-apiaries").orElseThrow();
        RunResult result = new RunEngine(RunLimits.DEFAULT)
                .compute(
                        new RunRequest(
                                report,
                                DemoData.datasets(report),
                                new Answers(Map.of("quiet", days)),
                                DemoData.CONTEXT),
                        StarReader.over(new SqliteSource(DemoData.database(ScenarioSize.DEMO))));
        ByteArrayOutputStream csv = new ByteArrayOutputStream();
        Format.CSV.writer().write(result, csv, WriteProgress.SILENT);
        List<String> lines = csv.toString(StandardCharsets.UTF_8).lines().toList();
        int column = List.of(lines.getFirst().split(",")).indexOf("Apiary code");
        TreeSet<String> listed = new TreeSet<>();
        lines.stream().skip(1).forEach(line -> listed.add(line.split(",")[column]));
        TreeSet<String> expected = new TreeSet<>();
        try (Connection sql = DriverManager.getConnection("jdbc:sqlite:" + DemoData.database(ScenarioSize.DEMO));
                ResultSet rows = sql.createStatement()
                        .executeQuery("SELECT code FROM apiary WHERE apiary_id NOT IN ("
                                + orders("date(o.ordered_at) BETWEEN '" + from + "' AND '" + to + "'")
                                + ") AND apiary_id IN (" + orders("date(o.ordered_at) < '" + from + "'") + ")")) {
            while (rows.next()) {
                expected.add(rows.getString(1));
            }
        }
        assertThat(listed).isEqualTo(expected);
        assertThat(result.rowsKept()).isEqualTo(expected.size());
        assertThat(Stream.of(days).filter(d -> d.startsWith("last")))
                .allSatisfy(d -> assertThat(expected).isNotEmpty());
    }

    /** Of lines that lead to an order, as the dataset has them. */
    private static String orders(String where) {
        return "SELECT o.apiary_id FROM sales_order_line l JOIN sales_order o ON o.order_id = l.order_id WHERE "
                + where;
    }
}
