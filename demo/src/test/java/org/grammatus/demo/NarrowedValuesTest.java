package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.grammatus.core.Meaning;
import org.grammatus.core.definition.Report;
import org.grammatus.core.plan.planner.ReaderView;
import org.grammatus.core.plan.planner.ReaderView.Narrow;
import org.grammatus.core.prompt.Answers;
import org.grammatus.runs.NarrowedValues;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunResult;
import org.grammatus.runs.profile.FieldValues.Value;
import org.grammatus.sources.DatasetReader;
import org.junit.jupiter.api.Test;

/** Meaning 42: what a reader may tick is counted as plain SQL counts it, although the source left rows out of the run. */
@Meaning(42)
class NarrowedValuesTest {

    private static final DatasetReader READER = DemoData.held();
    private static final String MAY = "2026-05-01/2026-05-31";
    private static final String OF_MAY = "ordered_at >= '2026-05-01' AND ordered_at < '2026-06-01'"
            + " AND (status <> 'cancelled' OR status IS NULL)";

    private static RunResult run(Narrow... narrow) {
        Report report = Starters.report("order-book").orElseThrow();
        ReaderView view =
                new ReaderView(List.of(), List.of(), List.of(narrow), List.of(), List.of(), Optional.empty(), false);
        RunRequest request = new RunRequest(
                report, DemoData.datasets(report), new Answers(Map.of("period", MAY)), DemoData.CONTEXT, view);
        return new RunEngine(RunLimits.DEFAULT).run(request, READER, p -> {}, () -> false);
    }

    private static Narrow to(String field, String values) {
        return new Narrow(Optional.empty(), field, values);
    }

    private static Map<String, Integer> offered(RunResult result, String block, String field) {
        return new NarrowedValues(result, READER)
                .of(block, field, "").orElseThrow().stream()
                        .collect(Collectors.toMap(
                                Value::value, value -> value.rows().orElseThrow()));
    }

    private static Map<String, Integer> bySql(String value, String where) throws Exception {
        Map<String, Integer> counts = new TreeMap<>();
        try (Connection sql = DriverManager.getConnection("jdbc:sqlite:" + DemoData.database(ScenarioSize.DEMO));
                ResultSet rows = sql.createStatement()
                        .executeQuery("SELECT coalesce(" + value + ", '(none)'), count(*) FROM sales_order_line"
                                + " LEFT JOIN sales_order USING (order_id) LEFT JOIN apiary USING (apiary_id) WHERE "
                                + OF_MAY + " AND " + where + " GROUP BY 1 ORDER BY 2 DESC, 1 LIMIT 200")) {
            while (rows.next()) {
                counts.put(rows.getString(1), rows.getInt(2));
            }
        }
        return counts;
    }

    @Test
    void aFieldIsCountedAmongTheRowsThatAllButItsOwnNarrowingKeeps() throws Exception {
        assertThat(offered(run(), "depots", "depot")).isEqualTo(bySql("depot", "1"));
        RunResult narrowed = run(to("depot", "Finch Lane, (none)"), to("region", "all but Coast"));
        assertThat(offered(narrowed, "depots", "depot"))
                .isEqualTo(bySql("depot", "(region IS NULL OR region <> 'Coast')"));
        assertThat(offered(narrowed, "depots", "region"))
                .isEqualTo(bySql("region", "(depot = 'Finch Lane' OR depot IS NULL)"));
    }

    @Test
    void aBlockIsNarrowedByItselfOrWithAllOthers() {
        RunResult everywhere = run(to("depot", "Finch Lane"));
        RunResult here = run(new Narrow(Optional.of("depots"), "depot", "Finch Lane"));
        List<Integer> all = kept(run());
        assertThat(kept(here).getFirst()).isEqualTo(kept(everywhere).getFirst()).isLessThan(all.getFirst());
        assertThat(kept(here).subList(1, 3)).isEqualTo(all.subList(1, 3));
        assertThat(kept(everywhere).get(2)).isLessThan(all.get(2));
    }

    @Test
    void whatIsNotPrintedIsNotTold() {
        NarrowedValues values = new NarrowedValues(run(), READER);
        assertThat(Stream.of("unit_price", "nothing").map(field -> values.of("depots", field, "")))
                .allMatch(Optional::isEmpty);
        assertThat(values.of("nowhere", "depot", "")).isEmpty();
        assertThat(values.of("depots", "depot", "fINCH"))
                .hasValueSatisfying(
                        found -> assertThat(found).extracting(Value::label).containsExactly("Finch Lane"));
    }

    private static List<Integer> kept(RunResult result) {
        return result.results().stream()
                .map(table -> table.grouped().rowsKept())
                .toList();
    }
}
