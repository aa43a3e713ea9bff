package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;

/**
 * Whether the rows themselves are printed, and their order.
 *
 * @param limit how many rows, from the first, are kept in each group of the last level
 * @param percent how many of a hundred are kept, rounded up, where there is no such limit
 * @param others whether one line more, last, stands for the rows of the group that are not kept
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"shown", "order", "limit", "percent", "others"})
@RecordBuilder
public record ReportRows(
        boolean shown,
        List<OrderTerm> order,
        Optional<Integer> limit,
        Optional<Integer> percent,
        Optional<Boolean> others)
        implements ReportRowsBuilder.With {

    public boolean limited() {
        return limit.isPresent() || percent.isPresent();
    }

    /** Whether the rows that are not kept stand together. */
    public boolean standTogether() {
        return limited() && others.orElse(false);
    }

    /** The same rows without a limit. */
    public ReportRows whole() {
        return new ReportRows(shown, order, Optional.empty(), Optional.empty(), Optional.empty());
    }

    /** The same rows in another order, printed or not. */
    public ReportRows with(boolean otherShown, List<OrderTerm> otherOrder) {
        return new ReportRows(otherShown, otherOrder, limit, percent, others);
    }

    /** The same with all its texts changed. */
    ReportRows mapped(DefinitionMapping to) {
        return with(shown, to.terms(order));
    }
}
