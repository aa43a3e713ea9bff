package org.grammatus.core.columnar;

import java.util.List;
import org.grammatus.core.expression.Typed;

/** Where an expression is computed: a number of places, and what its names stand for at each. */
public interface EvaluationContext {

    /** One place without fields, for expressions of constants alone. */
    EvaluationContext NO_FIELDS = new EvaluationContext() {

        @Override
        public int size() {
            return 1;
        }

        @Override
        public Column field(String id) {
            throw new IllegalStateException("An expression of constants has no field " + id);
        }
    };

    int size();

    /** The values of a field. */
    Column field(String id);

    /**
     * Whether rows of another dataset belong to each; only rows that were read together with those have it.
     *
     * @param keys the values of its keys
     */
    default Column has(Typed.SemiJoin has, List<Column> keys) {
        throw new IllegalStateException("The rows of " + has.dataset() + " were not read");
    }

    /** The values of an aggregate; only a frame of groups has them. */
    default Column aggregate(Typed.Aggregate aggregate) {
        throw new IllegalStateException("Rows have no aggregates");
    }

    /**
     * Where each stands among the others of the group around it; only what is printed has it.
     *
     * @param values of what they are told apart by
     */
    default Column standing(Typed.WindowFunction standing, Column values) {
        throw new IllegalStateException("Nothing is printed before or behind these");
    }

    /** The values of a total, by its id; only groups whose totals are made have them. */
    default Column total(String id) {
        throw new IllegalStateException("No totals are made of these yet");
    }

    /** The values of an aggregate of the groups around; only a frame of groups has them. */
    default Column over(Typed.Over over) {
        throw new IllegalStateException("Rows have no groups around them");
    }
}
