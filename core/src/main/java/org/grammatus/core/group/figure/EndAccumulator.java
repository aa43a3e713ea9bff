package org.grammatus.core.group.figure;

import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Gathering;

/** FIRST and LAST: the value that stands in a node's first or last row, blank where it is blank there; NULL over nothing. */
public final class EndAccumulator extends BestRowAccumulator {

    private final Column argument;
    private final int[] argumentRows;
    private final int[] ranks;
    private final int sign;

    /**
     * The values at one end of each node's rows.
     *
     * @param argumentRows for each row of the grain the row of the argument
     * @param ranks for each row of the grain its place in the order of rows
     * @param first whether the first row's value is taken, or the last one's
     */
    public EndAccumulator(Column argument, int[] argumentRows, int[] ranks, boolean first, int nodes) {
        super(nodes);
        this.argument = argument;
        this.argumentRows = argumentRows;
        this.ranks = ranks;
        this.sign = first ? 1 : -1;
    }

    @Override
    public boolean counts(int row) {
        return true;
    }

    @Override
    public int compare(int a, int b) {
        return sign * Integer.compare(ranks[a], ranks[b]);
    }

    @Override
    public Column finish() {
        int[] rows = best().clone();
        for (int node = 0; node < rows.length; node++) {
            rows[node] = rows[node] == NONE ? NONE : argumentRows[rows[node]];
        }
        return Gathering.orNull(argument, rows);
    }
}
