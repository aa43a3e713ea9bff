package org.grammatus.core.group;

import java.util.Arrays;
import java.util.BitSet;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.plan.ColumnPlan;

/**
 * The printed rows in which a coarser measure would be said again: an order's freight stands in the first of its lines in each
 * group, and not in the others, so that nobody adds it up twice.
 */
final class Repeats {

    private Repeats() {}

    /**
     * The rows of a column, by their numbers at the grain, in which it stays blank.
     *
     * @param rows the rows in printed order
     * @param rowStart by place in the tree, where the group's rows start
     */
    static BitSet of(ColumnPlan column, Star star, int[] rows, int[] rowStart) {
        BitSet repeats = new BitSet();
        if (column.home() == DatasetModel.GRAIN || !column.value().type().isNumber()) {
            return repeats;
        }
        int[] path = star.path(DatasetModel.GRAIN, column.home());
        int[] saidIn = new int[star.table(column.home()).size()];
        Arrays.fill(saidIn, -1);
        for (int place = 0; place + 1 < rowStart.length; place++) {
            for (int i = rowStart[place]; i < rowStart[place + 1]; i++) {
                int home = path[rows[i]];
                if (saidIn[home] == place) {
                    repeats.set(rows[i]);
                }
                saidIn[home] = place;
            }
        }
        return repeats;
    }
}
