package org.grammatus.core.group.tree;

import java.util.Arrays;
import java.util.BitSet;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.KeyCodes;

/**
 * Whether the rows of a node agree on a value.
 *
 * @param rows by node within its depth: a row of the value's home table
 * @param varying the nodes, counted within their depth, in which rows differ
 */
public record SharedValue(int[] rows, BitSet varying) {

    /**
     * Looks at every row of every node of one depth.
     *
     * @param values the value by row of its home table
     */
    public static SharedValue of(Column values, int home, GroupIndex nodes, int depth) {
        int first = nodes.first(depth);
        int[] rows = new int[nodes.first(depth + 1) - first];
        Arrays.fill(rows, -1);
        BitSet varying = new BitSet();
        int[] codes = KeyCodes.of(values).codes();
        int meeting = nodes.star().dataset().finest(nodes.tableOf(depth), home);
        int[] used = nodes.used(meeting);
        int[] nodeOf = nodes.nodes(depth, meeting, used);
        int[] path = nodes.star().path(meeting, home);
        for (int i = 0; i < used.length; i++) {
            int node = nodeOf[i] - first;
            int row = path[used[i]];
            if (rows[node] < 0) {
                rows[node] = row;
            } else if (codes[rows[node]] != codes[row]) {
                varying.set(node);
            }
        }
        return new SharedValue(rows, varying);
    }
}
