package org.grammatus.core.columnar;

import java.math.BigInteger;
import org.grammatus.core.value.Type;

/** Values of one type, by row number. Immutable by convention: arrays are handed over, not copied. */
public sealed interface Column permits Column.Longs, Column.Wides, Column.Texts {

    Type type();

    int size();

    boolean isNull(int row);

    /**
     * Whole numbers, decimals as unscaled numbers, dates as days and timestamps as microseconds since 1970-01-01, truth values
     * as 0 and 1.
     *
     * @param values {@link #NULL} stands for NULL
     */
    record Longs(Type type, long[] values) implements Column {
        /** Stands for NULL; a number of this very value is held in {@link Wides}. */
        public static final long NULL = Long.MIN_VALUE;

        @Override
        public int size() {
            return values.length;
        }

        @Override
        public boolean isNull(int row) {
            return values[row] == NULL;
        }
    }

    /** Numbers of which some do not fit 64 bits, unscaled; null stands for NULL. */
    record Wides(Type type, BigInteger[] values) implements Column {
        @Override
        public int size() {
            return values.length;
        }

        @Override
        public boolean isNull(int row) {
            return values[row] == null;
        }
    }

    /**
     * Texts.
     *
     * @param codes index into the dictionary, or {@link #NULL}
     * @param dictionary distinct texts
     */
    record Texts(int[] codes, String[] dictionary) implements Column {
        public static final int NULL = -1;

        @Override
        public Type type() {
            return Type.TEXT;
        }

        @Override
        public int size() {
            return codes.length;
        }

        @Override
        public boolean isNull(int row) {
            return codes[row] == NULL;
        }

        /** The text of a row that is not NULL. */
        public String text(int row) {
            return dictionary[codes[row]];
        }
    }

    /** About how much memory it takes, in bytes. */
    default long bytes() {
        return switch (this) {
            case Longs c -> 8L * c.values.length;
            case Wides c -> 56L * c.values.length;
            case Texts c -> {
                long bytes = 4L * c.codes.length;
                for (String text : c.dictionary) {
                    bytes += 56L + text.length();
                }
                yield bytes;
            }
        };
    }

    /** The unscaled number of a row that is not NULL. */
    default BigInteger wide(int row) {
        return switch (this) {
            case Longs c -> BigInteger.valueOf(c.values[row]);
            case Wides c -> c.values[row];
            case Texts c -> throw new IllegalStateException("A text is no number");
        };
    }

    /** The column that has, at each place, the value of the row given there. */
    default Column gather(int[] rows) {
        return switch (this) {
            case Longs c -> {
                long[] values = new long[rows.length];
                for (int i = 0; i < rows.length; i++) {
                    values[i] = c.values[rows[i]];
                }
                yield new Longs(c.type, values);
            }
            case Wides c -> {
                BigInteger[] values = new BigInteger[rows.length];
                for (int i = 0; i < rows.length; i++) {
                    values[i] = c.values[rows[i]];
                }
                yield new Wides(c.type, values);
            }
            case Texts c -> {
                int[] codes = new int[rows.length];
                for (int i = 0; i < rows.length; i++) {
                    codes[i] = c.codes[rows[i]];
                }
                yield new Texts(codes, c.dictionary);
            }
        };
    }
}
