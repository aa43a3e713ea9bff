package org.grammatus.core.group.tree;

import java.util.Arrays;
import java.util.function.IntFunction;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.JointCodes;
import org.grammatus.core.columnar.PairTable;

/** Finds the groups of one tree that have the same path as those of another. */
public final class SamePaths {

    private SamePaths() {}

    /**
     * For each node of one tree its matching node in the other.
     *
     * @param in the tree that is looked in
     * @param of the tree whose nodes are looked up
     * @param deepest depth down to which they are looked up
     * @return by depth and node within it: the matching node within its depth; -1 where there is none
     */
    public static int[][] of(GroupIndex in, GroupIndex of, int deepest) {
        return of(in, of, of::keys, deepest);
    }

    private static int[][] of(GroupIndex in, GroupIndex of, IntFunction<Column> keys, int deepest) {
        int[][] found = new int[deepest + 1][];
        found[0] = new int[] {0};
        for (int depth = 1; depth <= deepest; depth++) {
            found[depth] = at(depth, in, of, keys.apply(depth), found[depth - 1]);
        }
        return found;
    }

    /**
     * For each node of one tree its matching node in the other, both counted from the report; -1 where there is none.
     *
     * @param keys by depth, the keys that are looked up
     */
    public static int[] ofAll(GroupIndex in, GroupIndex of, IntFunction<Column> keys) {
        int[][] within = of(in, of, keys, of.depths() - 1);
        int[] matchingNode = new int[of.nodeCount()];
        for (int depth = 0; depth < within.length; depth++) {
            for (int node = 0; node < within[depth].length; node++) {
                int found = within[depth][node];
                matchingNode[of.first(depth) + node] = found < 0 ? -1 : in.first(depth) + found;
            }
        }
        return matchingNode;
    }

    private static int[] at(int depth, GroupIndex in, GroupIndex of, Column keys, int[] parents) {
        JointCodes codes = JointCodes.of(in.keys(depth), keys);
        int visibilities = Visibility.DROPPED + 1;
        PairTable paths = new PairTable(codes.left().length);
        int[] nodeOfPath = new int[codes.left().length];
        int first = in.first(depth - 1);
        for (int node = 0; node < codes.left().length; node++) {
            int above = in.parents()[in.first(depth) + node] - first;
            long path = PairTable.pair(above, codes.left()[node] * visibilities + in.visibilityWithin(depth, node));
            nodeOfPath[paths.numberOf(path)] = node;
        }
        int[] found = new int[codes.right().length];
        Arrays.fill(found, -1);
        for (int node = 0; node < found.length; node++) {
            int above = parents[of.parents()[of.first(depth) + node] - of.first(depth - 1)];
            if (above >= 0) {
                int number = paths.numberOf(
                        PairTable.pair(above, codes.right()[node] * visibilities + of.visibilityWithin(depth, node)));
                found[node] = number < nodeOfPath.length ? nodeOfPath[number] : -1;
            }
        }
        return found;
    }
}
