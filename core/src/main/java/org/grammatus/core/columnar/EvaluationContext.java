package org.grammatus.core.columnar;

import org.grammatus.core.expression.Typed;

/** Where an expression is computed: a number of places, and what its names stand for at each. */
public interface EvaluationContext {

    int size();

    /** The values of a field. */
    Column field(String id);

    /** The values of an aggregate; only a frame of groups has them. */
    default Column aggregate(Typed.Aggregate aggregate) {
        throw new IllegalStateException("Rows have no aggregates");
    }

    /** The values of an aggregate of the groups around; only a frame of groups has them. */
    default Column over(Typed.Over over) {
        throw new IllegalStateException("Rows have no groups around them");
    }
}
