package org.grammatus.core.rows;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.TablePlan;

/** What each condition of a table keeps, and each part of it: by itself, and after those before it. Used once. */
public final class FilterCounts {

    private final MeetingRows meeting;
    private final BooleanSupplier cancelled;
    private final List<FilterCount> counts = new ArrayList<>();

    /**
     * What a condition keeps.
     *
     * @param alone rows that meet it, whatever the others keep; none where rows were left out before they were counted
     * @param kept rows that are left after it; of parts of which one must hold, the rows that it adds; none likewise
     */
    public record FilterCount(String id, Optional<Integer> alone, Optional<Integer> kept) {}

    private FilterCounts(MeetingRows meeting, BooleanSupplier cancelled) {
        this.meeting = meeting;
        this.cancelled = cancelled;
    }

    /** Counts for every condition and part that restricts something, in the order of the plan. */
    public static List<FilterCount> of(
            TablePlan plan, Star star, KeptRows kept, MeetingRows meeting, BooleanSupplier cancelled) {
        if (!star.isComplete()) {
            return partial(plan, kept);
        }
        FilterCounts counts = new FilterCounts(meeting, cancelled);
        BitSet left = new BitSet(star.rowCount());
        left.set(0, star.rowCount());
        for (int i = 0; i < plan.filters().size(); i++) {
            FilterPlan filter = plan.filters().get(i);
            BitSet own = filter.top().isEmpty()
                    ? counts.meeting(filter.condition())
                    : first(filter.top().get(), plan, star);
            counts.counts.add(new FilterCount(
                    filter.id(),
                    Optional.of(own.cardinality()),
                    Optional.of(kept.afterEach().get(i))));
            BitSet before = (BitSet) left.clone();
            left.and(own);
            filter.parts().ifPresent(parts -> counts.parts(parts, before));
        }
        return List.copyOf(counts.counts);
    }

    /** Of rows some of which the source left out, only how many are left in the end is known. */
    private static List<FilterCount> partial(TablePlan plan, KeptRows kept) {
        List<FilterCount> counts = new ArrayList<>();
        for (int i = 0; i < plan.filters().size(); i++) {
            boolean last = i == plan.filters().size() - 1;
            counts.add(new FilterCount(
                    plan.filters().get(i).id(),
                    Optional.empty(),
                    last ? Optional.of(kept.rows().length) : Optional.empty()));
        }
        return counts;
    }

    private void parts(FilterPlan.Parts parts, BitSet before) {
        BitSet left = (BitSet) before.clone();
        for (FilterPlan.Part part : parts.parts()) {
            BitSet own = meeting(part.condition());
            BitSet here = (BitSet) left.clone();
            int kept = switch (parts.join()) {
                case ALL -> {
                    left.and(own);
                    yield left.cardinality();
                }
                case ANY -> {
                    left.andNot(own);
                    yield here.cardinality() - left.cardinality();
                }
                case NONE -> {
                    left.and(meeting(part.excluded()));
                    yield left.cardinality();
                }
            };
            counts.add(new FilterCount(part.id(), Optional.of(own.cardinality()), Optional.of(kept)));
            part.parts().ifPresent(inner -> parts(inner, here));
        }
    }

    /** The first rows where no other condition is. */
    private static BitSet first(FilterPlan.TopRows top, TablePlan plan, Star star) {
        BitSet rows = new BitSet(star.rowCount());
        rows.set(0, star.rowCount());
        KeptRows.keepFirst(rows, top, plan, star);
        return rows;
    }

    /** Not to be changed. */
    private BitSet meeting(Typed condition) {
        KeptRows.requireGoingOn(cancelled);
        return meeting.of(condition);
    }
}
