package org.grammatus.core.group.figure;

import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.EvaluationContext;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Gathering;
import org.grammatus.core.columnar.KeyCodes;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.Typed;

/**
 * An expression over any rows together, with all that is needed of them: which rows they are is said when they are known, such as those that
 * stand on a page. Immutable.
 */
public final class RowsTogether {

    private final Typed value;
    private final Map<Typed.Aggregate, Taken> taken = new HashMap<>();
    private final Map<Typed.Over, Column> wholes = new HashMap<>();

    /**
     * What an aggregate takes of rows.
     *
     * @param argument its values by row of their table; none where whole rows are counted
     * @param home by row of the grain: the row that is counted once, or {@link #NONE}
     * @param codes what tells rows apart that are counted, by their number; none tells them all apart
     * @param through the rows of the grain that its condition lets through; none lets all
     */
    private record Taken(Optional<Column> argument, int[] home, Optional<int[]> codes, Optional<BitSet> through) {}

    private static final int NONE = -1;

    private RowsTogether(Typed value) {
        this.value = value;
    }

    /** An expression over rows of some groups; what it says of the whole report is that of the groups. */
    public static RowsTogether of(Typed value, Figures figures, Faults faults) {
        RowsTogether together = new RowsTogether(value);
        together.note(value, figures, faults);
        return together;
    }

    private void note(Typed part, Figures figures, Faults faults) {
        switch (part) {
            case Typed.Aggregate aggregate ->
                taken.computeIfAbsent(
                        aggregate, each -> taken(each, figures.nodes().star(), faults));
            case Typed.Over over ->
                wholes.computeIfAbsent(
                        over, each -> figures.aggregates().over(each).gather(new int[] {0}));
            default -> part.operands().forEach(operand -> note(operand, figures, faults));
        }
    }

    private static Taken taken(Typed.Aggregate aggregate, Star star, Faults faults) {
        DatasetModel dataset = star.dataset();
        Homes homes = new Homes(dataset);
        int table = homes.orGrain(aggregate);
        int[] home = star.path(DatasetModel.GRAIN, table).clone();
        for (int row = 0; row < home.length; row++) {
            home[row] = star.isMissing(table, home[row]) ? NONE : home[row];
        }
        Optional<Column> argument =
                aggregate.argument().map(e -> Evaluator.evaluate(e, star.at(homes.orGrain(e)), faults));
        Optional<int[]> codes = aggregate.distinct()
                ? argument.map(values -> KeyCodes.of(values).codes())
                : Optional.empty();
        return new Taken(argument, home, codes, aggregate.filter().map(condition -> {
            int decided = homes.orGrain(condition);
            long[] truth = ((Column.Longs) Evaluator.evaluate(condition, star.at(decided), faults)).values();
            int[] path = star.path(DatasetModel.GRAIN, decided);
            BitSet through = new BitSet(path.length);
            for (int row = 0; row < path.length; row++) {
                through.set(row, truth[path[row]] == 1);
            }
            return through;
        }));
    }

    /**
     * What it comes to, as the only value of a column.
     *
     * @param rows numbers at the grain, in printed order
     */
    public Column over(int[] rows) {
        return Evaluator.evaluate(value, new Rows(rows), new Faults());
    }

    private final class Rows implements EvaluationContext {

        private final int[] rows;

        Rows(int[] rows) {
            this.rows = rows;
        }

        @Override
        public int size() {
            return 1;
        }

        @Override
        public Column field(String id) {
            throw new IllegalStateException("Rows have many values of field " + id);
        }

        @Override
        public Column over(Typed.Over over) {
            return wholes.get(over);
        }

        @Override
        public Column aggregate(Typed.Aggregate aggregate) {
            Taken of = taken.get(aggregate);
            int[] through = of.through()
                    .map(met -> Arrays.stream(rows).filter(met::get).toArray())
                    .orElse(rows);
            boolean first = aggregate.function() == AggregateFunction.FIRST;
            if (first || aggregate.function() == AggregateFunction.LAST) {
                int at = first ? 0 : through.length - 1;
                int row = through.length == 0 ? NONE : of.home()[through[at]];
                return Gathering.orNull(of.argument().orElseThrow(), new int[] {row});
            }
            int[] counted = once(of, through);
            Accumulator accumulator =
                    Aggregates.accumulator(aggregate, of.argument().orElse(null), 1, new Faults());
            accumulator.add(new int[counted.length], counted);
            return accumulator.finish();
        }

        /** The rows that are counted, each once. */
        private static int[] once(Taken of, int[] rows) {
            BitSet seen = new BitSet();
            return Arrays.stream(rows)
                    .map(row -> of.home()[row])
                    .filter(row -> row != NONE)
                    .filter(row -> {
                        int code = of.codes().map(codes -> codes[row]).orElse(row);
                        boolean isNew = !seen.get(code);
                        seen.set(code);
                        return isNew;
                    })
                    .toArray();
        }
    }
}
