package org.grammatus.core.address;

import java.util.OptionalInt;

/**
 * The address of a figure in a result: the group or the row that it is of, and the total or column of the definition that prints it.
 *
 * <p>Its text form: the group's address, {@code #} and the part's id, as {@code lines/region:Lakeside#t-net}; for a figure of a row
 * {@code @} and the row's number stand behind the block, as {@code lines@12#c-net}.
 *
 * @param group the group; of a row, its block
 * @param row the row's number among the printed rows of the block, from 0; none for a figure of a group
 * @param part id of a total, or of a column
 */
public record FigureAddress(GroupAddress group, OptionalInt row, String part) {

    private static final char BEFORE_PART = '#';
    private static final char BEFORE_ROW = '@';

    /** The address of a total of a group. */
    public static FigureAddress of(GroupAddress group, String total) {
        return new FigureAddress(group, OptionalInt.empty(), total);
    }

    /**
     * Reads the text form.
     *
     * @throws IllegalArgumentException if it is none
     */
    public static FigureAddress parse(String text) {
        int hash = text.lastIndexOf(BEFORE_PART);
        if (hash < 1 || hash == text.length() - 1) {
            throw none(text);
        }
        String before = text.substring(0, hash);
        String part = text.substring(hash + 1);
        int at = before.indexOf('/') < 0 ? before.indexOf(BEFORE_ROW) : -1;
        if (at < 0) {
            return of(GroupAddress.parse(before), part);
        }
        try {
            int row = Integer.parseUnsignedInt(before.substring(at + 1));
            return new FigureAddress(GroupAddress.parse(before.substring(0, at)), OptionalInt.of(row), part);
        } catch (NumberFormatException e) {
            throw none(text);
        }
    }

    private static IllegalArgumentException none(String text) {
        return new IllegalArgumentException(
                "\"" + text + "\" is not the address of a figure; expected such as lines/region:Lakeside#t-net");
    }

    /** The text form, which {@link #parse} reads. */
    @Override
    public String toString() {
        return group + (row.isPresent() ? BEFORE_ROW + "" + row.getAsInt() : "") + BEFORE_PART + part;
    }
}
