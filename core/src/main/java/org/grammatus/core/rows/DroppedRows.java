package org.grammatus.core.rows;

import java.util.BitSet;
import java.util.Optional;
import java.util.stream.IntStream;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.TablePlan;

/** The rows that a condition of a table drops: those that the conditions before it leave, and that it does not keep. */
public final class DroppedRows {

    private DroppedRows() {}

    /**
     * Numbers of the grain's rows that a condition drops, ascending.
     *
     * @param filter its id
     * @return none where there is no such condition, or where rows were left out before they were counted
     */
    public static Optional<int[]> of(TablePlan plan, Star star, KeptRows kept, String filter) {
        int index = IntStream.range(0, plan.filters().size())
                .filter(i -> plan.filters().get(i).id().equals(filter))
                .findFirst()
                .orElse(-1);
        if (index < 0 || !star.isComplete()) {
            return Optional.empty();
        }
        boolean first = plan.filters().get(index).top().isPresent();
        // What chooses the first rows does so after all others.
        BitSet before = first ? meetingAll(plan, star, plan.filters().size()) : meetingAll(plan, star, index);
        BitSet after;
        if (first) {
            after = new BitSet();
            IntStream.of(kept.rows()).forEach(after::set);
        } else {
            after = meetingAll(plan, star, index + 1);
        }
        before.andNot(after);
        return Optional.of(before.stream().toArray());
    }

    private static BitSet meetingAll(TablePlan plan, Star star, int count) {
        BitSet meeting = new BitSet();
        IntStream.of(KeptRows.meeting(
                        plan.filters().subList(0, count).stream()
                                .map(FilterPlan::condition)
                                .toList(),
                        plan.dataset(),
                        star))
                .forEach(meeting::set);
        return meeting;
    }
}
