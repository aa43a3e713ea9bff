package org.grammatus.core.rows;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.Typed;
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
        List<Integer> afterEach = new ArrayList<>();
        Homes homes = new Homes(plan.dataset());
        for (FilterPlan filter : plan.filters()) {
            if (cancelled.getAsBoolean()) {
                throw new CancellationException("The run was cancelled");
            }
            keep(passing, filter.condition(), star, homes, faults);
            afterEach.add(passing.cardinality());
        }
        return new KeptRows(numbers(passing), List.copyOf(afterEach));
    }

    /** Numbers of the grain's rows that meet all conditions, ascending. */
    public static int[] meeting(List<Typed> conditions, DatasetModel dataset, Star star) {
        BitSet passing = new BitSet(star.rowCount());
        passing.set(0, star.rowCount());
        Homes homes = new Homes(dataset);
        conditions.forEach(condition -> keep(passing, condition, star, homes, new Faults()));
        return numbers(passing);
    }

    private static void keep(BitSet passing, Typed condition, Star star, Homes homes, Faults faults) {
        int home = homes.orGrain(condition);
        long[] truth = ((Column.Longs) Evaluator.evaluate(condition, star.at(home), faults)).values();
        int[] path = star.path(DatasetModel.GRAIN, home);
        for (int row = passing.nextSetBit(0); row >= 0; row = passing.nextSetBit(row + 1)) {
            if (truth[path[row]] != 1) {
                passing.clear(row);
            }
        }
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
