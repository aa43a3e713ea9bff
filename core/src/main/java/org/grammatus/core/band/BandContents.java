package org.grammatus.core.band;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.grammatus.core.band.BandCell.Role;
import org.grammatus.core.choice.Place;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.group.Grouped;
import org.grammatus.core.group.Groups;
import org.grammatus.core.group.PrintedRows;
import org.grammatus.core.group.select.OtherRows;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.BlockPlan;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.FiguresPlan;
import org.grammatus.core.plan.HighlightPlan;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TextPlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.plan.style.MarkStyle;
import org.grammatus.core.words.Words;

/** What bands print, cell by cell, made here and nowhere else. Not thread-safe. */
public final class BandContents {

    private final BlockPlan block;
    private final Grouped grouped;
    private final Groups groups;
    private final TablePlan plan;
    private final Printed printed;
    private final BandMarks marks;
    private final GroupLines lines;

    /** The contents of a table. */
    public BandContents(Grouped grouped) {
        this(grouped.plan(), grouped);
    }

    public BandContents(Bands bands) {
        this(bands.block(), bands.grouped());
    }

    private BandContents(BlockPlan block, Grouped grouped) {
        this.block = block;
        this.grouped = grouped;
        this.groups = grouped.groups();
        this.plan = grouped.plan();
        this.printed = new Printed(grouped);
        this.marks = new BandMarks(grouped);
        this.lines = new GroupLines(plan);
    }

    public Grouped grouped() {
        return grouped;
    }

    /** What groups and totals are called, and how values are printed. */
    public Printed printed() {
        return printed;
    }

    /** The cells of a band: its words, then its values in the columns' order. */
    public List<BandCell> of(Bands bands, int band) {
        List<BandCell> cells = new ArrayList<>(words(bands, band));
        cells.addAll(values(bands, band));
        return cells;
    }

    /** What a band says beside its values. */
    public List<BandCell.Words> words(Bands bands, int band) {
        int node = bands.node(band);
        return switch (bands.kind(band)) {
            case REPORT_HEADER -> reportHeader();
            case BLOCK_HEADER -> blockHeader();
            case GROUP_HEADING -> List.of(name(node, printed.heading(node)));
            case GROUP_LINE, DETAIL -> List.of();
            case OTHER_ROWS -> List.of(new BandCell.Words(Role.NAME, plan.id(), printed.otherRowsName(node)));
            case FIGURE -> figure(bands, band);
            case PARAGRAPH -> List.of(paragraph(bands.row(band)));
            case EMPTY -> List.of(new BandCell.Words(Role.NOTE, "", words().noRows()));
            case REFUSED -> List.of(new BandCell.Words(Role.NOTE, "", words().refused(bands.refusal())));
            case GROUP_FOOTER, REPORT_FOOTER -> footer(node);
        };
    }

    /** The values of a band, each under its column. */
    public List<BandCell.Value> values(Bands bands, int band) {
        int node = bands.node(band);
        return switch (bands.kind(band)) {
            case REPORT_HEADER, BLOCK_HEADER, PARAGRAPH, EMPTY, REFUSED -> List.of();
            case FIGURE -> List.of(figures().value(bands.row(band)));
            case GROUP_HEADING -> figures(node, Place.HEADER);
            case GROUP_LINE -> line(node);
            case DETAIL -> row(bands.row(band));
            case OTHER_ROWS -> otherRows(node);
            case GROUP_FOOTER, REPORT_FOOTER -> figures(node, Place.FOOTER);
        };
    }

    /** What the heading of a group says where it goes on after a break. */
    public BandCell.Words continued(int node) {
        return name(node, words().continued(printed.heading(node)));
    }

    /** What the totals that are carried from page to page have come to after a row. */
    public List<BandCell.Value> carried(int row) {
        return grouped.rows().carried().stream()
                .map(carried -> new BandCell.Value(
                        plan.totals().get(carried.total()).column(),
                        plan.totals().get(carried.total()).id(),
                        Optional.empty(),
                        carried.upTo(),
                        row,
                        printed.totalFormat(carried.total())))
                .toList();
    }

    /** What highlights mark: "▲ Overdue (act now) · late Due today". */
    private String legend() {
        return plan.highlights().stream().map(this::inLegend).collect(Collectors.joining(" · "));
    }

    private String inLegend(HighlightPlan rule) {
        MarkStyle look = plan.inputs().style().mark(rule.look());
        if (!rule.word().isEmpty()) {
            return rule.word() + " " + rule.label();
        }
        return look.sign() + " " + rule.label() + (look.word().isEmpty() ? "" : " (" + look.word() + ")");
    }

    private Words words() {
        return Words.of(plan.locale());
    }

    /** What highlights mark of a band. */
    public List<BandMarks.Mark> marksOf(Bands bands, int band) {
        return marks.of(bands, band);
    }

    private List<BandCell.Words> reportHeader() {
        List<BandCell.Words> words = new ArrayList<>();
        words.add(new BandCell.Words(Role.TITLE, "", plan.inputs().title()));
        printed.subtitles().forEach(text -> words.add(new BandCell.Words(Role.SUBTITLE, "", text)));
        words.addAll(columnHeadings());
        return words;
    }

    private List<BandCell.Words> blockHeader() {
        List<BandCell.Words> words = new ArrayList<>();
        plan.title().ifPresent(title -> words.add(new BandCell.Words(Role.BLOCK_TITLE, plan.id(), title)));
        printed.note().ifPresent(note -> words.add(new BandCell.Words(Role.SUBTITLE, plan.id(), note)));
        plan.reach().forEach(text -> words.add(new BandCell.Words(Role.SUBTITLE, plan.id(), text)));
        if (plan.layout().hasLegend()) {
            words.add(new BandCell.Words(Role.SUBTITLE, plan.id(), legend()));
        }
        return words;
    }

    /** What is said of a key figure, and by which rules it is marked. */
    private List<BandCell.Words> figure(Bands bands, int band) {
        List<BandCell.Words> words = new ArrayList<>(figures().words(bands.row(band)));
        marksOf(bands, band).forEach(mark -> {
            HighlightPlan rule = plan.highlights().get(mark.rule());
            String sign = plan.inputs().style().mark(rule.look()).sign();
            String said = rule.word().isEmpty() ? rule.label() : rule.word();
            words.add(new BandCell.Words(Role.MARK, rule.id(), sign + " " + said));
        });
        return words;
    }

    /** The cells of key figures. */
    public FigureCells figures() {
        return new FigureCells((FiguresPlan) block, grouped, printed);
    }

    /** What a paragraph says; empty where it is there to write on. */
    public BandCell.Words paragraph(int paragraph) {
        TextPlan.Paragraph shown = ((TextPlan) block).paragraphs().get(paragraph);
        String text = switch (shown) {
            case TextPlan.Words words -> text(words.pieces());
            case TextPlan.Signature signature -> text(signature.pieces());
            case TextPlan.Line line -> "";
        };
        return new BandCell.Words(Role.PARAGRAPH, shown.id(), text);
    }

    private String text(List<TextPlan.Piece> pieces) {
        return pieces.stream()
                .map(piece -> switch (piece) {
                    case TextPlan.Literal literal -> literal.text();
                    case TextPlan.Value value -> printed.total(value.total(), GroupTree.ROOT);
                })
                .collect(Collectors.joining());
    }

    /** What columns are called; they stand below the report's header and at the top of every other page. */
    public List<BandCell.Words> columnHeadings() {
        return printedColumns().stream()
                .map(column -> new BandCell.Words(
                        Role.COLUMN_HEADING,
                        column.id(),
                        column.heading(printed.grouped().plan().locale())))
                .toList();
    }

    /** The columns of a table; other kinds of blocks have none. */
    public List<ColumnPlan> printedColumns() {
        return block instanceof TablePlan table ? table.columns() : List.of();
    }

    private BandCell.Words name(int node, String text) {
        return new BandCell.Words(Role.NAME, levelId(node), text);
    }

    private List<BandCell.Words> footer(int node) {
        BandCell.Words name = name(node, printed.totalName(node));
        return plan.counted().isEmpty()
                ? List.of(name)
                : List.of(name, new BandCell.Words(Role.COUNTS, "", printed.countsInWords(node)));
    }

    private String levelId(int node) {
        return node == GroupTree.ROOT ? TablePlan.REPORT : level(node).id();
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
        for (int column = 0; column < plan.columns().size(); column++) {
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
                shown.column(),
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
        for (int column = 0; column < plan.columns().size(); column++) {
            BandCell.Value value = column == lines.nameColumn(depth(node))
                    ? shared.get(column).saying(printed.heading(node))
                    : shared.get(column);
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
        for (int column = 0; column < shared.size(); column++) {
            Column values = shared.get(column);
            int within = groups.within(node);
            cells.add(new BandCell.Value(
                    column,
                    plan.columns().get(column).id(),
                    said(column, node, values.isNull(within)),
                    values,
                    within,
                    printed.columnFormat(column)));
        }
        return cells;
    }

    /** What stands in a group's line instead of the value: its name in the column that names it, and nothing for others. */
    private Optional<String> said(int column, int node, boolean none) {
        boolean others = groups.isOthers(node);
        LevelPlan level = level(node);
        if (GroupLines.isNamedBy(level, plan.columns().get(column))
                && (others || none || level.keys().coarsening().isPresent())) {
            return Optional.of(printed.label(node));
        }
        return others ? Optional.of("") : Optional.empty();
    }

    /**
     * A row's cells; none where a coarser measure has been printed above.
     *
     * @param row its number at the grain
     */
    public List<BandCell.Value> row(int row) {
        List<BandCell.Value> cells = new ArrayList<>();
        for (int column = 0; column < plan.columns().size(); column++) {
            PrintedRows.Values values = grouped.rows().columns().get(column);
            if (!values.repeats().get(row)) {
                cells.add(new BandCell.Value(
                        column,
                        plan.columns().get(column).id(),
                        Optional.empty(),
                        values.values(),
                        values.path()[row],
                        printed.columnFormat(column)));
            }
        }
        return cells;
    }

    /** What a row prints in one column; nothing where a coarser measure has been printed above. */
    public String rowText(int row, int column) {
        PrintedRows.Values values = grouped.rows().columns().get(column);
        return values.repeats().get(row)
                ? ""
                : printed.columnFormat(column).format(values.values(), values.path()[row]);
    }

    /** What the rows of a group that stand together come to, as far as it is printed. */
    public List<BandCell.Value> otherRows(int node) {
        List<BandCell.Value> values = new ArrayList<>();
        for (int column = 0; column < plan.columns().size(); column++) {
            // No part: a total's id would say that the figure is the whole group's.
            printed.otherRowsTotalAt(column).ifPresent(total -> values.add(otherRowsTotal(total, node, "")));
        }
        return values;
    }

    /** A total of the rows of a group that stand together as its last line. */
    private BandCell.Value otherRowsTotal(int total, int node, String part) {
        OtherRows others = grouped.rows().others().orElseThrow();
        return new BandCell.Value(
                plan.totals().get(total).column(),
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
