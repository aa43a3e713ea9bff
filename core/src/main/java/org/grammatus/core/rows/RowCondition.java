package org.grammatus.core.rows;

import java.util.BitSet;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.Typed;

/** Which rows meet a condition: those for which it is TRUE, neither FALSE nor NULL. */
final class RowCondition {

    private RowCondition() {}

    /**
     * Numbers of the grain's rows that meet a condition, which is computed once for each row of its home table.
     *
     * @param faults where it is noted what could not be computed
     */
    static BitSet met(Typed condition, Star star, Faults faults) {
        int home = new Homes(star.dataset()).orGrain(condition);
        long[] truth = ((Column.Longs) Evaluator.evaluate(condition, star.at(home), faults)).values();
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
