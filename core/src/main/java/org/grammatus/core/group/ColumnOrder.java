package org.grammatus.core.group;

import com.ibm.icu.util.ULocale;
import java.util.Arrays;
import org.grammatus.core.definition.Report.Direction;
import org.grammatus.core.table.Column;
import org.grammatus.core.table.Dictionaries;

/** Orders of the rows of a column. NULL stands last in both directions. */
final class ColumnOrder {

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

    private static IntOrder texts(Column.Texts column, int sign, ULocale locale) {
        return nullsLast(column, new CollatedOrder(column, sign, locale));
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
