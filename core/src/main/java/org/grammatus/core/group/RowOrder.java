package org.grammatus.core.group;

import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Report.Direction;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.table.Column;
import org.grammatus.core.table.Evaluator;
import org.grammatus.core.table.Faults;
import org.grammatus.core.table.Star;

/** The order of the grain's rows: the report's terms, ties by the grain's key, so that it is total. */
final class RowOrder {

    private RowOrder() {}

    static IntOrder of(Plan plan, Star star, Faults faults) {
        IntOrder order = (a, b) -> 0;
        for (Plan.Term term : plan.rowOrder()) {
            Column column = Evaluator.evaluate(term.by(), star.at(DatasetModel.GRAIN), faults);
            order = order.then(ColumnOrder.of(column, term.direction(), plan.locale()));
        }
        for (Column key : star.table(DatasetModel.GRAIN).keys()) {
            order = order.then(ColumnOrder.of(key, Direction.ASCENDING, plan.locale()));
        }
        return order;
    }
}
