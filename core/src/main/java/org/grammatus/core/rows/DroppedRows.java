package org.grammatus.core.rows;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
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
        return Optional.of(each(plan, star, kept).get(index).stream().toArray());
    }

    /** The same for every condition, in the order of the plan; each condition is tried once. */
    public static List<BitSet> each(TablePlan plan, Star star, KeptRows kept) {
        MeetingRows meeting = new MeetingRows(star);
        BitSet left = new BitSet(star.rowCount());
        left.set(0, star.rowCount());
        List<BitSet> dropped = new ArrayList<>();
        for (FilterPlan filter : plan.filters()) {
            BitSet own = (BitSet) left.clone();
            BitSet meets = meeting.of(filter.condition());
            own.andNot(meets);
            left.and(meets);
            dropped.add(own);
        }
        // What chooses the first rows does so after all others.
        IntStream.of(kept.rows()).forEach(left::clear);
        for (int i = 0; i < dropped.size(); i++) {
            if (plan.filters().get(i).top().isPresent()) {
                dropped.set(i, left);
            }
        }
        return List.copyOf(dropped);
    }
}
