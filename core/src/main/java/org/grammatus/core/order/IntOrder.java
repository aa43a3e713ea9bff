package org.grammatus.core.order;

/** Puts whole numbers in an order of their own: a stable merge sort without objects. */
@FunctionalInterface
public interface IntOrder {

    /** Runs of at most this length are sorted by insertion. */
    int SHORT = 12;

    int compare(int a, int b);

    /** This order, then another where this one finds no difference. */
    default IntOrder then(IntOrder next) {
        return (a, b) -> {
            int order = compare(a, b);
            return order != 0 ? order : next.compare(a, b);
        };
    }

    /** Sorts the numbers from one place up to, not including, another. */
    default void sort(int[] numbers, int from, int to) {
        if (to - from > 1) {
            sort(numbers, new int[to - from], from, to);
        }
    }

    private void sort(int[] numbers, int[] space, int from, int to) {
        if (to - from <= SHORT) {
            insertionSort(numbers, from, to);
            return;
        }
        int middle = (from + to) >>> 1;
        sort(numbers, space, from, middle);
        sort(numbers, space, middle, to);
        if (compare(numbers[middle - 1], numbers[middle]) <= 0) {
            return;
        }
        int length = middle - from;
        System.arraycopy(numbers, from, space, 0, length);
        int left = 0;
        int right = middle;
        int out = from;
        while (left < length && right < to) {
            numbers[out++] = compare(space[left], numbers[right]) <= 0 ? space[left++] : numbers[right++];
        }
        System.arraycopy(space, left, numbers, out, length - left);
    }

    private void insertionSort(int[] numbers, int from, int to) {
        for (int i = from + 1; i < to; i++) {
            int number = numbers[i];
            int j = i - 1;
            while (j >= from && compare(numbers[j], number) > 0) {
                numbers[j + 1] = numbers[j];
                j--;
            }
            numbers[j + 1] = number;
        }
    }
}
