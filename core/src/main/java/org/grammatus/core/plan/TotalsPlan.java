package org.grammatus.core.plan;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.Cover;
import org.grammatus.core.choice.Rounding;

/**
 * The totals of a table.
 *
 * @param grandText what the grand total is called; as the report's language has it unless given
 * @param counted numbers of the tables whose rows are counted beside totals
 * @param cover whether totals are those of the groups and rows that are shown, or of everything
 * @param rounding where figures are rounded
 */
public record TotalsPlan(
        List<TotalPlan> totals,
        Optional<TablePlan.GroupText> grandText,
        List<Integer> counted,
        Cover cover,
        Rounding rounding) {

    public TotalsPlan {
        totals = List.copyOf(totals);
        counted = List.copyOf(counted);
    }

    /** Grand totals alone, of a block that prints no groups. */
    public static TotalsPlan grand(List<TotalPlan> totals) {
        return new TotalsPlan(totals, Optional.empty(), List.of(), Cover.SHOWN, Rounding.PRINTED);
    }
}
