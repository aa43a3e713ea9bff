package org.grammatus.core.group.figure;

import java.util.Arrays;

/** Keeps for each node the one row that comes before all its others. */
public abstract class BestRowAccumulator implements Accumulator {

    /** Stands for a node without a row. */
    public static final int NONE = -1;

    private final int[] best;

    public BestRowAccumulator(int nodes) {
        this.best = new int[nodes];
        Arrays.fill(best, NONE);
    }

    /** Whether a row can be taken at all. */
    public abstract boolean counts(int row);

    /** Below 0 where the first row is to be taken rather than the second. */
    public abstract int compare(int a, int b);

    /** By node, the row that was taken. */
    public int[] best() {
        return best;
    }

    @Override
    public void add(int[] nodes, int[] rows) {
        for (int i = 0; i < nodes.length; i++) {
            offer(nodes[i], rows[i]);
        }
    }

    @Override
    public void merge(int into, int from) {
        if (best[from] != NONE) {
            offer(into, best[from]);
        }
    }

    private void offer(int node, int row) {
        if (counts(row) && (best[node] == NONE || compare(row, best[node]) < 0)) {
            best[node] = row;
        }
    }
}
