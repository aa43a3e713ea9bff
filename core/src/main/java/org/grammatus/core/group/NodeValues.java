package org.grammatus.core.group;

import java.util.Arrays;
import java.util.function.IntConsumer;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.table.Column;
import org.grammatus.core.table.Evaluator;
import org.grammatus.core.table.Faults;
import org.grammatus.core.table.Star;

/** The values of expressions on rows, as groups see them: that of their first row. Not thread-safe. */
final class NodeValues {

    private final Plan plan;
    private final Star star;
    private final Nodes nodes;
    private final Faults faults;
    private final Homes homes;
    private int[] orderedRows;

    NodeValues(Plan plan, Nodes nodes, Faults faults) {
        this.plan = plan;
        this.star = nodes.star();
        this.nodes = nodes;
        this.faults = faults;
        this.homes = new Homes(plan.dataset());
    }

    /**
     * An expression's value at each node of a depth: that of the node's first row.
     *
     * @param varying told in how many nodes the rows differ, if in any
     */
    Column atFirstRow(Typed expression, int depth, IntConsumer varying) {
        int home = homes.orGrain(expression);
        Column values = Evaluator.evaluate(expression, star.at(home), faults);
        SharedValue shared = SharedValue.of(values, home, nodes, depth);
        if (!shared.varying().isEmpty()) {
            int[] path = star.path(DatasetModel.GRAIN, home);
            int[] firstRows = firstRows(depth);
            shared.varying().stream().forEach(node -> shared.rows()[node] = path[firstRows[node]]);
            varying.accept(shared.varying().cardinality());
        }
        return values.gather(shared.rows());
    }

    /** The first row, in row order, of each node of a depth. */
    private int[] firstRows(int depth) {
        int first = nodes.first(depth);
        int[] firstRows = new int[nodes.first(depth + 1) - first];
        Arrays.fill(firstRows, -1);
        int[] rows = orderedRows();
        int[] nodeOf = nodes.nodes(depth, DatasetModel.GRAIN, rows);
        for (int i = 0; i < rows.length; i++) {
            if (firstRows[nodeOf[i] - first] < 0) {
                firstRows[nodeOf[i] - first] = rows[i];
            }
        }
        return firstRows;
    }

    /** All kept rows in row order. */
    int[] orderedRows() {
        if (orderedRows == null) {
            orderedRows = nodes.kept().rows().clone();
            RowOrder.sort(orderedRows, plan, star, faults);
        }
        return orderedRows;
    }
}
