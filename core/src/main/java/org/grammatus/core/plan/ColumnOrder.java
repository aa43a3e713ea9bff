package org.grammatus.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.choice.Header;
import org.grammatus.core.expression.Typed;

/**
 * What it means to order a table by one of its columns: each level by the total that it prints there, or by what its lines show there, and
 * the rows by what they show. A reader's order and an author's both mean this.
 *
 * @param column the column's id
 * @param levels the levels that it orders, outermost first
 * @param rows the expression that it orders rows by; none for a column of totals alone
 * @param now which way it decides the order at present, if it does
 */
public record ColumnOrder(String column, List<OfLevel> levels, Optional<String> rows, Optional<Direction> now) {

    /**
     * What a level is ordered by.
     *
     * @param level its id
     * @param by an expression, as its author wrote it
     */
    public record OfLevel(String level, String by) {}

    /** By each column of a table. */
    public static List<ColumnOrder> of(TablePlan table) {
        return table.columns().stream().map(column -> of(table, column)).toList();
    }

    private static ColumnOrder of(TablePlan table, ColumnPlan column) {
        List<OfLevel> levels = new ArrayList<>();
        Optional<Direction> now = Optional.empty();
        for (int i = 0; i < table.levels().size(); i++) {
            LevelPlan level = table.levels().get(i);
            Optional<Typed> by = by(table, i, column);
            if (by.isPresent()) {
                String text = total(table, i, column)
                        .map(TotalPlan::text)
                        .or(column::text)
                        .orElseThrow();
                levels.add(new OfLevel(level.id(), text));
                now = now.isPresent() ? now : first(level.order(), by.get());
            }
        }
        Optional<Direction> ofRows =
                column.text().isPresent() ? first(table.rows().order(), column.value()) : Optional.empty();
        return new ColumnOrder(column.id(), List.copyOf(levels), column.text(), now.isPresent() ? now : ofRows);
    }

    private static Optional<Direction> first(List<TablePlan.Term> order, Typed by) {
        return order.stream()
                .limit(1)
                .filter(term -> term.by().equals(by))
                .map(TablePlan.Term::direction)
                .findFirst();
    }

    /** What a level is ordered by where its table is ordered by a column; nothing where its order stays. */
    public static Optional<Typed> by(TablePlan table, int level, ColumnPlan column) {
        return by(
                table.levels().get(level).print().header() == Header.LINE,
                total(table, level, column).map(TotalPlan::value),
                column.text().map(text -> column.value()));
    }

    /**
     * What a level is ordered by: its total in the column, or what its lines show there.
     *
     * @param line whether its groups are printed as lines
     * @param total of the column, printed at the level
     * @param shown what the column shows of a row
     */
    public static <T> Optional<T> by(boolean line, Optional<T> total, Optional<T> shown) {
        return total.or(() -> line ? shown : Optional.empty());
    }

    private static Optional<TotalPlan> total(TablePlan table, int level, ColumnPlan column) {
        return table.totals().stream()
                .filter(total -> total.column().equals(column.id())
                        && total.places().containsKey(table.levels().get(level).id()))
                .findFirst();
    }
}
