package org.grammatus.core.columnar;

import java.math.BigInteger;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;

/** Takes values out of a column by row, NULL where there is no row. */
public final class Gathering {

    private Gathering() {}

    /** @param rows rows of the column; -1 gives NULL */
    public static Column orNull(Column column, int[] rows) {
        return switch (column) {
            case Column.Longs c -> {
                long[] values = new long[rows.length];
                for (int i = 0; i < rows.length; i++) {
                    values[i] = rows[i] < 0 ? Column.Longs.NULL : c.values()[rows[i]];
                }
                yield new Column.Longs(c.type(), values);
            }
            case Column.Wides c -> {
                BigInteger[] values = new BigInteger[rows.length];
                for (int i = 0; i < rows.length; i++) {
                    values[i] = rows[i] < 0 ? null : c.values()[rows[i]];
                }
                yield new Column.Wides(c.type(), values);
            }
            case Column.Texts c -> {
                int[] codes = new int[rows.length];
                for (int i = 0; i < rows.length; i++) {
                    codes[i] = rows[i] < 0 ? Column.Texts.NULL : c.codes()[rows[i]];
                }
                yield new Column.Texts(codes, c.dictionary());
            }
        };
    }

    /** The values of one column and, after them, of another of its type. */
    public static Column joined(Column first, Column second) {
        if (first instanceof Column.Texts a && second instanceof Column.Texts b) {
            return joinedTexts(a, b);
        }
        if (first instanceof Column.Longs a && second instanceof Column.Longs b) {
            long[] values = Arrays.copyOf(a.values(), a.size() + b.size());
            System.arraycopy(b.values(), 0, values, a.size(), b.size());
            return new Column.Longs(a.type(), values);
        }
        BigInteger[] values = new BigInteger[first.size() + second.size()];
        Arrays.setAll(values, i -> {
            Column column = i < first.size() ? first : second;
            int row = i < first.size() ? i : i - first.size();
            return column.isNull(row) ? null : column.wide(row);
        });
        return Arithmetic.narrow(values, first.type());
    }

    private static Column joinedTexts(Column.Texts first, Column.Texts second) {
        Map<String, Integer> codes = new LinkedHashMap<>();
        for (String text : first.dictionary()) {
            codes.put(text, codes.size());
        }
        int[] joined = Arrays.copyOf(first.codes(), first.size() + second.size());
        for (int i = 0; i < second.size(); i++) {
            joined[first.size() + i] =
                    second.isNull(i) ? Column.Texts.NULL : codes.computeIfAbsent(second.text(i), text -> codes.size());
        }
        return new Column.Texts(joined, codes.keySet().toArray(String[]::new));
    }

    /** Numbers by place. */
    public static int[] numbers(int[] numbers, int[] at) {
        int[] gathered = new int[at.length];
        for (int i = 0; i < at.length; i++) {
            gathered[i] = numbers[at[i]];
        }
        return gathered;
    }
}
