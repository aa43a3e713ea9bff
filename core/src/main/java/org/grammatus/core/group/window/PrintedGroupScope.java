package org.grammatus.core.group.window;

import java.util.Map;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.EvaluationContext;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.figure.Aggregates;

/**
 * The evaluation scope of groups in printed order: aggregates can step over them.
 *
 * @param totals of the plan as they are printed, by id, each by node; none while they are being made
 */
public record PrintedGroupScope(Aggregates aggregates, RunningFrame stepping, Map<String, Column> totals, Faults faults)
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
    public Column total(String id) {
        return totals.get(id);
    }

    @Override
    public Column over(Typed.Over over) {
        return over.steps()
                .map(steps -> stepping.at(over.aggregate(), steps, over.around(), faults))
                .orElseGet(() -> aggregates.over(over));
    }
}
