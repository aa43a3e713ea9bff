package org.grammatus.core.order;

import com.ibm.icu.util.ULocale;
import java.util.List;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.plan.Axis;
import org.grammatus.core.plan.TablePlan;

/**
 * The order of the grain's rows: the report's terms, ties by the grain's key, so that it is total. Rows that were read in the order
 * of their key stand in that of their numbers.
 */
public final class RowOrder {

    private RowOrder() {}

    /** The order of the grain's key, which no two rows share. */
    public static IntOrder byKey(Star star, ULocale locale) {
        IntOrder order = (a, b) -> 0;
        for (Column key : star.table(DatasetModel.GRAIN).keys()) {
            order = order.then(ColumnOrder.of(key, Direction.ASCENDING, locale));
        }
        return order.then(Integer::compare);
    }

    /** Sorts rows, by their numbers at the grain: by the axis's terms, then by the grain's key. */
    public static void sort(int[] rows, Axis axis, Star star, Faults faults) {
        IntOrder rest = byKey(star, axis.locale());
        List<TablePlan.Term> terms = axis.rows().order();
        for (int i = terms.size() - 1; i > 0; i--) {
            rest = order(values(terms.get(i), star, faults), terms.get(i), axis).then(rest);
        }
        if (terms.isEmpty()) {
            rest.sort(rows, 0, rows.length);
            return;
        }
        TablePlan.Term main = terms.getFirst();
        Column values = values(main, star, faults);
        SiblingSort.of(values, main.direction(), order(values, main, axis), rest)
                .sort(rows);
    }

    private static Column values(TablePlan.Term term, Star star, Faults faults) {
        return term.keys(Evaluator.evaluate(term.by(), star.at(DatasetModel.GRAIN), faults));
    }

    private static IntOrder order(Column values, TablePlan.Term term, Axis axis) {
        return ColumnOrder.of(
                values, term.direction(), axis.locale(), axis.dataset().naturalOrder(term.by()));
    }
}
