package org.grammatus.core.columnar;

import org.grammatus.core.expression.Comparator;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Type;

/** Comparisons of columns: texts by code point, numbers at a common scale, a date as the timestamp at its start. */
final class Comparison {

    private Comparison() {}

    static Column apply(Comparator operator, Column left, Column right) {
        long[] values = new long[left.size()];
        Order order = order(left, right);
        for (int i = 0; i < values.length; i++) {
            values[i] = left.isNull(i) || right.isNull(i) ? Column.Longs.NULL : operator.holds(order.of(i)) ? 1 : 0;
        }
        return new Column.Longs(Type.BOOLEAN, values);
    }

    private interface Order {
        int of(int row);
    }

    private static Order order(Column left, Column right) {
        if (left instanceof Column.Texts a && right instanceof Column.Texts b) {
            return texts(a, b);
        }
        boolean dateWithTime = left.type().kind() != right.type().kind()
                && (left.type().kind() == Kind.TIMESTAMP || right.type().kind() == Kind.TIMESTAMP);
        if (left instanceof Column.Longs a && right instanceof Column.Longs b) {
            long[] x = a.values();
            long[] y = b.values();
            if (dateWithTime) {
                long stepX = a.type().kind() == Kind.DATE ? Scalars.MICROS_OF_DAY : 1;
                long stepY = b.type().kind() == Kind.DATE ? Scalars.MICROS_OF_DAY : 1;
                return i -> Long.compare(x[i] * stepX, y[i] * stepY);
            }
            if (a.type().scale() == b.type().scale()) {
                return i -> Long.compare(x[i], y[i]);
            }
        }
        int scale = Math.max(left.type().scale(), right.type().scale());
        return i -> Decimals.rescale(left.wide(i), left.type().scale(), scale)
                .compareTo(Decimals.rescale(right.wide(i), right.type().scale(), scale));
    }

    /** A comparison with one text, the usual case, is made once per distinct text. */
    private static Order texts(Column.Texts a, Column.Texts b) {
        if (b.dictionary().length == 1) {
            String text = b.dictionary()[0];
            int[] orders = new int[a.dictionary().length];
            for (int code = 0; code < orders.length; code++) {
                orders[code] = Dictionaries.BY_CODE_POINT.compare(a.dictionary()[code], text);
            }
            return i -> orders[a.codes()[i]];
        }
        return i -> Dictionaries.BY_CODE_POINT.compare(a.text(i), b.text(i));
    }
}
