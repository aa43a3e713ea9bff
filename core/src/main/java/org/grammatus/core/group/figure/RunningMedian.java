package org.grammatus.core.group.figure;

import java.math.BigInteger;
import java.util.Arrays;
import org.grammatus.core.columnar.Column;

/** The middle of a set of values that grows one by one: O(log n) a value, over a tree of counts by rank. Not thread-safe. */
public final class RunningMedian {

    private final BigInteger[] sorted;
    private final int[] rankOf;
    /** Counts by rank as a binary indexed tree, from 1. */
    private final int[] counts;

    private int size;

    /** @param rows the rows of the argument's column that may come; none is blank */
    public RunningMedian(Column argument, int[] rows) {
        this.sorted =
                Arrays.stream(rows).mapToObj(argument::wide).distinct().sorted().toArray(BigInteger[]::new);
        this.rankOf = Arrays.stream(rows)
                .map(row -> Arrays.binarySearch(sorted, argument.wide(row)) + 1)
                .toArray();
        this.counts = new int[sorted.length + 1];
    }

    /** Adds the value of a row, by the row's place among those that may come, or takes it out again. */
    public void add(int place, int times) {
        for (int rank = rankOf[place]; rank < counts.length; rank += rank & -rank) {
            counts[rank] += times;
        }
        size += times;
    }

    /** Twice the middle value, or the sum of the two in the middle; null over nothing. */
    public BigInteger twiceMiddle() {
        return size == 0 ? null : value((size + 1) / 2).add(value(size / 2 + 1));
    }

    /** The value that stands at a place, from 1, once they are in order. */
    private BigInteger value(int place) {
        int rank = 0;
        int left = place;
        for (int step = Integer.highestOneBit(counts.length); step > 0; step /= 2) {
            if (rank + step < counts.length && counts[rank + step] < left) {
                rank += step;
                left -= counts[rank];
            }
        }
        return sorted[rank];
    }
}
