package org.grammatus.core.expression;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A total in two parts: its aggregates, and the condition that all of them put to their rows. The condition may be half written, with an
 * open quote or bracket in it.
 *
 * @param aggregate the total without the condition
 * @param where the condition; none takes all rows
 */
public record FilteredAggregate(String aggregate, Optional<String> where) {

    private static final Pattern AGGREGATE =
            Pattern.compile("\\b(?:SUM|COUNT|AVG|MIN|MAX|MEDIAN|FIRST|LAST)\\s*\\(", Pattern.CASE_INSENSITIVE);
    private static final Pattern FILTER = Pattern.compile("^\\s*FILTER\\s*\\(\\s*WHERE\\s+", Pattern.CASE_INSENSITIVE);

    /**
     * @param end where its brackets end
     * @param filterEnd where its condition ends after them
     */
    private record Part(int end, int filterEnd, Optional<String> where) {}

    /** The parts of a total; none where its aggregates take different rows, or it has none. */
    public static Optional<FilteredAggregate> of(String total) {
        String text = total.strip();
        List<Part> parts = parts(text);
        if (parts.isEmpty() || parts.stream().map(Part::where).distinct().count() > 1) {
            return Optional.empty();
        }
        StringBuilder aggregate = new StringBuilder(text);
        parts.reversed().forEach(part -> aggregate.delete(part.end(), part.filterEnd()));
        return Optional.of(
                new FilteredAggregate(aggregate.toString(), parts.getFirst().where()));
    }

    /** The same total over the rows that meet another condition. */
    public FilteredAggregate taking(Optional<String> condition) {
        return new FilteredAggregate(aggregate, condition.filter(text -> !text.isBlank()));
    }

    /** The total as an expression: each of its aggregates with the condition. */
    public String text() {
        StringBuilder text = new StringBuilder(aggregate);
        where.ifPresent(condition -> parts(aggregate)
                .reversed()
                .forEach(part -> text.insert(part.end(), " FILTER (WHERE " + condition + ")")));
        return text.toString();
    }

    private static List<Part> parts(String text) {
        List<Part> parts = new ArrayList<>();
        Matcher found = AGGREGATE.matcher(text);
        boolean alone = found.results().count() == 1 && text.endsWith(")");
        found.reset();
        while (found.find()) {
            OptionalInt end = closing(text, found.end());
            if (end.isPresent()) {
                part(text, end.getAsInt(), alone).ifPresent(parts::add);
            }
        }
        return parts;
    }

    private static Optional<Part> part(String text, int end, boolean alone) {
        Matcher filter = FILTER.matcher(text).region(end, text.length());
        if (!filter.find()) {
            return Optional.of(new Part(end, end, Optional.empty()));
        }
        int from = filter.end();
        OptionalInt closed = closing(text, from);
        // A condition that is being typed may hold an open quote or bracket: of a total of one aggregate it reaches to
        // the end.
        OptionalInt filterEnd = closed.isPresent() || !alone ? closed : OptionalInt.of(text.length());
        return filterEnd.isPresent()
                ? Optional.of(new Part(
                        end, filterEnd.getAsInt(), Optional.of(text.substring(from, filterEnd.getAsInt() - 1))))
                : Optional.empty();
    }

    /** Where the bracket that is open at a place is closed; brackets in quotes are none. */
    private static OptionalInt closing(String text, int from) {
        int depth = 1;
        char quote = 0;
        for (int i = from; i < text.length(); i++) {
            char sign = text.charAt(i);
            if (quote != 0) {
                quote = sign == quote ? 0 : quote;
            } else if (sign == '\'' || sign == '"') {
                quote = sign;
            } else if (sign == '(') {
                depth++;
            } else if (sign == ')' && --depth == 0) {
                return OptionalInt.of(i + 1);
            }
        }
        return OptionalInt.empty();
    }
}
