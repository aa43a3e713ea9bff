package org.grammatus.core.band;

import java.util.Optional;
import org.grammatus.core.group.PrintedRows;
import org.grammatus.core.plan.ColumnPlan;

/**
 * A column as it is printed. {@link BandTexts#columns} is the one list of them; pages, files and search go through that list and never through
 * the plan's columns.
 *
 * @param position from the first printed column, counted from 0
 * @param plan the planned column that it prints
 * @param heading what stands above it, in the report's language
 * @param format how the values of its rows are printed
 * @param rows the values of its rows; none where rows are not printed
 * @param onceIn depth of the groups in which a repeated value is printed once, 0 for the report; none where every row prints it
 */
public record PrintedColumn(
        int position,
        ColumnPlan plan,
        String heading,
        ValueFormat format,
        Optional<PrintedRows.Values> rows,
        Optional<Integer> onceIn) {

    /** Id of the column in the definition. */
    public String id() {
        return plan.id();
    }
}
