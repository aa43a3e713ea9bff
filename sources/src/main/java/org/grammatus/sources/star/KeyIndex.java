package org.grammatus.sources.star;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.OptionalInt;

/** Finds a table's row by its key: by open addressing where keys are whole numbers, else by hashing. Immutable. */
public final class KeyIndex {

    private static final int NONE = -1;

    private final KeyColumn keys;
    private final int[] slots;
    private final Map<Object, Integer> others = new HashMap<>();
    private int repeated = NONE;
    private int repeats;

    /** Indexes the keys of a table's rows; keys with a NULL in them are not found. */
    public KeyIndex(KeyColumn keys) {
        this.keys = keys;
        this.slots = new int[keys.whole() ? Integer.highestOneBit(Math.max(8, keys.size())) * 4 : 0];
        Arrays.fill(slots, NONE);
        for (int row = 0; row < keys.size(); row++) {
            if (!keys.isNull(row) && !put(row)) {
                repeated = repeated == NONE ? row : repeated;
                repeats++;
            }
        }
    }

    private boolean put(int row) {
        if (!keys.whole()) {
            return others.putIfAbsent(keys.key(row), row) == null;
        }
        int slot = slot(keys.whole(row));
        boolean free = slots[slot] == NONE;
        slots[slot] = free ? row : slots[slot];
        return free;
    }

    /** The slot of a whole key, or the one where it would stand. */
    private int slot(long key) {
        long mixed = key * 0x9E3779B97F4A7C15L;
        int slot = (int) (mixed >>> 32) & (slots.length - 1);
        while (slots[slot] != NONE && keys.whole(slots[slot]) != key) {
            slot = (slot + 1) & (slots.length - 1);
        }
        return slot;
    }

    /** How many rows there are. */
    public int size() {
        return keys.size();
    }

    /** The first row whose key an earlier row has too. */
    public OptionalInt repeated() {
        return repeated == NONE ? OptionalInt.empty() : OptionalInt.of(repeated);
    }

    /** How many rows have a key that an earlier row has too. */
    public int repeats() {
        return repeats;
    }

    /**
     * The row that a key leads to.
     *
     * @param pointers keys that rows of another table hold
     * @return its number, or -1 where there is none
     */
    public int find(KeyColumn pointers, int row) {
        if (pointers.isNull(row)) {
            return NONE;
        }
        if (!keys.whole()) {
            return others.getOrDefault(pointers.key(row), NONE);
        }
        if (pointers.whole()) {
            return slots[slot(pointers.whole(row))];
        }
        return pointers.key(row) instanceof Long key && key != Long.MIN_VALUE ? slots[slot(key)] : NONE;
    }
}
