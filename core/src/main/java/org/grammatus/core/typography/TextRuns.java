package org.grammatus.core.typography;

import com.ibm.icu.text.Bidi;
import java.util.ArrayList;
import java.util.List;

/**
 * How a text that is not plain is drawn: its letters joined (Arabic presentation forms), its parts in the order in which they
 * stand (the Unicode bidirectional algorithm, UAX #9, the direction of the text being that of its first letter), and each character
 * in the first family that has it.
 */
final class TextRuns {

    private static final int VARIATIONS = 0xFE00;
    private static final int VARIATIONS_END = 0xFE0F;

    private TextRuns() {}

    /** Whether a character only says how others are to be set: joiners, marks of direction, isolates, variations. */
    static boolean isUnseen(int c) {
        return Character.getType(c) == Character.FORMAT || c >= VARIATIONS && c <= VARIATIONS_END;
    }

    static List<TextRun> of(String text, Face face, int size) {
        String drawn = drawn(text);
        List<TextRun> runs = new ArrayList<>();
        long used = 0;
        int start = 0;
        while (start < drawn.length()) {
            Family family = face.familyOf(drawn.codePointAt(start));
            TrueTypeFont glyphs = family.font(face.weight());
            long begun = used;
            int end = start;
            while (end < drawn.length() && belongs(drawn.codePointAt(end), family, face)) {
                int c = drawn.codePointAt(end);
                used += glyphs.advance(c);
                end += Character.charCount(c);
            }
            int x = (int) (begun * size / TrueTypeFont.EM);
            runs.add(new TextRun(family, drawn.substring(start, end), x, TextRun.width(used - begun, size)));
            start = end;
        }
        return runs;
    }

    /** A space between words of a family is the family's own, so that a phrase is one run. */
    private static boolean belongs(int c, Family family, Face face) {
        return c == ' ' || face.familyOf(c) == family;
    }

    /** How wide a text is, in thousandths of an em. */
    static long advance(String text, Face face) {
        List<TextRun> runs = of(text, face, TrueTypeFont.EM);
        return runs.isEmpty() ? 0 : runs.getLast().x() + runs.getLast().width();
    }

    /** The characters of a text in the order and the forms in which they are drawn. */
    private static String drawn(String text) {
        String joined = JoinedLetters.of(text);
        Bidi order = new Bidi(joined, Bidi.DIRECTION_DEFAULT_LEFT_TO_RIGHT);
        String ordered =
                order.isLeftToRight() ? joined : order.writeReordered(Bidi.DO_MIRRORING | Bidi.KEEP_BASE_COMBINING);
        return ordered.codePoints()
                .filter(c -> !isUnseen(c))
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
    }
}
