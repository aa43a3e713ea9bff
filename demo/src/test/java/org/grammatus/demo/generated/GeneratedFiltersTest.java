package org.grammatus.demo.generated;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.rows.FilterCounts;
import org.grammatus.core.value.ScalarText;
import org.grammatus.demo.DemoData;
import org.grammatus.demo.ScenarioSize;
import org.grammatus.runs.PartCounts;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunResult;
import org.grammatus.runs.rowcache.HeldRows;
import org.grammatus.runs.rowcache.SpillFolder;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.api.Test;

/**
 * Trees of filters, with blanks, prompts that were answered and not, exclusions, and rows of other datasets: what they keep is what SQLite keeps
 * by rules that are written by hand for each leaf, put together by rules that are written by hand for each kind of tree.
 */
class GeneratedFiltersTest {

    private static final String FROM = " FROM sales_order_line l LEFT JOIN sales_order o ON o.order_id = l.order_id"
            + " LEFT JOIN product p ON p.product_id = l.product_id";
    private static final DatasetReader PUSHED = StarReader.over(new SqliteSource(DemoData.database(ScenarioSize.DEMO)));
    private static final int TREES = 600;
    private static final int PUSHED_TREES = 60;

    /** A tree, which is a leaf or has parts. */
    private record Tree(String id, String kind, Optional<Leaf> leaf, List<Tree> parts, boolean off) {

        static Tree of(Random random, int depth, int[] ids) {
            String id = "n" + ids[0]++;
            boolean off = depth > 0 && random.nextInt(8) == 0;
            if (depth == 3 || random.nextInt(3) > 0 && depth > 0) {
                return new Tree(id, "", Optional.of(Leaf.any(random)), List.of(), off);
            }
            String kind = List.of("all", "any", "none").get(random.nextInt(3));
            List<Tree> parts = IntStream.range(0, random.nextInt(4))
                    .mapToObj(i -> of(random, depth + 1, ids))
                    .toList();
            return new Tree(id, kind, Optional.empty(), parts, off);
        }

        String json() {
            String own = leaf.map(one -> one.json().replace("ID", id))
                    .orElseGet(() -> "\"kind\": \"" + kind + "\", \"filters\": "
                            + parts.stream().map(Tree::json).collect(Collectors.joining(", ", "[", "]")));
            return "{\"id\": \"" + id + "\", " + own + (off ? ", \"off\": true" : "") + "}";
        }

        private List<Optional<String>> each(boolean excluded) {
            return parts.stream()
                    .filter(part -> !part.off)
                    .map(part -> excluded ? part.excluded() : part.kept())
                    .toList();
        }

        /** Where a row is kept; none where all are. */
        Optional<String> kept() {
            return leaf.map(Leaf::kept).orElseGet(() -> switch (kind) {
                case "all" -> together(each(false));
                case "any" -> either(each(false));
                default -> together(each(true));
            });
        }

        Optional<String> excluded() {
            return leaf.map(Leaf::excluded).orElseGet(() -> switch (kind) {
                case "all" -> either(each(true));
                case "any" -> together(each(true));
                default -> either(each(false));
            });
        }

        private static Optional<String> together(List<Optional<String>> parts) {
            return parts.stream()
                    .flatMap(Optional::stream)
                    .map(part -> "(" + part + ")")
                    .reduce((a, b) -> a + " AND " + b);
        }

        /** One that restricts nothing leaves nothing restricted. */
        private static Optional<String> either(List<Optional<String>> parts) {
            return parts.stream().anyMatch(Optional::isEmpty)
                    ? Optional.empty()
                    : parts.stream().map(part -> "(" + part.get() + ")").reduce((a, b) -> a + " OR " + b);
        }
    }

    private static Report report(String filters) {
        String periods = Stream.of(Leaf.Days.values())
                .map(days -> "{\"id\": \"p-%1$s\", \"name\": \"%1$s\", \"type\": \"period\", \"label\": \"P\"%2$s}"
                        .formatted(
                                days.prompt(), days.answer.isEmpty() ? "" : ", \"default\": \"" + days.answer + "\""))
                .collect(Collectors.joining(", "));
        return Definitions.readReport("""
                {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "sales-order-lines",
                 "locale": "en-GB",
                 "prompts": [%s, {"id": "p-n", "name": "nobody", "type": "choice", "label": "N", "field": "depot"}],
                 "filters": [%s],
                 "blocks": [{"id": "k", "kind": "figures", "figures": [{"id": "n", "label": "Lines", "value": "COUNT(*)"}]}],
                 "page": {"paper": "A4", "orientation": "portrait",
                   "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
                """.formatted(periods, filters));
    }

    private static RunResult run(Report report, DatasetReader reader) {
        return new RunEngine(RunLimits.DEFAULT)
                .compute(new RunRequest(report, DemoData.datasets(report), Answers.NONE, DemoData.CONTEXT), reader);
    }

    private static DatasetReader held() throws IOException {
        return new HeldRows(
                PUSHED,
                HeldRows.defaultBudget(),
                new SpillFolder(Files.createTempDirectory("held"), 0),
                Clock.systemUTC(),
                ZoneOffset.UTC);
    }

    @Test
    void whateverTheTreeItKeepsWhatItsLeavesSay() throws Exception {
        DatasetReader held = held();
        try (Connection sql = DriverManager.getConnection("jdbc:sqlite:" + DemoData.database(ScenarioSize.DEMO))) {
            for (int seed = 0; seed < TREES; seed++) {
                Tree tree = Tree.of(new Random(seed), 0, new int[1]);
                Report report = report(tree.json());
                int expected = counted(sql, tree.kept());
                assertThat(run(report, held).rowsKept())
                        .as(seed + " " + tree.json())
                        .isEqualTo(expected);
                if (seed < PUSHED_TREES) {
                    assertThat(run(report, PUSHED).rowsKept())
                            .as("pushed " + seed)
                            .isEqualTo(expected);
                }
            }
        }
    }

    /** By itself, every part keeps what it would keep as the only filter; in turn, what is left after those before it. */
    @Test
    void eachPartIsCountedByItselfAndInTurn() throws Exception {
        DatasetReader held = held();
        try (Connection sql = DriverManager.getConnection("jdbc:sqlite:" + DemoData.database(ScenarioSize.DEMO))) {
            for (int seed = 0; seed < 60; seed++) {
                Random random = new Random(seed);
                int[] ids = new int[1];
                String kind = List.of("all", "any", "none").get(seed % 3);
                List<Tree> parts =
                        Stream.generate(() -> Tree.of(random, 3, ids)).limit(3).toList();
                Tree tree = new Tree("whole", kind, Optional.empty(), parts, false);
                Map<String, FilterCounts.FilterCount> counts = new TreeMap<>();
                PartCounts.of(run(report(tree.json()), held)).filters().forEach(count -> counts.put(count.id(), count));
                List<String> before = new ArrayList<>();
                for (Tree part : parts) {
                    if (part.off || part.kept().isEmpty()) {
                        continue;
                    }
                    String own = "COALESCE((" + part.kept().get() + "), 0)";
                    String left = before.stream().map(one -> " AND " + one).collect(Collectors.joining());
                    String in = "(" + (kind.equals("none") ? part.excluded().get() : own) + ")" + left;
                    before.add(
                            kind.equals("all")
                                    ? own
                                    : kind.equals("any")
                                            ? "NOT " + own
                                            : "(" + part.excluded().get() + ")");
                    FilterCounts.FilterCount count = counts.get(part.id);
                    if (count == null) {
                        // One of the others has no answer, so that the whole restricts nothing.
                        assertThat(tree.kept()).isEmpty();
                        continue;
                    }
                    assertThat(count.alone()).as(seed + part.json()).contains(counted(sql, part.kept()));
                    assertThat(count.kept()).as(seed + part.json()).contains(counted(sql, Optional.of(in)));
                }
            }
        }
    }

    @Test
    void theFirstRowsAreThoseOfAllThatTheOthersKeep() throws Exception {
        String most = "{\"id\": \"t\", \"kind\": \"top\", \"field\": \"net_amount\", \"end\": \"%s\", \"count\": %d}";
        String others =
                "{\"id\": \"o\", \"kind\": \"condition\", \"field\": \"depot\", \"comparison\": \"is\", \"values\": [\"Kiln Yard\"]}";
        RunResult result = run(report(most.formatted("largest", 25) + ", " + others), PUSHED);
        assertThat(result.rowsKept()).isEqualTo(25);
        assertThat(result.grouped().rowsKept()).isEqualTo(25);
        String sum = figure(report((most.formatted("smallest", 40) + ", " + others)));
        try (Connection sql = DriverManager.getConnection("jdbc:sqlite:" + DemoData.database(ScenarioSize.DEMO));
                Statement statement = sql.createStatement();
                ResultSet rows = statement.executeQuery("SELECT SUM(n) FROM (SELECT l.net_amount AS n" + FROM
                        + " WHERE o.depot = 'Kiln Yard' ORDER BY 1 LIMIT 40)")) {
            assertThat(sum).isEqualTo(BigDecimal.valueOf(rows.getLong(1), 2).toPlainString());
        }
    }

    private static String figure(Report report) {
        Report summed = Definitions.readReport(Definitions.write(report).replace("COUNT(*)", "SUM(net_amount)"));
        RunResult result = run(summed, PUSHED);
        return ScalarText.write(Scalars.at(result.grouped().figures().totals().getFirst(), 0));
    }

    private static int counted(Connection sql, Optional<String> where) throws SQLException {
        try (Statement statement = sql.createStatement();
                ResultSet rows = statement.executeQuery("SELECT COUNT(*)" + FROM
                        + where.map(one -> " WHERE " + one).orElse(""))) {
            return rows.getInt(1);
        }
    }
}
