package org.grammatus.sources.sql;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;

/**
 * A piece of SQL with the values that are bound to its parameters. Immutable.
 *
 * @param text with a ? for each parameter
 * @param parameters in the order of their places
 */
public record Sql(String text, List<Object> parameters) {

    public Sql {
        parameters = List.copyOf(parameters);
    }

    /** SQL without parameters. */
    public static Sql of(String text) {
        return new Sql(text, List.of());
    }

    /** A value, bound. */
    public static Sql bound(Object value) {
        return new Sql("?", List.of(value));
    }

    /**
     * SQL made of others.
     *
     * @param template with {@code %s} for each of them, in their order
     */
    public static Sql of(String template, Sql... parts) {
        List<Object> parameters = new ArrayList<>();
        for (Sql part : parts) {
            parameters.addAll(part.parameters);
        }
        return new Sql(template.formatted(Arrays.stream(parts).map(Sql::text).toArray()), parameters);
    }

    /** Several pieces with a word between each two. */
    public static Sql joined(List<Sql> pieces, String word) {
        return of(pieces.stream().map(piece -> "%s").collect(Collectors.joining(word)), pieces.toArray(Sql[]::new));
    }

    /** As people read it, with the values in their places. */
    public String inWords() {
        StringBuilder words = new StringBuilder();
        int at = 0;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == '?' && at < parameters.size()) {
                Object value = parameters.get(at++);
                words.append(
                        value instanceof Number ? value : "'" + value.toString().replace("'", "''") + "'");
            } else {
                words.append(c);
            }
        }
        return words.toString();
    }
}
