package org.grammatus.core.columnar;

import java.util.Arrays;

/** Whole numbers one after the other, without objects. */
public final class IntList {

    private int[] numbers = new int[16];
    private int size;

    public void add(int number) {
        if (size == numbers.length) {
            numbers = Arrays.copyOf(numbers, size * 2);
        }
        numbers[size++] = number;
    }

    public int get(int place) {
        return numbers[place];
    }

    public void set(int place, int number) {
        numbers[place] = number;
    }

    public int size() {
        return size;
    }

    public int[] toArray() {
        return Arrays.copyOf(numbers, size);
    }
}
