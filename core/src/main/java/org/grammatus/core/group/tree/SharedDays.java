package org.grammatus.core.group.tree;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.plan.Axis;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Period;

/**
 * Which spans of time and places of cycles of one date go together, one inside the other: those that share a day from the first to
 * the last span, or of the period asked for. A quarter holds its three months of the year, each month of the year every year.
 */
public final class SharedDays {

    private final List<Integer> depths;
    private final Set<List<Long>> together;

    private SharedDays(List<Integer> depths, Set<List<Long>> together) {
        this.depths = depths;
        this.together = together;
    }

    /**
     * What goes together at a depth and around it; nothing where its level is no bucket of a date, or the only one.
     *
     * @param kept rows of the level's home table that a selected row leads to
     */
    public static Optional<SharedDays> at(int depth, Axis axis, Star star, int[] kept) {
        LevelPlan level = axis.level(depth);
        List<Integer> depths = new ArrayList<>();
        List<DateBucket> buckets = new ArrayList<>();
        for (int around = 1; around <= depth; around++) {
            LevelPlan other = axis.level(around);
            if (other.keys().value().equals(level.keys().value())
                    && other.keys().coarsening().orElse(null) instanceof DateBucket bucket) {
                depths.add(around);
                buckets.add(bucket);
            }
        }
        if (buckets.size() < 2 || !depths.contains(depth)) {
            return Optional.empty();
        }
        long[] range = range(level, buckets, star, kept);
        Set<List<Long>> together = new HashSet<>();
        for (long day = range[0]; day <= range[1]; day++) {
            long at = day;
            together.add(buckets.stream().map(bucket -> bucket.key(at)).toList());
        }
        return Optional.of(new SharedDays(depths, together));
    }

    /** Depths of the levels that are buckets of the date, outermost first. */
    public List<Integer> depths() {
        return depths;
    }

    /** Whether these keys, one for each of the depths, share a day. */
    public boolean share(List<Long> keys) {
        return together.contains(keys);
    }

    /** The first and the last day that can be shared. */
    private static long[] range(LevelPlan level, List<DateBucket> buckets, Star star, int[] kept) {
        Optional<LocalDate> from = level.keys().asked().flatMap(Period::from);
        Optional<LocalDate> to = level.keys().asked().flatMap(Period::to);
        long[] data = from.isPresent() && to.isPresent() ? new long[2] : days(level, star, kept);
        if (data[0] > data[1]) {
            return new long[] {from.map(LocalDate::toEpochDay).orElse(Long.MAX_VALUE), Long.MIN_VALUE};
        }
        long first = Long.MIN_VALUE;
        long last = Long.MAX_VALUE;
        for (DateBucket bucket : spans(buckets)) {
            first = Math.max(first, bucket.key(data[0]));
            last = Math.min(last, bucket.next(bucket.key(data[1])) - 1);
        }
        return new long[] {
            from.map(LocalDate::toEpochDay).orElse(first),
            to.map(LocalDate::toEpochDay).orElse(last)
        };
    }

    /** The spans among some buckets; where there are cycles alone, the years in which they lie. */
    private static List<DateBucket> spans(List<DateBucket> buckets) {
        List<DateBucket> spans =
                buckets.stream().filter(bucket -> !bucket.isCyclic()).toList();
        return spans.isEmpty() ? List.of(buckets.getFirst().ofYears()) : spans;
    }

    /** The first and the last day in the data, the first after the last where there is none. */
    private static long[] days(LevelPlan level, Star star, int[] kept) {
        Column.Longs dates = (Column.Longs)
                Evaluator.evaluate(level.keys().value(), star.at(level.keys().home()), new Faults());
        long unit = dates.type().kind() == Kind.TIMESTAMP ? Scalars.MICROS_OF_DAY : 1;
        long first = Long.MAX_VALUE;
        long last = Long.MIN_VALUE;
        for (int row : kept) {
            if (!dates.isNull(row)) {
                first = Math.min(first, dates.values()[row]);
                last = Math.max(last, dates.values()[row]);
            }
        }
        return first > last ? new long[] {1, 0} : new long[] {Math.floorDiv(first, unit), Math.floorDiv(last, unit)};
    }
}
