package org.grammatus.core.columnar;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.value.Type;

/** LIKE on columns, code point by code point; tried once per pair of distinct text and pattern. */
final class LikePredicate {

    private static final int ANY = -1;
    private static final int ONE = -2;

    private LikePredicate() {}

    static Column apply(Column value, Column pattern, Optional<String> escape) {
        Column.Texts texts = (Column.Texts) value;
        Column.Texts patterns = (Column.Texts) pattern;
        int[][] parsed = new int[patterns.dictionary().length][];
        for (int i = 0; i < parsed.length; i++) {
            parsed[i] = parse(patterns.dictionary()[i], escape);
        }
        Map<Long, Boolean> tried = new HashMap<>();
        long[] values = new long[texts.size()];
        for (int i = 0; i < values.length; i++) {
            if (texts.isNull(i) || patterns.isNull(i)) {
                values[i] = Column.Longs.NULL;
                continue;
            }
            int text = texts.codes()[i];
            int by = patterns.codes()[i];
            boolean like = tried.computeIfAbsent(
                    ((long) text << Integer.SIZE) | by, pair -> matches(texts.dictionary()[text], parsed[by]));
            values[i] = like ? 1 : 0;
        }
        return new Column.Longs(Type.BOOLEAN, values);
    }

    /** Code points, with numbers of our own for what stands for others. */
    private static int[] parse(String pattern, Optional<String> escape) {
        int[] points = pattern.codePoints().toArray();
        int escaping = escape.map(e -> e.codePointAt(0)).orElse(ANY);
        int[] parsed = new int[points.length];
        int size = 0;
        for (int i = 0; i < points.length; i++) {
            if (points[i] == escaping && i + 1 < points.length) {
                parsed[size++] = points[++i];
            } else {
                parsed[size++] = points[i] == '%' ? ANY : points[i] == '_' ? ONE : points[i];
            }
        }
        return Arrays.copyOf(parsed, size);
    }

    /** Going back to the last {@code %} alone is enough, so no pattern takes longer than text times pattern. */
    private static boolean matches(String text, int[] pattern) {
        int[] points = text.codePoints().toArray();
        int t = 0;
        int p = 0;
        int lastAny = -1;
        int resume = 0;
        while (t < points.length) {
            if (p < pattern.length && pattern[p] == ANY) {
                lastAny = p++;
                resume = t;
            } else if (p < pattern.length && (pattern[p] == ONE || pattern[p] == points[t])) {
                p++;
                t++;
            } else if (lastAny >= 0) {
                p = lastAny + 1;
                t = ++resume;
            } else {
                return false;
            }
        }
        while (p < pattern.length && pattern[p] == ANY) {
            p++;
        }
        return p == pattern.length;
    }
}
