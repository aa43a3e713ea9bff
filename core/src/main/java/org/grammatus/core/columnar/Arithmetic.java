package org.grammatus.core.columnar;

import java.math.BigInteger;
import org.grammatus.core.expression.ArithmeticOperator;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Type;

/** Exact arithmetic on columns: in 64 bits while every value fits, else in wide numbers. */
public final class Arithmetic {

    private Arithmetic() {}

    /** Two columns of one size, value by value; NULL where either is. */
    public static Column apply(ArithmeticOperator operator, Column left, Column right, Type type, Faults faults) {
        if (operator != ArithmeticOperator.DIVIDE
                && left instanceof Column.Longs a
                && right instanceof Column.Longs b) {
            try {
                return inLongs(operator, a, b, type);
            } catch (ArithmeticException e) {
                // Some value does not fit 64 bits: compute the whole column wide.
            }
        }
        return inWides(operator, left, right, type, faults);
    }

    private static Column inLongs(ArithmeticOperator operator, Column.Longs left, Column.Longs right, Type type) {
        long[] a = left.values();
        long[] b = right.values();
        boolean product = operator == ArithmeticOperator.MULTIPLY;
        long stepA = product ? 1 : Decimals.power(type.scale() - left.type().scale());
        long stepB = product ? 1 : Decimals.power(type.scale() - right.type().scale());
        if (product && left.type().scale() + right.type().scale() != type.scale()) {
            throw new ArithmeticException("scale is cut");
        }
        long[] values = new long[a.length];
        for (int i = 0; i < values.length; i++) {
            if (a[i] == Column.Longs.NULL || b[i] == Column.Longs.NULL) {
                values[i] = Column.Longs.NULL;
                continue;
            }
            long x = Math.multiplyExact(a[i], stepA);
            long y = Math.multiplyExact(b[i], stepB);
            values[i] = switch (operator) {
                case ADD -> Math.addExact(x, y);
                case SUBTRACT -> Math.subtractExact(x, y);
                case MULTIPLY -> Math.multiplyExact(x, y);
                case DIVIDE -> throw new IllegalStateException("Division is never in 64 bits");
            };
            if (values[i] == Column.Longs.NULL) {
                throw new ArithmeticException("stands for NULL");
            }
        }
        return new Column.Longs(type, values);
    }

    private static Column inWides(ArithmeticOperator operator, Column left, Column right, Type type, Faults faults) {
        int scaleA = left.type().scale();
        int scaleB = right.type().scale();
        BigInteger[] values = new BigInteger[left.size()];
        for (int i = 0; i < values.length; i++) {
            if (left.isNull(i) || right.isNull(i)) {
                continue;
            }
            BigInteger a = left.wide(i);
            BigInteger b = right.wide(i);
            if (operator == ArithmeticOperator.DIVIDE && b.signum() == 0) {
                faults.note(Faults.Kind.DIVISION_BY_ZERO, i);
                continue;
            }
            BigInteger value = switch (operator) {
                case ADD -> common(a, scaleA, type).add(common(b, scaleB, type));
                case SUBTRACT -> common(a, scaleA, type).subtract(common(b, scaleB, type));
                case MULTIPLY -> Decimals.rescale(a.multiply(b), scaleA + scaleB, type.scale());
                case DIVIDE -> Decimals.divide(a, scaleA, b, scaleB, type.scale());
            };
            if (Decimals.fits(value)) {
                values[i] = value;
            } else {
                faults.note(Faults.Kind.TOO_LARGE, i);
            }
        }
        return narrow(values, type);
    }

    private static BigInteger common(BigInteger value, int scale, Type type) {
        return Decimals.rescale(value, scale, type.scale());
    }

    static Column negate(Column column) {
        if (column instanceof Column.Longs c) {
            long[] values = c.values().clone();
            for (int i = 0; i < values.length; i++) {
                // NULL is the one number that is its own negative.
                values[i] = -values[i];
            }
            return new Column.Longs(c.type(), values);
        }
        BigInteger[] values = ((Column.Wides) column).values().clone();
        for (int i = 0; i < values.length; i++) {
            values[i] = values[i] == null ? null : values[i].negate();
        }
        return narrow(values, column.type());
    }

    /** The column of these unscaled numbers, in 64 bits where all fit. */
    public static Column narrow(BigInteger[] values, Type type) {
        long[] longs = new long[values.length];
        for (int i = 0; i < values.length; i++) {
            if (values[i] == null) {
                longs[i] = Column.Longs.NULL;
            } else if (Decimals.fitsLong(values[i]) && values[i].longValue() != Column.Longs.NULL) {
                longs[i] = values[i].longValue();
            } else {
                return new Column.Wides(type, values);
            }
        }
        return new Column.Longs(type, longs);
    }
}
