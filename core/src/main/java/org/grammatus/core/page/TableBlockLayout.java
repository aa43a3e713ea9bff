package org.grammatus.core.page;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.band.BandCell;
import org.grammatus.core.band.BandCell.Role;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.BandLook;
import org.grammatus.core.band.Bands;
import org.grammatus.core.band.GroupLines;
import org.grammatus.core.choice.Place;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.page.Page.BandRole;
import org.grammatus.core.page.column.ColumnLayout;
import org.grammatus.core.page.column.NameRooms;
import org.grammatus.core.page.column.TypeSetting;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.words.Words;

/** A table: where its columns stand, how tall its rows, headings and totals are, and where their names stand. */
final class TableBlockLayout extends BlockLayout {

    private static final int BESIDE_WORDS = 600;
    private static final int BELOW_HEADING = 100;
    private static final int BELOW_FOOTER = 250;

    private final TypeSetting type;
    private final ColumnLayout columns;
    private final ColumnHeadings headings;
    private final NameRooms rooms;
    private final RowLines rowLines;
    private final GroupLines groupLines;
    private final AfterBands after;
    private final CarriedLines carried;
    private final TablePainter painter;
    /** A row of one line, as most are. */
    private final Measured plainRow;

    TableBlockLayout(Bands bands, int width, int titleWidth, int most) {
        super(bands, width, titleWidth);
        int words = roomForWords(plan());
        this.columns =
                ColumnLayout.of(contents().printed(), width, Math.max(NameRooms.columnsIndent(plan()), words), most);
        this.type = TypeSetting.of(columns.percent(), plan().inputs());
        this.headings = new ColumnHeadings(contents().columns(), columns, type, width);
        this.rooms = new NameRooms(contents().printed(), columns, width);
        this.rowLines = new RowLines(contents().printed(), columns, type);
        this.groupLines = new GroupLines(plan());
        this.plainRow = row(columns.stacks().deepest(), TextStyle.CELL);
        this.after = new AfterBands(bands, plainRow.height());
        this.carried = new CarriedLines(bands);
        this.painter = new TablePainter(this, rowLines, rooms, words > 0);
    }

    /** What the words beside marked rows need; nothing where signs alone stand there. */
    private static int roomForWords(TablePlan plan) {
        TypeSetting type = TypeSetting.whole(plan.inputs());
        return plan.highlights().stream()
                .filter(rule -> !rule.word().isEmpty())
                .mapToInt(rule -> type.width(type.printable(rule.word(), TextStyle.STRONG_CELL), TextStyle.STRONG_CELL)
                        + BESIDE_WORDS)
                .max()
                .orElse(0);
    }

    @Override
    TypeSetting type() {
        return type;
    }

    @Override
    ColumnLayout columns() {
        return columns;
    }

    @Override
    Measured measure(int band) {
        Measured own = super.measure(band);
        return after.isPlain() ? own : after.below(band, own, width());
    }

    @Override
    Measured body(int band) {
        return switch (bands().kind(band)) {
            case GROUP_HEADING ->
                heading(bands().node(band), contents().words(bands(), band).getFirst(), false);
            case GROUP_LINE, DETAIL -> line(band);
            case OTHER_ROWS -> otherRows(contents().words(bands(), band).getFirst());
            case GROUP_FOOTER, REPORT_FOOTER -> footer(band);
            case REPORT_HEADER, BLOCK_HEADER, EMPTY, REFUSED, FIGURE, PARAGRAPH ->
                throw new IllegalStateException("no band of a table's groups and rows");
        };
    }

    /** The heading of a group where it goes on after a break. */
    @Override
    Measured continued(int node) {
        BandCell.Words name = contents().continued(node);
        if (!groupLines.hold(depth(node))) {
            return heading(node, name, true);
        }
        int left = columns.x()[Math.max(0, groupLines.nameColumn(depth(node)))];
        LineStack stack = new LineStack(type, 0);
        stack.put(name, TextStyle.TOTAL, left, width() - left);
        return new Measured(stack.y() + look().spacing().belowRow(), stack.lines(), 0, Measured.NO_RULE);
    }

    private Measured heading(int node, BandCell.Words name, boolean continued) {
        int depth = depth(node);
        int above = depth <= 1 ? 900 : depth == 2 ? 600 : 350;
        LineStack stack = new LineStack(type, above * look().spacing().groupPercent() / 100);
        TextStyle style = TextStyle.heading(depth);
        int values = stack.y() + type.ascent(style);
        stack.put(name, style, rooms.indent(depth), rooms.width(depth, Place.HEADER));
        if (!continued && rooms.figuresBelow(depth, Place.HEADER)) {
            values = stack.line(TextStyle.TOTAL);
        }
        stack.reach(rowLines.belowFirst(depth, Place.HEADER), values, TextStyle.TOTAL);
        return new Measured(stack.y() + BELOW_HEADING, stack.lines(), values, Measured.NO_RULE);
    }

    private Measured line(int band) {
        TextStyle style = valueStyle(band);
        if (!columns.anyWraps() && style == TextStyle.CELL) {
            return plainRow;
        }
        return row(
                columns.anyWraps()
                        ? rowLines.most(contents().values(bands(), band), style)
                        : columns.stacks().deepest(),
                style);
    }

    private Measured row(int lines, TextStyle style) {
        return new Measured(
                lines * type.lineHeight(style) + look().spacing().belowRow(),
                List.of(),
                type.ascent(style),
                Measured.NO_RULE);
    }

    private Measured otherRows(BandCell.Words name) {
        LineStack stack = new LineStack(type, 0);
        stack.put(name, TextStyle.CELL, rooms.otherRowsLeft(), rooms.otherRowsWidth());
        int values = rooms.otherRowsBelow() ? stack.line(TextStyle.CELL) : type.ascent(TextStyle.CELL);
        stack.reach(rowLines.belowFirst(), values, TextStyle.CELL);
        return new Measured(stack.y() + look().spacing().belowRow(), stack.lines(), values, Measured.NO_RULE);
    }

    private Measured footer(int band) {
        int depth = depth(bands().node(band));
        int rule = bands().kind(band) == BandKind.REPORT_FOOTER ? 400 : 150;
        TextStyle style = valueStyle(band);
        LineStack stack = new LineStack(type, rule);
        int values = stack.y() + type.ascent(style);
        for (BandCell.Words words : contents().words(bands(), band)) {
            if (words.role() == Role.COUNTS) {
                counts(words, stack, style, depth);
            } else {
                stack.put(words, style, rooms.indent(depth), rooms.width(depth, Place.FOOTER));
            }
        }
        if (rooms.figuresBelow(depth, Place.FOOTER)) {
            values = stack.line(style);
        }
        stack.reach(rowLines.belowFirst(depth, Place.FOOTER), values, style);
        return new Measured(stack.y() + BELOW_FOOTER, stack.lines(), values, rule);
    }

    /** The counts stand behind a footer's name where there is room, else below it. */
    private void counts(BandCell.Words counts, LineStack stack, TextStyle style, int depth) {
        Measured.Line name = stack.lines().getFirst();
        int behind = type.width(name.text(), style) + type.size(style);
        int used = behind + type.width(counts.text(), TextStyle.COUNTS);
        boolean beside = stack.lines().size() == 1 && used <= rooms.width(depth, Place.FOOTER);
        int x = beside ? name.x() + behind : rooms.indent(depth);
        int baseline = beside ? name.baseline() : stack.line(TextStyle.COUNTS);
        stack.lines().add(new Measured.Line(counts.text(), TextStyle.COUNTS, x, baseline, counts.part()));
    }

    /** The style of a band's values where nothing is marked. */
    TextStyle valueStyle(int band) {
        return switch (bands().kind(band)) {
            case GROUP_HEADING, GROUP_FOOTER -> TextStyle.TOTAL;
            case REPORT_FOOTER -> TextStyle.GRAND_TOTAL;
            case GROUP_LINE -> groupLines.hold(depth(bands().node(band))) ? TextStyle.TOTAL : TextStyle.CELL;
            case DETAIL, REPORT_HEADER, BLOCK_HEADER, OTHER_ROWS, FIGURE, PARAGRAPH, EMPTY, REFUSED -> TextStyle.CELL;
        };
    }

    @Override
    void ground(int band, Measured measured, BandLook look, int y, PageAssembler sheet) {
        painter.ground(band, measured, look, y, sheet);
    }

    @Override
    void values(int band, Measured measured, int y, PageAssembler sheet) {
        painter.values(band, measured, y, sheet);
    }

    @Override
    int columnHeadingsHeight() {
        return headings.height();
    }

    @Override
    void columnHeadings(int y, PageAssembler sheet) {
        if (headings.height() > 0) {
            headings.put(y, sheet);
        }
    }

    @Override
    Optional<Integer> carriedBefore(int band) {
        return carried.rowBefore(band);
    }

    @Override
    int carriedHeight() {
        return carried.areAny() ? carriedLine("").height() : 0;
    }

    @Override
    int carried(int row, String name, int node, int y, PageAssembler sheet) {
        int first = sheet.size();
        Measured line = carriedLine(name);
        sheet.words(line, y, node);
        for (BandCell.Value value : contents().cells().carried(row)) {
            int slot = columns.stacks().slot()[value.column().position()];
            sheet.columnText(
                    value.text(),
                    TextStyle.TOTAL,
                    value.column(),
                    y + line.values() + slot * type.lineHeight(TextStyle.TOTAL),
                    node,
                    value.part(),
                    value.isNumber());
        }
        sheet.box(BandRole.CARRIED, y, y + line.height(), node, first);
        return line.height();
    }

    /** What totals have come to, as a line of its own. */
    private Measured carriedLine(String name) {
        LineStack stack = new LineStack(type, 0);
        int first = contents().cells().carried(0).stream()
                .mapToInt(value -> columns.x()[value.column().position()])
                .min()
                .orElse(width());
        Words words = Words.of(plan().locale());
        int longest = Math.max(
                type.width(words.carriedForward(), TextStyle.TOTAL),
                type.width(words.broughtForward(), TextStyle.TOTAL));
        stack.put(new BandCell.Words(Role.NAME, "", name), TextStyle.TOTAL, 0, width());
        int values = longest + type.size(TextStyle.TOTAL) > first
                ? stack.line(TextStyle.TOTAL)
                : type.ascent(TextStyle.TOTAL);
        stack.reach(rowLines.belowFirst(), values, TextStyle.TOTAL);
        return new Measured(stack.y() + BELOW_HEADING, stack.lines(), values, Measured.NO_RULE);
    }

    private int depth(int node) {
        return bands().grouped().tree().depthOf(node);
    }
}
