package org.grammatus.core.value;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;

/**
 * Exact decimal arithmetic on unscaled integers. {@code + −} keep the larger scale, {@code *} adds scales, {@code /} and
 * averages add {@value Type#DIVISION_SCALE} to the larger; every rounding is half away from zero.
 */
public final class Decimals {

    /** The one rounding of the product: half away from zero. */
    public static final RoundingMode ROUNDING = RoundingMode.HALF_UP;

    private static final BigInteger LIMIT = BigInteger.TEN.pow(Type.MOST_DIGITS);
    private static final long[] POWERS = new long[19];

    static {
        POWERS[0] = 1;
        for (int i = 1; i < POWERS.length; i++) {
            POWERS[i] = POWERS[i - 1] * 10;
        }
    }

    /** Of a number as it is written: sign, point and exponent beside its digits. */
    private static final int MOST_CHARACTERS = Type.MOST_DIGITS + 8;

    private Decimals() {}

    /**
     * Reads a number of at most {@value Type#MOST_DIGITS} digits, at most {@value Type#MOST_SCALE} of them after the point. Its length is
     * looked at first: what is longer is refused before anything is computed with it.
     *
     * @throws IllegalArgumentException that says what is wrong with the text
     */
    public static BigDecimal parse(String text) {
        if (text.length() > MOST_CHARACTERS) {
            throw tooLong();
        }
        BigDecimal value = new BigDecimal(text);
        long whole = (long) value.precision() - value.scale();
        if (whole > Type.MOST_DIGITS || value.scale() > Type.MOST_SCALE || value.precision() > Type.MOST_DIGITS) {
            throw tooLong();
        }
        return value.scale() < 0 ? value.setScale(0) : value;
    }

    private static IllegalArgumentException tooLong() {
        return new IllegalArgumentException("a number has at most " + Type.MOST_DIGITS + " digits, at most "
                + Type.MOST_SCALE + " of them after the point");
    }

    /** 10 to the given power, 0 to 18. */
    public static long power(int exponent) {
        return POWERS[exponent];
    }

    /** Whether a number of this unscaled value has at most {@value Type#MOST_DIGITS} digits. */
    public static boolean fits(BigInteger unscaled) {
        return unscaled.abs().compareTo(LIMIT) < 0;
    }

    public static boolean fitsLong(BigInteger unscaled) {
        return unscaled.bitLength() < Long.SIZE;
    }

    /**
     * Divides two unscaled numbers.
     *
     * @return the quotient's unscaled value at the given scale
     */
    public static BigInteger divide(BigInteger a, int scaleA, BigInteger b, int scaleB, int scale) {
        return new BigDecimal(a, scaleA)
                .divide(new BigDecimal(b, scaleB), scale, ROUNDING)
                .unscaledValue();
    }

    /** Brings an unscaled number from one scale to another, rounding where digits are lost. */
    public static BigInteger rescale(BigInteger unscaled, int from, int to) {
        return from == to
                ? unscaled
                : new BigDecimal(unscaled, from).setScale(to, ROUNDING).unscaledValue();
    }

    /** The scale of a quotient or an average. */
    public static int divisionScale(int left, int right) {
        return Math.min(Math.max(left, right) + Type.DIVISION_SCALE, Type.MOST_SCALE);
    }
}
