package org.grammatus.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.Bands;
import org.grammatus.core.band.Printed;
import org.grammatus.core.band.Words;
import org.grammatus.core.choice.Header;
import org.grammatus.core.choice.Look;
import org.grammatus.core.choice.Place;
import org.grammatus.core.group.Marks;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.typography.LineBreaker;

/** Heights and lines of bands: what both the page breaks and the pages themselves are made from. Not thread-safe. */
final class Layout {

    /** A text of more lines than this is cut, so that no band outgrows a page. */
    static final int MOST_LINES = 12;

    private static final int INDENT = 900;
    private static final int LEAST_NAME = 9_000;
    private static final int LINE_PERCENT = 138;

    private final Bands bands;
    private final Printed printed;
    private final TablePlan plan;
    private final Paper paper;
    private final ColumnLayout columns;
    private final List<List<String>> headingLines;
    private final boolean wraps;
    private final boolean anyNewPage;
    /** By depth and place: the room for a group's name. */
    private final int[][] nameWidths;

    Layout(Bands bands) {
        this.bands = bands;
        this.printed = new Printed(bands.grouped());
        this.plan = bands.grouped().plan();
        this.paper = Paper.of(plan.inputs().page());
        this.columns = ColumnLayout.of(printed, paper, INDENT * headingLevels());
        this.headingLines = IntStream.range(0, plan.columns().size())
                .mapToObj(
                        c -> lines(Words.heading(plan.columns().get(c)), TextStyle.COLUMN_HEADING, columns.widths()[c]))
                .toList();
        this.nameWidths = new int[plan.levels().size() + 1][Place.values().length];
        for (int depth = 0; depth < nameWidths.length; depth++) {
            for (Place place : Place.values()) {
                nameWidths[depth][place.ordinal()] = measureNameWidth(depth, place);
            }
        }
        this.anyNewPage = plan.levels().stream().anyMatch(LevelPlan::newPage);
        boolean any = false;
        for (boolean w : columns.wraps()) {
            any |= w;
        }
        this.wraps = any;
    }

    Bands bands() {
        return bands;
    }

    Printed printed() {
        return printed;
    }

    TablePlan plan() {
        return plan;
    }

    Paper paper() {
        return paper;
    }

    ColumnLayout columns() {
        return columns;
    }

    int size(TextStyle style) {
        return style.size() * columns.percent() / 100;
    }

    int lineHeight(TextStyle style) {
        return size(style) * LINE_PERCENT / 100;
    }

    List<String> lines(String text, TextStyle style, int width) {
        return LineBreaker.lines(
                style.face().printable(text), style.face(), size(style), Math.max(width, size(style)), MOST_LINES);
    }

    List<String> columnHeadingLines(int column) {
        return headingLines.get(column);
    }

    int columnHeadingsHeight() {
        int most = headingLines.stream().mapToInt(List::size).max().orElse(0);
        return most == 0 ? 0 : most * lineHeight(TextStyle.COLUMN_HEADING) + 700;
    }

    int pageHeaderHeight() {
        return lineHeight(TextStyle.PAGE_MARGIN) + 600;
    }

    int pageFooterHeight() {
        return lineHeight(TextStyle.PAGE_MARGIN) + 500;
    }

    /** Space above a band's first line. */
    int spaceAbove(BandKind kind, int depth) {
        return switch (kind) {
            case GROUP_HEADING -> depth <= 1 ? 900 : depth == 2 ? 600 : 350;
            case GROUP_FOOTER -> 150;
            case REPORT_FOOTER -> 400;
            case EMPTY -> 800;
            case REPORT_HEADER, GROUP_LINE, DETAIL, OTHER_ROWS -> 0;
        };
    }

    int height(int band) {
        BandKind kind = bands.kind(band);
        int node = bands.node(band);
        return switch (kind) {
            case REPORT_HEADER -> reportHeaderHeight();
            case GROUP_HEADING -> headingHeight(node, false);
            case GROUP_LINE, DETAIL -> rowHeight(band);
            case OTHER_ROWS -> otherRowsHeight(node);
            case EMPTY -> spaceAbove(kind, 0) + lineHeight(TextStyle.CELL) + 400;
            case GROUP_FOOTER, REPORT_FOOTER -> footerHeight(kind, node);
        };
    }

    private int reportHeaderHeight() {
        int height = lines(plan.inputs().title(), TextStyle.TITLE, paper.printableWidth())
                        .size()
                * lineHeight(TextStyle.TITLE);
        for (String text : printed.subtitles()) {
            height += lines(text, TextStyle.SUBTITLE, paper.printableWidth()).size() * lineHeight(TextStyle.SUBTITLE);
        }
        return height + 900;
    }

    List<String> headingText(int node, boolean continued) {
        int depth = depth(node);
        String label = printed.heading(node) + (continued ? Words.CONTINUED : "");
        return lines(label, TextStyle.heading(depth), nameWidth(depth, Place.HEADER));
    }

    int headingHeight(int node, boolean continued) {
        int depth = depth(node);
        return spaceAbove(BandKind.GROUP_HEADING, depth)
                + headingText(node, continued).size() * lineHeight(TextStyle.heading(depth))
                + (continued ? 0 : figuresHeight(depth, Place.HEADER, TextStyle.TOTAL))
                + 100;
    }

    private int rowHeight(int band) {
        int most = 1;
        if (wraps) {
            for (int c = 0; c < plan.columns().size(); c++) {
                if (columns.wraps()[c]) {
                    most = Math.max(most, cellLines(band, c).size());
                }
            }
        }
        return most * lineHeight(TextStyle.CELL) + 60;
    }

    /** The lines of a column's cell in a row of the table. */
    List<String> cellLines(int band, int column) {
        String text = bands.kind(band) == BandKind.DETAIL
                ? printed.rowCell(column, bands.row(band))
                : printed.lineCell(column, bands.node(band));
        return columns.wraps()[column]
                ? lines(text, rowStyle(band), columns.widths()[column])
                : List.of(TextStyle.CELL.face().printable(text));
    }

    /** What the line of other rows says, in the room before its first figure. */
    List<String> otherRowsText(int node) {
        int room = (otherRowsBelow() ? paper.right() : otherRowsLeft()) - columns.x()[0];
        return lines(printed.otherRowsName(node), TextStyle.CELL, room);
    }

    /** Whether the figures of other rows stand on a line of their own, below what the line says. */
    boolean otherRowsBelow() {
        return otherRowsLeft() - columns.x()[0] < LEAST_NAME;
    }

    private int otherRowsLeft() {
        return IntStream.range(0, plan.columns().size())
                .filter(c -> printed.otherRowsTotalAt(c).isPresent())
                .mapToObj(c -> columns.x()[c] - ColumnLayout.GAP / 2)
                .findFirst()
                .orElse(paper.right());
    }

    private int otherRowsHeight(int node) {
        int lines = otherRowsText(node).size() + (otherRowsBelow() ? 1 : 0);
        return lines * lineHeight(TextStyle.CELL) + 60;
    }

    /** The highlight that marks a row of the table, or {@link Marks#NONE}. */
    int markOf(int band) {
        Marks marks = bands.grouped().marks();
        return switch (bands.kind(band)) {
            case DETAIL -> marks.ofRow(bands.row(band));
            case GROUP_LINE -> marks.ofNode(bands.node(band));
            default -> Marks.NONE;
        };
    }

    TextStyle rowStyle(int band) {
        int mark = plan.highlights().isEmpty() ? Marks.NONE : markOf(band);
        boolean strong = mark != Marks.NONE && plan.highlights().get(mark).look() != Look.WATCH;
        return strong ? TextStyle.STRONG_CELL : TextStyle.CELL;
    }

    TextStyle footerStyle(BandKind kind) {
        return kind == BandKind.REPORT_FOOTER ? TextStyle.GRAND_TOTAL : TextStyle.TOTAL;
    }

    List<String> footerText(BandKind kind, int node) {
        int depth = depth(node);
        return lines(printed.totalName(node), footerStyle(kind), footerWidth(depth));
    }

    private int footerWidth(int depth) {
        return nameWidth(depth, Place.FOOTER);
    }

    /** Room for a group's name: before its first figure, or the whole line where that is too narrow. */
    private int nameWidth(int depth, Place place) {
        return nameWidths[depth][place.ordinal()];
    }

    private int measureNameWidth(int depth, Place place) {
        return (figuresBelow(depth, place) ? paper.right() : firstTotalLeft(depth, place)) - indent(depth);
    }

    /** Whether a group's figures stand on a line of their own, below its name. */
    boolean figuresBelow(int depth, Place place) {
        return firstTotalLeft(depth, place) - indent(depth) < LEAST_NAME;
    }

    /** Height of the line of figures below a name, where there is one. */
    private int figuresHeight(int depth, Place place, TextStyle style) {
        return figuresBelow(depth, place) ? lineHeight(style) : 0;
    }

    /** Whether the counts stand behind the footer's name rather than below it. */
    boolean countsBeside(BandKind kind, int node) {
        List<String> name = footerText(kind, node);
        TextStyle style = footerStyle(kind);
        int used = style.face().width(name.getFirst(), size(style))
                + size(style)
                + TextStyle.COUNTS.face().width(printed.countsInWords(node), size(TextStyle.COUNTS));
        return name.size() == 1 && used <= footerWidth(depth(node));
    }

    private int footerHeight(BandKind kind, int node) {
        int lines = footerText(kind, node).size();
        int counts = plan.counted().isEmpty() || countsBeside(kind, node) ? 0 : lineHeight(TextStyle.COUNTS);
        return spaceAbove(kind, depth(node))
                + lines * lineHeight(footerStyle(kind))
                + counts
                + figuresHeight(depth(node), Place.FOOTER, footerStyle(kind))
                + 250;
    }

    /** Left edge of the leftmost total of a level, before which the group's name has room. */
    private int firstTotalLeft(int depth, Place place) {
        for (int c = 0; c < plan.columns().size(); c++) {
            if (printed.totalAt(c, depth, place).isPresent()) {
                return columns.x()[c] - ColumnLayout.GAP / 2;
            }
        }
        return paper.right();
    }

    /** Left edge of a level's headings and footers. */
    int indent(int depth) {
        int levels = 0;
        for (int d = 1; d < depth; d++) {
            levels += plan.levels().get(d - 1).header() == Header.HEADING ? 1 : 0;
        }
        return paper.left() + INDENT * levels;
    }

    private int headingLevels() {
        return (int) plan.levels().stream()
                .filter(level -> level.header() == Header.HEADING)
                .count();
    }

    /** Whether a band is the first of a group that begins on a new page. */
    boolean beginsPage(int band) {
        if (!anyNewPage || band == 0 || bands.kind(band - 1) == BandKind.REPORT_HEADER) {
            return false;
        }
        GroupTree tree = bands.grouped().tree();
        int node = bands.node(band);
        int before = bands.node(band - 1);
        for (int depth = 1; depth <= depth(node); depth++) {
            boolean asked = plan.levels().get(depth - 1).newPage();
            boolean another = depth(before) < depth || tree.ancestor(node, depth) != tree.ancestor(before, depth);
            if (asked && another) {
                return true;
            }
        }
        return false;
    }

    int depth(int node) {
        return bands.grouped().tree().depthOf(node);
    }

    /** The groups above a band whose headings a new page repeats, outermost first. */
    List<Integer> openHeadings(int band) {
        List<Integer> open = new ArrayList<>();
        BandKind kind = bands.kind(band);
        int node = bands.node(band);
        boolean inside = kind == BandKind.DETAIL || kind == BandKind.OTHER_ROWS || kind == BandKind.GROUP_FOOTER;
        GroupTree tree = bands.grouped().tree();
        for (int n = inside ? node : tree.parentOf(node); n > GroupTree.ROOT; n = tree.parentOf(n)) {
            if (plan.levels().get(depth(n) - 1).header() == Header.HEADING) {
                open.addFirst(n);
            }
        }
        return open;
    }
}
