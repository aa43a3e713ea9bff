package org.grammatus.core.profile;

import java.math.BigInteger;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Dictionaries;

/**
 * The distinct values of a column, and how many rows have each.
 *
 * @param values every value but NULL once, ascending; texts by code point
 * @param counts for each of the values its rows; never 0
 * @param blank rows without a value
 */
public record ValueCounts(Column values, int[] counts, int blank) {

    /**
     * Counts the values of a column.
     *
     * @param weights for each row how many rows it stands for; rows beyond its end are left out, so that a table's missing row
     *     can be
     */
    public static ValueCounts of(Column column, int[] weights) {
        int blank = 0;
        for (int row = 0; row < weights.length; row++) {
            blank += column.isNull(row) ? weights[row] : 0;
        }
        return switch (column) {
            case Column.Texts texts -> ofTexts(texts, weights, blank);
            case Column.Longs longs -> ofLongs(longs, weights, blank);
            case Column.Wides wides -> ofWides(wides, weights, blank);
        };
    }

    /** How many rows have a value. */
    public long filled() {
        return Arrays.stream(counts).asLongStream().sum();
    }

    /** Numbers of the values in {@link #values}, the most frequent first, equally frequent ones ascending. */
    public List<Integer> mostFrequent() {
        return IntStream.range(0, counts.length)
                .boxed()
                .sorted(Comparator.comparing(value -> -counts[value]))
                .toList();
    }

    private static ValueCounts ofTexts(Column.Texts column, int[] weights, int blank) {
        int[] byCode = new int[column.dictionary().length];
        for (int row = 0; row < weights.length; row++) {
            if (!column.isNull(row)) {
                byCode[column.codes()[row]] += weights[row];
            }
        }
        int[] used = IntStream.range(0, byCode.length)
                .filter(code -> byCode[code] > 0)
                .boxed()
                .sorted(Comparator.comparing(code -> column.dictionary()[code], Dictionaries.BY_CODE_POINT))
                .mapToInt(Integer::intValue)
                .toArray();
        String[] texts =
                Arrays.stream(used).mapToObj(code -> column.dictionary()[code]).toArray(String[]::new);
        return new ValueCounts(
                new Column.Texts(IntStream.range(0, texts.length).toArray(), texts),
                Arrays.stream(used).map(code -> byCode[code]).toArray(),
                blank);
    }

    private static ValueCounts ofLongs(Column.Longs column, int[] weights, int blank) {
        long[] sorted = IntStream.range(0, weights.length)
                .filter(row -> weights[row] > 0 && !column.isNull(row))
                .mapToLong(row -> column.values()[row])
                .sorted()
                .distinct()
                .toArray();
        int[] counts = new int[sorted.length];
        for (int row = 0; row < weights.length; row++) {
            if (weights[row] > 0 && !column.isNull(row)) {
                counts[Arrays.binarySearch(sorted, column.values()[row])] += weights[row];
            }
        }
        return new ValueCounts(new Column.Longs(column.type(), sorted), counts, blank);
    }

    private static ValueCounts ofWides(Column.Wides column, int[] weights, int blank) {
        TreeMap<BigInteger, Integer> counted = new TreeMap<>();
        for (int row = 0; row < weights.length; row++) {
            if (weights[row] > 0 && !column.isNull(row)) {
                counted.merge(column.wide(row), weights[row], Integer::sum);
            }
        }
        return new ValueCounts(
                new Column.Wides(column.type(), counted.keySet().toArray(BigInteger[]::new)),
                counted.values().stream().mapToInt(Integer::intValue).toArray(),
                blank);
    }
}
