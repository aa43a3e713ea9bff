package org.grammatus.core.order;

import java.util.Arrays;
import java.util.Optional;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.columnar.Column;

/**
 * Sorts siblings by a first term and, only where that finds no difference, by the rest of their order. A first term of numbers is
 * turned into plain keys beforehand, so that most comparisons are of two numbers side by side.
 */
public final class SiblingSort {

    /** Stands last whatever the direction. */
    private static final long NULL_KEY = Long.MAX_VALUE;

    private final long[] keys;
    private final IntOrder whole;
    private final IntOrder rest;

    private SiblingSort(long[] keys, IntOrder whole, IntOrder rest) {
        this.keys = keys;
        this.whole = whole;
        this.rest = rest;
    }

    /** An order by a term's values, whose places are the numbers that are sorted, and then by the rest. */
    public static SiblingSort of(Column values, Direction direction, IntOrder byValues, IntOrder rest) {
        return new SiblingSort(keys(values, direction).orElse(null), byValues.then(rest), rest);
    }

    public static SiblingSort of(IntOrder whole) {
        return new SiblingSort(null, whole, whole);
    }

    private static Optional<long[]> keys(Column values, Direction direction) {
        if (!(values instanceof Column.Longs longs)) {
            return Optional.empty();
        }
        long[] keys = new long[longs.size()];
        for (int i = 0; i < keys.length; i++) {
            long value = longs.values()[i];
            if (value == Long.MAX_VALUE) {
                // The one value that cannot be told from a NULL's key.
                return Optional.empty();
            }
            keys[i] = value == Column.Longs.NULL ? NULL_KEY : direction == Direction.DESCENDING ? -value : value;
        }
        return Optional.of(keys);
    }

    /** The keys of some numbers, side by side with them; null where there are none. */
    public long[] keys(int[] numbers) {
        if (keys == null) {
            return null;
        }
        long[] beside = new long[numbers.length];
        for (int i = 0; i < beside.length; i++) {
            beside[i] = keys[numbers[i]];
        }
        return beside;
    }

    /** Sorts all numbers. */
    public void sort(int[] numbers) {
        sort(numbers, keys(numbers), 0, numbers.length);
    }

    /**
     * Sorts the numbers from one place up to, not including, another. Thread-safe where the orders it was made of are.
     *
     * @param beside the numbers' keys at the same places; not kept in order
     */
    public void sort(int[] numbers, long[] beside, int from, int to) {
        if (beside == null || to - from < 2) {
            whole.sort(numbers, from, to);
            return;
        }
        int size = to - from;
        long[] own = Arrays.copyOfRange(beside, from, to);
        int[] ids = Arrays.copyOfRange(numbers, from, to);
        long least = Long.MAX_VALUE;
        long most = Long.MIN_VALUE;
        for (long key : own) {
            if (key != NULL_KEY) {
                least = Math.min(least, key);
                most = Math.max(most, key);
            }
        }
        int bits = Integer.SIZE - Integer.numberOfLeadingZeros(size - 1);
        long span = least > most ? 0 : most - least;
        if (span >= 0 && span < (1L << (Long.SIZE - 2 - bits)) - 1) {
            packed(own, ids, least > most ? 0 : least, span, bits, numbers, from);
            return;
        }
        merge(own, ids, new long[size / 2 + 1], new int[size / 2 + 1], 0, size);
        System.arraycopy(ids, 0, numbers, from, size);
    }

    /** Key and place in one number, which the library sorts without asking; runs of one key are then sorted by the rest. */
    private void packed(long[] own, int[] ids, long least, long span, int bits, int[] numbers, int from) {
        long mask = (1L << bits) - 1;
        for (int i = 0; i < own.length; i++) {
            long key = own[i] == NULL_KEY ? span + 1 : own[i] - least;
            own[i] = key << bits | i;
        }
        Arrays.sort(own);
        int run = 0;
        for (int i = 0; i < own.length; i++) {
            numbers[from + i] = ids[(int) (own[i] & mask)];
            boolean ends = i + 1 == own.length || own[i + 1] >>> bits != own[i] >>> bits;
            if (ends) {
                if (i > run) {
                    rest.sort(numbers, from + run, from + i + 1);
                }
                run = i + 1;
            }
        }
    }

    private void merge(long[] own, int[] ids, long[] ownSpace, int[] idSpace, int from, int to) {
        if (to - from <= IntOrder.SHORT) {
            insert(own, ids, from, to);
            return;
        }
        int middle = (from + to) >>> 1;
        merge(own, ids, ownSpace, idSpace, from, middle);
        merge(own, ids, ownSpace, idSpace, middle, to);
        if (!after(own[middle - 1], ids[middle - 1], own[middle], ids[middle])) {
            return;
        }
        int length = middle - from;
        System.arraycopy(own, from, ownSpace, 0, length);
        System.arraycopy(ids, from, idSpace, 0, length);
        int left = 0;
        int right = middle;
        int out = from;
        while (left < length && right < to) {
            if (after(ownSpace[left], idSpace[left], own[right], ids[right])) {
                own[out] = own[right];
                ids[out++] = ids[right++];
            } else {
                own[out] = ownSpace[left];
                ids[out++] = idSpace[left++];
            }
        }
        System.arraycopy(ownSpace, left, own, out, length - left);
        System.arraycopy(idSpace, left, ids, out, length - left);
    }

    private void insert(long[] own, int[] ids, int from, int to) {
        for (int i = from + 1; i < to; i++) {
            long key = own[i];
            int id = ids[i];
            int j = i - 1;
            while (j >= from && after(own[j], ids[j], key, id)) {
                own[j + 1] = own[j];
                ids[j + 1] = ids[j];
                j--;
            }
            own[j + 1] = key;
            ids[j + 1] = id;
        }
    }

    private boolean after(long key, int id, long otherKey, int otherId) {
        return key != otherKey ? key > otherKey : rest.compare(id, otherId) > 0;
    }
}
