package org.grammatus.core.group;

import java.util.Arrays;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.EvaluationContext;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.group.figure.Figures;
import org.grammatus.core.group.figure.SiblingOrder;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.rows.KeptRows;
import org.grammatus.core.value.Scalar;

/** What stands behind a result: the rows of a group, the values that order it, and where groups overlap. Thread-safe. */
public final class DrillDown {

    private final GroupIndex nodes;
    private final Figures figures;
    private final SiblingOrder order;
    private final KeptRows kept;
    private final EvaluationContext printedRows;

    /** @param printedRows the rows with the groups around them */
    DrillDown(Figures figures, KeptRows kept, EvaluationContext printedRows) {
        this.printedRows = printedRows;
        this.kept = kept;
        this.nodes = figures.nodes();
        this.figures = figures;
        this.order = new SiblingOrder(figures);
    }

    /** The rows that were read. */
    public Star star() {
        return nodes.star();
    }

    /** Those of them that met the conditions. */
    public KeptRows kept() {
        return kept;
    }

    /** The numbers, at the grain, of a group's rows in row order. */
    public synchronized int[] rows(int node, int depth) {
        int[] ordered = figures.values().orderedRows();
        int[] nodeOf = nodes.nodes(depth, DatasetModel.GRAIN, ordered);
        int[] rows = new int[ordered.length];
        int size = 0;
        for (int i = 0; i < ordered.length; i++) {
            if (nodeOf[i] == node) {
                rows[size++] = ordered[i];
            }
        }
        return Arrays.copyOf(rows, size);
    }

    /** The value by which a term of a level's order puts a group in its place. */
    public synchronized Scalar value(TablePlan.Term term, int node, int depth) {
        Column column = order.values(term, depth, varying -> {});
        return Scalars.at(column, order.placeOf(term, node, depth));
    }

    /** A column's values by row of its home table. */
    public synchronized Column values(ColumnPlan column) {
        EvaluationContext frame =
                column.value().looksOver() ? printedRows : nodes.star().at(column.home());
        return Evaluator.evaluate(column.value(), frame, new Faults());
    }

    /** Whether groups of a depth may share rows of a table, so that their figures of it do not add up to their parent's. */
    public boolean overlaps(int home, int depth) {
        return depth > 0 && !figures.axis().dataset().reaches(home, nodes.tableOf(depth));
    }

    /** How many rows of a table a group has. */
    public synchronized long count(int table, int node) {
        return figures.aggregates().rowCounts(table)[node];
    }
}
