package org.grammatus.core.edit;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.grammatus.core.choice.Bucket;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.choice.Footer;
import org.grammatus.core.choice.GroupMeasure;
import org.grammatus.core.choice.Header;
import org.grammatus.core.choice.Place;
import org.grammatus.core.choice.layout.ColumnScale;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Proposals;
import org.grammatus.core.definition.FilterComparison;
import org.grammatus.core.definition.GroupFilter;
import org.grammatus.core.definition.OrderTerm;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportCell;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportColumnBuilder;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.ReportLevelBuilder;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.edit.LevelEdit;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.edit.part.LevelChoices;
import org.grammatus.core.edit.part.LevelForm;
import org.grammatus.core.edit.part.PartIds;
import org.grammatus.core.edit.part.Parts;
import org.grammatus.core.edit.part.PrintedFields;
import org.grammatus.core.edit.part.TableColumns;
import org.grammatus.core.edit.part.TotalPositions;
import org.grammatus.core.expression.AggregateText;
import org.grammatus.core.expression.References;

/** Edits of levels. */
final class LevelEdits {

    /** A condition that every group meets. */
    private static final String SOMETHING = "COUNT(*) > 0";

    private LevelEdits() {}

    static TableBlock apply(TableBlock table, LevelEdit edit, Report report, EditScope scope) {
        return switch (edit) {
            case LevelEdit.AddLevel add -> {
                Proposals.Subject field = scope.field(report, add.field());
                yield added(
                        table,
                        field.id(),
                        field.label(),
                        levelOf(field, add.bucket(), scope.dataset(report)),
                        Parts.before(table.levels(), ReportLevel::id, add.before()),
                        new PartIds(report));
            }
            case LevelEdit.GroupByColumn group -> ofColumn(table, group.column(), report, scope);
            case LevelEdit.RemoveLevel remove -> removed(table, remove.level());
            case LevelEdit.MoveLevel move -> moved(table, move);
            case LevelEdit.SwitchLevel one ->
                LevelForm.arranged(changed(
                        table, one.level(), level -> level.withOff(one.on() ? Optional.empty() : Optional.of(true))));
            case LevelEdit.NameGroups name -> named(table, name);
            case LevelEdit.CoarsenLevel coarsen ->
                changed(
                        table,
                        coarsen.level(),
                        level -> LevelCoarsening.of(
                                level, coarsen, LevelChoices.of(table, level, scope.dataset(report))));
            case LevelEdit.AddClass add ->
                changed(
                        table,
                        add.level(),
                        level -> LevelCoarsening.withClassMore(
                                level, LevelChoices.of(table, level, scope.dataset(report))));
            case LevelEdit.AddOrderTerm add -> ordered(table, add, scope.dataset(report), new PartIds(report));
            case LevelEdit.AddGroupCondition add -> limited(table, add.level(), report, scope);
            case LevelEdit.AddTypedCondition add ->
                changed(
                        table,
                        add.level(),
                        level -> level.withHaving(level.having().or(() -> Optional.of(SOMETHING))));
            case LevelEdit.ShowRows rows -> LevelForm.withRows(table, rows.shown());
        };
    }

    private static Proposals.Level levelOf(Proposals.Subject field, Optional<Bucket> bucket, DatasetModel dataset) {
        if (bucket.isPresent() && !field.type().isTime()) {
            return EditScope.refused("only a date has spans of time, and \"" + field.label() + "\" is none");
        }
        return Proposals.level(field, dataset)
                .map(usual -> bucket.isPresent() ? new Proposals.Level(usual.key(), Optional.empty(), bucket) : usual)
                .orElseGet(() -> EditScope.refused(
                        "\"" + field.label() + "\" is a measure; a level groups by something that rows have"));
    }

    private static TableBlock changed(TableBlock table, String level, UnaryOperator<ReportLevel> change) {
        EditScope.part(table.levels(), ReportLevel::id, level);
        return table.withLevels(Parts.changed(table.levels(), ReportLevel::id, level, change));
    }

    /** A first level under measures alone makes a summary: its groups are lines, its rows are not printed. */
    private static TableBlock added(
            TableBlock table, String about, String name, Proposals.Level made, int at, PartIds ids) {
        boolean measuresAlone = !table.columns().isEmpty()
                && table.columns().stream()
                        .allMatch(column -> table.totals().stream()
                                .anyMatch(total -> total.column().equals(column.id())));
        String id = ids.free(about);
        ReportLevel level = ReportLevelBuilder.builder()
                .id(id)
                .name(name)
                .key(made.key())
                .bucket(made.bucket())
                .label(made.label())
                .order(made.bucket().isPresent() ? List.of() : usualOrder(table, id, ids))
                .header(Header.HEADING)
                .footer(Footer.TOTALS)
                .build();
        // Of two totals under one column the first is printed there.
        Set<String> taken = new HashSet<>();
        List<ReportTotal> totals = table.totals().stream()
                .map(total -> TotalPositions.of(total, ReportCell.REPORT).isPresent() && taken.add(total.column())
                        ? total.withCells(Parts.appended(total.cells(), List.of(new ReportCell(id, Place.FOOTER))))
                        : total)
                .toList();
        TableBlock grown = table.withLevels(Parts.inserted(table.levels(), at, List.of(level)))
                .withTotals(totals);
        return table.levels().isEmpty() && measuresAlone ? LevelForm.withRows(grown, false) : LevelForm.arranged(grown);
    }

    /** The largest first, by the first sum that the table has, else by its first total. */
    private static List<OrderTerm> usualOrder(TableBlock table, String level, PartIds ids) {
        return table.totals().stream()
                .filter(total -> AggregateText.isSum(total.value()))
                .findFirst()
                .or(() -> table.totals().stream().findFirst())
                .map(main -> new OrderTerm(
                        ids.free("o-" + level), main.value(), Optional.empty(), Direction.DESCENDING, Optional.empty()))
                .stream()
                .toList();
    }

    /** Figures of groups begin with the largest, unless their measure says otherwise. */
    private static TableBlock ordered(TableBlock table, LevelEdit.AddOrderTerm add, DatasetModel dataset, PartIds ids) {
        OrderTerm term = new OrderTerm(
                ids.free("o-" + add.level().orElse("rows")),
                add.by(),
                Optional.empty(),
                usualDirection(table, add.by(), dataset),
                Optional.empty());
        return add.level()
                .map(level -> changed(table, level, one -> one.withOrder(Parts.appended(one.order(), List.of(term)))))
                .orElseGet(() -> table.withRows(
                        table.rows().withOrder(Parts.appended(table.rows().order(), List.of(term)))));
    }

    private static Direction usualDirection(TableBlock table, String by, DatasetModel dataset) {
        Optional<DatasetModel.NamedValue> measure = dataset.measures().stream()
                .filter(one -> References.to(one.id()).equals(by))
                .findFirst();
        boolean figure = measure.isPresent()
                || table.totals().stream().anyMatch(total -> total.value().equals(by));
        return measure.flatMap(DatasetModel.NamedValue::direction)
                .orElse(figure ? Direction.DESCENDING : Direction.ASCENDING);
    }

    /** At first of the groups that have something. */
    private static TableBlock limited(TableBlock table, String level, Report report, EditScope scope) {
        String by = EditOffers.of(report, scope).measures().stream()
                .map(EditOffers.Measure::value)
                .filter(value ->
                        PrintedFields.kindOfTotal(value, scope.dataset(report)).isNumber())
                .findFirst()
                .orElse("COUNT(*)");
        GroupFilter condition = new GroupFilter(
                new PartIds(report).free("g-filter"),
                GroupMeasure.VALUE,
                by,
                FilterComparison.MORE,
                Optional.of("0"),
                Optional.empty(),
                Optional.empty());
        return changed(
                table,
                level,
                one -> one.withConditions(
                        Optional.of(Parts.appended(one.conditions().orElse(List.of()), List.of(condition)))));
    }

    private static TableBlock ofColumn(TableBlock table, String id, Report report, EditScope scope) {
        ReportColumn column = EditScope.part(table.columns(), ReportColumn::id, id);
        String value = column.value()
                .filter(LevelForm::printsInRows)
                .orElseGet(() -> EditScope.refused("the column shows nothing of a row to group by"));
        DatasetModel dataset = scope.dataset(report);
        Optional<Proposals.Subject> field = PrintedFields.fieldOf(value, dataset);
        boolean totalled =
                table.totals().stream().anyMatch(total -> total.column().equals(id));
        TableBlock rest = totalled ? table : TableColumns.without(table, List.of(id));
        return added(
                rest,
                field.map(Proposals.Subject::id).orElse(id.replaceFirst("^c-", "")),
                column.label().or(() -> field.map(Proposals.Subject::label)).orElse(value),
                field.flatMap(one -> Proposals.level(one, dataset))
                        .orElse(new Proposals.Level(value, Optional.empty(), Optional.empty())),
                table.levels().size(),
                new PartIds(report));
    }

    private static TableBlock removed(TableBlock table, String id) {
        EditScope.part(table.levels(), ReportLevel::id, id);
        List<ReportLevel> left = Parts.without(table.levels(), ReportLevel::id, id);
        TableBlock unnamed =
                TableColumns.without(table, List.of(LevelForm.labelColumn(id), LevelForm.columnOfLevel(id)));
        TableBlock rest = unnamed.withLevels(left)
                .withColumns(unnamed.columns().stream()
                        .map(column -> column.withOnce(column.once().filter(at -> !at.equals(id)))
                                .withScale(column.scale().map(scale -> ofReport(scale, id))))
                        .toList())
                // What marks its groups has nothing left to mark.
                .withHighlights(unnamed.highlights().stream()
                        .filter(rule -> rule.reach()
                                .flatMap(ReportHighlight.Place::level)
                                .filter(id::equals)
                                .isEmpty())
                        .toList())
                .withTotals(unnamed.totals().stream()
                        .map(total -> total.withCells(total.cells().stream()
                                .filter(cell -> !cell.at().equals(id))
                                .toList()))
                        .toList());
        return left.isEmpty()
                ? LevelForm.withRows(rest, LevelForm.rowsWorthPrinting(table, true))
                : LevelForm.arranged(rest);
    }

    /** Steps within the groups of a level that is gone are of the whole report. */
    private static ColumnScale ofReport(ColumnScale scale, String level) {
        return scale.within().equals(Optional.of(level))
                ? new ColumnScale(scale.kind(), scale.edges(), Optional.empty())
                : scale;
    }

    private static TableBlock moved(TableBlock table, LevelEdit.MoveLevel move) {
        ReportLevel level = EditScope.part(table.levels(), ReportLevel::id, move.level());
        if (move.before().equals(Optional.of(level.id()))) {
            return table;
        }
        List<ReportLevel> rest = Parts.without(table.levels(), ReportLevel::id, level.id());
        return LevelForm.arranged(table.withLevels(
                Parts.inserted(rest, Parts.before(rest, ReportLevel::id, move.before()), List.of(level))));
    }

    /** In a column a name stands once in each group, and again at the top of a page; those of levels further out stand before it. */
    private static TableBlock named(TableBlock table, LevelEdit.NameGroups name) {
        ReportLevel level = EditScope.part(table.levels(), ReportLevel::id, name.level());
        String id = LevelForm.columnOfLevel(level.id());
        TableBlock plain = TableColumns.without(table, List.of(id));
        Header header = switch (name.heading()) {
            case HEADING -> Header.HEADING;
            case LINE -> Header.LINE;
            case NONE, COLUMN -> Header.NONE;
        };
        TableBlock named = changed(plain, level.id(), one -> one.withHeader(header));
        if (name.heading() != LevelEdit.Heading.COLUMN) {
            return named;
        }
        List<String> outer = table.levels().stream()
                .takeWhile(one -> !one.id().equals(level.id()))
                .map(one -> LevelForm.columnOfLevel(one.id()))
                .toList();
        int at = (int) plain.columns().stream()
                .filter(column -> outer.contains(column.id()))
                .count();
        ReportColumn column = ReportColumnBuilder.builder()
                .id(id)
                .label(Optional.of(level.name()))
                .value(Optional.of(LevelForm.nameOf(level)))
                .once(Optional.of(level.id()))
                .build();
        return named.withColumns(Parts.inserted(named.columns(), at, List.of(column)));
    }
}
