package org.grammatus.core.group.tree;

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
    /** By node above the last depth: how many nodes it and its descendants are, and how many are its children. */
    private final int[] sizes;

    private final int[] children;
    private final int[] parents;
    /** By node; worked out when first asked for, since a report can be read from the top without it. */
    private volatile int[] placeOf;

    /** @param orderedByDepth by depth from 1: the nodes that are shown, siblings in order, side by side, parents ascending */
    public GroupTree(GroupIndex nodes, int[][] orderedByDepth) {
        int depths = nodes.depths();
        this.parents = nodes.parents();
        this.firstOfDepth = new int[depths + 1];
        Arrays.setAll(firstOfDepth, nodes::first);
        int inner = Math.max(1, firstOfDepth[depths - 1]);
        this.children = new int[inner];
        this.sizes = new int[inner];
        count(orderedByDepth);
        this.nodeAt = new int[sizes[ROOT]];
        int[] next = new int[inner];
        next[ROOT] = 1;
        for (int depth = 1; depth < depths; depth++) {
            place(orderedByDepth[depth], depth, next);
        }
    }

    /**
     * Counts children and descendants. Nodes of a depth are looked at in the order of their numbers, which is that of memory,
     * where all of them are shown.
     */
    private void count(int[][] orderedByDepth) {
        Arrays.fill(sizes, 1);
        for (int depth = orderedByDepth.length - 1; depth > 0; depth--) {
            int first = firstOfDepth[depth];
            boolean all = orderedByDepth[depth].length == firstOfDepth[depth + 1] - first;
            for (int i = 0; i < orderedByDepth[depth].length; i++) {
                int node = all ? first + i : orderedByDepth[depth][i];
                children[parents[node]]++;
                sizes[parents[node]] += node < sizes.length ? sizes[node] : 1;
            }
        }
    }

    /** Gives the nodes of a depth their places, each parent's one after the other. */
    private void place(int[] ordered, int depth, int[] next) {
        boolean last = depth == depths() - 1;
        int at = 0;
        for (int parent = firstOfDepth[depth - 1]; parent < firstOfDepth[depth]; parent++) {
            int place = next[parent];
            for (int end = at + children[parent]; at < end; at++) {
                int node = ordered[at];
                nodeAt[place] = node;
                if (last) {
                    place++;
                } else {
                    next[node] = place + 1;
                    place += sizes[node];
                }
            }
        }
    }

    private int[] places() {
        int[] known = placeOf;
        if (known == null) {
            known = new int[parents.length];
            Arrays.fill(known, NO_PLACE);
            for (int place = 0; place < nodeAt.length; place++) {
                known[nodeAt[place]] = place;
            }
            placeOf = known;
        }
        return known;
    }

    /** How many nodes are shown, the report included. */
    public int nodeCount() {
        return nodeAt.length;
    }

    public boolean isShown(int node) {
        return places()[node] != NO_PLACE;
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
        return places()[node];
    }

    private int size(int node) {
        return node < sizes.length ? sizes[node] : 1;
    }

    /** Place of the last descendant of the node that stands at a place, or the place itself. */
    public int lastPlaceFrom(int place) {
        return place + size(nodeAt[place]) - 1;
    }

    /** Place of the node's last descendant, or its own. */
    public int lastPlace(int node) {
        return places()[node] + size(node) - 1;
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
