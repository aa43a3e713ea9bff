package org.grammatus.core.band;

import java.util.Optional;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

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
     * @param column the printed column
     * @param node the group that it belongs to
     * @param said what is printed in its stead
     * @param values where the value stands
     * @param at its index there
     * @param format how it is printed
     * @param repeats whether the row above in the same group has the same value, which is printed once
     * @param look how highlights make it look
     */
    record Value(
            PrintedColumn column,
            int node,
            String part,
            Optional<String> said,
            Column values,
            int at,
            ValueFormat format,
            boolean repeats,
            CellLook look)
            implements BandCell {

        /** A value that nothing marks, printed wherever it stands. */
        Value(
                PrintedColumn column,
                int node,
                String part,
                Optional<String> said,
                Column values,
                int at,
                ValueFormat format) {
            this(column, node, part, said, values, at, format, false, CellLook.PLAIN);
        }

        @Override
        public String text() {
            return said.orElseGet(() -> format.format(values, at));
        }

        /** The same with something printed in its stead. */
        Value saying(String text) {
            return new Value(column, node, part, Optional.of(text), values, at, format, repeats, look);
        }

        /** The same as one of the rows of a table. */
        Value repeating(boolean above) {
            return above == repeats ? this : new Value(column, node, part, said, values, at, format, above, look);
        }

        /** The same as highlights make it look. */
        Value looking(CellLook marked) {
            return marked.equals(look)
                    ? this
                    : new Value(column, node, part, said, values, at, format, repeats, marked);
        }

        /** The exact value. */
        public Scalar scalar() {
            return Scalars.at(values, at);
        }

        /** The type of the exact value. */
        public Type type() {
            return values.type();
        }

        /** Whether it is printed as a number. */
        public boolean isNumber() {
            return said.isEmpty() && type().isNumber();
        }

        /** Whether it is what its column shows of rows, rather than a total. */
        public boolean isOfColumn() {
            return part.equals(column.id());
        }

        /** The ink of its text, as {@code #rrggbb}: that of its own mark, of a figure below zero, or of its band; empty for the usual one. */
        public String ink() {
            if (!look.ink().isEmpty()) {
                return look.ink();
            }
            String ofValue = isNumber() ? format.ink(values, at) : "";
            return ofValue.isEmpty() ? look.bandInk() : ofValue;
        }
    }
}
