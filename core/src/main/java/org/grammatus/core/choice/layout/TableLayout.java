package org.grammatus.core.choice.layout;

import java.util.Optional;

/**
 * How a table stands on pages. All of it may be left out.
 *
 * @param headingsOnce whether the headings of columns stand on its first page alone
 * @param carried whether what its totals have come to is carried from page to page
 * @param blankEvery a blank line stands after every so many rows of a group
 * @param legend whether what its highlights mark is said below its title
 */
public record TableLayout(
        Optional<Boolean> headingsOnce,
        Optional<Boolean> carried,
        Optional<Integer> blankEvery,
        Optional<Boolean> legend) {

    public static final TableLayout PLAIN =
            new TableLayout(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());

    public boolean repeatsHeadings() {
        return !headingsOnce.orElse(false);
    }

    public boolean hasLegend() {
        return legend.orElse(false);
    }

    public boolean carriesTotals() {
        return carried.orElse(false);
    }
}
