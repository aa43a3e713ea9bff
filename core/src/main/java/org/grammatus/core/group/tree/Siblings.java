package org.grammatus.core.group.tree;

import java.util.stream.IntStream;
import org.grammatus.core.order.SiblingSort;

/** The nodes of one depth, sibling beside sibling; parents in the order of their numbers. */
public final class Siblings {

    /** From so many nodes on, threads share the work. */
    private static final int WORTH_SHARING = 20_000;

    private final int[] nodes;
    /** By parent, counted from the first that has children: where its children start. */
    private final int[] start;

    public Siblings(GroupIndex all, int depth) {
        int first = all.first(depth);
        int count = all.first(depth + 1) - first;
        int[] parents = all.parents();
        int firstParent = count == 0 ? 0 : parents[first];
        int mostParent = firstParent;
        for (int i = 0; i < count; i++) {
            firstParent = Math.min(firstParent, parents[first + i]);
            mostParent = Math.max(mostParent, parents[first + i]);
        }
        this.start = new int[mostParent - firstParent + 2];
        for (int i = 0; i < count; i++) {
            start[parents[first + i] - firstParent + 1]++;
        }
        for (int i = 1; i < start.length; i++) {
            start[i] += start[i - 1];
        }
        int[] next = start.clone();
        this.nodes = new int[count];
        for (int i = 0; i < count; i++) {
            nodes[next[parents[first + i] - firstParent]++] = first + i;
        }
    }

    /** The nodes, each parent's children in order. */
    public int[] sorted(SiblingSort order) {
        int[] sorted = nodes.clone();
        long[] keys = order.keys(nodes);
        IntStream parents = IntStream.range(0, start.length - 1);
        // Children of different parents do not touch each other.
        (sorted.length > WORTH_SHARING ? parents.parallel() : parents)
                .forEach(i -> order.sort(sorted, keys, start[i], start[i + 1]));
        return sorted;
    }
}
