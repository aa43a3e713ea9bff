package org.grammatus.core.group.figure;

import java.math.BigInteger;
import java.util.Arrays;
import org.grammatus.core.columnar.Arithmetic;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.IntList;
import org.grammatus.core.columnar.PairTable;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Type;

/**
 * What an aggregate comes to step by step: at each step over all that came in its scope so far, taken together. What comes in
 * several steps of a scope, as an order does whose lines lie in several groups, counts once, in the first of them.
 */
public final class RunningAggregate {

    private final int[] scopes;
    private final IntList steps = new IntList();
    private final IntList rows = new IntList();
    private final PairTable known = new PairTable(1024);

    /** @param scopes by step, number of the scope in which it lies */
    public RunningAggregate(int[] scopes) {
        this.scopes = scopes;
    }

    /**
     * Takes a row.
     *
     * @param row of the argument's table
     * @param key tells apart what counts once
     */
    public void take(int step, int row, int key) {
        int number = known.numberOf(PairTable.pair(scopes[step], key));
        if (number == steps.size()) {
            steps.add(step);
            rows.add(row);
        } else if (step < steps.get(number)) {
            steps.set(number, step);
        }
    }

    /** The figures by step, from an accumulator of so many nodes as there are steps. */
    public Column of(Accumulator accumulator) {
        accumulator.add(steps.toArray(), rows.toArray());
        int[] last = new int[Arrays.stream(scopes).max().orElse(0) + 1];
        Arrays.fill(last, -1);
        for (int step = 0; step < scopes.length; step++) {
            if (last[scopes[step]] >= 0) {
                accumulator.merge(step, last[scopes[step]]);
            }
            last[scopes[step]] = step;
        }
        return accumulator.finish();
    }

    /** The medians by step. */
    public Column medians(Column argument, Type type) {
        int[] taken = new int[steps.size()];
        int count = 0;
        for (int i = 0; i < taken.length; i++) {
            if (!argument.isNull(rows.get(i))) {
                taken[count++] = i;
            }
        }
        int[] items = Arrays.copyOf(taken, count);
        RunningMedian median =
                new RunningMedian(argument, Arrays.stream(items).map(rows::get).toArray());
        int[][] placesOfStep = placesOfStep(items);
        BigInteger[] medians = new BigInteger[scopes.length];
        for (int[] inScope : stepsOfScopes()) {
            for (int step : inScope) {
                Arrays.stream(placesOfStep[step]).forEach(place -> median.add(place, 1));
                BigInteger twice = median.twiceMiddle();
                medians[step] = twice == null
                        ? null
                        : Decimals.divide(twice, argument.type().scale(), BigInteger.TWO, 0, type.scale());
            }
            for (int step : inScope) {
                Arrays.stream(placesOfStep[step]).forEach(place -> median.add(place, -1));
            }
        }
        return Arithmetic.narrow(medians, type);
    }

    private int[][] placesOfStep(int[] items) {
        IntList[] places = new IntList[scopes.length];
        Arrays.setAll(places, step -> new IntList());
        for (int place = 0; place < items.length; place++) {
            places[steps.get(items[place])].add(place);
        }
        return Arrays.stream(places).map(IntList::toArray).toArray(int[][]::new);
    }

    private int[][] stepsOfScopes() {
        IntList[] inScope = new IntList[Arrays.stream(scopes).max().orElse(-1) + 1];
        Arrays.setAll(inScope, scope -> new IntList());
        for (int step = 0; step < scopes.length; step++) {
            inScope[scopes[step]].add(step);
        }
        return Arrays.stream(inScope).map(IntList::toArray).toArray(int[][]::new);
    }
}
