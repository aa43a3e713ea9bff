package org.grammatus.core.value;

import java.text.Normalizer;
import java.util.Locale;
import java.util.regex.Pattern;

/** Texts as searches compare them: case and accents do not count. The screen finds in the same way, in {@code folded.ts}. */
public final class FoldedText {

    private static final Pattern ACCENTS = Pattern.compile("\\p{M}+");
    /** Blanks of every kind, those that do not break a line among them. */
    private static final Pattern OUTER_BLANKS = Pattern.compile("^[\\s\\p{Z}]+|[\\s\\p{Z}]+$");

    private FoldedText() {}

    /** A text without accents, in small letters, without blanks at its ends. */
    public static String of(String text) {
        String plain = Normalizer.isNormalized(text, Normalizer.Form.NFD)
                ? text
                : Normalizer.normalize(text, Normalizer.Form.NFD);
        String letters = ACCENTS.matcher(plain).replaceAll("").toLowerCase(Locale.ROOT);
        return OUTER_BLANKS.matcher(letters).replaceAll("");
    }
}
