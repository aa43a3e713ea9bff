package org.grammatus.core.columnar;

import java.math.BigInteger;
import java.util.List;
import java.util.Locale;
import java.util.function.ToLongFunction;
import java.util.function.UnaryOperator;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Type;

/** Functions of columns. What depends on one text alone is computed once for each distinct text; positions count code points. */
final class Functions {

    private Functions() {}

    static Column call(Typed.Call call, List<Column> arguments, Faults faults) {
        Column first = arguments.getFirst();
        return switch (call.function()) {
            case UPPER -> mapped((Column.Texts) first, text -> text.toUpperCase(Locale.ROOT));
            case LOWER -> mapped((Column.Texts) first, text -> text.toLowerCase(Locale.ROOT));
            case TRIM -> mapped((Column.Texts) first, Functions::trimmed);
            case CHAR_LENGTH -> measured((Column.Texts) first, text -> text.codePointCount(0, text.length()));
            case SUBSTRING -> substring(arguments);
            case POSITION -> position((Column.Texts) first, (Column.Texts) arguments.get(1));
            case ABS -> absolute(first);
            case FLOOR -> towards(first, true);
            case CEILING -> towards(first, false);
            case ROUND -> Casts.rescaled(first, call.type(), faults);
            case MOD -> remainder(first, arguments.get(1), call.type(), faults);
            case NULLIF -> throw new IllegalStateException("NULLIF is typed as a choice");
        };
    }

    private static Column mapped(Column.Texts column, UnaryOperator<String> function) {
        TextsBuilder results = new TextsBuilder(column.dictionary().length);
        for (int code = 0; code < column.dictionary().length; code++) {
            results.set(code, function.apply(column.dictionary()[code]));
        }
        Column.Texts distinct = results.build();
        int[] codes = new int[column.size()];
        for (int row = 0; row < codes.length; row++) {
            codes[row] = column.isNull(row) ? Column.Texts.NULL : distinct.codes()[column.codes()[row]];
        }
        return new Column.Texts(codes, distinct.dictionary());
    }

    private static Column measured(Column.Texts column, ToLongFunction<String> function) {
        long[] distinct = new long[column.dictionary().length];
        for (int code = 0; code < distinct.length; code++) {
            distinct[code] = function.applyAsLong(column.dictionary()[code]);
        }
        long[] values = new long[column.size()];
        for (int row = 0; row < values.length; row++) {
            values[row] = column.isNull(row) ? Column.Longs.NULL : distinct[column.codes()[row]];
        }
        return new Column.Longs(Type.INTEGER, values);
    }

    /** SQL's TRIM takes blanks alone, not every white space. */
    private static String trimmed(String text) {
        int from = 0;
        int to = text.length();
        while (from < to && text.charAt(from) == ' ') {
            from++;
        }
        while (to > from && text.charAt(to - 1) == ' ') {
            to--;
        }
        return text.substring(from, to);
    }

    /** The first character is number 1; what lies before it or after the end is nothing; a length below 0 gives nothing. */
    private static Column substring(List<Column> arguments) {
        Column.Texts texts = (Column.Texts) arguments.get(0);
        TextsBuilder parts = new TextsBuilder(texts.size());
        for (int row = 0; row < texts.size(); row++) {
            int at = row;
            if (arguments.stream().noneMatch(argument -> argument.isNull(at))) {
                String text = texts.text(row);
                BigInteger size = BigInteger.valueOf(text.codePointCount(0, text.length()));
                BigInteger start = arguments.get(1).wide(row).subtract(BigInteger.ONE);
                BigInteger end =
                        arguments.size() == 3 ? start.add(arguments.get(2).wide(row)) : size;
                int from = start.max(BigInteger.ZERO).min(size).intValue();
                int to = end.max(BigInteger.valueOf(from)).min(size).intValue();
                parts.set(row, text.substring(text.offsetByCodePoints(0, from), text.offsetByCodePoints(0, to)));
            }
        }
        return parts.build();
    }

    /** Number of the first character of what is sought; 0 where it is not there. */
    private static Column position(Column.Texts sought, Column.Texts within) {
        long[] values = new long[sought.size()];
        for (int row = 0; row < values.length; row++) {
            if (sought.isNull(row) || within.isNull(row)) {
                values[row] = Column.Longs.NULL;
            } else {
                String text = within.text(row);
                int index = text.indexOf(sought.text(row));
                values[row] = index < 0 ? 0 : text.codePointCount(0, index) + 1;
            }
        }
        return new Column.Longs(Type.INTEGER, values);
    }

    private static Column absolute(Column column) {
        BigInteger[] values = new BigInteger[column.size()];
        for (int row = 0; row < values.length; row++) {
            values[row] = column.isNull(row) ? null : column.wide(row).abs();
        }
        return Arithmetic.narrow(values, column.type());
    }

    private static Column towards(Column column, boolean down) {
        BigInteger one = BigInteger.TEN.pow(column.type().scale());
        BigInteger[] values = new BigInteger[column.size()];
        for (int row = 0; row < values.length; row++) {
            if (!column.isNull(row)) {
                BigInteger[] parts = column.wide(row).divideAndRemainder(one);
                int step = down ? Math.min(parts[1].signum(), 0) : Math.max(parts[1].signum(), 0);
                values[row] = parts[0].add(BigInteger.valueOf(step));
            }
        }
        return Arithmetic.narrow(values, Type.INTEGER);
    }

    /** What is left over has the sign of what was divided. */
    private static Column remainder(Column left, Column right, Type type, Faults faults) {
        BigInteger[] values = new BigInteger[left.size()];
        for (int row = 0; row < values.length; row++) {
            if (left.isNull(row) || right.isNull(row)) {
                continue;
            }
            BigInteger divisor = Decimals.rescale(right.wide(row), right.type().scale(), type.scale());
            if (divisor.signum() == 0) {
                faults.note(Faults.Kind.DIVISION_BY_ZERO, row);
            } else {
                values[row] = Decimals.rescale(left.wide(row), left.type().scale(), type.scale())
                        .remainder(divisor);
            }
        }
        return Arithmetic.narrow(values, type);
    }
}
