package org.grammatus.core.group;

import java.math.BigInteger;
import org.grammatus.core.table.Column;

/** Takes values out of a column by row, NULL where there is no row. */
final class Gathering {

    private Gathering() {}

    /** @param rows rows of the column; -1 gives NULL */
    static Column orNull(Column column, int[] rows) {
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
}
