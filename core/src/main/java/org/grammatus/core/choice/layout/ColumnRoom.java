package org.grammatus.core.choice.layout;

import java.util.Optional;

/**
 * The room that a column takes. All of it may be left out.
 *
 * @param over a heading over it and the columns beside it that have the same
 * @param lines a longer text is cut after so many lines, with a mark; never a figure
 * @param share its part of the table's width, in percent
 * @param below whether it stands below the column before it, in the same place
 * @param turned whether its heading reads from bottom to top
 */
public record ColumnRoom(
        Optional<String> over,
        Optional<Integer> lines,
        Optional<Integer> share,
        Optional<Boolean> below,
        Optional<Boolean> turned) {

    public static final ColumnRoom PLAIN =
            new ColumnRoom(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());

    public boolean standsBelow() {
        return below.orElse(false);
    }

    public boolean hasTurnedHeading() {
        return turned.orElse(false);
    }
}
