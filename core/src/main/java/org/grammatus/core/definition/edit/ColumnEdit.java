package org.grammatus.core.definition.edit;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportTotal;

/** An edit of a table's columns. */
public sealed interface ColumnEdit extends ReportEdit {

    /**
     * @param field id of a field, calculated field or measure of the block's dataset
     * @param after id of the column that it comes after; the last unless given
     */
    @NamedEdit(value = "add-column", does = "Adds a field's column, with its usual total at every level.")
    record AddColumn(String field, Optional<String> after) implements ColumnEdit {}

    @NamedEdit(value = "remove-columns", does = "Removes columns and the totals under them.")
    record RemoveColumns(List<String> columns) implements ColumnEdit {}

    /** @param value an expression of a row */
    @NamedEdit(
            value = "show-in-column",
            does = "Shows another expression in a column; aggregates of what it showed become aggregates of that.")
    record ShowInColumn(String column, String value) implements ColumnEdit {}

    /**
     * @param totals those under the columns
     * @param after id of the column that they come after; the last unless given
     */
    @NamedEdit(value = "paste-columns", does = "Adds copied columns and their totals, under ids of their own.")
    record PasteColumns(List<ReportColumn> columns, List<ReportTotal> totals, Optional<String> after)
            implements ColumnEdit {}

    /** @param direction the other way round where the column decides the order already, else as suits it, unless given */
    @NamedEdit(value = "order-by-column", does = "Orders levels and rows by what a column prints of them.")
    record OrderByColumn(String column, Optional<Direction> direction) implements ColumnEdit {}
}
