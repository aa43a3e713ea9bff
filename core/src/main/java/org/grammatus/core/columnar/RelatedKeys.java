package org.grammatus.core.columnar;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/**
 * The keys to which enough rows of a dataset belong. Counted once over all its rows, whatever a report keeps; a key that is blank in any part
 * is no key.
 */
public final class RelatedKeys {

    private final Set<Object> keys = new HashSet<>();

    private RelatedKeys() {}

    /**
     * Looks for rows.
     *
     * @param kept numbers of the grain's rows that meet its condition
     */
    public static RelatedKeys of(Typed.SemiJoin has, Star rows, int[] kept) {
        EvaluationContext grain = rows.at(0);
        List<Column> columns = has.otherKeys().stream()
                .map(key -> Evaluator.evaluate(key, grain, new Faults()))
                .toList();
        Optional<Column> counted = has.counted().map(value -> Evaluator.evaluate(value, grain, new Faults()));
        RelatedKeys found = new RelatedKeys();
        if (has.least() == 1 && counted.isEmpty()) {
            for (int row : kept) {
                found.add(key(columns, row));
            }
            return found;
        }
        Map<Object, Integer> rowsOfKey = new HashMap<>();
        Map<Object, Set<Scalar>> valuesOfKey = new HashMap<>();
        for (int row : kept) {
            Object key = key(columns, row);
            if (key == null) {
                continue;
            }
            if (counted.isEmpty()) {
                rowsOfKey.merge(key, 1, Integer::sum);
            } else if (!counted.get().isNull(row)) {
                valuesOfKey.computeIfAbsent(key, none -> new HashSet<>()).add(Scalars.at(counted.get(), row));
            }
        }
        valuesOfKey.forEach((key, values) -> rowsOfKey.put(key, values.size()));
        rowsOfKey.forEach((key, count) -> {
            if (count >= has.least()) {
                found.add(key);
            }
        });
        return found;
    }

    private void add(Object key) {
        if (key != null) {
            keys.add(key);
        }
    }

    /** For each row whether it has such a key. */
    Column among(List<Column> columns) {
        long[] values = new long[columns.getFirst().size()];
        for (int row = 0; row < values.length; row++) {
            Object key = key(columns, row);
            values[row] = key != null && keys.contains(key) ? 1 : 0;
        }
        return new Column.Longs(Type.BOOLEAN, values);
    }

    /** A row's key; null where a part of it is blank. */
    private static Object key(List<Column> columns, int row) {
        if (columns.size() == 1) {
            return part(columns.getFirst(), row);
        }
        List<Object> parts = new ArrayList<>(columns.size());
        for (Column column : columns) {
            Object part = part(column, row);
            if (part == null) {
                return null;
            }
            parts.add(part);
        }
        return parts;
    }

    /** A value that equals what SQL takes for equal: texts by code point, numbers whatever their scale. */
    private static Object part(Column column, int row) {
        if (column.isNull(row)) {
            return null;
        }
        return switch (column) {
            case Column.Texts texts -> texts.text(row);
            case Column.Longs longs when longs.type().scale() == 0 -> longs.values()[row];
            default ->
                Scalars.at(column, row) instanceof Scalar.Number number ? whole(number) : Scalars.at(column, row);
        };
    }

    /** Whole numbers of a decimal column are the same keys as those of an integer column. */
    private static Object whole(Scalar.Number number) {
        BigDecimal plain = number.value().stripTrailingZeros();
        return plain.scale() <= 0 && plain.toBigInteger().bitLength() < Long.SIZE ? plain.longValueExact() : plain;
    }
}
