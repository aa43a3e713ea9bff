package org.grammatus.core.group;

import java.util.Arrays;

/**
 * Groups in printed order. A node's place is its number when the tree is read from the top, each parent before its children;
 * a node's descendants have the places right after it. Immutable.
 */
public final class GroupTree {

    /** The report itself. */
    public static final int ROOT = 0;

    private final int[] firstOfDepth;
    private final int[] nodeAt;
    private final int[] placeOf;
    /** By node above the last depth: how many nodes it and its descendants are. */
    private final int[] sizes;

    private final int[] parents;

    GroupTree(Nodes nodes, int[][] orderedByDepth) {
        int count = nodes.nodeCount();
        int depths = nodes.depths();
        this.parents = nodes.parents();
        this.firstOfDepth = new int[depths + 1];
        Arrays.setAll(firstOfDepth, nodes::first);
        this.nodeAt = new int[count];
        this.placeOf = new int[count];
        this.sizes = sizes(count);
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

    private int[] sizes(int count) {
        int inner = Math.max(1, firstOfDepth[firstOfDepth.length - 2]);
        int[] found = new int[inner];
        Arrays.fill(found, 1);
        for (int node = inner; node < count; node++) {
            found[parents[node]]++;
        }
        for (int node = inner - 1; node > ROOT; node--) {
            found[parents[node]] += found[node];
        }
        return found;
    }

    public int nodeCount() {
        return nodeAt.length;
    }

    /** Levels and the report: depth 0 is the report, depth {@code d} the level {@code d - 1}. */
    public int depths() {
        return firstOfDepth.length - 1;
    }

    /** The node that stands at a place. */
    public int nodeAt(int place) {
        return nodeAt[place];
    }

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
