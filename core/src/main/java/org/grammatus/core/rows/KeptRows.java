package org.grammatus.core.rows;

import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.choice.LimitEnd;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.order.ColumnOrder;
import org.grammatus.core.order.IntOrder;
import org.grammatus.core.order.RowOrder;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.TablePlan;

/**
 * The rows that passed the filters.
 *
 * @param rows numbers of the grain's rows, ascending
 * @param afterEach how many rows were left after each filter in turn, by the plan's order
 */
public record KeptRows(int[] rows, List<Integer> afterEach) {

    /**
     * Applies the plan's filters. A condition is computed at its home table, once for each of its rows.
     *
     * @param cancelled asked between filters
     */
    public static KeptRows of(TablePlan plan, Star star, Faults faults, BooleanSupplier cancelled) {
        if (plan.filters().isEmpty()) {
            return new KeptRows(all(star.rowCount()), List.of());
        }
        BitSet passing = new BitSet(star.rowCount());
        passing.set(0, star.rowCount());
        int[] afterEach = new int[plan.filters().size()];
        for (int i = 0; i < afterEach.length; i++) {
            requireGoingOn(cancelled);
            passing.and(RowCondition.met(plan.filters().get(i).condition(), star, faults));
            afterEach[i] = passing.cardinality();
        }
        // The first rows are those of all that the others keep, wherever they stand among them.
        for (int i = 0; i < afterEach.length; i++) {
            Optional<FilterPlan.TopRows> top = plan.filters().get(i).top();
            if (top.isPresent()) {
                keepFirst(passing, top.get(), plan, star);
                afterEach[i] = passing.cardinality();
            }
        }
        return new KeptRows(numbers(passing), Arrays.stream(afterEach).boxed().toList());
    }

    /** Numbers of the grain's rows that meet all conditions, ascending. */
    public static int[] meeting(List<Typed> conditions, Star star) {
        BitSet passing = new BitSet(star.rowCount());
        passing.set(0, star.rowCount());
        conditions.forEach(condition -> passing.and(RowCondition.met(condition, star, new Faults())));
        return numbers(passing);
    }

    static void requireGoingOn(BooleanSupplier cancelled) {
        if (cancelled.getAsBoolean()) {
            throw new CancellationException("The run was cancelled");
        }
    }

    static void keepFirst(BitSet passing, FilterPlan.TopRows top, TablePlan plan, Star star) {
        Column values = Evaluator.evaluate(top.by(), star.at(DatasetModel.GRAIN), new Faults());
        boolean largest = top.end() == LimitEnd.LARGEST;
        IntOrder order = ColumnOrder.of(values, largest ? Direction.DESCENDING : Direction.ASCENDING, plan.locale());
        int[] rows = numbers(passing);
        order.then(RowOrder.byKey(star, plan.locale())).sort(rows, 0, rows.length);
        passing.clear();
        Arrays.stream(rows)
                .limit(top.count())
                .filter(row -> !values.isNull(row))
                .forEach(passing::set);
    }

    private static int[] all(int count) {
        int[] numbers = new int[count];
        Arrays.setAll(numbers, i -> i);
        return numbers;
    }

    private static int[] numbers(BitSet set) {
        int[] numbers = new int[set.cardinality()];
        int size = 0;
        long[] words = set.toLongArray();
        for (int w = 0; w < words.length; w++) {
            for (long word = words[w]; word != 0; word &= word - 1) {
                numbers[size++] = (w << 6) + Long.numberOfTrailingZeros(word);
            }
        }
        return numbers;
    }
}
