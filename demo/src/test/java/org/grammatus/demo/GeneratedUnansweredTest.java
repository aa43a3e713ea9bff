package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DatasetNames;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.Reading;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Meaning 6: no answer restricts nothing. Generated conditions with answered and unanswered prompts keep the rows that plain SQL
 * keeps, in which each single condition is written {@code (:p is unanswered OR condition)} by hand, NOT moved inwards.
 */
class GeneratedUnansweredTest {

    private static Path database;
    private static DatasetModel dataset;
    private static Star star;

    @BeforeAll
    static void read() {
        database = DemoData.database(ScenarioSize.DEMO.withSeed(17).withSalesOrders(250));
        dataset = DatasetModel.of(Starters.dataset("sales-order-lines").orElseThrow());
        star = StarReader.over(new SqliteSource(database)).read(Reading.all(dataset), ReadProgress.SILENT);
    }

    static IntStream seeds() {
        return IntStream.range(0, 400);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void keepsWhatTheAnsweredPartsKeep(int seed) throws Exception {
        Condition condition = new Generator(new Random(seed)).condition(3);
        assertThat(kept(condition.ours())).as(condition.ours()).isEqualTo(keptBySql(condition.sql()));
    }

    private static List<Integer> kept(String text) {
        Optional<Typed> left = Typing.restriction(ExpressionParser.parse(text), new Asked(), Typing.Place.ROW);
        List<Integer> rows = new ArrayList<>();
        Optional<Column.Longs> truth = left.map(
                condition -> (Column.Longs) Evaluator.evaluate(condition, star.at(DatasetModel.GRAIN), new Faults()));
        for (int row = 0; row < star.rowCount(); row++) {
            if (truth.isEmpty() || truth.get().values()[row] == 1) {
                rows.add(row);
            }
        }
        return rows;
    }

    private static List<Integer> keptBySql(String sql) throws Exception {
        List<Integer> rows = new ArrayList<>();
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + database);
                Statement statement = connection.createStatement();
                ResultSet result = statement.executeQuery("SELECT " + sql
                        + " FROM sales_order_line l LEFT JOIN sales_order o USING (order_id)"
                        + " LEFT JOIN apiary a USING (apiary_id) ORDER BY l.line_id")) {
            for (int row = 0; result.next(); row++) {
                if (result.getInt(1) == 1) {
                    rows.add(row);
                }
            }
        }
        return rows;
    }

    /** A condition with NOT wherever it falls, and the same with NOT moved inwards and every unanswered leaf spelt out. */
    private record Condition(String ours, String sql) {}

    private record Generator(Random random) {

        Condition condition(int depth) {
            return condition(depth, false);
        }

        private Condition condition(int depth, boolean negated) {
            int kind = depth == 0 ? 3 : random.nextInt(4);
            return switch (kind) {
                case 0, 1 -> {
                    boolean and = kind == 0;
                    Condition left = condition(depth - 1, negated);
                    Condition right = condition(depth - 1, negated);
                    yield new Condition(
                            "(%s) %s (%s)".formatted(left.ours(), and ? "AND" : "OR", right.ours()),
                            "(%s) %s (%s)".formatted(left.sql(), and != negated ? "AND" : "OR", right.sql()));
                }
                case 2 -> {
                    Condition inner = condition(depth - 1, !negated);
                    yield new Condition("NOT (" + inner.ours() + ")", inner.sql());
                }
                default -> leaf(negated);
            };
        }

        private Condition leaf(boolean negated) {
            return switch (random.nextInt(9)) {
                case 0 -> leaf("region = :answered", "a.region = 'Coast'", false, negated);
                case 1 -> leaf("region <> :open", "a.region <> NULL", true, negated);
                case 2 -> leaf("depot IN ('Kiln Yard', :open)", "o.depot IN ('Kiln Yard', NULL)", true, negated);
                case 3 -> leaf("depot NOT LIKE :open || '%'", "o.depot NOT LIKE NULL", true, negated);
                case 4 -> leaf("depot IS NULL", "o.depot IS NULL", false, negated);
                case 5 -> leaf("quantity > 5", "l.quantity > 5", false, negated);
                case 6 -> leaf(":open IS NULL", "NULL IS NULL", false, negated);
                // An open side is unbounded, so that of BETWEEN the other side is left.
                case 7 -> leaf("quantity BETWEEN :least AND 9", "l.quantity <= 9", false, negated);
                default -> leaf("quantity NOT BETWEEN 3 AND :least", "NOT (l.quantity >= 3)", false, negated);
            };
        }

        private static Condition leaf(String ours, String sql, boolean unanswered, boolean negated) {
            return new Condition(
                    ours, "(" + (unanswered ? 1 : 0) + " OR " + (negated ? "NOT " : "") + "(" + sql + "))");
        }
    }

    /** The dataset's names, one answered prompt and two without an answer. */
    private static final class Asked implements Names {

        private final Names known = new DatasetNames(dataset, ScenarioSize.DEMO.lastDay());

        @Override
        public Optional<Typed> field(String name, boolean quoted) {
            return known.field(name, quoted);
        }

        @Override
        public Map<String, String> fieldLabels() {
            return known.fieldLabels();
        }

        @Override
        public Optional<Scalar> prompt(String name) {
            return Optional.ofNullable(
                    switch (name) {
                        case "answered" -> new Scalar.Text("Coast");
                        case "open" -> new Scalar.Null(Type.TEXT);
                        case "least" -> new Scalar.Null(Type.INTEGER);
                        default -> null;
                    });
        }

        @Override
        public Collection<String> promptNames() {
            return List.of("answered", "open", "least");
        }

        @Override
        public Set<String> unanswered() {
            return Set.of("open", "least");
        }

        @Override
        public LocalDate currentDate() {
            return known.currentDate();
        }
    }
}
