package org.grammatus.core.rows;

import java.util.HashMap;
import java.util.Map;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.value.Kind;

/** The same rows with one date moved, as if all had happened at another time. */
public final class ShiftedStar {

    private static final int MONTHS_OF_YEAR = 12;

    private ShiftedStar() {}

    /** Moves a date field by a step; all that is computed from it moves with it. */
    public static Star of(Star star, Shift shift) {
        int home = star.dataset().field(shift.field()).table();
        Typed date = new Typed.Field(
                shift.field(), star.dataset().field(shift.field()).type());
        Typed later = new Typed.AddDays(new Typed.AddMonths(date, shift.months()), shift.days());
        Column moved = leapDay(Evaluator.evaluate(later, star.at(home), new Faults()), shift);
        return star.with(home, with(star.table(home), shift.field(), moved));
    }

    /** Where 29 February is the first day that takes part, 28 February of a year without one is moved there. */
    private static Column leapDay(Column moved, Shift shift) {
        if (shift.months() % MONTHS_OF_YEAR != 0
                || shift.months() == 0
                || shift.from().filter(ComparedDays::isLeapDay).isEmpty()) {
            return moved;
        }
        long unit = moved.type().kind() == Kind.TIMESTAMP ? Scalars.MICROS_OF_DAY : 1;
        long leapDay = shift.from().get().toEpochDay();
        long[] values = ((Column.Longs) moved).values().clone();
        for (int i = 0; i < values.length; i++) {
            if (values[i] != Column.Longs.NULL && Math.floorDiv(values[i], unit) == leapDay - 1) {
                values[i] += unit;
            }
        }
        return new Column.Longs(moved.type(), values);
    }

    private static Star.Rows with(Star.Rows rows, String field, Column values) {
        Map<String, Column> fields = new HashMap<>(rows.fields());
        fields.put(field, values);
        return new Star.Rows(rows.size(), fields, rows.keys(), rows.links(), rows.leftOut(), rows.whole());
    }
}
