package org.grammatus.core.columnar;

import java.util.Arrays;

/**
 * Numbers 64-bit keys from 0 in the order in which they first come: an open-addressed hash table without objects. Two 32-bit
 * numbers make a key with {@link #pair}. Adding is O(1) expected. Not thread-safe.
 */
public final class PairTable {

    private static final long MIX = 0x9E3779B97F4A7C15L;

    private long[] keys;
    private int[] numbers;
    private int mask;
    private int size;

    public PairTable(int expected) {
        int capacity = Integer.highestOneBit(Math.max(16, Math.min(expected, 1 << 28))) << 1;
        allocate(capacity);
    }

    public static long pair(int high, int low) {
        return ((long) high << 32) | (low & 0xFFFFFFFFL);
    }

    /** How many distinct keys came so far. */
    public int size() {
        return size;
    }

    /** The key's number, a new one if it comes for the first time. */
    public int numberOf(long key) {
        int slot = slot(key);
        while (numbers[slot] >= 0) {
            if (keys[slot] == key) {
                return numbers[slot];
            }
            slot = (slot + 1) & mask;
        }
        keys[slot] = key;
        numbers[slot] = size++;
        int number = numbers[slot];
        if (size * 2 > mask) {
            grow();
        }
        return number;
    }

    /** Whether the key comes for the first time; notes it. */
    public boolean add(long key) {
        int before = size;
        numberOf(key);
        return size > before;
    }

    private int slot(long key) {
        long hash = key * MIX;
        return (int) (hash ^ (hash >>> 32)) & mask;
    }

    private void allocate(int capacity) {
        keys = new long[capacity];
        numbers = new int[capacity];
        Arrays.fill(numbers, -1);
        mask = capacity - 1;
    }

    private void grow() {
        long[] oldKeys = keys;
        int[] oldNumbers = numbers;
        allocate(oldKeys.length * 2);
        for (int i = 0; i < oldKeys.length; i++) {
            if (oldNumbers[i] >= 0) {
                int slot = slot(oldKeys[i]);
                while (numbers[slot] >= 0) {
                    slot = (slot + 1) & mask;
                }
                keys[slot] = oldKeys[i];
                numbers[slot] = oldNumbers[i];
            }
        }
    }
}
