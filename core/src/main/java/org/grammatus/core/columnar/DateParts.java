package org.grammatus.core.columnar;

import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.temporal.IsoFields;
import org.grammatus.core.expression.DatePart;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Type;

/** Dates and timestamps taken apart and moved by months. */
final class DateParts {

    private DateParts() {}

    static Column extract(DatePart part, Column.Longs column) {
        long[] values = new long[column.size()];
        for (int row = 0; row < values.length; row++) {
            values[row] = column.isNull(row) ? Column.Longs.NULL : part(part, time(column, row));
        }
        return new Column.Longs(Type.INTEGER, values);
    }

    private static int part(DatePart part, LocalDateTime time) {
        return switch (part) {
            case YEAR -> time.getYear();
            case QUARTER -> time.get(IsoFields.QUARTER_OF_YEAR);
            case MONTH -> time.getMonthValue();
            case DAY -> time.getDayOfMonth();
            case HOUR -> time.getHour();
            case MINUTE -> time.getMinute();
        };
    }

    static Column.Longs addDays(Column.Longs column, long days) {
        long step = column.type().kind() == Kind.DATE ? days : days * Scalars.MICROS_OF_DAY;
        long[] values = column.values().clone();
        for (int row = 0; row < values.length; row++) {
            if (values[row] != Column.Longs.NULL) {
                values[row] += step;
            }
        }
        return new Column.Longs(column.type(), values);
    }

    static Column.Longs addMonths(Column.Longs column, long months) {
        long[] values = column.values().clone();
        boolean isDate = column.type().kind() == Kind.DATE;
        for (int row = 0; row < values.length; row++) {
            if (!column.isNull(row)) {
                LocalDateTime moved = time(column, row).plusMonths(months);
                values[row] = isDate ? moved.toLocalDate().toEpochDay() : Scalars.micros(moved);
            }
        }
        return new Column.Longs(column.type(), values);
    }

    private static LocalDateTime time(Column.Longs column, int row) {
        long held = column.values()[row];
        return column.type().kind() == Kind.DATE
                ? LocalDateTime.ofEpochSecond(held * SECONDS_OF_DAY, 0, ZoneOffset.UTC)
                : Scalars.time(held);
    }

    private static final long SECONDS_OF_DAY = 86_400;
}
