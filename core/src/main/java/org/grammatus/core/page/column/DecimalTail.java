package org.grammatus.core.page.column;

import com.ibm.icu.text.DecimalFormatSymbols;
import com.ibm.icu.util.ULocale;

/** What of a printed number stands behind its whole part: its decimals with their sign, and whatever comes after its last digit. */
public final class DecimalTail {

    private DecimalTail() {}

    /** Where the tail of a number begins. */
    public static int start(String number, ULocale locale) {
        int sign = number.lastIndexOf(DecimalFormatSymbols.getInstance(locale).getDecimalSeparator());
        if (sign >= 0) {
            return sign;
        }
        int end = number.length();
        while (end > 0 && !Character.isDigit(number.charAt(end - 1))) {
            end--;
        }
        return end == 0 ? number.length() : end;
    }
}
