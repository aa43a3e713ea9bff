package org.grammatus.core.group.window;

import java.util.Arrays;
import java.util.function.IntPredicate;
import org.grammatus.core.columnar.IntList;
import org.grammatus.core.group.figure.PrintedSteps;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.group.tree.GroupTree;

/**
 * The printed groups of a depth one after the other, and others that stand in their place further out: what is folded into these
 * has come, too, once they are printed.
 */
public final class GroupSteps implements PrintedSteps {

    private final GroupIndex nodes;
    private final int depth;
    /** By node, its step; -1 for what is not printed. */
    private final int[] stepOf;

    private final int[] nodeOf;
    private final int[] scopes;

    /**
     * The steps inside the groups of a depth further out.
     *
     * @param isOthers whether a node stands for several groups
     */
    public GroupSteps(GroupIndex nodes, GroupTree tree, int depth, int scopeDepth, IntPredicate isOthers) {
        this.nodes = nodes;
        this.depth = depth;
        this.stepOf = new int[nodes.first(depth + 1)];
        Arrays.fill(stepOf, -1);
        IntList stepped = new IntList();
        for (int place = 1; place < tree.nodeCount(); place++) {
            int node = tree.nodeAt(place);
            int at = tree.depthOf(node);
            if (at == depth || (at < depth && at > scopeDepth && isOthers.test(node))) {
                stepOf[node] = stepped.size();
                stepped.add(node);
            }
        }
        this.nodeOf = stepped.toArray();
        this.scopes = Arrays.stream(nodeOf)
                .map(node -> tree.ancestor(node, scopeDepth))
                .toArray();
        for (int node = 1; node < stepOf.length; node++) {
            int parent = nodes.parents()[node];
            stepOf[node] = stepOf[node] < 0 ? stepOf[parent] : stepOf[node];
        }
    }

    @Override
    public int table() {
        return nodes.tableOf(depth);
    }

    @Override
    public int[] of(int ofTable, int[] rows) {
        int[] steps = nodes.nodes(depth, ofTable, rows);
        for (int i = 0; i < steps.length; i++) {
            steps[i] = stepOf[steps[i]];
        }
        return steps;
    }

    @Override
    public int[] scopes() {
        return scopes;
    }

    /** By step, the node that is printed there. */
    public int[] nodes() {
        return nodeOf;
    }
}
