package org.grammatus.core.group;

import java.math.BigInteger;
import java.util.Arrays;
import org.grammatus.core.table.Arithmetic;
import org.grammatus.core.table.Column;
import org.grammatus.core.table.Faults;
import org.grammatus.core.value.Decimals;

/** SUM: exact; NULL over nothing. Works in 64 bits until a sum does not fit, then in wide numbers. */
final class SumAccumulator implements Accumulator {

    private final Column argument;
    private final Faults faults;
    private long[] sums;
    private BigInteger[] wide;

    SumAccumulator(Column argument, int nodes, Faults faults) {
        this.argument = argument;
        this.faults = faults;
        this.sums = new long[nodes];
        Arrays.fill(sums, Column.Longs.NULL);
        if (argument instanceof Column.Wides) {
            widen();
        }
    }

    @Override
    public void add(int[] nodes, int[] rows) {
        int i = wide == null ? addLongs(nodes, rows, ((Column.Longs) argument).values()) : 0;
        for (; i < nodes.length; i++) {
            if (!argument.isNull(rows[i])) {
                addWide(nodes[i], argument.wide(rows[i]));
            }
        }
    }

    /** Adds until a sum does not fit; returns how many rows were taken. */
    private int addLongs(int[] nodes, int[] rows, long[] values) {
        for (int i = 0; i < nodes.length; i++) {
            long value = values[rows[i]];
            if (value == Column.Longs.NULL) {
                continue;
            }
            long before = sums[nodes[i]];
            if (before == Column.Longs.NULL) {
                sums[nodes[i]] = value;
                continue;
            }
            long sum = before + value;
            if (((before ^ sum) & (value ^ sum)) < 0 || sum == Column.Longs.NULL) {
                widen();
                return i;
            }
            sums[nodes[i]] = sum;
        }
        return nodes.length;
    }

    @Override
    public void merge(int into, int from) {
        if (wide == null) {
            if (sums[from] == Column.Longs.NULL) {
                return;
            }
            if (sums[into] == Column.Longs.NULL) {
                sums[into] = sums[from];
                return;
            }
            long sum = sums[into] + sums[from];
            if (((sums[into] ^ sum) & (sums[from] ^ sum)) >= 0 && sum != Column.Longs.NULL) {
                sums[into] = sum;
                return;
            }
            widen();
        }
        if (wide[from] != null) {
            addWide(into, wide[from]);
        }
    }

    private void addWide(int node, BigInteger value) {
        wide[node] = wide[node] == null ? value : wide[node].add(value);
    }

    private void widen() {
        wide = new BigInteger[sums.length];
        for (int i = 0; i < wide.length; i++) {
            wide[i] = sums[i] == Column.Longs.NULL ? null : BigInteger.valueOf(sums[i]);
        }
        sums = null;
    }

    /** The unscaled sum of a node, or null over nothing. */
    BigInteger sum(int node) {
        if (wide != null) {
            return wide[node];
        }
        return sums[node] == Column.Longs.NULL ? null : BigInteger.valueOf(sums[node]);
    }

    @Override
    public Column finish() {
        if (wide == null) {
            return new Column.Longs(argument.type(), sums);
        }
        for (int i = 0; i < wide.length; i++) {
            if (wide[i] != null && !Decimals.fits(wide[i])) {
                faults.note(Faults.Kind.TOO_LARGE, i);
                wide[i] = null;
            }
        }
        return Arithmetic.narrow(wide, argument.type());
    }
}
