package org.grammatus.core.typography;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;

/**
 * Breaks a text into lines of a width: at spaces, in scripts without spaces where Unicode says that lines may break, and inside a word
 * only where the word alone is too wide.
 */
public final class LineBreaker {

    private static final String CUT = "…";
    private static final BitSet NOWHERE = new BitSet();

    private LineBreaker() {}

    /**
     * The lines of a printable text.
     *
     * @param width greatest width of a line, in hundredths of a point
     * @param most greatest number of lines; what is beyond is cut and marked so
     */
    public static List<String> lines(String text, Face face, int size, int width, int most) {
        List<String> lines = new ArrayList<>();
        String all = text.strip();
        boolean plain = face.isPlain(all);
        BitSet breaks = plain ? NOWHERE : UnspacedBreaks.of(all);
        int start = 0;
        while (start < all.length()) {
            String rest = all.substring(start);
            BitSet places = plain ? NOWHERE : breaks.get(start, all.length());
            int end = fitting(rest, places, face, size, width);
            if (end < rest.length() && lines.size() == most - 1) {
                int shortened = fitting(rest, places, face, size, width - face.width(CUT, size));
                lines.add(rest.substring(0, Math.min(shortened, end)).strip() + CUT);
                return lines;
            }
            lines.add(rest.substring(0, end).strip());
            start += end;
            while (start < all.length() && Character.isWhitespace(all.charAt(start))) {
                start++;
            }
        }
        return lines.isEmpty() ? List.of("") : lines;
    }

    /**
     * How many characters stand on the first line; at least one.
     *
     * @param places where it may break besides spaces
     */
    private static int fitting(String text, BitSet places, Face face, int size, int width) {
        boolean plain = face.isPlain(text);
        int last = -1;
        int i = 0;
        long used = 0;
        while (i < text.length()) {
            int c = text.codePointAt(i);
            int next = i + Character.charCount(c);
            if (places.get(i)) {
                last = i;
            }
            // Letters that join are as wide as they are together.
            used = plain ? used + face.advance(c) : TextRuns.advance(text.substring(0, next), face);
            // A space at the end of a line takes no room.
            if (c != ' ' && !Face.fits(used, size, width) && i > 0) {
                return last > 0 ? last : i;
            }
            if (c == ' ') {
                last = next;
            }
            i = next;
        }
        return text.length();
    }
}
