package org.grammatus.core.group;

import java.util.Arrays;

/** Whole numbers one after the other, without objects. */
final class IntList {

    private int[] numbers = new int[16];
    private int size;

    void add(int number) {
        if (size == numbers.length) {
            numbers = Arrays.copyOf(numbers, size * 2);
        }
        numbers[size++] = number;
    }

    int get(int place) {
        return numbers[place];
    }

    void set(int place, int number) {
        numbers[place] = number;
    }

    int size() {
        return size;
    }

    int[] toArray() {
        return Arrays.copyOf(numbers, size);
    }
}
