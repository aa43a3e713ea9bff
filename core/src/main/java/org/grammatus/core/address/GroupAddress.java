package org.grammatus.core.address;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The address of a group in a result: its block and the keys on the way down to it. It stays the same when levels, columns or other groups
 * come or go.
 *
 * <p>Its text form, in the ABNF of RFC 5234; keys are as {@code ScalarText} writes them:
 *
 * <pre>
 * address = block *("/" step)
 * step    = level ":" key     ; a group
 *         / level             ; the group of rows without a key
 *         / level "*"         ; the group of all those that are not shown by themselves
 * </pre>
 *
 * For example {@code lines/region:Lakeside/town:Combford}, or {@code lines} for the whole block.
 *
 * @param block id of the block
 * @param down the groups on the way, outermost first; none for the whole block
 */
public record GroupAddress(String block, List<Step> down) {

    private static final String BETWEEN = "/";
    private static final char BEFORE_KEY = ':';
    private static final String OTHERS = "*";

    public GroupAddress {
        down = List.copyOf(down);
    }

    /**
     * A group among those of its parent.
     *
     * @param level id of its level
     * @param key none for the group of rows without one, and for the group of all others
     * @param others whether it stands for the groups that are not shown by themselves
     */
    public record Step(String level, Optional<String> key, boolean others) {

        private String text() {
            return level
                    + (others
                            ? OTHERS
                            : key.map(k -> BEFORE_KEY + AddressText.escape(k)).orElse(""));
        }

        private static Step parse(String text) {
            int colon = text.indexOf(BEFORE_KEY);
            if (colon >= 0) {
                return new Step(
                        text.substring(0, colon), Optional.of(AddressText.unescape(text.substring(colon + 1))), false);
            }
            boolean others = text.endsWith(OTHERS);
            return new Step(others ? text.substring(0, text.length() - 1) : text, Optional.empty(), others);
        }
    }

    /**
     * Reads the text form.
     *
     * @throws IllegalArgumentException if it is none
     */
    public static GroupAddress parse(String text) {
        String[] parts = text.split(BETWEEN, -1);
        if (Arrays.stream(parts).anyMatch(String::isEmpty)) {
            throw new IllegalArgumentException(
                    "\"" + text + "\" is not the address of a group; expected such as lines/region:Lakeside");
        }
        return new GroupAddress(
                parts[0], Arrays.stream(parts).skip(1).map(Step::parse).toList());
    }

    /** The text form, which {@link #parse} reads. */
    @Override
    public String toString() {
        return Stream.concat(Stream.of(block), down.stream().map(Step::text))
                .reduce((outer, inner) -> outer + BETWEEN + inner)
                .orElseThrow();
    }
}
