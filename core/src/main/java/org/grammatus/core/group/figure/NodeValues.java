package org.grammatus.core.group.figure;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.function.IntConsumer;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Gathering;
import org.grammatus.core.columnar.JointCodes;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.group.tree.GroupKeys;
import org.grammatus.core.group.tree.SharedValue;
import org.grammatus.core.order.ColumnOrder;
import org.grammatus.core.order.RowOrder;
import org.grammatus.core.plan.Axis;
import org.grammatus.core.plan.LevelPlan;

/** The values of expressions on rows, as groups see them: that of their first row. Not thread-safe. */
public final class NodeValues {

    private final Axis axis;
    private final Star star;
    private final GroupIndex nodes;
    private final Faults faults;
    private final Homes homes;
    private int[] orderedRows;

    public NodeValues(Axis axis, GroupIndex nodes, Faults faults) {
        this.axis = axis;
        this.star = nodes.star();
        this.nodes = nodes;
        this.faults = faults;
        this.homes = new Homes(axis.dataset());
    }

    /**
     * An expression's value at each node of a depth: that of the node's first row.
     *
     * @param varying told in how many nodes the rows differ, if in any
     */
    public Column atFirstRow(Typed expression, int depth, IntConsumer varying) {
        int home = homes.orGrain(expression);
        Column values = Evaluator.evaluate(expression, star.at(home), faults);
        SharedValue shared = SharedValue.of(values, home, nodes, depth);
        if (!shared.varying().isEmpty()) {
            int[] path = star.path(DatasetModel.GRAIN, home);
            int[] firstRows = firstRows(depth);
            shared.varying().stream().forEach(node -> shared.rows()[node] = path[firstRows[node]]);
            varying.accept(shared.varying().cardinality());
        }
        return Gathering.orNull(values, shared.rows());
    }

    /**
     * What the nodes of a depth are called. A node without rows is called as its key is wherever the data have it.
     *
     * @param varying told in how many nodes the rows differ, if in any
     */
    public Column labels(int depth, IntConsumer varying) {
        LevelPlan level = axis.level(depth);
        if (level.naming().label().isEmpty()) {
            return nodes.keys(depth);
        }
        Column labels = atFirstRow(level.naming().label().get(), depth, varying);
        int withRows = nodes.withRows(depth);
        return withRows == labels.size() ? labels : withoutRows(level, depth, labels, withRows);
    }

    private Column withoutRows(LevelPlan level, int depth, Column labels, int withRows) {
        Column keys = GroupKeys.of(level, star, faults);
        JointCodes codes = JointCodes.of(keys, nodes.keys(depth));
        Map<Integer, Integer> rowOfKey = new HashMap<>();
        for (int row = 0; row < keys.size(); row++) {
            rowOfKey.putIfAbsent(codes.left()[row], row);
        }
        int home = homes.orGrain(level.naming().label().orElseThrow());
        Column all = Evaluator.evaluate(level.naming().label().orElseThrow(), star.at(home), faults);
        boolean reachable = axis.dataset().reaches(level.keys().home(), home);
        int[] path = reachable ? star.path(level.keys().home(), home) : new int[0];
        int[] rows = new int[labels.size() - withRows];
        for (int i = 0; i < rows.length; i++) {
            int row = rowOfKey.getOrDefault(codes.right()[withRows + i], -1);
            rows[i] = row < 0 || !reachable ? -1 : path[row];
        }
        int[] first = ColumnOrder.numbers(withRows);
        return Gathering.joined(labels.gather(first), Gathering.orNull(all, rows));
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
    public int[] orderedRows() {
        if (orderedRows == null) {
            orderedRows = nodes.kept().rows().clone();
            RowOrder.sort(orderedRows, axis, star, faults);
        }
        return orderedRows;
    }
}
