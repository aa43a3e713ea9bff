package org.grammatus.core.value;

import java.text.Normalizer;
import java.util.Locale;

/** Texts as searches compare them: case and accents do not count. */
public final class FoldedText {

    private FoldedText() {}

    /** A text without accents, in small letters, without blanks at its ends. */
    public static String of(String text) {
        return Normalizer.normalize(text, Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT)
                .strip();
    }
}
