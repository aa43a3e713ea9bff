package org.grammatus.core.band;

import java.util.Optional;

/**
 * How highlights make a cell look.
 *
 * @param strong whether its text is set in the bolder face
 * @param ink of its own text, as {@code #rrggbb}; empty for the usual one
 * @param bandInk of all texts of its band that have none of their own; empty for the usual one
 * @param sign what stands behind the cell; none where no highlight marks it alone
 */
public record CellLook(boolean strong, String ink, String bandInk, Optional<Sign> sign) {

    /** Nothing marks the cell. */
    public static final CellLook PLAIN = new CellLook(false, "", "", Optional.empty());

    /**
     * The sign of a highlight.
     *
     * @param rule id of the highlight
     * @param ink as {@code #rrggbb}; empty for the usual one
     */
    public record Sign(String rule, String text, String ink) {}
}
