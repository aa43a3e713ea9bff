package org.grammatus.core.columnar;

import java.util.Arrays;

/**
 * Numbers pairs of a parent and a code from 0 in the order in which they first come. A code under one parent only, which is
 * usual for what lies deep in a hierarchy, is found by one look into an array; the others are in a hash table. Not thread-safe.
 */
public final class ParentCodes {

    /** By code: the pair that came first, as parent and number; {@link #NONE} before it has come. */
    private final long[] first;

    private static final long NONE = -1;

    private final PairTable others = new PairTable(16);
    private int[] numberOfOther = new int[16];
    private int size;

    /** @param codes codes are 0 to {@code codes - 1} */
    public ParentCodes(int codes) {
        first = new long[codes];
        Arrays.fill(first, NONE);
    }

    /** The pair's number, a new one if it comes for the first time. */
    public int numberOf(int parent, int code) {
        long known = first[code];
        if (known >>> 32 == parent) {
            return (int) known;
        }
        if (known == NONE) {
            first[code] = PairTable.pair(parent, size);
            return size++;
        }
        int before = others.size();
        int other = others.numberOf(PairTable.pair(parent, code));
        if (other == before) {
            numberOfOther = other < numberOfOther.length ? numberOfOther : Arrays.copyOf(numberOfOther, other * 2);
            numberOfOther[other] = size++;
        }
        return numberOfOther[other];
    }
}
