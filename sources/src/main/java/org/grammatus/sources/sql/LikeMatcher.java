package org.grammatus.sources.sql;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * A pattern of LIKE, piece by piece.
 *
 * @param pieces single characters that stand for themselves, or one of the marks
 */
public record LikeMatcher(List<String> pieces) {

    /** Stands for any number of characters. */
    public static final String ANY = "any";
    /** Stands for one character. */
    public static final String ONE = "one";

    /** Reads a pattern; none where an escape stands before what needs none, which databases read differently. */
    public static Optional<LikeMatcher> of(String pattern, Optional<String> escape) {
        List<String> pieces = new ArrayList<>();
        int[] points = pattern.codePoints().toArray();
        int escaping = escape.map(e -> e.codePointAt(0)).orElse(-1);
        for (int i = 0; i < points.length; i++) {
            if (points[i] == escaping) {
                boolean special = i + 1 < points.length
                        && (points[i + 1] == '%' || points[i + 1] == '_' || points[i + 1] == escaping);
                if (!special) {
                    return Optional.empty();
                }
                pieces.add(Character.toString(points[++i]));
            } else {
                pieces.add(points[i] == '%' ? ANY : points[i] == '_' ? ONE : Character.toString(points[i]));
            }
        }
        return Optional.of(new LikeMatcher(List.copyOf(pieces)));
    }

    /** The pattern with other signs for what stands for others. */
    public String written(String any, String one, UnaryOperator<String> literal) {
        StringBuilder written = new StringBuilder();
        for (String piece : pieces) {
            written.append(piece.equals(ANY) ? any : piece.equals(ONE) ? one : literal.apply(piece));
        }
        return written.toString();
    }
}
