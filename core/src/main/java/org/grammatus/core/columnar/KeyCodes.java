package org.grammatus.core.columnar;

import java.math.BigInteger;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;

/**
 * Small whole numbers for the values of a column: equal values have equal codes, NULL has a code of its own.
 *
 * @param codes by row
 * @param count codes are 0 to {@code count - 1}; not every one need occur
 */
public record KeyCodes(int[] codes, int count, Decoder decoder) {

    /** Makes the values that codes stand for. */
    public interface Decoder {
        Column values(int[] codes);
    }

    /** The values of some codes. */
    public Column values(int[] someCodes) {
        return decoder.values(someCodes);
    }

    /** How much wider than its rows a span of numbers may be to be coded by subtraction. */
    private static final int DENSE = 4;

    public static KeyCodes of(Column column) {
        return switch (column) {
            case Column.Texts c -> texts(c);
            case Column.Longs c -> longs(c);
            case Column.Wides c -> wides(c);
        };
    }

    private static KeyCodes texts(Column.Texts column) {
        int none = column.dictionary().length;
        Decoder decoder = some -> new Column.Texts(
                Arrays.stream(some)
                        .map(code -> code == none ? Column.Texts.NULL : code)
                        .toArray(),
                column.dictionary());
        int firstNull = 0;
        while (firstNull < column.size() && !column.isNull(firstNull)) {
            firstNull++;
        }
        if (firstNull == column.size()) {
            return new KeyCodes(column.codes(), none + 1, decoder);
        }
        int[] codes = column.codes().clone();
        for (int i = firstNull; i < codes.length; i++) {
            if (codes[i] == Column.Texts.NULL) {
                codes[i] = none;
            }
        }
        return new KeyCodes(codes, none + 1, decoder);
    }

    private static KeyCodes longs(Column.Longs column) {
        long[] values = column.values();
        long least = Long.MAX_VALUE;
        long most = Long.MIN_VALUE;
        for (long value : values) {
            if (value != Column.Longs.NULL) {
                least = Math.min(least, value);
                most = Math.max(most, value);
            }
        }
        long span = least > most ? 0 : most - least + 1;
        if (span >= 0 && span <= (long) DENSE * values.length + 1024) {
            int[] codes = new int[values.length];
            for (int i = 0; i < codes.length; i++) {
                codes[i] = values[i] == Column.Longs.NULL ? (int) span : (int) (values[i] - least);
            }
            long lowest = least;
            return new KeyCodes(
                    codes,
                    (int) span + 1,
                    some -> new Column.Longs(
                            column.type(),
                            Arrays.stream(some)
                                    .mapToLong(code -> code == span ? Column.Longs.NULL : lowest + code)
                                    .toArray()));
        }
        PairTable distinct = new PairTable(values.length);
        int[] codes = new int[values.length];
        for (int i = 0; i < codes.length; i++) {
            codes[i] = distinct.numberOf(values[i]);
        }
        return new KeyCodes(codes, distinct.size(), ofRows(column, codes, distinct.size()));
    }

    /** Codes stand for what a row that has them holds. */
    private static Decoder ofRows(Column column, int[] codes, int count) {
        return some -> {
            int[] rowOf = new int[count];
            for (int row = 0; row < codes.length; row++) {
                rowOf[codes[row]] = row;
            }
            return column.gather(Arrays.stream(some).map(code -> rowOf[code]).toArray());
        };
    }

    private static KeyCodes wides(Column.Wides column) {
        BigInteger[] values = column.values();
        Map<BigInteger, Integer> distinct = new HashMap<>();
        int[] codes = new int[values.length];
        Arrays.setAll(codes, i -> distinct.computeIfAbsent(values[i], v -> distinct.size()));
        return new KeyCodes(codes, distinct.size(), ofRows(column, codes, distinct.size()));
    }
}
