package org.grammatus.core.columnar;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.grammatus.core.plan.TablePlan;

/** The same rows with one date moved, as if all had happened at another time. */
public final class ShiftedStar {

    private ShiftedStar() {}

    /** Moves a date field by a step; all that is computed from it moves with it. */
    public static Star of(Star star, TablePlan.Shift shift) {
        int home = star.dataset().field(shift.field()).table();
        List<Star.Rows> tables = new ArrayList<>();
        for (int table = 0; table < star.dataset().tableCount(); table++) {
            Star.Rows rows = star.table(table);
            tables.add(table == home ? moved(rows, shift) : rows);
        }
        return new Star(star.dataset(), tables);
    }

    private static Star.Rows moved(Star.Rows rows, TablePlan.Shift shift) {
        Map<String, Column> fields = new HashMap<>(rows.fields());
        Column.Longs dates = (Column.Longs) fields.get(shift.field());
        Column.Longs byMonths = DateParts.addMonths(dates, shift.months());
        fields.put(shift.field(), DateParts.addDays(byMonths, shift.days()));
        return new Star.Rows(rows.size(), fields, rows.keys(), rows.links(), rows.leftOut(), rows.whole());
    }
}
