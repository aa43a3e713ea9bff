package org.grammatus.core.explain;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.grammatus.core.choice.Rounding;
import org.grammatus.core.choice.Shown;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.GroupingStep;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Scalar;

/**
 * A figure computed a second time, from the rows behind it one after the other: no columns of groups, no merging, nothing shared
 * with the way in which the report came by it but the values of the rows.
 */
final class Recount {

    /** Reading more rows than this one by one takes too long for an answer that somebody waits for. */
    private static final int MOST_ROWS = 300_000;

    private Recount() {}

    /**
     * The figure of a single sum, count or average, recounted; none for others, and none of very many rows.
     *
     * @param node the group
     */
    static Optional<Scalar> of(GroupingStep.Result result, TotalPlan total, int node, int depth) {
        boolean plain = total.shown() == Shown.VALUE && total.comparison().isEmpty();
        boolean rounded = result.grouped().plan().totalling().rounding() == Rounding.EACH_LINE;
        boolean few = result.grouped().rowsKept() <= MOST_ROWS;
        return few && plain && !rounded && total.value().unnamed() instanceof Typed.Aggregate aggregate
                ? of(result, aggregate, result.drillDown().rows(node, depth))
                : Optional.empty();
    }

    private static Optional<Scalar> of(GroupingStep.Result result, Typed.Aggregate aggregate, int[] rows) {
        List<Scalar> values = taken(result, aggregate, rows);
        List<Scalar> distinct =
                aggregate.distinct() ? values.stream().distinct().toList() : values;
        return switch (aggregate.function()) {
            case COUNT -> Optional.of(number(BigDecimal.valueOf(distinct.size()), aggregate));
            case SUM -> Optional.of(distinct.isEmpty() ? none(aggregate) : number(sum(distinct), aggregate));
            case AVG ->
                Optional.of(distinct.isEmpty() ? none(aggregate) : number(average(distinct, aggregate), aggregate));
            case MIN, MAX, MEDIAN, FIRST, LAST -> Optional.empty();
        };
    }

    /** The values that count: of each row of the home table once, where the filter holds, and not NULL. */
    private static List<Scalar> taken(GroupingStep.Result result, Typed.Aggregate aggregate, int[] rows) {
        Star star = result.drillDown().star();
        int home = new Homes(star.dataset()).orGrain(aggregate);
        int[] path = star.path(DatasetModel.GRAIN, home);
        Optional<Column> argument = aggregate.argument().map(e -> Evaluator.evaluate(e, star.at(home), new Faults()));
        Optional<Column> truth =
                aggregate.filter().map(e -> Evaluator.evaluate(e, star.at(DatasetModel.GRAIN), new Faults()));
        Set<Integer> seen = new HashSet<>();
        List<Scalar> values = new ArrayList<>();
        for (int row : rows) {
            boolean counts = truth.isEmpty() || Scalars.at(truth.get(), row).equals(new Scalar.Bool(true));
            if (!counts || star.isMissing(home, path[row]) || !seen.add(path[row])) {
                continue;
            }
            Scalar value = argument.map(column -> Scalars.at(column, path[row])).orElse(new Scalar.Bool(true));
            if (!(value instanceof Scalar.Null)) {
                values.add(value);
            }
        }
        return values;
    }

    private static BigDecimal sum(List<Scalar> values) {
        return values.stream().map(value -> ((Scalar.Number) value).value()).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    private static BigDecimal average(List<Scalar> values, Typed.Aggregate aggregate) {
        return sum(values)
                .divide(BigDecimal.valueOf(values.size()), aggregate.type().scale(), Decimals.ROUNDING);
    }

    private static Scalar number(BigDecimal value, Typed.Aggregate aggregate) {
        return new Scalar.Number(value.setScale(aggregate.type().scale(), Decimals.ROUNDING), aggregate.type());
    }

    private static Scalar none(Typed.Aggregate aggregate) {
        return new Scalar.Null(aggregate.type());
    }
}
