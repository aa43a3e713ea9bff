package org.grammatus.core.group.window;

import java.time.LocalDate;
import java.util.Optional;
import org.grammatus.core.choice.Bucket;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.rows.ComparedDays;
import org.grammatus.core.rows.Shift;
import org.grammatus.core.value.Type;

/**
 * Where days are groups, 29 February stands beside the same day of the year before as 28 February does: the rows of that day are moved to
 * 28 February, and both groups look there.
 *
 * @param field id of the date field that is moved
 */
record LeapDays(String field) {

    private static final int MONTHS_OF_YEAR = 12;

    /** The rule for a step of years; none for other steps, and where 29 February is the first day and so has the rows itself. */
    static Optional<LeapDays> of(Shift shift) {
        boolean years = shift.months() != 0 && shift.months() % MONTHS_OF_YEAR == 0;
        boolean first = shift.from().filter(ComparedDays::isLeapDay).isPresent();
        return years && !first ? Optional.of(new LeapDays(shift.field())) : Optional.empty();
    }

    /** The keys of a depth, as they are looked up among groups of the year before. */
    Column keys(int depth, GroupIndex nodes) {
        Column keys = nodes.keys(depth);
        LevelPlan level = nodes.axis().level(depth);
        return SpansOfTime.isKeyedBy(field, level) && isOfDays(level) && keys instanceof Column.Longs days
                ? moved(days)
                : keys;
    }

    private static boolean isOfDays(LevelPlan level) {
        return level.keys()
                .coarsening()
                .map(coarsening -> coarsening instanceof DateBucket bucket && bucket.bucket() == Bucket.DAY)
                .orElse(level.keys().value().type().equals(Type.DATE));
    }

    private static Column moved(Column.Longs days) {
        long[] values = days.values().clone();
        for (int i = 0; i < values.length; i++) {
            if (values[i] != Column.Longs.NULL && ComparedDays.isLeapDay(LocalDate.ofEpochDay(values[i]))) {
                values[i]--;
            }
        }
        return new Column.Longs(days.type(), values);
    }
}
