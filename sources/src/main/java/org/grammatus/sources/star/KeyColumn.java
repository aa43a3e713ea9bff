package org.grammatus.sources.star;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The keys that a table's rows hold, in the order of the rows: mostly one whole number each, which is kept as such. Keys compare by
 * value, whatever form a driver gives a number. Used by one thread.
 */
public final class KeyColumn {

    /** Stands for a key with a NULL in it, which equals none. */
    private static final long NULL = Long.MIN_VALUE;

    private static final int FIRST_CAPACITY = 1024;

    private long[] longs = new long[FIRST_CAPACITY];
    /** All keys, once one was not a single whole number; null before. */
    private List<Object> others;

    private int size;

    /**
     * Takes the next row's key.
     *
     * @param values of the row
     * @param at where in it the key's parts stand
     */
    public void add(Object[] values, int[] at) {
        Object key = key(values, at);
        if (others == null && !(key == null || key instanceof Long l && l != NULL)) {
            others = new ArrayList<>(Math.max(FIRST_CAPACITY, size));
            for (int row = 0; row < size; row++) {
                others.add(longs[row] == NULL ? null : (Object) longs[row]);
            }
            longs = new long[0];
        }
        if (others != null) {
            others.add(key);
        } else {
            longs = size < longs.length ? longs : Arrays.copyOf(longs, size + (size >> 1));
            longs[size] = key == null ? NULL : (Long) key;
        }
        size++;
    }

    private static Object key(Object[] values, int[] at) {
        if (at.length == 1) {
            return comparable(values[at[0]]);
        }
        List<Object> parts = new ArrayList<>(at.length);
        for (int i : at) {
            if (values[i] == null) {
                return null;
            }
            parts.add(comparable(values[i]));
        }
        return parts;
    }

    private static Object comparable(Object part) {
        return switch (part) {
            case Integer i -> Long.valueOf(i);
            case BigDecimal d -> {
                BigDecimal plain = d.stripTrailingZeros();
                yield plain.scale() <= 0 && plain.precision() - plain.scale() < 19
                        ? (Object) plain.longValueExact()
                        : plain;
            }
            case null -> null;
            default -> part;
        };
    }

    public int size() {
        return size;
    }

    public boolean isNull(int row) {
        return others != null ? others.get(row) == null : longs[row] == NULL;
    }

    /** Whether every key so far is one whole number, or NULL. */
    public boolean whole() {
        return others == null;
    }

    /** The key of a row, where all are whole and this one is not NULL. */
    public long whole(int row) {
        return longs[row];
    }

    /** The key of a row that is not NULL; equal keys are equal objects. */
    public Object key(int row) {
        return others != null ? others.get(row) : (Object) longs[row];
    }
}
