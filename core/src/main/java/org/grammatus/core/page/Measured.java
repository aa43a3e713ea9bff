package org.grammatus.core.page;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.grammatus.core.choice.TextStyle;

/**
 * A band measured: how tall it is, where its words stand, and at which heights its values and its rule do. Places are from the
 * band's own top and the table's left edge, in hundredths of a point.
 *
 * @param values baseline of the first line of its values
 * @param rule where its rule is, or {@value #NO_RULE}
 * @param rules lines of their own that it draws besides
 * @param below how much of its height is room below it
 * @param ground what is coloured where it is marked, if that is not the whole width of the table
 */
record Measured(
        int height, List<Line> words, int values, int rule, List<Rule> rules, int below, Optional<Ground> ground) {

    static final int NO_RULE = -1;

    /**
     * A line of words.
     *
     * @param part id of the definition's part that it comes from; empty where it comes from none
     * @param figure whether it is a figure by itself
     */
    record Line(String text, TextStyle style, int x, int baseline, String part, boolean figure) {

        /** A line that is no figure. */
        Line(String text, TextStyle style, int x, int baseline, String part) {
            this(text, style, x, baseline, part, false);
        }
    }

    /** A part of it, from its top. */
    record Ground(int x, int width, int height) {}

    /** A line that is drawn. */
    record Rule(int x, int y, int width) {}

    Measured(int height, List<Line> words, int values, int rule) {
        this(height, words, values, rule, List.of(), 0, Optional.empty());
    }

    /** The same with room below it. */
    Measured withBelow(int room) {
        return room == 0 ? this : new Measured(height + room, words, values, rule, rules, room, ground);
    }

    /** The same with one line more. */
    Measured withRule(Rule more) {
        List<Rule> all = Stream.concat(rules.stream(), Stream.of(more)).toList();
        return new Measured(height, words, values, rule, all, below, ground);
    }

    /** Where it ends itself. */
    int own() {
        return height - below;
    }

    /** The same with a ground of its own. */
    Measured on(Ground own) {
        return new Measured(height, words, values, rule, rules, below, Optional.of(own));
    }

    /** An item of a block that is no table. */
    static Measured item(int height, List<Line> words, List<Rule> rules) {
        return new Measured(height, words, 0, NO_RULE, rules, 0, Optional.empty());
    }
}
