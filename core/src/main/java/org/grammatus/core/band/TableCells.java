package org.grammatus.core.band;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.grammatus.core.choice.Place;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.group.PrintedGroups;
import org.grammatus.core.group.PrintedRows;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.select.OtherRows;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;

/** The cells of a table: of its rows, of groups that are lines, and of totals. Not thread-safe. */
public final class TableCells {

    private final BandTexts printed;
    private final TableResult grouped;
    private final PrintedGroups groups;
    private final TablePlan plan;
    private final GroupLines lines;
    /** Whether any column prints a repeated value once. */
    private final boolean anyOnce;

    TableCells(BandTexts printed) {
        this.printed = printed;
        this.grouped = printed.grouped();
        this.groups = grouped.groups();
        this.plan = grouped.plan();
        this.lines = new GroupLines(plan);
        this.anyOnce =
                printed.columns().stream().anyMatch(column -> column.onceIn().isPresent());
    }

    /** What the totals that are carried from page to page have come to after a row. */
    public List<BandCell.Value> carried(int row) {
        return grouped.rows().carried().stream()
                .map(carried -> new BandCell.Value(
                        printed.columnOf(carried.total()),
                        GroupTree.ROOT,
                        plan.totals().get(carried.total()).id(),
                        Optional.empty(),
                        carried.upTo(),
                        row,
                        printed.totalFormat(carried.total())))
                .toList();
    }

    private LevelPlan level(int node) {
        return plan.levels().get(depth(node) - 1);
    }

    private int depth(int node) {
        return grouped.tree().depthOf(node);
    }

    /** The totals that stand in a group's header or footer. */
    public List<BandCell.Value> figures(int node, Place place) {
        List<BandCell.Value> values = new ArrayList<>();
        for (PrintedColumn column : printed.columns()) {
            printed.totalAt(column, depth(node), place).ifPresent(total -> values.add(total(total, node)));
        }
        return values;
    }

    /** All totals of a group, wherever they stand, in the plan's order. */
    public List<BandCell.Value> totals(int node) {
        String level = plan.levelAt(depth(node));
        List<BandCell.Value> values = new ArrayList<>();
        for (int total = 0; total < plan.totals().size(); total++) {
            if (plan.totals().get(total).places().containsKey(level)) {
                values.add(total(total, node));
            }
        }
        return values;
    }

    private BandCell.Value total(int total, int node) {
        TotalPlan shown = plan.totals().get(total);
        Optional<String> nothing = groups.blank().get(node) ? Optional.of("") : Optional.empty();
        return new BandCell.Value(
                printed.columnOf(total),
                node,
                shown.id(),
                nothing,
                grouped.figures().totals().get(total),
                node,
                printed.totalFormat(total));
    }

    /** A group as one line in the columns: its totals, and what all of its rows share. */
    public List<BandCell.Value> line(int node) {
        List<BandCell.Value> shared = shared(node);
        List<BandCell.Value> cells = new ArrayList<>();
        for (PrintedColumn column : printed.columns()) {
            BandCell.Value own = shared.get(column.position());
            BandCell.Value value =
                    column.position() == lines.nameColumn(depth(node)) ? own.saying(printed.heading(node)) : own;
            cells.add(printed.totalAt(column, depth(node), Place.HEADER)
                    .map(total -> total(total, node))
                    .orElse(value));
        }
        return cells;
    }

    /** By column, what all rows of a group share; nothing for groups that are no lines. */
    public List<BandCell.Value> shared(int node) {
        List<Column> shared = grouped.figures().shared().get(depth(node));
        List<BandCell.Value> cells = new ArrayList<>();
        if (shared.isEmpty()) {
            return cells;
        }
        int within = groups.within(node);
        for (PrintedColumn column : printed.columns()) {
            Column values = shared.get(column.position());
            cells.add(new BandCell.Value(
                    column,
                    node,
                    column.id(),
                    said(column, node, values.isNull(within)),
                    values,
                    within,
                    column.format()));
        }
        return cells;
    }

    /** What stands in a group's line instead of the value: its name in the column that names it, and nothing for others. */
    private Optional<String> said(PrintedColumn column, int node, boolean none) {
        boolean others = groups.isOthers(node);
        LevelPlan level = level(node);
        if (GroupLines.isNamedBy(level, column.plan())
                && (others || none || level.keys().coarsening().isPresent())) {
            return Optional.of(printed.label(node));
        }
        return others ? Optional.of("") : Optional.empty();
    }

    /**
     * A row's cells; none where a coarser measure has been printed above.
     *
     * @param row its number at the grain
     * @param node the group that it stands in
     */
    public List<BandCell.Value> row(int row, int node) {
        List<BandCell.Value> cells = new ArrayList<>();
        for (PrintedColumn column : printed.columns()) {
            PrintedRows.Values values = column.rows().orElseThrow();
            if (!values.repeats().get(row)) {
                cells.add(new BandCell.Value(
                        column,
                        node,
                        column.id(),
                        Optional.empty(),
                        values.values(),
                        values.path()[row],
                        column.format()));
            }
        }
        return cells;
    }

    /** The cells of a row's band, which know whether the row above prints the same. */
    List<BandCell.Value> row(Bands bands, int band) {
        List<BandCell.Value> cells = row(bands.row(band), bands.node(band));
        if (!anyOnce) {
            return cells;
        }
        int above = bands.rowAbove(band);
        return above < 0
                ? cells
                : cells.stream()
                        .map(cell -> cell.repeating(isPrintedAbove(bands, above, band, cell.column())))
                        .toList();
    }

    /** Whether a value that is printed once in its group is that of a row above it in the same group. */
    private boolean isPrintedAbove(Bands bands, int above, int band, PrintedColumn column) {
        return column.onceIn()
                .filter(depth -> grouped.tree().ancestor(bands.node(above), depth)
                                == grouped.tree().ancestor(bands.node(band), depth)
                        && column.rows().orElseThrow().isSame(bands.row(above), bands.row(band)))
                .isPresent();
    }

    /** What a row prints in one column; nothing where a coarser measure has been printed above. */
    public String rowText(int row, int column) {
        return row(row, GroupTree.ROOT).stream()
                .filter(cell -> cell.column().position() == column)
                .map(BandCell.Value::text)
                .collect(Collectors.joining());
    }

    /** What the rows of a group that stand together come to, as far as it is printed. */
    public List<BandCell.Value> otherRows(int node) {
        List<BandCell.Value> values = new ArrayList<>();
        for (PrintedColumn column : printed.columns()) {
            // No part: a total's id would say that the figure is the whole group's.
            printed.otherRowsTotalAt(column).ifPresent(total -> values.add(otherRowsTotal(total, node, "")));
        }
        return values;
    }

    /** A total of the rows of a group that stand together as its last line. */
    private BandCell.Value otherRowsTotal(int total, int node, String part) {
        OtherRows others = grouped.rows().others().orElseThrow();
        return new BandCell.Value(
                printed.columnOf(total),
                node,
                part,
                Optional.empty(),
                others.totals().get(total).orElseThrow(),
                node,
                printed.totalFormat(total));
    }

    /** All totals known of the rows of a group that stand together, in the plan's order. */
    public List<BandCell.Value> otherRowsTotals(int node) {
        OtherRows others = grouped.rows().others().orElseThrow();
        List<BandCell.Value> values = new ArrayList<>();
        for (int total = 0; total < others.totals().size(); total++) {
            if (others.totals().get(total).isPresent()) {
                values.add(otherRowsTotal(total, node, plan.totals().get(total).id()));
            }
        }
        return values;
    }
}
