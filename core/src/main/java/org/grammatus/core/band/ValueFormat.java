package org.grammatus.core.band;

import com.ibm.icu.text.DateFormat;
import com.ibm.icu.text.DecimalFormat;
import com.ibm.icu.text.DecimalFormatSymbols;
import com.ibm.icu.util.ULocale;
import java.math.BigDecimal;
import java.util.Date;
import java.util.Optional;
import org.grammatus.core.choice.FigureUnit;
import org.grammatus.core.choice.Negative;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.plan.style.PrintStyle;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;
import org.grammatus.core.words.Words;

/** Prints the values of one column by a CLDR pattern, rounded half away from zero; NULL prints as nothing. Not thread-safe. */
public final class ValueFormat {

    private static final long MICROS_OF_MILLI = 1000;
    private static final long MILLIS_OF_DAY = 86_400_000L;

    private final Type type;
    private final String pattern;
    /** Of figures below zero; empty for the usual ink. */
    private final String negativeInk;
    /** How many digits before the point are not printed. */
    private final int leftOut;

    private final Words words;
    private final String blank;
    private final DecimalFormat numbers;
    private final DateFormat dates;

    public ValueFormat(Type type, String pattern, ULocale locale) {
        this(type, pattern, locale, Optional.empty(), Negative.MINUS, "", "");
    }

    /**
     * Prints figures and other values as a house style has them.
     *
     * @param unit what figures are counted in, where not in ones
     */
    public ValueFormat(Type type, String pattern, ULocale locale, Optional<FigureUnit> unit, PrintStyle style) {
        this(
                type,
                pattern,
                locale,
                unit,
                style.figures().negative(),
                style.figures().negativeInk(),
                style.figures().blank());
    }

    /**
     * Prints likewise.
     *
     * @param unit what figures are counted in, where not in ones
     * @param negative how figures below zero stand
     * @param blank what stands for NULL
     */
    private ValueFormat(
            Type type,
            String pattern,
            ULocale locale,
            Optional<FigureUnit> unit,
            Negative negative,
            String negativeInk,
            String blank) {
        this.type = type;
        this.pattern = pattern;
        this.negativeInk = negative == Negative.RED ? negativeInk : "";
        this.leftOut = unit.map(FigureUnit::digits).orElse(0);
        this.words = Words.of(locale);
        this.blank = blank;
        this.numbers = type.isNumber() ? numbers(pattern, locale, negative == Negative.BRACKETS) : null;
        this.dates = switch (type.kind()) {
            case DATE, TIMESTAMP -> DateBucket.dateFormat(pattern, locale);
            default -> null;
        };
    }

    private static DecimalFormat numbers(String pattern, ULocale locale, boolean brackets) {
        DecimalFormat format = new DecimalFormat(pattern, DecimalFormatSymbols.getInstance(locale));
        // A pattern that says itself how figures below zero look is left alone.
        if (brackets && pattern.indexOf(';') < 0) {
            format.setNegativePrefix("(" + format.getPositivePrefix());
            format.setNegativeSuffix(format.getPositiveSuffix() + ")");
        }
        format.setRoundingMode(Decimals.ROUNDING.ordinal());
        return format;
    }

    /** The printed form of a row's value. */
    public String format(Column column, int row) {
        if (column.isNull(row)) {
            return blank;
        }
        return switch (type.kind()) {
            case TEXT -> ((Column.Texts) column).text(row);
            case INTEGER, DECIMAL -> NumberText.of(number(column, row), numbers);
            case DATE -> dates.format(new Date(longAt(column, row) * MILLIS_OF_DAY));
            case TIMESTAMP -> dates.format(new Date(Math.floorDiv(longAt(column, row), MICROS_OF_MILLI)));
            case BOOLEAN -> words.yesOrNo(longAt(column, row) == 1);
        };
    }

    /** The type of the values that it prints. */
    public Type type() {
        return type;
    }

    /** The CLDR pattern; empty for texts and yes or no. */
    public String pattern() {
        return pattern;
    }

    /** The ink in which the style prints a value, as {@code #rrggbb}; empty for the usual one. */
    String ink(Column column, int row) {
        return !negativeInk.isEmpty() && type.isNumber() && isBelowZero(column, row) ? negativeInk : "";
    }

    private boolean isBelowZero(Column column, int row) {
        return !column.isNull(row) && NumberText.isBelowZero(number(column, row), numbers);
    }

    private BigDecimal number(Column column, int row) {
        return new BigDecimal(column.wide(row), type.scale() + leftOut);
    }

    /** The printed form of a single value. */
    public String format(Scalar value) {
        return format(Scalars.repeat(value, 1), 0);
    }

    private static long longAt(Column column, int row) {
        return ((Column.Longs) column).values()[row];
    }
}
