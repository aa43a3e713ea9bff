package org.grammatus.core.edit;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.choice.Header;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.OrderTerm;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.edit.ColumnEdit;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.edit.part.LevelForm;
import org.grammatus.core.edit.part.PartIds;
import org.grammatus.core.edit.part.PrintedFields;
import org.grammatus.core.plan.ColumnOrder;

/** Orders a table by one of its columns, as {@link ColumnOrder} has it. */
final class ColumnOrdering {

    private static final int MOST_TERMS = 20;

    private final TableBlock table;
    private final ReportColumn column;
    private final PartIds ids;

    private ColumnOrdering(TableBlock table, ReportColumn column, PartIds ids) {
        this.table = table;
        this.column = column;
        this.ids = ids;
    }

    static TableBlock ordered(TableBlock table, ColumnEdit.OrderByColumn edit, DatasetModel dataset, PartIds ids) {
        ReportColumn column = EditScope.part(table.columns(), ReportColumn::id, edit.column());
        ColumnOrdering ordering = new ColumnOrdering(table, column, ids);
        return ordering.ordered(edit.direction().orElseGet(() -> ordering.next(dataset)));
    }

    private TableBlock ordered(Direction direction) {
        List<ReportLevel> levels = table.levels().stream()
                .map(level -> by(level)
                        .map(text -> level.withOrder(List.of(term("o-" + level.id(), text, direction))))
                        .orElse(level))
                .toList();
        List<OrderTerm> rows = shown().map(value -> Stream.concat(
                                Stream.of(term("o-rows", value, direction)),
                                table.rows().order().stream()
                                        .filter(one -> !one.by().equals(value)))
                        .limit(MOST_TERMS)
                        .toList())
                .orElse(table.rows().order());
        return table.withLevels(levels).withRows(table.rows().withOrder(rows));
    }

    private OrderTerm term(String about, String by, Direction direction) {
        return new OrderTerm(ids.free(about), by, Optional.empty(), direction, Optional.empty());
    }

    /** What the column shows of a row. */
    private Optional<String> shown() {
        return column.value().filter(LevelForm::printsInRows);
    }

    private Optional<String> by(ReportLevel level) {
        return level.off().orElse(false)
                ? Optional.empty()
                : ColumnOrder.by(level.header() == Header.LINE, total(level), shown());
    }

    private Optional<String> total(ReportLevel level) {
        return table.totals().stream()
                .filter(total -> total.column().equals(column.id())
                        && total.cells().stream().anyMatch(cell -> cell.at().equals(level.id())))
                .findFirst()
                .map(ReportTotal::value);
    }

    /** The other way round where the column decides the order already; figures begin with the largest. */
    private Direction next(DatasetModel dataset) {
        return now().map(direction -> direction == Direction.DESCENDING ? Direction.ASCENDING : Direction.DESCENDING)
                .orElse(isFigure(dataset) ? Direction.DESCENDING : Direction.ASCENDING);
    }

    private Optional<Direction> now() {
        return table.levels().stream()
                .flatMap(level -> by(level).stream().flatMap(text -> first(level.order(), text).stream()))
                .findFirst()
                .or(() -> shown().flatMap(text -> first(table.rows().order(), text)));
    }

    private static Optional<Direction> first(List<OrderTerm> order, String by) {
        return order.stream()
                .limit(1)
                .filter(term -> term.by().equals(by))
                .map(OrderTerm::direction)
                .findFirst();
    }

    private boolean isFigure(DatasetModel dataset) {
        boolean totalled =
                table.totals().stream().anyMatch(total -> total.column().equals(column.id()));
        return totalled
                || shown().flatMap(value -> PrintedFields.fieldOf(value, dataset))
                        .filter(field -> field.type().isNumber())
                        .isPresent();
    }
}
