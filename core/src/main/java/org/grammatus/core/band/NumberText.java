package org.grammatus.core.band;

import com.ibm.icu.text.NumberFormat;
import java.math.BigDecimal;

/** Numbers as they are printed. */
public final class NumberText {

    private NumberText() {}

    /** A number in a format; one that rounds to zero there has no sign. */
    public static String of(BigDecimal value, NumberFormat format) {
        String text = format.format(value);
        if (value.signum() < 0) {
            String zero = format.format(BigDecimal.ZERO);
            return format.format(value.negate()).equals(zero) ? zero : text;
        }
        return text;
    }

    /** Whether a number is below zero as it is printed in a format. */
    static boolean isBelowZero(BigDecimal value, NumberFormat format) {
        return value.signum() < 0 && !format.format(value.negate()).equals(format.format(BigDecimal.ZERO));
    }
}
