package org.grammatus.core.group.figure;

import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.KeyCodes;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.Typed;

/**
 * The values from which an expression is computed over the rows of a page, which are known only when pages are broken. Data alone.
 *
 * @param expression the figure
 * @param arguments by aggregate of the expression: the values that it takes
 * @param wholes by part of the expression that looks at the whole report: its value, as the only one of a column
 */
public record PageFigureValues(
        Typed expression, Map<Typed.Aggregate, Argument> arguments, Map<Typed.Over, Column> wholes) {

    /** Stands for the home row of a row of the grain that has none. */
    static final int NONE = -1;

    /**
     * The values that an aggregate takes.
     *
     * @param values by row of their table; none where whole rows are counted
     * @param home by row of the grain: the row that is counted once, or {@link #NONE}
     * @param codes numbers that tell counted rows apart; none where each row is counted by itself
     * @param through the rows of the grain that its condition lets through; none lets all through
     */
    public record Argument(Optional<Column> values, int[] home, Optional<int[]> codes, Optional<BitSet> through) {}

    /** The values of an expression over rows of some groups. */
    public static PageFigureValues of(Typed expression, Figures figures, Faults faults) {
        PageFigureValues values = new PageFigureValues(expression, new HashMap<>(), new HashMap<>());
        values.collect(expression, figures, faults);
        return values;
    }

    private void collect(Typed part, Figures figures, Faults faults) {
        switch (part) {
            case Typed.Aggregate aggregate ->
                arguments.computeIfAbsent(
                        aggregate, each -> argument(each, figures.nodes().star(), faults));
            case Typed.Over over ->
                wholes.computeIfAbsent(
                        over, each -> figures.aggregates().over(each).gather(new int[] {0}));
            default -> part.operands().forEach(operand -> collect(operand, figures, faults));
        }
    }

    private static Argument argument(Typed.Aggregate aggregate, Star star, Faults faults) {
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
        return new Argument(argument, home, codes, aggregate.filter().map(condition -> {
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
}
