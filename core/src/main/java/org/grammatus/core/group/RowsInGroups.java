package org.grammatus.core.group;

import java.util.Optional;
import org.grammatus.core.columnar.IntList;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.group.figure.Figures;
import org.grammatus.core.group.select.OtherRows;
import org.grammatus.core.group.select.Selection;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.group.tree.Visibility;
import org.grammatus.core.plan.TablePlan;

/** Puts the rows of a table in printed order. */
final class RowsInGroups {

    private final TablePlan plan;
    private final Figures figures;
    private final GroupIndex nodes;
    private final Selection selection;
    private final GroupTree tree;

    RowsInGroups(TablePlan plan, Figures figures, Selection selection, GroupTree tree) {
        this.plan = plan;
        this.figures = figures;
        this.nodes = figures.nodes();
        this.selection = selection;
        this.tree = tree;
    }

    /** All selected rows, node by node of the last depth in printed order. */
    int[] inOrder(int[] starts) {
        int[] ordered = printed(figures.values().orderedRows());
        int[] nodeOf = nodes.nodes(nodes.depths() - 1, DatasetModel.GRAIN, ordered);
        for (int node : nodeOf) {
            starts[tree.placeOf(node) + 1]++;
        }
        for (int i = 1; i < starts.length; i++) {
            starts[i] += starts[i - 1];
        }
        int[] next = starts.clone();
        int[] rows = new int[ordered.length];
        for (int i = 0; i < ordered.length; i++) {
            rows[next[tree.placeOf(nodeOf[i])]++] = ordered[i];
        }
        return rows;
    }

    /** Those of the ordered rows that are printed: in groups that are shown, and within the limit of rows. */
    private int[] printed(int[] ordered) {
        int deepest = nodes.depths() - 1;
        if (selection.unprinted().isEmpty() && !nodes.hasFolded(deepest)) {
            return ordered;
        }
        int[] nodeOf = nodes.nodes(deepest, DatasetModel.GRAIN, ordered);
        IntList printed = new IntList();
        for (int i = 0; i < ordered.length; i++) {
            if (standsAlone(nodeOf[i]) && !selection.unprinted().get(ordered[i])) {
                printed.add(ordered[i]);
            }
        }
        return printed.toArray();
    }

    /** Whether a group of the last level is shown by itself, so that its rows can be. */
    private boolean standsAlone(int node) {
        int deepest = nodes.depths() - 1;
        return tree.isShown(node) && nodes.visibilityWithin(deepest, node - nodes.first(deepest)) == Visibility.SHOWN;
    }

    Optional<OtherRows> others() {
        boolean any = plan.printsRows()
                && plan.rows().standTogether()
                && !selection.unprinted().isEmpty();
        return any
                ? Optional.of(OtherRows.of(plan, figures, selection.unprinted(), node -> standsAlone(node)))
                : Optional.empty();
    }
}
