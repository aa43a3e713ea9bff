package org.grammatus.core.group;

/**
 * Groups in printed order. A node's place is its number when the tree is read from the top, each parent before its children;
 * a node's descendants have the places right after it. Immutable.
 */
public final class GroupTree {

    /** The report itself. */
    public static final int ROOT = 0;

    private final int[] depthOf;
    private final int[] nodeAt;
    private final int[] placeOf;
    private final int[] lastPlace;
    private final int[] parents;
    private final int depths;

    GroupTree(Nodes nodes, int[][] orderedByDepth) {
        int count = nodes.nodeCount();
        this.depths = nodes.depths();
        this.parents = nodes.parents();
        this.depthOf = new int[count];
        this.nodeAt = new int[count];
        this.placeOf = new int[count];
        this.lastPlace = new int[count];
        int[] sizes = new int[count];
        for (int node = count - 1; node >= 0; node--) {
            sizes[node]++;
            if (node > 0) {
                sizes[parents[node]] += sizes[node];
            }
        }
        int[] next = new int[count];
        next[ROOT] = 1;
        for (int depth = 1; depth < depths; depth++) {
            for (int node : orderedByDepth[depth]) {
                placeOf[node] = next[parents[node]];
                next[parents[node]] += sizes[node];
                next[node] = placeOf[node] + 1;
                depthOf[node] = depth;
            }
        }
        for (int node = 0; node < count; node++) {
            nodeAt[placeOf[node]] = node;
            lastPlace[node] = placeOf[node] + sizes[node] - 1;
        }
    }

    public int nodeCount() {
        return nodeAt.length;
    }

    /** Levels and the report: depth 0 is the report, depth {@code d} the level {@code d - 1}. */
    public int depths() {
        return depths;
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
        return lastPlace[node];
    }

    public int depthOf(int node) {
        return depthOf[node];
    }

    /** The parent; -1 for the report. */
    public int parentOf(int node) {
        return parents[node];
    }

    /** The node at the given depth on the path to a node. */
    public int ancestor(int node, int depth) {
        int n = node;
        while (depthOf[n] > depth) {
            n = parents[n];
        }
        return n;
    }
}
