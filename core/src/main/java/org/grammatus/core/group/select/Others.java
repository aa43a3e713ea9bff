package org.grammatus.core.group.select;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.group.tree.Visibility;
import org.grammatus.core.value.Scalar;

/** How many groups stand together as others. */
public final class Others {

    private Others() {}

    /** By node that stands for several groups: for how many. */
    public static Map<Integer, Integer> of(GroupIndex nodes, Selection selection) {
        Map<Integer, Integer> counts = new HashMap<>();
        for (Selection.Choice choice : selection.choices()) {
            int depth = choice.depth();
            if (nodes.hasFolded(depth)) {
                Map<List<Scalar>, Integer> byParent = byParent(choice);
                for (int node = nodes.first(depth); node < nodes.first(depth + 1); node++) {
                    boolean others = nodes.visibilityWithin(depth, node - nodes.first(depth)) == Visibility.OTHERS
                            && !nodes.isInsideFolded(depth, node - nodes.first(depth));
                    Integer count = others ? byParent.get(nodes.path(nodes.parents()[node])) : null;
                    if (count != null) {
                        counts.put(node, count);
                    }
                }
            }
        }
        return counts;
    }

    private static Map<List<Scalar>, Integer> byParent(Selection.Choice choice) {
        Map<Integer, Integer> byNode = new HashMap<>();
        GroupIndex before = choice.before();
        for (int node = 0; node < choice.visibilities().length; node++) {
            if (choice.visibilities()[node] == Visibility.OTHERS) {
                byNode.merge(before.parents()[before.first(choice.depth()) + node], 1, Integer::sum);
            }
        }
        Map<List<Scalar>, Integer> byPath = new HashMap<>();
        byNode.forEach((parent, count) -> byPath.put(before.path(parent), count));
        return byPath;
    }
}
