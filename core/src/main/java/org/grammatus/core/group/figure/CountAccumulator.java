package org.grammatus.core.group.figure;

import org.grammatus.core.columnar.Column;
import org.grammatus.core.value.Type;

/** COUNT: rows, or rows whose argument is not NULL; 0 over nothing. */
public final class CountAccumulator implements Accumulator {

    private final Column argument;
    private final long[] counts;

    /** @param argument what must not be NULL; null counts every row */
    public CountAccumulator(Column argument, int nodes) {
        this.argument = argument;
        this.counts = new long[nodes];
    }

    @Override
    public void add(int[] nodes, int[] rows) {
        for (int i = 0; i < nodes.length; i++) {
            if (argument == null || !argument.isNull(rows[i])) {
                counts[nodes[i]]++;
            }
        }
    }

    @Override
    public void merge(int into, int from) {
        counts[into] += counts[from];
    }

    public long count(int node) {
        return counts[node];
    }

    @Override
    public Column finish() {
        return new Column.Longs(Type.INTEGER, counts);
    }
}
