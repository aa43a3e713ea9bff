package org.grammatus.sources.star;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.grammatus.core.columnar.Arithmetic;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Type;
import org.grammatus.sources.SourceException;

/** Takes a source's values one by one and makes a column of a type from them. Used by one thread. */
public final class ColumnBuilder {

    private static final int FIRST_CAPACITY = 1024;
    private static final int FIRST_YEAR = 1;
    private static final int LAST_YEAR = 9999;

    private final String name;
    private final Type type;
    private long[] longs = new long[0];
    private BigInteger[] wides;
    private int[] codes = new int[0];
    private final List<String> dictionary = new ArrayList<>();
    private final Map<String, Integer> codeOf = new HashMap<>();
    private final Map<String, Long> timeOf = new HashMap<>();
    private int size;

    /** @param name what the column is called where a value does not fit */
    public ColumnBuilder(String name, Type type) {
        this.name = name;
        this.type = type;
    }

    /**
     * Takes the next value.
     *
     * @param value as the driver gives it; null is NULL
     * @throws SourceException if it cannot be of the column's type
     */
    public void add(Object value) {
        if (type.equals(Type.TEXT)) {
            codes = size < codes.length ? codes : Arrays.copyOf(codes, grown(codes.length));
            codes[size++] = value == null ? Column.Texts.NULL : code(text(value));
            return;
        }
        longs = size < longs.length ? longs : Arrays.copyOf(longs, grown(longs.length));
        if (value == null) {
            longs[size] = Column.Longs.NULL;
        } else {
            switch (type.kind()) {
                case INTEGER, DECIMAL -> number(value);
                case DATE, TIMESTAMP -> longs[size] = time(value);
                case BOOLEAN -> longs[size] = truth(value);
                case TEXT -> throw new IllegalStateException("Texts are taken above");
            }
        }
        size++;
    }

    private static int grown(int length) {
        return Math.max(FIRST_CAPACITY, length + (length >> 1));
    }

    private int code(String text) {
        Integer known = codeOf.get(text);
        if (known == null) {
            known = dictionary.size();
            dictionary.add(text);
            codeOf.put(text, known);
        }
        return known;
    }

    private String text(Object value) {
        if (value instanceof byte[]) {
            throw unfit("binary data", "a text");
        }
        return value.toString();
    }

    private void number(Object value) {
        BigInteger unscaled = switch (value) {
            case Integer i -> null;
            case Long l when l != Column.Longs.NULL -> null;
            case Long l -> BigInteger.valueOf(l);
            case Double d -> decimal(BigDecimal.valueOf(finite(d)));
            case BigDecimal d -> decimal(d);
            case String s -> decimal(parsed(s));
            default -> throw unfit(value.getClass().getSimpleName(), "a number");
        };
        if (unscaled == null) {
            longs[size] = ((Number) value).longValue();
        } else if (Decimals.fitsLong(unscaled) && unscaled.longValue() != Column.Longs.NULL) {
            longs[size] = unscaled.longValue();
        } else {
            wides = wides == null ? new BigInteger[longs.length] : wides;
            wides = wides.length > size ? wides : Arrays.copyOf(wides, longs.length);
            wides[size] = unscaled;
        }
    }

    private double finite(double d) {
        if (!Double.isFinite(d)) {
            throw unfit(Double.toString(d), "a number");
        }
        return d;
    }

    private BigDecimal parsed(String text) {
        try {
            return new BigDecimal(text.trim());
        } catch (NumberFormatException e) {
            throw unfit(quoted(text), "a number");
        }
    }

    /** Binary and written numbers carry their own point; whole numbers are already scaled. */
    private BigInteger decimal(BigDecimal value) {
        BigInteger unscaled = value.setScale(type.scale(), Decimals.ROUNDING).unscaledValue();
        if (!Decimals.fits(unscaled)) {
            throw unfit("a number of more than " + Type.MOST_DIGITS + " digits", "a smaller one");
        }
        return unscaled;
    }

    private long time(Object value) {
        return switch (value) {
            case String text -> timeOf.computeIfAbsent(text, this::parsedTime);
            case LocalDate day -> time(day.atStartOfDay());
            case LocalDateTime moment -> time(moment);
            default -> throw unfit(value.toString(), "a " + type + " such as '2026-01-31'");
        };
    }

    private long time(LocalDateTime moment) {
        if (moment.getYear() < FIRST_YEAR || moment.getYear() > LAST_YEAR) {
            throw unfit("a time without end or before the year 1", "one in the years 1 to 9999");
        }
        return type.equals(Type.DATE) ? moment.toLocalDate().toEpochDay() : Scalars.micros(moment);
    }

    private long parsedTime(String text) {
        try {
            return type.equals(Type.DATE)
                    ? LocalDate.parse(text.length() > 10 ? text.substring(0, 10) : text)
                            .toEpochDay()
                    : Scalars.micros(
                            text.length() == 10
                                    ? LocalDate.parse(text).atStartOfDay()
                                    : LocalDateTime.parse(text.replace(' ', 'T')));
        } catch (DateTimeException e) {
            throw unfit(
                    quoted(text), "a " + type + " such as '2026-01-31" + (type.equals(Type.DATE) ? "'" : " 23:30:00'"));
        }
    }

    private long truth(Object value) {
        if (value instanceof Boolean truth) {
            return truth ? 1 : 0;
        }
        if (value instanceof Number n && (n.longValue() == 0 || n.longValue() == 1)) {
            return n.longValue();
        }
        throw unfit(quoted(value.toString()), "0 or 1");
    }

    private SourceException unfit(String found, String expected) {
        return new SourceException(name + ", row " + (size + 1) + ": found " + found + ", expected " + expected
                + "; correct the value, or the field's type in the dataset");
    }

    private static String quoted(String text) {
        return "\"" + (text.length() > 60 ? text.substring(0, 60) + "…" : text) + "\"";
    }

    /** The column of all values taken. */
    public Column build() {
        if (type.equals(Type.TEXT)) {
            return new Column.Texts(Arrays.copyOf(codes, size), dictionary.toArray(String[]::new));
        }
        if (wides == null) {
            return new Column.Longs(type, Arrays.copyOf(longs, size));
        }
        BigInteger[] all = new BigInteger[size];
        for (int i = 0; i < size; i++) {
            boolean wide = i < wides.length && wides[i] != null;
            all[i] = wide ? wides[i] : longs[i] == Column.Longs.NULL ? null : BigInteger.valueOf(longs[i]);
        }
        return Arithmetic.narrow(all, type);
    }
}
