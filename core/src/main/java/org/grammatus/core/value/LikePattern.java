package org.grammatus.core.value;

import java.util.Arrays;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** A pattern of LIKE as SQL has it (ISO/IEC 9075-2), read once: {@code %} stands for any characters, {@code _} for one. Immutable. */
public final class LikePattern {

    private static final int ANY = -1;
    private static final int ONE = -2;

    /** Code points, with numbers of our own for what stands for others. */
    private final int[] points;

    private final boolean portable;

    private LikePattern(int[] points, boolean portable) {
        this.points = points;
        this.portable = portable;
    }

    /**
     * Reads a pattern.
     *
     * @param escape the sign before characters that stand for themselves
     */
    public static LikePattern of(String pattern, Optional<String> escape) {
        int[] written = pattern.codePoints().toArray();
        int escaping = escape.map(e -> e.codePointAt(0)).orElse(ANY);
        int[] points = new int[written.length];
        int size = 0;
        boolean portable = true;
        for (int i = 0; i < written.length; i++) {
            boolean escapes = written[i] == escaping;
            if (escapes && i + 1 < written.length) {
                points[size++] = written[++i];
                portable &= written[i] == '%' || written[i] == '_' || written[i] == escaping;
            } else {
                points[size++] = written[i] == '%' ? ANY : written[i] == '_' ? ONE : written[i];
                portable &= !escapes;
            }
        }
        return new LikePattern(Arrays.copyOf(points, size), portable);
    }

    /** Whether all databases read it alike: an escape stands only before what needs one. */
    public boolean isPortable() {
        return portable;
    }

    /**
     * Whether a text is like it, code point by code point. Going back to the last {@code %} alone is enough, so that no pattern takes longer
     * than text times pattern.
     */
    public boolean matches(String text) {
        int[] letters = text.codePoints().toArray();
        int t = 0;
        int p = 0;
        int lastAny = -1;
        int resume = 0;
        while (t < letters.length) {
            if (p < points.length && points[p] == ANY) {
                lastAny = p++;
                resume = t;
            } else if (p < points.length && (points[p] == ONE || points[p] == letters[t])) {
                p++;
                t++;
            } else if (lastAny >= 0) {
                p = lastAny + 1;
                t = ++resume;
            } else {
                return false;
            }
        }
        while (p < points.length && points[p] == ANY) {
            p++;
        }
        return p == points.length;
    }

    /**
     * The pattern with other signs.
     *
     * @param any for any characters
     * @param one for one character
     * @param literal how a character is written that stands for itself
     */
    public String written(String any, String one, UnaryOperator<String> literal) {
        StringBuilder written = new StringBuilder();
        for (int point : points) {
            written.append(
                    switch (point) {
                        case ANY -> any;
                        case ONE -> one;
                        default -> literal.apply(Character.toString(point));
                    });
        }
        return written.toString();
    }
}
