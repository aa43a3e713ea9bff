package org.grammatus.core.prompt;

import com.ibm.icu.text.DecimalFormatSymbols;
import com.ibm.icu.text.NumberFormat;
import com.ibm.icu.util.ULocale;
import java.util.regex.Pattern;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.core.value.Type;

/**
 * Numbers as they are typed: plainly, as addresses and files have them ({@code 1234.5}), or as the report's language writes them
 * ({@code 1,234.5}).
 */
final class NumberAnswer {

    private static final Pattern PLAIN = Pattern.compile("-?\\d+(\\.\\d+)?");

    private final DecimalFormatSymbols symbols;
    private final NumberFormat format;

    NumberAnswer(ULocale locale) {
        this.symbols = DecimalFormatSymbols.getInstance(locale);
        this.format = NumberFormat.getInstance(locale);
        format.setMaximumFractionDigits(18);
    }

    /**
     * Reads a number of a type.
     *
     * @throws IllegalArgumentException that says what was expected
     */
    Scalar parse(String text, Type type) {
        String typed = text.trim().replace("\u2212", "-").replaceAll("[\\s\u00a0\u202f]", "");
        return ScalarText.parse(
                PLAIN.matcher(typed).matches()
                        ? typed
                        : typed.replace(symbols.getGroupingSeparatorString(), "")
                                .replace(symbols.getDecimalSeparatorString(), "."),
                type);
    }

    String words(Scalar.Number number) {
        return format.format(number.value());
    }
}
