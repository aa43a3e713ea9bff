package org.grammatus.core.group.figure;

import java.math.BigInteger;
import java.util.Arrays;
import java.util.stream.IntStream;
import org.grammatus.core.columnar.Arithmetic;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.ThreadChunks;
import org.grammatus.core.value.Decimals;

/** SUM: exact; NULL over nothing. Works in 64 bits until a sum does not fit, then in wide numbers. */
public final class SumAccumulator implements Accumulator {

    private final Column argument;
    private final Faults faults;
    private long[] sums;
    private BigInteger[] wide;

    public SumAccumulator(Column argument, int nodes, Faults faults) {
        this.argument = argument;
        this.faults = faults;
        this.sums = none(nodes);
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
        int parts = ThreadChunks.of(rows.length, sums.length);
        if (parts > 1 && addInParts(nodes, rows, values, parts)) {
            return nodes.length;
        }
        int taken = add(sums, nodes, rows, values, 0, nodes.length);
        if (taken < nodes.length) {
            widen();
        }
        return taken;
    }

    /** Each part has sums of its own, which are added up in the end; false where any does not fit, and then nothing is added. */
    private boolean addInParts(int[] nodes, int[] rows, long[] values, int parts) {
        long[][] partial = new long[parts][];
        boolean[] fits = new boolean[parts];
        IntStream.range(0, parts).parallel().forEach(part -> {
            partial[part] = part == 0 ? sums.clone() : none(sums.length);
            int from = ThreadChunks.start(nodes.length, parts, part);
            int to = ThreadChunks.start(nodes.length, parts, part + 1);
            fits[part] = add(partial[part], nodes, rows, values, from, to) == to;
        });
        boolean all = true;
        for (int part = 0; part < parts; part++) {
            all &= fits[part] && (part == 0 || addSums(partial[0], partial[part]));
        }
        sums = all ? partial[0] : sums;
        return all;
    }

    private static long[] none(int nodes) {
        long[] none = new long[nodes];
        Arrays.fill(none, Column.Longs.NULL);
        return none;
    }

    /** Adds sums to sums; false where one does not fit. */
    private static boolean addSums(long[] into, long[] others) {
        for (int node = 0; node < into.length; node++) {
            long before = into[node];
            long value = others[node];
            if (before == Column.Longs.NULL || value == Column.Longs.NULL) {
                into[node] = before == Column.Longs.NULL ? value : before;
                continue;
            }
            long sum = before + value;
            if (!fits(before, value, sum)) {
                return false;
            }
            into[node] = sum;
        }
        return true;
    }

    private static int add(long[] sums, int[] nodes, int[] rows, long[] values, int from, int to) {
        for (int i = from; i < to; i++) {
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
            if (!fits(before, value, sum)) {
                return i;
            }
            sums[nodes[i]] = sum;
        }
        return to;
    }

    private static boolean fits(long before, long value, long sum) {
        return ((before ^ sum) & (value ^ sum)) >= 0 && sum != Column.Longs.NULL;
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
            if (fits(sums[into], sums[from], sum)) {
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
    public BigInteger sum(int node) {
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
