package org.grammatus.core.modelling;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A way in which a further table could hang on one that is there.
 *
 * @param from the table that points
 * @param columns its columns that hold the key
 * @param to the table that is pointed to
 * @param key the columns by which its rows are found
 * @param reason what speaks for it
 */
public record JoinSuggestion(TableShape from, List<String> columns, TableShape to, List<String> key, Reason reason) {

    /** What speaks for a join, the strongest first. */
    public enum Reason {
        /** A foreign key says so. */
        DECLARED,
        /** A column is called after the table or its key, as part of the name is. */
        NAMED_AFTER,
        /** Columns have one name and type. */
        SAME_NAME
    }

    private static final Comparator<JoinSuggestion> STRONGEST_FIRST = Comparator.comparing(JoinSuggestion::reason)
            .thenComparing(s -> s.to().name())
            .thenComparing(s -> String.join(",", s.columns()));

    /** How one table could point to another, the strongest reason first; several ways where several columns could hold the key. */
    public static List<JoinSuggestion> between(TableShape from, TableShape to) {
        List<JoinSuggestion> declared = from.references().stream()
                .filter(reference -> reference.table().equals(to.name()))
                .map(reference -> new JoinSuggestion(from, reference.columns(), to, reference.key(), Reason.DECLARED))
                .toList();
        Stream<JoinSuggestion> byName = keys(to).flatMap(key -> byName(from, to, key).stream())
                .filter(found -> declared.stream().noneMatch(d -> d.columns().equals(found.columns())));
        return Stream.concat(declared.stream(), byName).sorted(STRONGEST_FIRST).toList();
    }

    private static Stream<List<String>> keys(TableShape table) {
        return Stream.concat(Stream.of(table.key()), table.unique().stream())
                .filter(key -> !key.isEmpty())
                .distinct();
    }

    private static Optional<JoinSuggestion> byName(TableShape from, TableShape to, List<String> key) {
        boolean itself = from.name().equals(to.name());
        // Rows that have the whole key in common with their own are those of one thing told twice.
        if (itself || from.key().equals(key) && from.key().size() == 1 && !nestedNames(from, to)) {
            return Optional.empty();
        }
        if (key.size() == 1) {
            String column = key.getFirst();
            for (TableShape.Column candidate : from.columns()) {
                if (calledAfter(candidate.name(), to, column) && sameKind(candidate, to, column)) {
                    return Optional.of(
                            new JoinSuggestion(from, List.of(candidate.name()), to, key, Reason.NAMED_AFTER));
                }
            }
        }
        boolean same = key.stream()
                .allMatch(column -> !isBareId(column)
                        && from.column(column)
                                .filter(candidate -> sameKind(candidate, to, column))
                                .isPresent());
        Reason reason = nestedNames(from, to) ? Reason.NAMED_AFTER : Reason.SAME_NAME;
        return same ? Optional.of(new JoinSuggestion(from, key, to, key, reason)) : Optional.empty();
    }

    /** Names such as "id" stand in every table and speak for no join. */
    private static boolean isBareId(String column) {
        List<String> words = NameWords.of(column);
        return words.size() == 1 && (words.getFirst().matches("id|key|code|name|number|no|nr|status|type"));
    }

    /** Whether a column such as {@code order_id} or {@code customer_code} is called after a table and its key. */
    private static boolean calledAfter(String column, TableShape table, String key) {
        List<String> name = NameWords.of(column);
        List<String> noun = NameWords.of(NameWords.noun(table.name()).one());
        List<String> keyWords = NameWords.of(key);
        for (int drop = 0; drop < noun.size(); drop++) {
            List<String> called = noun.subList(drop, noun.size());
            List<String> whole =
                    Stream.concat(called.stream(), keyWords.stream()).toList();
            if (name.equals(whole)) {
                return true;
            }
        }
        return false;
    }

    /** Whether one table's name has the other's in it, as "sales order line" has "sales order". */
    private static boolean nestedNames(TableShape from, TableShape to) {
        return String.join(" ", NameWords.of(NameWords.noun(from.name()).one()))
                .startsWith(
                        String.join(" ", NameWords.of(NameWords.noun(to.name()).one())) + " ");
    }

    private static boolean sameKind(TableShape.Column candidate, TableShape to, String column) {
        return candidate
                .type()
                .flatMap(type ->
                        to.column(column).flatMap(TableShape.Column::type).map(other -> other.kind() == type.kind()))
                .orElse(false);
    }
}
