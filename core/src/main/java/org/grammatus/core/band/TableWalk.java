package org.grammatus.core.band;

import org.grammatus.core.group.PrintedRows;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.TablePlan;

/**
 * Goes through the groups and rows that a table prints, in printed order. Bands and files are made by the same walk, so that they agree on
 * what is there.
 */
public final class TableWalk {

    private final TableResult grouped;
    private final GroupTree tree;
    private final TablePlan plan;
    private final MarkedAlone printed;
    private final int deepest;

    private TableWalk(TableResult grouped, int deepest) {
        this.grouped = grouped;
        this.tree = grouped.tree();
        this.plan = grouped.plan();
        this.printed = new MarkedAlone(grouped);
        this.deepest = deepest;
    }

    /** Through everything of which something is printed. */
    public static TableWalk printed(TableResult grouped) {
        TablePlan plan = grouped.plan();
        return new TableWalk(grouped, plan.printsRows() ? plan.levels().size() : plan.innermostPrinted());
    }

    /** Through everything that a file has a line for: the groups of the innermost level, where none is printed, too. */
    public static TableWalk lines(TableResult grouped) {
        return new TableWalk(grouped, lineDepth(grouped.plan()));
    }

    /** Depth of the groups that are the lines of a file: those that rows stand in, or the innermost printed ones. */
    public static int lineDepth(TablePlan plan) {
        return plan.printsRows() || plan.innermostPrinted() == 0 ? plan.levels().size() : plan.innermostPrinted();
    }

    /** Depth of the innermost groups that are walked through. */
    public int deepest() {
        return deepest;
    }

    /** Whether a group has no groups inside that are walked through. */
    public boolean isInnermost(int node) {
        return tree.depthOf(node) == deepest || tree.lastPlace(node) == tree.placeOf(node);
    }

    /** Calls a visitor for each group and row. */
    public void accept(TableVisitor visitor) {
        // The groups that are open, outermost first, and where each ends.
        int[] open = new int[tree.depths()];
        int[] ends = new int[tree.depths()];
        int depth = -1;
        for (int place = 0; place < tree.nodeCount(); place++) {
            int node = tree.nodeAt(place);
            if (!printed.hasPlace(place) || tree.depthOf(node) > deepest) {
                // What is inside it is not printed either.
                place = tree.lastPlaceFrom(place);
                continue;
            }
            while (depth >= 0 && ends[depth] < place) {
                visitor.close(open[depth--]);
            }
            visitor.open(node);
            rows(visitor, node, place);
            open[++depth] = node;
            ends[depth] = tree.lastPlaceFrom(place);
        }
        while (depth >= 0) {
            visitor.close(open[depth--]);
        }
    }

    private void rows(TableVisitor visitor, int node, int place) {
        if (tree.depthOf(node) < tree.depths() - 1 || !plan.printsRows()) {
            return;
        }
        PrintedRows rows = grouped.rows();
        for (int i = rows.starts()[place]; i < rows.starts()[place + 1]; i++) {
            if (printed.hasRow(rows.order()[i], node)) {
                visitor.row(node, rows.order()[i]);
            }
        }
        if (rows.othersOf(node) > 0 && printed.hasOthers()) {
            visitor.otherRows(node);
        }
    }
}
