package org.grammatus.core.band;

import java.util.Optional;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.value.Scalar;

/** What a band prints in one place: the same for every page, file and list. */
public sealed interface BandCell {

    /** Id of the part of the definition it comes from; empty where it comes from none. */
    String part();

    /** What is printed; empty where nothing is. */
    String text();

    /** What words are to their band. */
    enum Role {
        TITLE,
        BLOCK_TITLE,
        /** Below the title: the description, the answers, what is not shown. */
        SUBTITLE,
        /** What a group, its total or a line of other rows is called. */
        NAME,
        /** What was counted. */
        COUNTS,
        /** What a key figure is called. */
        FIGURE_LABEL,
        /** How a key figure has changed. */
        CHANGE,
        /** What a key figure is compared with. */
        OTHER_FIGURE,
        /** What marks a key figure. */
        MARK,
        /** What a paragraph says. */
        PARAGRAPH,
        /** Stands in the place of rows. */
        NOTE,
        COLUMN_HEADING
    }

    /** A text that stands by itself. */
    record Words(Role role, String part, String text) implements BandCell {}

    /**
     * A value under a column.
     *
     * @param column index of the plan's column
     * @param said what is printed in its stead
     * @param values where the value stands
     * @param at its index there
     * @param format how it is printed
     */
    record Value(int column, String part, Optional<String> said, Column values, int at, ValueFormat format)
            implements BandCell {

        @Override
        public String text() {
            return said.orElseGet(() -> format.format(values, at));
        }

        /** The same with something printed in its stead. */
        Value saying(String text) {
            return new Value(column, part, Optional.of(text), values, at, format);
        }

        /** The exact value. */
        public Scalar scalar() {
            return Scalars.at(values, at);
        }
    }
}
