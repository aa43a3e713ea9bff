package org.grammatus.core.plan.planner;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.dataset.NumberClasses;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.ExpressionPrinter;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.Problem.Position;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.core.value.Type;

/**
 * What a reader narrows a report to: the rows of a group, wherever it stands, or all others.
 *
 * @param dataset of the block in which the group was pointed at
 * @param condition what a row must meet, as an expression
 * @param words the same, for people
 */
record Narrowing(DatasetModel dataset, String condition, String words) {

    private static final Position START = new Position(1, 1);

    /**
     * A narrowing to a group of a table, or to all others.
     *
     * @throws ProblemException if the table has no such level, or its groups no such key
     */
    static Narrowing of(ReaderView.Only only, TablePlan table) {
        LevelPlan level = ReaderView.level(table, only.level(), "/view/only", "narrow to a group of");
        String inside = inGroup(level, only);
        String key = "(" + level.keyText() + ")";
        // Rows without a key are among the others.
        boolean blank = only.key().isEmpty();
        String condition =
                only.except() ? blank ? key + " IS NOT NULL" : "NOT (" + inside + ") OR " + key + " IS NULL" : inside;
        return new Narrowing(
                table.dataset(),
                condition,
                (only.except() ? "All but " : "Only ") + level.name() + " "
                        + only.key().orElse("without a value"));
    }

    /** A table with some narrowings on top of its filters, as far as they are about its dataset. */
    static TablePlan applied(List<Narrowing> narrowings, TablePlan table) {
        TablePlan narrowed = table;
        for (Narrowing narrowing : narrowings) {
            if (table.dataset().includes(narrowing.dataset)) {
                narrowed = narrowing.applied(narrowed);
            }
        }
        return narrowed;
    }

    private TablePlan applied(TablePlan table) {
        Names names = PlanNames.of(table);
        Typed condition = Typing.restriction(ExpressionParser.parse(this.condition), names, Typing.Place.ROW)
                .orElseThrow();
        return table.narrowed(
                new FilterPlan("view-only-" + table.filters().size(), condition, Optional.empty(), words));
    }

    /** What a row must meet to lie in the group. */
    private static String inGroup(LevelPlan level, ReaderView.Only only) {
        String key = "(" + level.keyText() + ")";
        if (only.key().isEmpty()) {
            return key + " IS NULL";
        }
        Type type = level.keyType();
        try {
            Scalar value = ScalarText.parse(only.key().get(), type);
            return level.coarsening()
                    .map(coarsening -> switch (coarsening) {
                        case DateBucket bucket -> inBucket(key, bucket, value);
                        case NumberClasses classes -> inClass(key, classes, value);
                    })
                    .orElseGet(() -> key + " = " + literal(value));
        } catch (IllegalArgumentException e) {
            throw new ProblemException(Problem.error("/view/only", e.getMessage()));
        }
    }

    private static String inClass(String key, NumberClasses classes, Scalar value) {
        long number = ((Scalar.Number) value).value().longValue();
        if (number < 1 || number > classes.count()) {
            throw new IllegalArgumentException("found class " + number + ", expected 1 to " + classes.count());
        }
        List<String> edges = new ArrayList<>();
        classes.above(number).ifPresent(edge -> edges.add(key + " > " + edge.toPlainString()));
        classes.upTo(number).ifPresent(edge -> edges.add(key + " <= " + edge.toPlainString()));
        return edges.isEmpty() ? key + " IS NOT NULL" : String.join(" AND ", edges);
    }

    private static String inBucket(String key, DateBucket bucket, Scalar value) {
        if (!bucket.isCyclic()) {
            long start = bucket.key(((Scalar.Date) value).value().toEpochDay());
            return key + " >= " + day(start) + " AND " + key + " < " + day(bucket.next(start));
        }
        long number = ((Scalar.Number) value).value().longValue();
        return switch (bucket.bucket()) {
            case QUARTER_OF_YEAR -> "EXTRACT(QUARTER FROM " + key + ") = " + number;
            case MONTH_OF_YEAR -> "EXTRACT(MONTH FROM " + key + ") = " + number;
            case FISCAL_MONTH -> "EXTRACT(MONTH FROM " + key + ") = " + bucket.calendarMonth(number);
            default ->
                // Days since a Monday, which leave 0 on Mondays before and after it.
                "MOD(MOD(CAST(" + key + " AS DATE) - DATE '2001-01-01', 7) + 7, 7) = " + (number - 1);
        };
    }

    private static String day(long epochDay) {
        return literal(new Scalar.Date(LocalDate.ofEpochDay(epochDay)));
    }

    private static String literal(Scalar value) {
        return ExpressionPrinter.print(new Expression.Literal(value, START));
    }
}
