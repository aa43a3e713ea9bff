package org.grammatus.core.group;

import java.util.Arrays;

/**
 * Groups in printed order. A node's place is its number when the tree is read from the top, each parent before its children;
 * a node's descendants have the places right after it. Nodes that are not shown have no place. Immutable.
 */
public final class GroupTree {

    /** The report itself. */
    public static final int ROOT = 0;

    /** Stands for the place of a node that is not shown. */
    public static final int NO_PLACE = -1;

    private final int[] firstOfDepth;
    private final int[] nodeAt;
    private final int[] placeOf;
    /** By node above the last depth: how many nodes it and its descendants are. */
    private final int[] sizes;

    private final int[] parents;

    /** @param orderedByDepth by depth from 1: the nodes that are shown, siblings in order, each parent's side by side */
    GroupTree(Nodes nodes, int[][] orderedByDepth) {
        int count = nodes.nodeCount();
        int depths = nodes.depths();
        this.parents = nodes.parents();
        this.firstOfDepth = new int[depths + 1];
        Arrays.setAll(firstOfDepth, nodes::first);
        this.placeOf = new int[count];
        Arrays.fill(placeOf, NO_PLACE);
        placeOf[ROOT] = 0;
        this.sizes = sizes(orderedByDepth);
        this.nodeAt = new int[sizes[ROOT]];
        int[] next = new int[sizes.length];
        next[ROOT] = 1;
        for (int depth = 1; depth < depths; depth++) {
            boolean last = depth == depths - 1;
            for (int node : orderedByDepth[depth]) {
                int place = next[parents[node]];
                placeOf[node] = place;
                nodeAt[place] = node;
                if (last) {
                    next[parents[node]] = place + 1;
                } else {
                    next[parents[node]] = place + sizes[node];
                    next[node] = place + 1;
                }
            }
        }
    }

    private int[] sizes(int[][] orderedByDepth) {
        int inner = Math.max(1, firstOfDepth[firstOfDepth.length - 2]);
        int[] found = new int[inner];
        Arrays.fill(found, 1);
        for (int depth = orderedByDepth.length - 1; depth > 0; depth--) {
            for (int node : orderedByDepth[depth]) {
                found[parents[node]] += node < inner ? found[node] : 1;
            }
        }
        return found;
    }

    /** How many nodes are shown, the report included. */
    public int nodeCount() {
        return nodeAt.length;
    }

    public boolean isShown(int node) {
        return placeOf[node] != NO_PLACE;
    }

    /** Levels and the report: depth 0 is the report, depth {@code d} the level {@code d - 1}. */
    public int depths() {
        return firstOfDepth.length - 1;
    }

    /** The node that stands at a place. */
    public int nodeAt(int place) {
        return nodeAt[place];
    }

    /** The node's place, or {@link #NO_PLACE}. */
    public int placeOf(int node) {
        return placeOf[node];
    }

    /** Place of the node's last descendant, or its own. */
    public int lastPlace(int node) {
        return node < sizes.length ? placeOf[node] + sizes[node] - 1 : placeOf[node];
    }

    public int depthOf(int node) {
        int depth = 0;
        while (node >= firstOfDepth[depth + 1]) {
            depth++;
        }
        return depth;
    }

    /** The parent; -1 for the report. */
    public int parentOf(int node) {
        return parents[node];
    }

    /** The node at the given depth on the path to a node. */
    public int ancestor(int node, int depth) {
        int n = node;
        while (n >= firstOfDepth[depth + 1]) {
            n = parents[n];
        }
        return n;
    }
}
