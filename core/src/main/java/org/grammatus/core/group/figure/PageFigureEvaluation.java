package org.grammatus.core.group.figure;

import java.util.Arrays;
import java.util.BitSet;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.EvaluationContext;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Gathering;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.Typed;

/** The evaluation of an expression over the rows of one page. */
public final class PageFigureEvaluation implements EvaluationContext {

    private static final int NONE = PageFigureValues.NONE;

    private final PageFigureValues values;
    private final int[] rows;

    private PageFigureEvaluation(PageFigureValues values, int[] rows) {
        this.values = values;
        this.rows = rows;
    }

    /**
     * The value of the expression over some rows, as the only one of a column.
     *
     * @param rows numbers at the grain, in printed order
     */
    public static Column over(PageFigureValues values, int[] rows) {
        return Evaluator.evaluate(values.expression(), new PageFigureEvaluation(values, rows), new Faults());
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
        return values.wholes().get(over);
    }

    @Override
    public Column aggregate(Typed.Aggregate aggregate) {
        PageFigureValues.Argument argument = values.arguments().get(aggregate);
        int[] through = argument.through()
                .map(met -> Arrays.stream(rows).filter(met::get).toArray())
                .orElse(rows);
        boolean first = aggregate.function() == AggregateFunction.FIRST;
        if (first || aggregate.function() == AggregateFunction.LAST) {
            int at = first ? 0 : through.length - 1;
            int row = through.length == 0 ? NONE : argument.home()[through[at]];
            return Gathering.orNull(argument.values().orElseThrow(), new int[] {row});
        }
        int[] counted = once(argument, through);
        Accumulator accumulator =
                Aggregates.accumulator(aggregate, argument.values().orElse(null), 1, new Faults());
        accumulator.add(new int[counted.length], counted);
        return accumulator.finish();
    }

    /** The rows that are counted, each once. */
    private static int[] once(PageFigureValues.Argument argument, int[] rows) {
        BitSet seen = new BitSet();
        return Arrays.stream(rows)
                .map(row -> argument.home()[row])
                .filter(row -> row != NONE)
                .filter(row -> {
                    int code = argument.codes().map(codes -> codes[row]).orElse(row);
                    boolean isNew = !seen.get(code);
                    seen.set(code);
                    return isNew;
                })
                .toArray();
    }
}
