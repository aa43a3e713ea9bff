package org.grammatus.core.explain;

import java.util.Arrays;
import java.util.BitSet;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntPredicate;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.Grouped;
import org.grammatus.core.table.Column;
import org.grammatus.core.table.Evaluator;
import org.grammatus.core.table.Faults;
import org.grammatus.core.table.Scalars;
import org.grammatus.core.table.Star;
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
    private final BitSet counted = new BitSet();

    private CountedRows(Grouped grouped, int node) {
        this.star = grouped.star();
        this.homes = new Homes(grouped.plan().dataset());
        int from = grouped.rowStart()[grouped.tree().placeOf(node)];
        int to = grouped.rowStart()[grouped.tree().lastPlace(node) + 1];
        this.scope = grouped.rows().length == 0 ? new int[0] : Arrays.copyOfRange(grouped.rows(), from, to);
    }

    /** The rows that count in a total of a group; none where the report prints no rows. */
    public static BitSet of(Grouped grouped, int total, int node) {
        CountedRows rows = new CountedRows(grouped, node);
        rows.add(grouped.plan().totals().get(total).value());
        return rows.counted;
    }

    private void add(Typed figure) {
        if (figure instanceof Typed.Aggregate aggregate) {
            count(aggregate);
        } else {
            figure.operands().forEach(this::add);
        }
    }

    private void count(Typed.Aggregate aggregate) {
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
