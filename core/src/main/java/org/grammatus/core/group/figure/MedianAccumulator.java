package org.grammatus.core.group.figure;

import java.math.BigInteger;
import java.util.Arrays;
import org.grammatus.core.columnar.Arithmetic;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Type;

/**
 * MEDIAN: the value in the middle, or between the two in the middle; NULL over nothing. A node keeps its rows only until it has
 * handed them to its parent.
 */
public final class MedianAccumulator implements Accumulator {

    private static final int FIRST_CAPACITY = 4;

    private final Column argument;
    private final Type type;
    private final int[][] rows;
    private final int[] sizes;
    private final BigInteger[] medians;

    public MedianAccumulator(Column argument, Type type, int nodes) {
        this.argument = argument;
        this.type = type;
        this.rows = new int[nodes][];
        this.sizes = new int[nodes];
        this.medians = new BigInteger[nodes];
    }

    @Override
    public void add(int[] nodes, int[] added) {
        for (int i = 0; i < nodes.length; i++) {
            if (!argument.isNull(added[i])) {
                room(nodes[i], 1);
                rows[nodes[i]][sizes[nodes[i]]++] = added[i];
            }
        }
    }

    @Override
    public void merge(int into, int from) {
        if (sizes[from] > 0) {
            room(into, sizes[from]);
            System.arraycopy(rows[from], 0, rows[into], sizes[into], sizes[from]);
            sizes[into] += sizes[from];
        }
        settle(from);
    }

    private void room(int node, int more) {
        int needed = sizes[node] + more;
        if (rows[node] == null) {
            rows[node] = new int[Math.max(FIRST_CAPACITY, needed)];
        } else if (rows[node].length < needed) {
            rows[node] = Arrays.copyOf(rows[node], Math.max(needed, rows[node].length * 2));
        }
    }

    /** Takes a node's median and lets its rows go. */
    private void settle(int node) {
        int size = sizes[node];
        if (size > 0) {
            BigInteger twice = argument instanceof Column.Longs longs
                    ? twiceMiddle(longs.values(), rows[node], size)
                    : twiceMiddle(rows[node], size);
            medians[node] = Decimals.divide(twice, argument.type().scale(), BigInteger.TWO, 0, type.scale());
        }
        rows[node] = null;
        sizes[node] = 0;
    }

    private static BigInteger twiceMiddle(long[] values, int[] rows, int size) {
        long[] sorted = new long[size];
        for (int i = 0; i < size; i++) {
            sorted[i] = values[rows[i]];
        }
        Arrays.sort(sorted);
        return BigInteger.valueOf(sorted[(size - 1) / 2]).add(BigInteger.valueOf(sorted[size / 2]));
    }

    private BigInteger twiceMiddle(int[] rows, int size) {
        BigInteger[] sorted = new BigInteger[size];
        for (int i = 0; i < size; i++) {
            sorted[i] = argument.wide(rows[i]);
        }
        Arrays.sort(sorted);
        return sorted[(size - 1) / 2].add(sorted[size / 2]);
    }

    @Override
    public Column finish() {
        for (int node = 0; node < sizes.length; node++) {
            settle(node);
        }
        return Arithmetic.narrow(medians, type);
    }
}
