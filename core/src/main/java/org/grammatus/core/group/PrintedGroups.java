package org.grammatus.core.group;

import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.group.select.LeftOut;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.value.Scalar;

/**
 * The groups of a table in printed order, and what tells them apart.
 *
 * @param keys by depth: keys of the depth's nodes; none for the report
 * @param labels by depth: labels of the depth's nodes; keys where a level has no label
 * @param firstOfDepth by depth: the first of the depth's nodes, which are consecutive
 * @param others by node that stands for several groups: for how many
 * @param blank the nodes beside which nothing is printed: groups without rows, where their level asks for it
 * @param leftOut the groups that are not shown by themselves
 */
public record PrintedGroups(
        GroupTree tree,
        List<Optional<Column>> keys,
        List<Optional<Column>> labels,
        int[] firstOfDepth,
        Map<Integer, Integer> others,
        BitSet blank,
        List<LeftOut> leftOut) {

    /** A node's number among those of its depth, which columns by depth use. */
    public int within(int node) {
        return node - firstOfDepth[tree.depthOf(node)];
    }

    /** Whether a node stands for the groups that are not among the largest or smallest. */
    public boolean isOthers(int node) {
        return others.containsKey(node);
    }

    /** The key of a group; the report has none. */
    public Scalar key(int node) {
        return Scalars.at(keys.get(tree.depthOf(node)).orElseThrow(), within(node));
    }
}
