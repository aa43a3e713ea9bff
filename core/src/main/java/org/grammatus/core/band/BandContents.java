package org.grammatus.core.band;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.grammatus.core.band.BandCell.Role;
import org.grammatus.core.choice.Place;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.BlockPlan;
import org.grammatus.core.plan.FiguresPlan;
import org.grammatus.core.plan.HighlightPlan;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TextPlan;
import org.grammatus.core.plan.style.MarkStyle;
import org.grammatus.core.words.Words;

/** What bands print, cell by cell, made here and nowhere else. Not thread-safe. */
public final class BandContents {

    private final BlockPlan block;
    private final TableResult grouped;
    private final TablePlan plan;
    private final BandTexts printed;
    private final BandMarks marks;
    private final TableCells cells;

    /** The contents of a table. */
    public BandContents(TableResult grouped) {
        this(grouped.plan(), grouped);
    }

    public BandContents(Bands bands) {
        this(bands.block(), bands.grouped());
    }

    private BandContents(BlockPlan block, TableResult grouped) {
        this.block = block;
        this.grouped = grouped;
        this.plan = grouped.plan();
        this.printed = new BandTexts(grouped);
        this.marks = new BandMarks(grouped);
        this.cells = new TableCells(printed);
    }

    public TableResult grouped() {
        return grouped;
    }

    /** What groups and totals are called, and how values are printed. */
    public BandTexts printed() {
        return printed;
    }

    /** The cells of a band: its words, then its values in the columns' order. */
    public List<BandCell> of(Bands bands, int band) {
        List<BandCell> cells = new ArrayList<>(words(bands, band));
        cells.addAll(values(bands, band));
        return cells;
    }

    /** What a band prints, text by text: its words, then its values in the columns' order. */
    public Stream<String> texts(Bands bands, int band) {
        return Stream.concat(words(bands, band).stream(), unmarked(bands, band).stream())
                .map(BandCell::text);
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

    /** The values of a band, each under its column, as they are marked. */
    public List<BandCell.Value> values(Bands bands, int band) {
        List<BandCell.Value> values = unmarked(bands, band);
        if (plan.highlights().isEmpty() || values.isEmpty()) {
            return values;
        }
        BandLook look = look(bands, band);
        return look.isPlain()
                ? values
                : values.stream()
                        .map(value -> value.looking(look.of(value.column())))
                        .toList();
    }

    private List<BandCell.Value> unmarked(Bands bands, int band) {
        int node = bands.node(band);
        return switch (bands.kind(band)) {
            case REPORT_HEADER, BLOCK_HEADER, PARAGRAPH, EMPTY, REFUSED -> List.of();
            case FIGURE -> List.of(figures().value(bands.row(band)));
            case GROUP_HEADING -> cells.figures(node, Place.HEADER);
            case GROUP_LINE -> cells.line(node);
            case DETAIL -> cells.row(bands, band);
            case OTHER_ROWS -> cells.otherRows(node);
            case GROUP_FOOTER, REPORT_FOOTER -> cells.figures(node, Place.FOOTER);
        };
    }

    /** What the heading of a group says where it goes on after a break. */
    public BandCell.Words continued(int node) {
        return name(node, words().continued(printed.heading(node)));
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

    /** How highlights make a band look. */
    public BandLook look(Bands bands, int band) {
        return new BandLook(marksOf(bands, band), plan);
    }

    /** What highlights mark of a band. */
    public List<BandMarks.Mark> marksOf(Bands bands, int band) {
        return marks.of(bands, band);
    }

    private List<BandCell.Words> reportHeader() {
        List<BandCell.Words> words = new ArrayList<>();
        words.add(new BandCell.Words(Role.TITLE, "", plan.inputs().report().title()));
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

    /** The cells of a table's groups and rows. */
    public TableCells cells() {
        return cells;
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
                    case TextPlan.Value value -> printed.total(plan.indexOfTotal(value.total()), GroupTree.ROOT);
                })
                .collect(Collectors.joining());
    }

    /** What columns are called; they stand below the report's header and at the top of every other page. */
    public List<BandCell.Words> columnHeadings() {
        return columns().stream()
                .map(column -> new BandCell.Words(Role.COLUMN_HEADING, column.id(), column.heading()))
                .toList();
    }

    /** The printed columns of a table; other kinds of blocks have none. */
    public List<PrintedColumn> columns() {
        return block instanceof TablePlan ? printed.columns() : List.of();
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
}
