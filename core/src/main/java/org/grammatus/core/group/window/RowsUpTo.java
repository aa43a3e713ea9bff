package org.grammatus.core.group.window;

import java.util.Arrays;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.EvaluationContext;
import org.grammatus.core.columnar.Gathering;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.figure.Figures;
import org.grammatus.core.group.figure.PrintedSteps;
import org.grammatus.core.group.tree.GroupTree;

/**
 * By printed row, what the rows up to it come to inside the group around it; nothing for rows that are not printed. A coarser measure counts
 * with the first of its rows.
 */
public final class RowsUpTo implements EvaluationContext {

    private final Figures figures;
    private final Star star;
    private final GroupTree tree;
    private final int[] rows;
    private final int[] rowStart;
    private final int depth;

    /**
     * Rows in printed order.
     *
     * @param rowStart by place in the tree, where the group's rows start
     * @param depth of the groups inside which figures begin anew
     */
    public RowsUpTo(Figures figures, GroupTree tree, int[] rows, int[] rowStart, int depth) {
        this.figures = figures;
        this.star = figures.nodes().star();
        this.tree = tree;
        this.rows = rows;
        this.rowStart = rowStart;
        this.depth = depth;
    }

    @Override
    public int size() {
        return star.rowCount();
    }

    @Override
    public Column field(String id) {
        return star.at(DatasetModel.GRAIN).field(id);
    }

    @Override
    public Column aggregate(Typed.Aggregate aggregate) {
        int[] stepOfRow = new int[size()];
        Arrays.fill(stepOfRow, -1);
        int[] scopes = new int[rows.length];
        for (int place = 0; place + 1 < rowStart.length; place++) {
            int scope = rowStart[place] < rowStart[place + 1] ? tree.ancestor(tree.nodeAt(place), depth) : 0;
            for (int step = rowStart[place]; step < rowStart[place + 1]; step++) {
                stepOfRow[rows[step]] = step;
                scopes[step] = scope;
            }
        }
        Column byStep = figures.aggregates().running(aggregate, new RowSteps(star, stepOfRow, scopes));
        return Gathering.orNull(byStep, stepOfRow);
    }

    /** The printed rows one after the other. */
    private record RowSteps(Star star, int[] stepOfRow, int[] scopes) implements PrintedSteps {

        @Override
        public int table() {
            return DatasetModel.GRAIN;
        }

        @Override
        public int[] of(int ofTable, int[] rows) {
            int[] path = star.path(ofTable, DatasetModel.GRAIN);
            return Arrays.stream(rows).map(row -> stepOfRow[path[row]]).toArray();
        }
    }
}
