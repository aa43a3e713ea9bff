package org.grammatus.core.columnar;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.HashMap;
import java.util.Map;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.core.value.Type;

/** Values turned into other types. Numbers are rounded half away from zero; a text that is no such value becomes NULL, and is noted. */
final class Casts {

    private Casts() {}

    static Column cast(Column column, Type to, Faults faults) {
        Kind from = column.type().kind();
        if (to.kind() == Kind.TEXT) {
            return written(column);
        }
        if (from == Kind.TEXT) {
            return read((Column.Texts) column, to, faults);
        }
        if (from.isNumber()) {
            return rescaled(column, to, faults);
        }
        return to.kind() == Kind.DATE ? days((Column.Longs) column) : midnights((Column.Longs) column);
    }

    private static Column written(Column column) {
        TextsBuilder texts = new TextsBuilder(column.size());
        for (int row = 0; row < column.size(); row++) {
            texts.set(row, column.isNull(row) ? null : ScalarText.write(Scalars.at(column, row)));
        }
        return texts.build();
    }

    /** Each distinct text is read once. */
    private static Column read(Column.Texts column, Type to, Faults faults) {
        Map<Integer, Scalar> known = new HashMap<>();
        BigInteger[] values = new BigInteger[column.size()];
        for (int row = 0; row < values.length; row++) {
            if (column.isNull(row)) {
                continue;
            }
            Scalar value = known.computeIfAbsent(column.codes()[row], code -> parsed(column.dictionary()[code], to));
            if (value instanceof Scalar.Null) {
                faults.note(Faults.Kind.UNREADABLE, row);
            } else {
                values[row] = Scalars.repeat(value, 1).wide(0);
            }
        }
        return Arithmetic.narrow(values, to);
    }

    private static Scalar parsed(String text, Type to) {
        try {
            Type read = to.isNumber() ? Type.decimal(0) : to;
            Scalar value = ScalarText.parse(text.strip(), read);
            if (value instanceof Scalar.Number number) {
                BigDecimal rounded = number.value().setScale(to.scale(), Decimals.ROUNDING);
                return Decimals.fits(rounded.unscaledValue()) ? new Scalar.Number(rounded, to) : new Scalar.Null(to);
            }
            return value;
        } catch (IllegalArgumentException e) {
            return new Scalar.Null(to);
        }
    }

    static Column rescaled(Column column, Type to, Faults faults) {
        BigInteger[] values = new BigInteger[column.size()];
        for (int row = 0; row < values.length; row++) {
            if (!column.isNull(row)) {
                BigInteger value =
                        Decimals.rescale(column.wide(row), column.type().scale(), to.scale());
                if (Decimals.fits(value)) {
                    values[row] = value;
                } else {
                    faults.note(Faults.Kind.TOO_LARGE, row);
                }
            }
        }
        return Arithmetic.narrow(values, to);
    }

    private static Column days(Column.Longs timestamps) {
        long[] values = timestamps.values().clone();
        for (int row = 0; row < values.length; row++) {
            values[row] =
                    timestamps.isNull(row) ? Column.Longs.NULL : Math.floorDiv(values[row], Scalars.MICROS_OF_DAY);
        }
        return new Column.Longs(Type.DATE, values);
    }

    private static Column midnights(Column.Longs dates) {
        long[] values = dates.values().clone();
        for (int row = 0; row < values.length; row++) {
            values[row] = dates.isNull(row) ? Column.Longs.NULL : values[row] * Scalars.MICROS_OF_DAY;
        }
        return new Column.Longs(Type.TIMESTAMP, values);
    }
}
