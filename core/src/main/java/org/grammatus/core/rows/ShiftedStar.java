package org.grammatus.core.rows;

import java.util.HashMap;
import java.util.Map;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.TablePlan;

/** The same rows with one date moved, as if all had happened at another time. */
public final class ShiftedStar {

    private ShiftedStar() {}

    /** Moves a date field by a step; all that is computed from it moves with it. */
    public static Star of(Star star, TablePlan.Shift shift) {
        int home = star.dataset().field(shift.field()).table();
        Typed date = new Typed.Field(
                shift.field(), star.dataset().field(shift.field()).type());
        Typed later = new Typed.AddDays(new Typed.AddMonths(date, shift.months()), shift.days());
        Column moved = Evaluator.evaluate(later, star.at(home), new Faults());
        return star.with(home, with(star.table(home), shift.field(), moved));
    }

    private static Star.Rows with(Star.Rows rows, String field, Column values) {
        Map<String, Column> fields = new HashMap<>(rows.fields());
        fields.put(field, values);
        return new Star.Rows(rows.size(), fields, rows.keys(), rows.links(), rows.leftOut(), rows.whole());
    }
}
