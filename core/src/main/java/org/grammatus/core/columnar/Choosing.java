package org.grammatus.core.columnar;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Type;

/** Takes each row's value from one of several columns. */
final class Choosing {

    private Choosing() {}

    /**
     * The chosen values.
     *
     * @param chosen index of the column for each row; -1 gives NULL
     */
    static Column choose(int[] chosen, List<Column> columns, Type type) {
        if (type.kind() == Kind.TEXT) {
            return texts(chosen, columns);
        }
        boolean wide = columns.stream().anyMatch(Column.Wides.class::isInstance)
                || columns.stream().anyMatch(c -> c.type().scale() != type.scale());
        return wide ? numbers(chosen, columns, type) : longs(chosen, columns, type);
    }

    private static Column texts(int[] chosen, List<Column> columns) {
        List<String> dictionary = new ArrayList<>();
        int[] offsets = new int[columns.size()];
        for (int c = 0; c < offsets.length; c++) {
            offsets[c] = dictionary.size();
            dictionary.addAll(List.of(((Column.Texts) columns.get(c)).dictionary()));
        }
        int[] codes = new int[chosen.length];
        for (int i = 0; i < codes.length; i++) {
            boolean none = chosen[i] < 0 || columns.get(chosen[i]).isNull(i);
            codes[i] =
                    none ? Column.Texts.NULL : offsets[chosen[i]] + ((Column.Texts) columns.get(chosen[i])).codes()[i];
        }
        return Dictionaries.distinct(new Column.Texts(codes, dictionary.toArray(String[]::new)));
    }

    private static Column longs(int[] chosen, List<Column> columns, Type type) {
        long[] values = new long[chosen.length];
        for (int i = 0; i < values.length; i++) {
            values[i] = chosen[i] < 0 ? Column.Longs.NULL : ((Column.Longs) columns.get(chosen[i])).values()[i];
        }
        return new Column.Longs(type, values);
    }

    private static Column numbers(int[] chosen, List<Column> columns, Type type) {
        BigInteger[] values = new BigInteger[chosen.length];
        for (int i = 0; i < values.length; i++) {
            if (chosen[i] >= 0 && !columns.get(chosen[i]).isNull(i)) {
                Column column = columns.get(chosen[i]);
                values[i] = Decimals.rescale(column.wide(i), column.type().scale(), type.scale());
            }
        }
        return Arithmetic.narrow(values, type);
    }
}
