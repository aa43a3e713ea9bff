package org.grammatus.core.explain;

import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.DrillDown;
import org.grammatus.core.group.GroupingStep;
import org.grammatus.core.value.Scalar;

/**
 * Which of a group's printed rows count in a figure of it, by their numbers at the grain. A row counts where it is the first
 * printed one to bring its order, or whatever the figure is taken once of, and that has a value; of equal values where only
 * distinct ones are counted, the first printed one does. Where a figure takes several aggregates, a row counts that counts in
 * any.
 */
public final class CountedRows {

    private final Star star;
    private final Homes homes;
    private final int[] scope;
    private final DrillDown drillDown;
    private final int node;
    private final int depth;
    private final BitSet counted = new BitSet();

    private CountedRows(GroupingStep.Result result, int node) {
        this.star = result.drillDown().star();
        this.homes = new Homes(result.grouped().plan().dataset());
        int from = result.grouped().rows().starts()[result.grouped().tree().placeOf(node)];
        int to = result.grouped().rows().starts()[result.grouped().tree().lastPlace(node) + 1];
        this.drillDown = result.drillDown();
        this.node = node;
        this.depth = result.grouped().tree().depthOf(node);
        this.scope = result.grouped().rows().order().length == 0
                ? new int[0]
                : Arrays.copyOfRange(result.grouped().rows().order(), from, to);
    }

    /** The rows that count in a total of a group; none where the report prints no rows. */
    public static BitSet of(GroupingStep.Result result, int total, int node) {
        CountedRows rows = new CountedRows(result, node);
        rows.add(result.grouped().plan().totals().get(total).value());
        return rows.counted;
    }

    private void add(Typed figure) {
        switch (figure) {
            case Typed.Aggregate aggregate -> count(aggregate);
            // It takes rows of other groups, too; it is what the rows here are compared with.
            case Typed.Over over -> {}
            case Typed.WindowFunction standing -> {}
            default -> figure.operands().forEach(this::add);
        }
    }

    private void count(Typed.Aggregate aggregate) {
        switch (aggregate.function()) {
            case FIRST, LAST -> countEnd(aggregate);
            default -> countEach(aggregate);
        }
    }

    /** The first or last row that meets the condition counts, whatever stands in it. */
    private void countEnd(Typed.Aggregate aggregate) {
        IntPredicate taken = aggregate.filter().map(this::meets).orElse(row -> true);
        int[] order = new int[star.rowCount()];
        int[] ordered = drillDown.rows(node, depth);
        for (int i = 0; i < ordered.length; i++) {
            order[ordered[i]] = i;
        }
        IntStream rows = Arrays.stream(scope).filter(taken);
        Comparator<Integer> byOrder = Comparator.comparingInt(row -> order[row]);
        (aggregate.function() == AggregateFunction.FIRST
                        ? rows.boxed().min(byOrder)
                        : rows.boxed().max(byOrder))
                .ifPresent(counted::set);
    }

    private void countEach(Typed.Aggregate aggregate) {
        int home = homes.orGrain(aggregate);
        int[] path = star.path(DatasetModel.GRAIN, home);
        Optional<Column> values =
                aggregate.argument().map(argument -> Evaluator.evaluate(argument, star.at(home), new Faults()));
        IntPredicate taken = aggregate.filter().map(this::meets).orElse(row -> true);
        BitSet seen = new BitSet();
        Set<Scalar> distinct = new HashSet<>();
        for (int row : scope) {
            int homeRow = path[row];
            if (star.isMissing(home, homeRow) || seen.get(homeRow) || !taken.test(row)) {
                continue;
            }
            seen.set(homeRow);
            boolean counts = values.isEmpty()
                    || !values.get().isNull(homeRow)
                            && (!aggregate.distinct() || distinct.add(Scalars.at(values.get(), homeRow)));
            if (counts) {
                counted.set(row);
            }
        }
    }

    /** Whether a row of the grain meets a condition, which is computed once for each row of its home table. */
    private IntPredicate meets(Typed condition) {
        int home = homes.orGrain(condition);
        int[] path = star.path(DatasetModel.GRAIN, home);
        long[] truth = ((Column.Longs) Evaluator.evaluate(condition, star.at(home), new Faults())).values();
        return row -> truth[path[row]] == 1;
    }
}
