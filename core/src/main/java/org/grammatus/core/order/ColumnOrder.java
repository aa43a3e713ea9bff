package org.grammatus.core.order;

import com.ibm.icu.util.ULocale;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Dictionaries;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.value.Scalar;

/** Orders of the rows of a column. NULL stands last in both directions. */
public final class ColumnOrder {

    private ColumnOrder() {}

    /** By value: numbers and times by size, texts in the locale's order. */
    public static IntOrder of(Column column, Direction direction, ULocale locale) {
        int sign = direction == Direction.DESCENDING ? -1 : 1;
        return switch (column) {
            case Column.Longs c -> longs(c, sign);
            case Column.Wides c -> nullsLast(c, (a, b) -> sign * c.values()[a].compareTo(c.values()[b]));
            case Column.Texts c -> texts(c, sign, locale);
        };
    }

    /** As {@link #of(Column, Direction, ULocale)}, but texts that have an order of their own in that order. */
    public static IntOrder of(Column column, Direction direction, ULocale locale, Optional<List<String>> natural) {
        IntOrder byValue = of(column, direction, locale);
        return column instanceof Column.Texts texts && natural.isPresent()
                ? listed(texts, natural.get(), direction).then(byValue)
                : byValue;
    }

    /** As listed, or the list turned round; what is not listed stands after it either way, and NULL last. */
    private static IntOrder listed(Column.Texts column, List<String> natural, Direction direction) {
        Map<String, Integer> places = new HashMap<>();
        for (int i = 0; i < natural.size(); i++) {
            places.put(natural.get(i), direction == Direction.DESCENDING ? natural.size() - 1 - i : i);
        }
        int[] ranks = new int[column.dictionary().length];
        for (int code = 0; code < ranks.length; code++) {
            ranks[code] = places.getOrDefault(column.dictionary()[code], natural.size());
        }
        return nullsLast(column, (a, b) -> Integer.compare(ranks[column.codes()[a]], ranks[column.codes()[b]]));
    }

    /** Keys as listed; what is not listed stands after them. */
    public static IntOrder listed(Column keys, List<Scalar> listed) {
        Map<Scalar, Integer> places = new HashMap<>();
        listed.forEach(key -> places.put(key, places.size()));
        int[] ranks = new int[keys.size()];
        for (int i = 0; i < ranks.length; i++) {
            ranks[i] = places.getOrDefault(Scalars.at(keys, i), listed.size());
        }
        return nullsLast(keys, (a, b) -> Integer.compare(ranks[a], ranks[b]));
    }

    /** By value as {@code <} sees it: texts by code point. */
    public static IntOrder byKey(Column column) {
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
    public static int[] numbers(int size) {
        int[] numbers = new int[size];
        Arrays.setAll(numbers, i -> i);
        return numbers;
    }
}
