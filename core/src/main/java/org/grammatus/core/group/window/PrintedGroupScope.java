package org.grammatus.core.group.window;

import java.util.List;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.EvaluationContext;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.figure.Aggregates;

/**
 * The groups once their printed order is known: an aggregate can step over them.
 *
 * @param totals of the plan as they are printed, by node; none while they are being made
 */
public record PrintedGroupScope(Aggregates aggregates, RunningFrame stepping, List<Column> totals, Faults faults)
        implements EvaluationContext {

    /** An expression's values by node. */
    public Column of(Typed expression) {
        return Evaluator.evaluate(expression, this, faults);
    }

    @Override
    public int size() {
        return aggregates.size();
    }

    @Override
    public Column field(String id) {
        return aggregates.field(id);
    }

    @Override
    public Column aggregate(Typed.Aggregate aggregate) {
        return aggregates.aggregate(aggregate);
    }

    @Override
    public Column standing(Typed.WindowFunction standing, Column values) {
        return stepping.standing(standing, values);
    }

    @Override
    public Column total(int index) {
        return totals.get(index);
    }

    @Override
    public Column over(Typed.Over over) {
        return over.steps()
                .map(steps -> stepping.at(over.aggregate(), steps.depth(), over.depth(), faults))
                .orElseGet(() -> aggregates.over(over));
    }
}
