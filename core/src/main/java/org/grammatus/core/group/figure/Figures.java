package org.grammatus.core.group.figure;

import java.util.Arrays;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Gathering;
import org.grammatus.core.columnar.JointCodes;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.plan.Axis;

/** A tree of groups with all that is computed of it, each once. Not thread-safe. */
public final class Figures {

    private final Axis axis;
    private final GroupIndex nodes;
    private final NodeValues values;
    private final Aggregates aggregates;
    private final Faults faults;

    public Figures(Axis axis, GroupIndex nodes, Faults faults) {
        this.axis = axis;
        this.nodes = nodes;
        this.faults = faults;
        this.values = new NodeValues(axis, nodes, faults);
        this.aggregates = new Aggregates(axis, nodes, faults, values::orderedRows);
    }

    public Axis axis() {
        return axis;
    }

    public GroupIndex nodes() {
        return nodes;
    }

    public NodeValues values() {
        return values;
    }

    public Aggregates aggregates() {
        return aggregates;
    }

    /** An expression over groups, by node. */
    public Column of(Typed overScope) {
        return of(overScope, faults);
    }

    public Column of(Typed overScope, Faults own) {
        return Evaluator.evaluate(overScope, aggregates, own);
    }

    /** An expression over all groups that share a key of one level, whatever their parents: by node of the level's depth. */
    public Column acrossReport(Typed overScope, int depth) {
        Axis alone = axis.alone(depth);
        GroupIndex keys = GroupIndex.of(alone, nodes.star(), nodes.kept(), faults, () -> false);
        Column byKey = new Figures(alone, keys, faults).of(overScope);
        JointCodes codes = JointCodes.of(keys.keys(1), nodes.keys(depth));
        int[] nodeOfCode = new int[codes.count()];
        Arrays.fill(nodeOfCode, -1);
        for (int i = 0; i < codes.left().length; i++) {
            nodeOfCode[codes.left()[i]] = keys.first(1) + i;
        }
        int[] found = new int[codes.right().length];
        for (int i = 0; i < found.length; i++) {
            found[i] = nodeOfCode[codes.right()[i]];
        }
        return Gathering.orNull(byKey, found);
    }
}
