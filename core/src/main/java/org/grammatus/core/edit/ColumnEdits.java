package org.grammatus.core.edit;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.choice.Align;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Proposals;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportCell;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportColumnBuilder;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.edit.ColumnEdit;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.edit.part.LevelForm;
import org.grammatus.core.edit.part.PartIds;
import org.grammatus.core.edit.part.Parts;
import org.grammatus.core.edit.part.PrintedFields;
import org.grammatus.core.edit.part.TableColumns;
import org.grammatus.core.edit.part.TotalPositions;
import org.grammatus.core.expression.AggregateText;

/** Edits of columns: what a column totals goes along with it. */
final class ColumnEdits {

    private ColumnEdits() {}

    static Report apply(Report report, ColumnEdit edit, EditScope scope) {
        return scope.table(report, table -> switch (edit) {
            case ColumnEdit.AddColumn add ->
                added(table, scope.field(report, add.field()), add.after(), new PartIds(report));
            case ColumnEdit.RemoveColumns remove -> removed(table, remove.columns());
            case ColumnEdit.ShowInColumn show -> showing(table, show, scope.dataset(report));
            case ColumnEdit.PasteColumns paste -> pasted(table, paste, new PartIds(report));
            case ColumnEdit.OrderByColumn order ->
                ColumnOrdering.ordered(table, order, scope.dataset(report), new PartIds(report));
        });
    }

    /**
     * A report that only groups, and is given figures, becomes a summary; a plain list again as soon as something stands in its rows.
     */
    private static TableBlock added(TableBlock table, Proposals.Subject field, Optional<String> after, PartIds ids) {
        TableBlock grown = grown(table, field, after, ids);
        boolean first = table.columns().stream()
                .allMatch(column -> column.off().orElse(false) || LevelForm.isLabel(table, column));
        return first && !table.levels().isEmpty() && Proposals.usual(field).isPresent()
                ? LevelForm.withRows(grown, false)
                : LevelForm.withRows(
                        grown,
                        LevelForm.rowsWorthPrinting(
                                grown, !field.measure() && table.levels().isEmpty()));
    }

    private static TableBlock grown(TableBlock table, Proposals.Subject field, Optional<String> after, PartIds ids) {
        ReportColumn column = ReportColumnBuilder.builder()
                .id(ids.free("c-" + field.id()))
                .label(Optional.of(field.label()))
                .value(Optional.of(Proposals.column(field)))
                // What is empty in rows would stand as texts do; a measure's figures stand as figures.
                .align(field.measure() ? Optional.of(Align.END) : Optional.empty())
                .build();
        List<ReportTotal> totals = Proposals.usual(field)
                .map(usual -> new ReportTotal(
                        ids.free("t-" + field.id()),
                        column.id(),
                        usual.value(),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        TotalPositions.everywhere(table)))
                .stream()
                .toList();
        return table.withColumns(Parts.inserted(
                        table.columns(), Parts.after(table.columns(), ReportColumn::id, after), List.of(column)))
                .withTotals(Parts.appended(table.totals(), totals));
    }

    private static TableBlock removed(TableBlock table, List<String> ids) {
        TableBlock left = TableColumns.without(table, ids);
        return LevelForm.withRows(
                left, LevelForm.rowsWorthPrinting(left, left.rows().shown()));
    }

    private static TableBlock showing(TableBlock table, ColumnEdit.ShowInColumn show, DatasetModel dataset) {
        ReportColumn column = EditScope.part(table.columns(), ReportColumn::id, show.column());
        return table.withColumns(Parts.changed(
                        table.columns(),
                        ReportColumn::id,
                        column.id(),
                        one -> one.withValue(Optional.of(show.value()))))
                .withTotals(table.totals().stream()
                        .map(total -> total.column().equals(column.id())
                                ? total.withValue(column.value()
                                        .map(before -> following(total.value(), before, show.value(), dataset))
                                        .orElse(total.value()))
                                : total)
                        .toList());
    }

    /** An aggregate of what a column shows, once it shows something else: what does not add up is counted or averaged instead. */
    private static String following(String total, String before, String after, DatasetModel dataset) {
        Optional<Proposals.Subject> field = PrintedFields.fieldOf(after, dataset);
        String of = AggregateText.of(total, before, after);
        boolean added = !of.equals(total) && AggregateText.needsNumbers(of);
        return field.filter(one -> added && !one.type().isNumber())
                .map(one -> Proposals.insteadOfSum(one).value())
                .orElse(of);
    }

    /** Totals at levels that are not here are left out. */
    private static TableBlock pasted(TableBlock table, ColumnEdit.PasteColumns paste, PartIds ids) {
        Map<String, String> renamed = new HashMap<>();
        paste.columns().forEach(column -> renamed.put(column.id(), ids.free(column.id())));
        List<ReportColumn> columns = paste.columns().stream()
                .map(column -> column.withId(renamed.get(column.id()))
                        .withOnce(column.once().filter(at -> isLevel(table, at))))
                .toList();
        List<ReportTotal> totals = paste.totals().stream()
                .filter(total -> renamed.containsKey(total.column()))
                .map(total -> new ReportTotal(
                        ids.free(total.id()),
                        renamed.get(total.column()),
                        total.value(),
                        total.shown(),
                        total.compare(),
                        total.format(),
                        total.cells().stream()
                                .filter(cell -> cell.at().equals(ReportCell.REPORT) || isLevel(table, cell.at()))
                                .toList()))
                .toList();
        return table.withColumns(Parts.inserted(
                        table.columns(), Parts.after(table.columns(), ReportColumn::id, paste.after()), columns))
                .withTotals(Parts.appended(table.totals(), totals));
    }

    private static boolean isLevel(TableBlock table, String id) {
        return Parts.index(table.levels(), ReportLevel::id, id).isPresent();
    }
}
