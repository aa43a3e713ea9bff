package org.grammatus.core.definition;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;

/** Tells whether a part of a report appears, by its condition over the answers. */
@FunctionalInterface
public interface Appearance {

    /**
     * Whether a condition holds.
     *
     * @param pointer where it stands in the document
     */
    boolean holds(String pointer, String condition);

    /** Whether a part is off once it is known whether it appears. */
    static Optional<Boolean> off(
            String pointer, Optional<String> condition, Optional<Boolean> off, Appearance appearance) {
        return condition
                .filter(text -> !appearance.holds(pointer + "/appears", text))
                .map(hidden -> true)
                .or(() -> off);
    }

    /** A list in which the parts are switched off that do not appear. */
    static <T> List<T> each(
            List<T> parts,
            String pointer,
            Function<T, Optional<String>> condition,
            UnaryOperator<T> switchedOff,
            Appearance appearance) {
        return IntStream.range(0, parts.size())
                .mapToObj(i -> condition
                        .apply(parts.get(i))
                        .filter(text -> !appearance.holds(pointer + "/" + i + "/appears", text))
                        .map(hidden -> switchedOff.apply(parts.get(i)))
                        .orElse(parts.get(i)))
                .toList();
    }
}
