package org.grammatus.core.profile;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.choice.Bucket;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.dataset.FiscalCalendar;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** How numbers and dates spread: classes side by side from the smallest value to the largest, each with its rows. */
public final class Histogram {

    /** The most classes there are. */
    public static final int MOST_CLASSES = 40;

    private static final List<Bucket> SPANS = List.of(Bucket.DAY, Bucket.MONTH, Bucket.YEAR);

    private Histogram() {}

    /**
     * One class.
     *
     * @param from its smallest possible value
     * @param below what its values are smaller than
     */
    public record Bar(Scalar from, Scalar below, int rows) {}

    /**
     * The classes of numbers, dates and timestamps; none for other values, or where there is at most one value. Numbers have classes
     * of a round width (1, 2 or 5 times a power of ten), dates whole days, months or years.
     */
    public static List<Bar> of(ValueCounts values) {
        Type type = values.values().type();
        if (values.counts().length < 2) {
            return List.of();
        }
        return switch (type.kind()) {
            case INTEGER, DECIMAL -> ofNumbers(values, type);
            case DATE, TIMESTAMP -> ofDays(values, type);
            case TEXT, BOOLEAN -> List.of();
        };
    }

    private static List<Bar> ofNumbers(ValueCounts values, Type type) {
        Column column = values.values();
        BigInteger first = column.wide(0);
        BigInteger last = column.wide(column.size() - 1);
        BigInteger width = roundWidth(last.subtract(first));
        BigInteger start = floor(first, width);
        int classes = last.subtract(start).divide(width).intValueExact() + 1;
        int[] rows = new int[classes];
        for (int i = 0; i < column.size(); i++) {
            rows[column.wide(i).subtract(start).divide(width).intValueExact()] += values.counts()[i];
        }
        List<Bar> bars = new ArrayList<>();
        for (int i = 0; i < classes; i++) {
            BigInteger from = start.add(width.multiply(BigInteger.valueOf(i)));
            bars.add(new Bar(number(from, type), number(from.add(width), type), rows[i]));
        }
        return bars;
    }

    /** The smallest round width, at least 1, with which a span of so much falls into few enough classes. */
    private static BigInteger roundWidth(BigInteger span) {
        for (BigInteger power = BigInteger.ONE; ; power = power.multiply(BigInteger.TEN)) {
            for (int digit : new int[] {1, 2, 5}) {
                BigInteger width = power.multiply(BigInteger.valueOf(digit));
                // One more than fits: the first class may begin below the smallest value.
                if (span.divide(width).compareTo(BigInteger.valueOf(MOST_CLASSES - 2)) <= 0) {
                    return width;
                }
            }
        }
    }

    private static BigInteger floor(BigInteger value, BigInteger width) {
        return value.subtract(value.mod(width));
    }

    private static Scalar number(BigInteger unscaled, Type type) {
        return new Scalar.Number(new BigDecimal(unscaled, type.scale()), type);
    }

    private static List<Bar> ofDays(ValueCounts values, Type type) {
        long[] held = ((Column.Longs) values.values()).values();
        long perDay = type.kind() == Kind.DATE ? 1 : Scalars.MICROS_OF_DAY;
        long first = Math.floorDiv(held[0], perDay);
        long last = Math.floorDiv(held[held.length - 1], perDay);
        List<Long> starts = starts(first, last);
        int[] rows = new int[starts.size() - 1];
        int at = 0;
        for (int i = 0; i < held.length; i++) {
            long day = Math.floorDiv(held[i], perDay);
            while (day >= starts.get(at + 1)) {
                at++;
            }
            rows[at] += values.counts()[i];
        }
        List<Bar> bars = new ArrayList<>();
        for (int i = 0; i < rows.length; i++) {
            bars.add(new Bar(date(starts.get(i)), date(starts.get(i + 1)), rows[i]));
        }
        return bars;
    }

    /** The first day of each class, and the one after the last; years are put together where there are too many. */
    private static List<Long> starts(long first, long last) {
        for (Bucket span : SPANS) {
            List<Long> starts = stepped(new DateBucket(span, FiscalCalendar.CALENDAR_YEAR), 1, first, last);
            if (starts.size() <= MOST_CLASSES + 1) {
                return starts;
            }
        }
        DateBucket years = new DateBucket(Bucket.YEAR, FiscalCalendar.CALENDAR_YEAR);
        int together = (int) ((last - first) / 365 / (MOST_CLASSES - 1)) + 1;
        return stepped(years, together, first, last);
    }

    private static List<Long> stepped(DateBucket span, int together, long first, long last) {
        List<Long> starts = new ArrayList<>(List.of(span.key(first)));
        while (starts.getLast() <= last && starts.size() <= MOST_CLASSES + 1) {
            long next = starts.getLast();
            for (int i = 0; i < together; i++) {
                next = span.next(next);
            }
            starts.add(next);
        }
        return starts;
    }

    private static Scalar date(long epochDay) {
        return new Scalar.Date(LocalDate.ofEpochDay(epochDay));
    }
}
