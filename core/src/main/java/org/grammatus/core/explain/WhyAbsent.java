package org.grammatus.core.explain;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.stream.IntStream;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.rows.DroppedRows;
import org.grammatus.core.rows.KeptRows;
import org.grammatus.core.value.Scalar;

/**
 * Why rows of a value are not in a table, such as those of an order.
 *
 * @param noun what rows are called
 * @param found how many rows have the value, whatever the table keeps
 * @param kept how many of them it keeps
 * @param drops by condition that drops some of them first, how many
 * @param counted whether all rows were there to be looked at; else the source left out some before
 */
public record WhyAbsent(String noun, int found, int kept, List<Drop> drops, boolean counted) {

    /**
     * A condition that drops rows.
     *
     * @param filter its id
     * @param words what it keeps
     */
    public record Drop(String filter, String words, int rows) {}

    /**
     * Looks for the rows of a value.
     *
     * @param field the value's, as an expression of a row
     * @param star rows with all that the field and the conditions read
     */
    public static WhyAbsent of(TablePlan plan, Star star, KeptRows kept, Typed field, Scalar value) {
        BitSet rows = rows(plan, star, field, value);
        int found = rows.cardinality();
        BitSet keeps = new BitSet();
        IntStream.of(kept.rows()).forEach(keeps::set);
        List<Drop> drops = new ArrayList<>();
        List<BitSet> each = star.isComplete() ? DroppedRows.each(plan, star, kept) : List.of();
        for (int i = 0; i < each.size(); i++) {
            FilterPlan filter = plan.filters().get(i);
            BitSet dropped = (BitSet) each.get(i).clone();
            dropped.and(rows);
            if (!dropped.isEmpty()) {
                drops.add(new Drop(filter.id(), filter.words(), dropped.cardinality()));
            }
        }
        keeps.and(rows);
        return new WhyAbsent(
                plan.dataset().table(DatasetModel.GRAIN).noun().of(found),
                found,
                keeps.cardinality(),
                List.copyOf(drops),
                star.isComplete());
    }

    private static BitSet rows(TablePlan plan, Star star, Typed field, Scalar value) {
        int home = new Homes(plan.dataset()).orGrain(field);
        Column values = Evaluator.evaluate(field, star.at(home), new Faults());
        BitSet has = new BitSet();
        for (int row = 0; row < values.size(); row++) {
            has.set(row, !values.isNull(row) && Scalars.at(values, row).equals(value));
        }
        BitSet rows = new BitSet();
        int[] path = star.path(DatasetModel.GRAIN, home);
        for (int row = 0; row < path.length; row++) {
            rows.set(row, has.get(path[row]));
        }
        return rows;
    }
}
