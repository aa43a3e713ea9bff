package org.grammatus.core.edit;

import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.grammatus.core.choice.Align;
import org.grammatus.core.choice.ChoiceWord;
import org.grammatus.core.choice.Place;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportCell;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportColumnBuilder;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.edit.TotalEdit;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.edit.part.FilteredTotals;
import org.grammatus.core.edit.part.PartIds;
import org.grammatus.core.edit.part.Parts;
import org.grammatus.core.edit.part.TotalPositions;

/** Edits of totals. */
final class TotalEdits {

    private TotalEdits() {}

    static TableBlock apply(TableBlock table, TotalEdit edit, Report report, EditScope scope) {
        return switch (edit) {
            case TotalEdit.AddTotal add -> added(table, add, new PartIds(report));
            case TotalEdit.RemoveTotal remove ->
                table.withTotals(Parts.without(
                        table.totals(),
                        ReportTotal::id,
                        total(table, remove.total()).id()));
            case TotalEdit.PlaceTotal place ->
                placed(table, total(table, place.total()), at(table, place.at()), position(place.in()));
            case TotalEdit.TurnTotal turn ->
                TotalPositions.put(
                        table,
                        turn.total(),
                        at(table, turn.at()),
                        TotalPositions.next(table, total(table, turn.total()), turn.at()));
            case TotalEdit.ToggleTotal toggle -> toggled(table, total(table, toggle.total()));
            case TotalEdit.ToggleTotalsAt toggle -> toggledAt(table, at(table, toggle.at()));
            case TotalEdit.ShowTotalAs show ->
                changed(
                        table,
                        show.total(),
                        total -> ShownTotal.as(total, show.as(), show.date(), scope.dataset(report)));
            case TotalEdit.ShowBesideTotal show -> beside(table, show, scope.dataset(report), new PartIds(report));
            case TotalEdit.FilterTotal filter ->
                changed(
                        table,
                        filter.total(),
                        total -> total.withValue(filtered(total.value(), filter.where(), scope.dataset(report))));
            case TotalEdit.SetTotal set ->
                changed(
                        table,
                        set.total(),
                        total -> total.withValue(another(total.value(), set.value(), scope.dataset(report))));
        };
    }

    static String filtered(String total, Optional<String> where, DatasetModel dataset) {
        return FilteredTotals.of(total, dataset)
                .map(parts -> parts.taking(where).text())
                .orElseGet(() ->
                        EditScope.refused("the aggregates of this total take different rows; edit its expression"));
    }

    /** Another total, over the rows that the one before took. */
    private static String another(String before, String after, DatasetModel dataset) {
        return FilteredTotals.of(before, dataset)
                .filter(parts -> parts.where().isPresent())
                .flatMap(parts -> FilteredTotals.of(after, dataset)
                        .filter(other -> other.where().isEmpty())
                        .map(other -> other.taking(parts.where()).text()))
                .orElse(after);
    }

    private static ReportTotal total(TableBlock table, String id) {
        return EditScope.part(table.totals(), ReportTotal::id, id);
    }

    private static String at(TableBlock table, String at) {
        return at.equals(ReportCell.REPORT)
                ? at
                : EditScope.part(table.levels(), ReportLevel::id, at).id();
    }

    private static Optional<Place> position(TotalEdit.Position in) {
        return switch (in) {
            case HEADER -> Optional.of(Place.HEADER);
            case FOOTER -> Optional.of(Place.FOOTER);
            case NONE -> Optional.empty();
        };
    }

    private static TableBlock placed(TableBlock table, ReportTotal total, String at, Optional<Place> place) {
        if (place.filter(in -> TotalPositions.isTaken(table, total, new ReportCell(at, in)))
                .isPresent()) {
            return EditScope.refused("another total of the column is printed there already");
        }
        return TotalPositions.put(table, total.id(), at, place);
    }

    private static TableBlock changed(TableBlock table, String id, UnaryOperator<ReportTotal> change) {
        return table.withTotals(
                Parts.changed(table.totals(), ReportTotal::id, total(table, id).id(), change));
    }

    private static TableBlock added(TableBlock table, TotalEdit.AddTotal add, PartIds ids) {
        ReportColumn column = EditScope.part(table.columns(), ReportColumn::id, add.column());
        List<ReportCell> taken = table.totals().stream()
                .filter(total -> total.column().equals(column.id()))
                .flatMap(total -> total.cells().stream())
                .toList();
        ReportTotal total = new ReportTotal(
                ids.free("t-" + column.id().replaceFirst("^c-", "")),
                column.id(),
                add.value(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                TotalPositions.everywhere(table).stream()
                        .filter(cell -> !taken.contains(cell))
                        .toList());
        return table.withTotals(Parts.appended(table.totals(), List.of(total)));
    }

    private static TableBlock toggled(TableBlock table, ReportTotal total) {
        List<ReportCell> all = TotalPositions.everywhere(table).stream()
                .filter(cell -> !TotalPositions.isTaken(table, total, cell))
                .toList();
        boolean everywhere = all.stream()
                .allMatch(cell -> TotalPositions.of(total, cell.at()).isPresent());
        TableBlock next = table;
        for (ReportCell cell : all) {
            next = TotalPositions.put(
                    next, total.id(), cell.at(), everywhere ? Optional.empty() : Optional.of(cell.in()));
        }
        return next;
    }

    private static TableBlock toggledAt(TableBlock table, String at) {
        boolean all = table.totals().stream()
                .allMatch(total -> TotalPositions.of(total, at).isPresent());
        ReportCell usual = new ReportCell(at, TotalPositions.usual(table, at));
        TableBlock next = table;
        for (ReportTotal total : table.totals()) {
            if (all) {
                next = TotalPositions.put(next, total.id(), at, Optional.empty());
            } else if (!TotalPositions.isTaken(next, total, usual)) {
                next = TotalPositions.put(next, total.id(), at, Optional.of(usual.in()));
            }
        }
        return next;
    }

    private static TableBlock beside(
            TableBlock table, TotalEdit.ShowBesideTotal show, DatasetModel dataset, PartIds ids) {
        ReportTotal total = total(table, show.total());
        ReportColumn own = EditScope.part(table.columns(), ReportColumn::id, total.column());
        String word = ChoiceWord.of(show.as());
        ReportColumn column = ReportColumnBuilder.builder()
                .id(ids.free(own.id() + "-" + word))
                .label(Optional.of(own.label().orElse(own.id()) + ", " + show.name()))
                .align(Optional.of(Align.END))
                .build();
        ReportTotal shown = ShownTotal.as(total, show.as(), show.date(), dataset)
                .withId(ids.free(total.id() + "-" + word))
                .withColumn(column.id());
        return table.withColumns(Parts.inserted(
                        table.columns(),
                        Parts.after(table.columns(), ReportColumn::id, Optional.of(own.id())),
                        List.of(column)))
                .withTotals(Parts.appended(table.totals(), List.of(shown)));
    }
}
