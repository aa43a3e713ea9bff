package org.grammatus.core.typography;

import com.ibm.icu.lang.UCharacter;
import com.ibm.icu.lang.UCharacter.LineBreak;
import com.ibm.icu.lang.UProperty;
import com.ibm.icu.text.BreakIterator;
import com.ibm.icu.util.ULocale;
import java.util.BitSet;
import java.util.Set;

/**
 * Where lines may break in scripts that are written without spaces, such as Chinese, Japanese and Thai (UAX #14, by ICU's
 * dictionaries): not before what closes, nor after what opens, nor within a Thai word.
 */
final class UnspacedBreaks {

    private static final Set<Integer> UNSPACED =
            Set.of(LineBreak.IDEOGRAPHIC, LineBreak.CONDITIONAL_JAPANESE_STARTER, LineBreak.COMPLEX_CONTEXT);

    private UnspacedBreaks() {}

    /** The places, as indexes of the characters that a new line would begin with; none in a text of other scripts. */
    static BitSet of(String text) {
        BitSet places = new BitSet();
        if (text.codePoints().noneMatch(UnspacedBreaks::isUnspaced)) {
            return places;
        }
        BreakIterator breaks = BreakIterator.getLineInstance(ULocale.ROOT);
        breaks.setText(text);
        for (int at = breaks.next(); at < text.length() && at != BreakIterator.DONE; at = breaks.next()) {
            if (isUnspaced(text.codePointBefore(at)) || isUnspaced(text.codePointAt(at))) {
                places.set(at);
            }
        }
        return places;
    }

    private static boolean isUnspaced(int c) {
        return UNSPACED.contains(UCharacter.getIntPropertyValue(c, UProperty.LINE_BREAK));
    }
}
