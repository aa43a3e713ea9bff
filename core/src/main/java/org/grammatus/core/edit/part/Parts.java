package org.grammatus.core.edit.part;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;

/** Lists of parts with one of them changed, inserted or moved; parts are named by their ids. */
public final class Parts {

    private Parts() {}

    /** A list with the part of an id put into other words. */
    public static <T> List<T> changed(List<T> parts, Function<T, String> id, String wanted, UnaryOperator<T> change) {
        return parts.stream()
                .map(part -> id.apply(part).equals(wanted) ? change.apply(part) : part)
                .toList();
    }

    /** A list without the part of an id. */
    public static <T> List<T> without(List<T> parts, Function<T, String> id, String unwanted) {
        return parts.stream().filter(part -> !id.apply(part).equals(unwanted)).toList();
    }

    /** A list with parts more from an index on. */
    public static <T> List<T> inserted(List<T> parts, int at, List<T> added) {
        List<T> all = new ArrayList<>(parts);
        all.addAll(at, added);
        return List.copyOf(all);
    }

    /** A list with parts more at its end. */
    public static <T> List<T> appended(List<T> parts, List<T> added) {
        return inserted(parts, parts.size(), added);
    }

    /** Where what comes before a part goes; the end where no part is named. */
    public static <T> int before(List<T> parts, Function<T, String> id, Optional<String> part) {
        return part.flatMap(wanted -> index(parts, id, wanted)).orElse(parts.size());
    }

    /** Where what comes after a part goes; the end where no part is named. */
    public static <T> int after(List<T> parts, Function<T, String> id, Optional<String> part) {
        return part.flatMap(wanted -> index(parts, id, wanted))
                .map(at -> at + 1)
                .orElse(parts.size());
    }

    /** Where the part of an id stands; none where there is none. */
    public static <T> Optional<Integer> index(List<T> parts, Function<T, String> id, String wanted) {
        return IntStream.range(0, parts.size())
                .filter(i -> id.apply(parts.get(i)).equals(wanted))
                .boxed()
                .findFirst();
    }
}
