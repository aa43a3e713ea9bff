package org.grammatus.core.columnar;

import com.ibm.icu.text.Collator;
import com.ibm.icu.text.RuleBasedCollator;
import com.ibm.icu.util.ULocale;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.Map;

/** Work on the distinct texts of a column, done once per text rather than once per row. */
public final class Dictionaries {

    /** Texts by code point, which is not the order of Java's own comparison beyond the basic plane. */
    public static final Comparator<String> BY_CODE_POINT = Dictionaries::compareCodePoints;

    private Dictionaries() {}

    /** The same column with each text once in its dictionary, so that equal texts have equal codes. */
    static Column.Texts distinct(Column.Texts column) {
        Map<String, Integer> first = new HashMap<>();
        int[] translated = new int[column.dictionary().length];
        for (int code = 0; code < translated.length; code++) {
            Integer earlier = first.putIfAbsent(column.dictionary()[code], code);
            translated[code] = earlier == null ? code : earlier;
        }
        if (first.size() == translated.length) {
            return column;
        }
        int[] codes = column.codes().clone();
        for (int i = 0; i < codes.length; i++) {
            codes[i] = codes[i] == Column.Texts.NULL ? codes[i] : translated[codes[i]];
        }
        return new Column.Texts(codes, column.dictionary());
    }

    /** For each code its place among the texts by code point; equal texts share a place. */
    public static int[] codePointRanks(String[] dictionary) {
        return ranks(dictionary, BY_CODE_POINT);
    }

    /**
     * For each code its place in the locale's order: case ignored first, digits read as numbers, ties by code point.
     */
    public static int[] collationRanks(String[] dictionary, ULocale locale) {
        return ranks(dictionary, collation(locale));
    }

    /** The locale's order of texts. Thread-safe. */
    public static Comparator<String> collation(ULocale locale) {
        RuleBasedCollator collator = (RuleBasedCollator) Collator.getInstance(locale);
        collator.setNumericCollation(true);
        collator.setStrength(Collator.TERTIARY);
        // A frozen collator may be used by several threads.
        collator.freeze();
        Comparator<String> slow = ((Comparator<String>) collator::compare).thenComparing(BY_CODE_POINT);
        return (a, b) -> {
            int order = byDigits(a, b);
            return order != 0 ? order : slow.compare(a, b);
        };
    }

    /**
     * The order of two texts that first differ inside numbers of equally many digits, as the numbers of orders and invoices
     * do: what follows an equal start as a number decides in every locale. 0 where that is not so.
     */
    private static int byDigits(String a, String b) {
        int shorter = Math.min(a.length(), b.length());
        int i = 0;
        while (i < shorter && a.charAt(i) == b.charAt(i)) {
            i++;
        }
        if (i == shorter || !isDigit(a, i) || !isDigit(b, i)) {
            return 0;
        }
        int end = i;
        while (isDigit(a, end) && isDigit(b, end)) {
            end++;
        }
        return isDigit(a, end) || isDigit(b, end) ? 0 : Character.compare(a.charAt(i), b.charAt(i));
    }

    private static boolean isDigit(String text, int index) {
        return index < text.length() && text.charAt(index) >= '0' && text.charAt(index) <= '9';
    }

    private static int[] ranks(String[] dictionary, Comparator<String> order) {
        Integer[] codes = new Integer[dictionary.length];
        Arrays.setAll(codes, i -> i);
        Arrays.sort(codes, (a, b) -> order.compare(dictionary[a], dictionary[b]));
        int[] ranks = new int[codes.length];
        for (int i = 0; i < codes.length; i++) {
            boolean same = i > 0 && dictionary[codes[i]].equals(dictionary[codes[i - 1]]);
            ranks[codes[i]] = same ? ranks[codes[i - 1]] : i;
        }
        return ranks;
    }

    private static int compareCodePoints(String a, String b) {
        int shorter = Math.min(a.length(), b.length());
        for (int i = 0; i < shorter; i++) {
            char x = a.charAt(i);
            char y = b.charAt(i);
            if (x != y) {
                boolean bothSurrogates = Character.isSurrogate(x) == Character.isSurrogate(y);
                return bothSurrogates ? Character.compare(x, y) : Character.isSurrogate(x) ? 1 : -1;
            }
        }
        return Integer.compare(a.length(), b.length());
    }
}
