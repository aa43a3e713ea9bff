package org.grammatus.sources.sql;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.value.Scalar;

/** What of text functions every database understands alike. */
public final class SqlText {

    private SqlText() {}

    /**
     * A part of a text.
     *
     * @param from number of its first character, from 1
     * @param length how many characters; none to the end
     */
    public record Part(long from, Optional<Long> length) {}

    /** The part that SUBSTRING takes, where it is said by numbers that databases agree on. */
    public static Optional<Part> substring(Typed.Call call) {
        List<Optional<Long>> numbers = call.arguments().stream()
                .skip(1)
                .map(argument -> argument.unnamed() instanceof Typed.Constant(Scalar.Number n)
                        ? Optional.of(n.value().longValue())
                        : Optional.<Long>empty())
                .toList();
        boolean plain = numbers.stream().allMatch(Optional::isPresent)
                && numbers.getFirst().get() >= 1
                && numbers.stream().allMatch(n -> n.get() >= 0 && n.get() <= Integer.MAX_VALUE);
        return plain
                ? Optional.of(
                        new Part(numbers.getFirst().get(), numbers.size() > 1 ? numbers.get(1) : Optional.empty()))
                : Optional.empty();
    }
}
