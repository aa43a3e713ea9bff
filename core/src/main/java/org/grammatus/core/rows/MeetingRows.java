package org.grammatus.core.rows;

import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.Map;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.expression.Typed;

/**
 * Evaluates conditions over a set of rows. What was asked of late is remembered, so that whoever changes one condition of many waits for that one
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
        BitSet found = RowCondition.met(condition, star, new Faults());
        synchronized (remembered) {
            remembered.put(condition, found);
        }
        return found;
    }
}
