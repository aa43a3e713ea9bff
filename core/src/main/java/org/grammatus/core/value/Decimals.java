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

    private Decimals() {}

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
