package org.grammatus.core.group;

import java.util.Arrays;
import org.grammatus.core.table.Column;

/** FIRST and LAST: the value that stands in a node's first or last row, blank where it is blank there; NULL over nothing. */
final class EndAccumulator implements Accumulator {

    private static final int NONE = -1;

    private final Column argument;
    private final int[] argumentRows;
    private final int[] ranks;
    private final int sign;
    private final int[] best;

    /**
     * The values at one end of each node's rows.
     *
     * @param argumentRows for each row of the grain the row of the argument
     * @param ranks for each row of the grain its place in the order of rows
     * @param first whether the first row's value is taken, or the last one's
     */
    EndAccumulator(Column argument, int[] argumentRows, int[] ranks, boolean first, int nodes) {
        this.argument = argument;
        this.argumentRows = argumentRows;
        this.ranks = ranks;
        this.sign = first ? 1 : -1;
        this.best = new int[nodes];
        Arrays.fill(best, NONE);
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
        if (best[node] == NONE || sign * Integer.compare(ranks[row], ranks[best[node]]) < 0) {
            best[node] = row;
        }
    }

    @Override
    public Column finish() {
        int[] rows = new int[best.length];
        for (int node = 0; node < rows.length; node++) {
            rows[node] = best[node] == NONE ? NONE : argumentRows[best[node]];
        }
        return Gathering.orNull(argument, rows);
    }
}
