package org.grammatus.core.plan;

import java.util.List;
import java.util.Optional;

/**
 * Whether the rows themselves are printed, which of them, and their order.
 *
 * @param limit how many rows, from the first, are kept in each group of the last level
 * @param percent how many of a hundred are kept, rounded up, where there is no such limit
 * @param others whether one line more, last, stands for the rows of the group that are not kept
 * @param markedOnly whether rows, lines and groups are printed only where a highlight marks them, or something in them
 */
public record RowsPlan(
        boolean shown,
        List<TablePlan.Term> order,
        Optional<Integer> limit,
        Optional<Integer> percent,
        boolean others,
        boolean markedOnly) {

    /** Rows that are printed whether they are marked or not. */
    public RowsPlan(
            boolean shown,
            List<TablePlan.Term> order,
            Optional<Integer> limit,
            Optional<Integer> percent,
            boolean others) {
        this(shown, order, limit, percent, others, false);
    }

    /** No rows. */
    public static final RowsPlan NONE = new RowsPlan(false, List.of(), Optional.empty(), Optional.empty(), false);

    public boolean limited() {
        return limit.isPresent() || percent.isPresent();
    }

    /** Whether the rows that are not kept stand together. */
    public boolean standTogether() {
        return limited() && others;
    }

    /** The same rows without a limit. */
    public RowsPlan whole() {
        return new RowsPlan(shown, order, Optional.empty(), Optional.empty(), false, markedOnly);
    }

    /** The same rows, of which those alone are printed that are marked, or all. */
    public RowsPlan markedOnly(boolean only) {
        return new RowsPlan(shown, order, limit, percent, others, only);
    }

    /** The same rows in another order, printed or not. */
    public RowsPlan with(boolean otherShown, List<TablePlan.Term> otherOrder) {
        return new RowsPlan(otherShown, otherOrder, limit, percent, others, markedOnly);
    }
}
