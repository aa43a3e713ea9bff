package org.grammatus.core.rows;

import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.Map;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.Typed;

/**
 * Which of some rows meet conditions. What was asked of late is remembered, so that whoever changes one condition of many waits for that one
 * alone. Thread-safe.
 */
public final class MeetingRows {

    private static final int MOST_REMEMBERED = 64;

    private final Star star;
    private final Map<Typed, BitSet> remembered = new LinkedHashMap<>(MOST_REMEMBERED, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Typed, BitSet> eldest) {
            return size() > MOST_REMEMBERED;
        }
    };

    public MeetingRows(Star star) {
        this.star = star;
    }

    /** Numbers of the grain's rows for which a condition is TRUE; not to be changed. */
    BitSet of(Typed condition) {
        synchronized (remembered) {
            BitSet known = remembered.get(condition);
            if (known != null) {
                return known;
            }
        }
        BitSet found = found(condition);
        synchronized (remembered) {
            remembered.put(condition, found);
        }
        return found;
    }

    /** Computed once for each row of the condition's home table. */
    private BitSet found(Typed condition) {
        int home = new Homes(star.dataset()).orGrain(condition);
        long[] truth = ((Column.Longs) Evaluator.evaluate(condition, star.at(home), new Faults())).values();
        int[] path = star.path(DatasetModel.GRAIN, home);
        long[] words = new long[(path.length + Long.SIZE - 1) / Long.SIZE];
        for (int row = 0; row < path.length; row++) {
            // Without a branch: rows that meet a condition stand among those that do not.
            long bit = truth[path[row]] == 1 ? 1L : 0L;
            words[row >> 6] |= bit << row;
        }
        return BitSet.valueOf(words);
    }
}
