package org.grammatus.core.columnar;

import java.util.Arrays;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Type;

/** Dates and timestamps as the keys of the spans or places in a cycle in which they lie. */
public final class DateKeys {

    private DateKeys() {}

    /** The key of each date; NULL for none. */
    public static Column of(Column.Longs dates, DateBucket bucket) {
        boolean time = dates.type().kind() == Kind.TIMESTAMP;
        long[] days = new long[dates.size()];
        for (int i = 0; i < days.length; i++) {
            long value = dates.values()[i];
            days[i] = value == Column.Longs.NULL || !time ? value : Math.floorDiv(value, Scalars.MICROS_OF_DAY);
        }
        // A bucket is worked out once per distinct day.
        KeyCodes distinct = KeyCodes.of(new Column.Longs(Type.DATE, days));
        long[] keyOf = new long[distinct.count()];
        Arrays.fill(keyOf, Column.Longs.NULL);
        long[] values = new long[days.length];
        for (int i = 0; i < values.length; i++) {
            int code = distinct.codes()[i];
            if (days[i] != Column.Longs.NULL && keyOf[code] == Column.Longs.NULL) {
                keyOf[code] = bucket.key(days[i]);
            }
            values[i] = keyOf[code];
        }
        return new Column.Longs(bucket.type(), values);
    }
}
