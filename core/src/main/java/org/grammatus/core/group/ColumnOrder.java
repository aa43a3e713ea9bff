package org.grammatus.core.group;

import com.ibm.icu.util.ULocale;
import java.util.Arrays;
import java.util.Comparator;
import org.grammatus.core.definition.Report.Direction;
import org.grammatus.core.table.Column;
import org.grammatus.core.table.Dictionaries;

/** Orders of the rows of a column. NULL stands last in both directions. */
final class ColumnOrder {

    /** A dictionary more than this many times larger than what is sorted is never ranked. */
    private static final int RANK_ALL = 4;

    private ColumnOrder() {}

    /** By value: numbers and times by size, texts in the locale's order. */
    static IntOrder of(Column column, Direction direction, ULocale locale) {
        int sign = direction == Direction.DESCENDING ? -1 : 1;
        return switch (column) {
            case Column.Longs c -> longs(c, sign);
            case Column.Wides c -> nullsLast(c, (a, b) -> sign * c.values()[a].compareTo(c.values()[b]));
            case Column.Texts c -> texts(c, sign, locale);
        };
    }

    /** By value as {@code <} sees it: texts by code point. */
    static IntOrder byKey(Column column) {
        return switch (column) {
            case Column.Texts c -> nullsLast(c, (a, b) -> Dictionaries.BY_CODE_POINT.compare(c.text(a), c.text(b)));
            default -> of(column, Direction.ASCENDING, ULocale.ROOT);
        };
    }

    private static IntOrder longs(Column.Longs column, int sign) {
        long[] values = column.values();
        return (a, b) -> {
            long x = values[a];
            long y = values[b];
            if (x == Column.Longs.NULL || y == Column.Longs.NULL) {
                return x == y ? 0 : x == Column.Longs.NULL ? 1 : -1;
            }
            return sign * Long.compare(x, y);
        };
    }

    /**
     * Texts are compared as met, since an order used only for ties is seldom asked; one that is asked more often than there
     * are rows ranks its dictionary once and for all.
     */
    private static IntOrder texts(Column.Texts column, int sign, ULocale locale) {
        Comparator<String> collation = Dictionaries.collation(locale);
        int[][] ranks = new int[1][];
        int[] asked = new int[1];
        return nullsLast(column, (a, b) -> {
            if (ranks[0] != null) {
                return sign * Integer.compare(ranks[0][column.codes()[a]], ranks[0][column.codes()[b]]);
            }
            if (++asked[0] > column.size() && column.dictionary().length <= RANK_ALL * column.size()) {
                ranks[0] = Dictionaries.collationRanks(column.dictionary(), locale);
            }
            return sign * collation.compare(column.text(a), column.text(b));
        });
    }

    private static IntOrder nullsLast(Column column, IntOrder values) {
        return (a, b) -> {
            boolean x = column.isNull(a);
            boolean y = column.isNull(b);
            return x || y ? Boolean.compare(x, y) : values.compare(a, b);
        };
    }

    /** The numbers from 0 to {@code size - 1}. */
    static int[] numbers(int size) {
        int[] numbers = new int[size];
        Arrays.setAll(numbers, i -> i);
        return numbers;
    }
}
