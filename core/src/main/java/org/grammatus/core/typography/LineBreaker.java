package org.grammatus.core.typography;

import java.util.ArrayList;
import java.util.List;

/** Breaks a text into lines of a width: at spaces, and inside a word only where the word alone is too wide. */
public final class LineBreaker {

    private static final String CUT = "…";

    private LineBreaker() {}

    /**
     * The lines of a printable text.
     *
     * @param width greatest width of a line, in hundredths of a point
     * @param most greatest number of lines; what is beyond is cut and marked so
     */
    public static List<String> lines(String text, Face face, int size, int width, int most) {
        List<String> lines = new ArrayList<>();
        String rest = text.strip();
        while (!rest.isEmpty()) {
            int end = fitting(rest, face, size, width);
            if (end < rest.length() && lines.size() == most - 1) {
                int shortened = fitting(rest, face, size, width - face.width(CUT, size));
                lines.add(rest.substring(0, Math.min(shortened, end)).strip() + CUT);
                return lines;
            }
            lines.add(rest.substring(0, end).strip());
            rest = rest.substring(end).strip();
        }
        return lines.isEmpty() ? List.of("") : lines;
    }

    /** How many characters stand on the first line; at least one. */
    private static int fitting(String text, Face face, int size, int width) {
        boolean plain = face.isPlain(text);
        int lastSpace = -1;
        int i = 0;
        long used = 0;
        while (i < text.length()) {
            int c = text.codePointAt(i);
            int next = i + Character.charCount(c);
            // Letters that join are as wide as they are together.
            used = plain ? used + face.advance(c) : TextRuns.advance(text.substring(0, next), face);
            // A space at the end of a line takes no room.
            if (c != ' ' && !Face.fits(used, size, width) && i > 0) {
                return lastSpace > 0 ? lastSpace : i;
            }
            if (c == ' ') {
                lastSpace = next;
            }
            i = next;
        }
        return text.length();
    }
}
