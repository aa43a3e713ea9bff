package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DatasetNames;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.ExpressionPrinter;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.Reading;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Generated expressions of one row over the demo's lines, blanks, accents and negative amounts among them: the same value in every row
 * as an independent SQL engine gives. Money is compared as the whole numbers that the database holds.
 */
class GeneratedExpressionsTest {

    private static final int EXPRESSIONS = 300;

    private static final String ROWS = " FROM sales_order_line l LEFT JOIN sales_order o USING (order_id)"
            + " LEFT JOIN apiary a USING (apiary_id) LEFT JOIN product p USING (product_id) ORDER BY l.line_id";

    private static Path database;
    private static DatasetModel dataset;
    private static Star star;

    @BeforeAll
    static void read() {
        database = DemoData.database(ScenarioSize.DEMO.withSeed(11).withSalesOrders(300));
        dataset = DatasetModel.of(Starters.dataset("sales-order-lines").orElseThrow());
        star = StarReader.over(new SqliteSource(database)).read(Reading.all(dataset), ReadProgress.SILENT);
    }

    static IntStream seeds() {
        return IntStream.range(0, EXPRESSIONS);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void equalsPlainSqlInEveryRow(int seed) throws Exception {
        Generator generator = new Generator(new Random(seed));
        Both expression = generator.any(3);
        assertThat(ours(expression.ours())).as(expression.ours()).isEqualTo(theirs(expression.sql()));
        // Printed and read again it is the same expression.
        String printed = ExpressionPrinter.print(ExpressionParser.parse(expression.ours()));
        assertThat(ours(printed)).as(printed).isEqualTo(ours(expression.ours()));
    }

    private static List<String> ours(String text) {
        Typed typed = Typing.type(
                ExpressionParser.parse(text), new DatasetNames(dataset, ScenarioSize.DEMO.lastDay()), Typing.Place.ROW);
        Column column = Evaluator.evaluate(typed, star.at(DatasetModel.GRAIN), new Faults());
        List<String> values = new ArrayList<>();
        for (int row = 0; row < star.rowCount(); row++) {
            values.add(
                    switch (Scalars.at(column, row)) {
                        case Scalar.Null n -> null;
                        case Scalar.Bool b -> b.value() ? "1" : "0";
                        case Scalar.Number n -> n.value().unscaledValue().toString();
                        case Scalar other -> ScalarText.write(other);
                    });
        }
        return values;
    }

    private static List<String> theirs(String sql) throws Exception {
        List<String> values = new ArrayList<>();
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + database);
                Statement statement = connection.createStatement();
                ResultSet result = statement.executeQuery("SELECT " + sql + ROWS)) {
            while (result.next()) {
                values.add(result.getString(1));
            }
        }
        return values;
    }

    /** An expression as we write it, and as SQLite does. */
    private record Both(String ours, String sql) {}

    private static final class Generator {
        private final Random random;

        Generator(Random random) {
            this.random = random;
        }

        Both any(int depth) {
            return switch (random.nextInt(3)) {
                case 0 -> number(depth);
                case 1 -> text(depth);
                default -> condition(depth);
            };
        }

        /** Whole numbers; where money stands, both sides keep its hundredths. */
        private Both number(int depth) {
            if (depth == 0) {
                return pick(
                        new Both("quantity", "l.quantity"),
                        new Both("shipped_quantity", "l.shipped_quantity"),
                        new Both("line_number", "l.line_number"),
                        same(String.valueOf(random.nextInt(20))));
            }
            Both x = number(depth - 1);
            Both y = number(depth - 1);
            Both t = text(depth - 1);
            String few = String.valueOf(1 + random.nextInt(9));
            return switch (random.nextInt(9)) {
                case 0 -> both("(%s) + (%s)", x, y);
                case 1 -> both("(%s) - (%s)", x, y);
                case 2 -> both("(%s) * (%s)", x, same(few));
                case 3 -> new Both("MOD(" + x.ours() + ", " + few + ")", "(" + x.sql() + ") % " + few);
                case 4 -> both("ABS(%s)", x);
                case 5 -> both("NULLIF(%s, %s)", x, y);
                case 6 -> both("CASE WHEN %s THEN %s ELSE %s END", condition(depth - 1), x, y);
                case 7 -> new Both("CHAR_LENGTH(" + t.ours() + ")", "length(" + t.sql() + ")");
                default -> new Both("POSITION('e' IN " + t.ours() + ")", "instr(" + t.sql() + ", 'e')");
            };
        }

        private Both text(int depth) {
            if (depth == 0) {
                return pick(
                        new Both("region", "a.region"),
                        new Both("apiary_name", "a.name"),
                        new Both("depot", "o.depot"),
                        new Both("category", "p.category"),
                        same("'Käfer''s'"));
            }
            Both x = text(depth - 1);
            Both y = text(depth - 1);
            int from = 1 + random.nextInt(5);
            int length = random.nextInt(6);
            return switch (random.nextInt(5)) {
                case 0 -> both("(%s) || (%s)", x, y);
                case 1 -> both("COALESCE(%s, %s)", x, y);
                case 2 -> both("TRIM(%s)", x);
                case 3 ->
                    new Both(
                            "SUBSTRING(" + x.ours() + " FROM " + from + " FOR " + length + ")",
                            "substr(" + x.sql() + ", " + from + ", " + length + ")");
                default -> both("CASE WHEN %s THEN %s END", condition(depth - 1), x);
            };
        }

        private Both condition(int depth) {
            if (depth == 0) {
                return pick(
                        new Both("net_amount > 50", "l.net_amount > 5000"),
                        new Both("depot = 'Kiln Yard'", "o.depot = 'Kiln Yard'"),
                        new Both("promised_date < ship_date", "o.promised_date < o.ship_date"),
                        new Both("EXTRACT(MONTH FROM ordered_at) = 3", "strftime('%m', o.ordered_at) = '03'"));
            }
            Both x = number(depth - 1);
            Both y = number(depth - 1);
            Both t = text(depth - 1);
            Both u = text(depth - 1);
            Both p = condition(depth - 1);
            Both q = condition(depth - 1);
            return switch (random.nextInt(8)) {
                case 0 -> both("(%s) <= (%s)", x, y);
                case 1 -> both("(%s) > (%s)", t, u);
                case 2 -> both("(%s) AND (%s)", p, q);
                case 3 -> both("(%s) OR (%s)", p, q);
                case 4 -> both("NOT (%s)", p);
                case 5 -> both("(%s) IS NULL", t);
                case 6 -> both("(%s) NOT BETWEEN 2 AND (%s)", x, y);
                default -> both("(%s) IN (%s, 'Hives')", t, u);
            };
        }

        private Both pick(Both... options) {
            return options[random.nextInt(options.length)];
        }

        private static Both same(String text) {
            return new Both(text, text);
        }

        private static Both both(String form, Both... parts) {
            Object[] ours = List.of(parts).stream().map(Both::ours).toArray();
            Object[] sql = List.of(parts).stream().map(Both::sql).toArray();
            return new Both(form.formatted(ours), form.formatted(sql));
        }
    }
}
