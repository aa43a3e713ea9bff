package org.grammatus.core.columnar;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.Arrays;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** The way between single values and columns; the one place that knows how dates and times are held. */
public final class Scalars {

    private static final long MICROS_OF_SECOND = 1_000_000L;
    private static final long SECONDS_OF_DAY = 86_400L;
    /** Microseconds in a day: the step between a date and the timestamp at its start. */
    public static final long MICROS_OF_DAY = SECONDS_OF_DAY * MICROS_OF_SECOND;

    private Scalars() {}

    public static long micros(LocalDateTime time) {
        return time.toEpochSecond(ZoneOffset.UTC) * MICROS_OF_SECOND + time.getNano() / 1000;
    }

    public static LocalDateTime time(long micros) {
        return LocalDateTime.ofEpochSecond(
                Math.floorDiv(micros, MICROS_OF_SECOND),
                (int) Math.floorMod(micros, MICROS_OF_SECOND) * 1000,
                ZoneOffset.UTC);
    }

    /** The value of one row. */
    public static Scalar at(Column column, int row) {
        Type type = column.type();
        if (column.isNull(row)) {
            return new Scalar.Null(type);
        }
        return switch (type.kind()) {
            case TEXT -> new Scalar.Text(((Column.Texts) column).text(row));
            case INTEGER, DECIMAL -> new Scalar.Number(new BigDecimal(column.wide(row), type.scale()), type);
            case DATE -> new Scalar.Date(LocalDate.ofEpochDay(((Column.Longs) column).values()[row]));
            case TIMESTAMP -> new Scalar.Timestamp(time(((Column.Longs) column).values()[row]));
            case BOOLEAN -> new Scalar.Bool(((Column.Longs) column).values()[row] == 1);
        };
    }

    /** A column that has one value in every row. */
    public static Column repeat(Scalar value, int size) {
        return switch (value) {
            case Scalar.Null n -> nulls(n.type(), size);
            case Scalar.Text t -> new Column.Texts(new int[size], new String[] {t.value()});
            case Scalar.Number n -> {
                BigInteger unscaled = n.value().unscaledValue();
                if (Decimals.fitsLong(unscaled) && unscaled.longValue() != Column.Longs.NULL) {
                    yield longs(n.type(), unscaled.longValue(), size);
                }
                BigInteger[] values = new BigInteger[size];
                Arrays.fill(values, unscaled);
                yield new Column.Wides(n.type(), values);
            }
            case Scalar.Date d -> longs(Type.DATE, d.value().toEpochDay(), size);
            case Scalar.Timestamp t -> longs(Type.TIMESTAMP, micros(t.value()), size);
            case Scalar.Bool b -> longs(Type.BOOLEAN, b.value() ? 1 : 0, size);
        };
    }

    private static Column nulls(Type type, int size) {
        if (type.equals(Type.TEXT)) {
            int[] codes = new int[size];
            Arrays.fill(codes, Column.Texts.NULL);
            return new Column.Texts(codes, new String[0]);
        }
        return longs(type, Column.Longs.NULL, size);
    }

    private static Column.Longs longs(Type type, long value, int size) {
        long[] values = new long[size];
        Arrays.fill(values, value);
        return new Column.Longs(type, values);
    }
}
