package org.grammatus.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.band.BandCell;
import org.grammatus.core.band.BandCell.Role;
import org.grammatus.core.band.BandContents;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.BandMarks;
import org.grammatus.core.band.Bands;
import org.grammatus.core.band.GroupLines;
import org.grammatus.core.choice.Place;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.page.column.ColumnLayout;
import org.grammatus.core.page.column.NameRooms;
import org.grammatus.core.page.column.TypeSetting;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TextPlan;
import org.grammatus.core.plan.style.Picture;
import org.grammatus.core.plan.style.PrintStyle;
import org.grammatus.core.words.Words;

/** Measures bands and places their words: what both page breaks and pages are made from. Not thread-safe. */
final class BandMeasures {

    private static final int BELOW_TITLE = 900;
    private static final int BESIDE_LOGO = 1_500;
    private static final int BELOW_BLOCK_TITLE = 500;
    private static final int BELOW_HEADING = 100;
    private static final int BELOW_NOTE = 400;
    private static final int BELOW_FOOTER = 250;

    private final Bands bands;
    private final BandContents contents;
    private final TablePlan plan;
    private final PrintStyle look;
    private final TypeSetting type;
    private final ColumnLayout columns;
    private final Optional<CardLayout> cards;
    private final Optional<ParagraphMeasures> paragraphs;
    private final NameRooms rooms;
    private final int width;
    /** The width that the report's title has. */
    private final int titleWidth;
    /** A row of one line, as most are. */
    private final Measured plainRow;

    private final RowLines rowLines;
    private final GroupLines groupLines;
    private final AfterBands after;

    BandMeasures(
            Bands bands,
            BandContents contents,
            ColumnLayout columns,
            Optional<CardLayout> cards,
            NameRooms rooms,
            int width,
            int titleWidth) {
        this.bands = bands;
        this.contents = contents;
        this.plan = bands.grouped().plan();
        this.look = plan.inputs().style();
        this.type = TypeSetting.of(columns.percent(), plan.inputs());
        this.columns = columns;
        this.cards = cards;
        this.paragraphs = bands.block() instanceof TextPlan text
                ? Optional.of(new ParagraphMeasures(text, contents, type, width))
                : Optional.empty();
        this.rooms = rooms;
        this.width = width;
        this.titleWidth = titleWidth;
        this.rowLines = new RowLines(plan, columns, type);
        this.groupLines = new GroupLines(plan);
        this.plainRow = row(columns.stacks().deepest(), TextStyle.CELL);
        this.after = new AfterBands(bands, plainRow.height());
    }

    TypeSetting type() {
        return type;
    }

    Measured of(int band) {
        Measured own = alone(band);
        return after.isPlain() ? own : after.below(band, own, width);
    }

    private Measured alone(int band) {
        BandKind kind = bands.kind(band);
        return switch (kind) {
            case REPORT_HEADER -> reportTitle(contents.words(bands, band));
            case BLOCK_HEADER -> title(contents.words(bands, band), width, BELOW_BLOCK_TITLE);
            case GROUP_HEADING ->
                heading(bands.node(band), contents.words(bands, band).getFirst(), false);
            case GROUP_LINE, DETAIL -> line(band);
            case OTHER_ROWS -> otherRows(contents.words(bands, band).getFirst());
            case FIGURE -> cards.orElseThrow().of(bands.row(band));
            case PARAGRAPH -> paragraphs.orElseThrow().of(bands.row(band));
            case EMPTY, REFUSED -> note(contents.words(bands, band).getFirst());
            case GROUP_FOOTER, REPORT_FOOTER -> footer(band);
        };
    }

    /** The heading of a group where it goes on after a break. */
    Measured continued(int node) {
        BandCell.Words name = contents.continued(node);
        if (!groupLines.hold(depth(node))) {
            return heading(node, name, true);
        }
        int left = columns.x()[Math.max(0, groupLines.nameColumn(depth(node)))];
        Stack stack = new Stack(0);
        stack.put(name, TextStyle.TOTAL, left, width - left);
        return new Measured(stack.y + look.belowRow(), stack.lines, 0, Measured.NO_RULE);
    }

    /** The title, beside the logo where there is one. */
    private Measured reportTitle(List<BandCell.Words> words) {
        int logo = look.logo().map(Picture::width).orElse(0);
        Measured title = title(words, logo == 0 ? titleWidth : titleWidth - logo - BESIDE_LOGO, BELOW_TITLE);
        int least = look.logo().map(picture -> picture.height() + BELOW_TITLE).orElse(0);
        return title.withBelow(Math.max(0, least - title.height()));
    }

    /** Left edge of the logo. */
    int logoLeft() {
        return titleWidth - look.logo().map(Picture::width).orElse(0);
    }

    private Measured title(List<BandCell.Words> words, int room, int below) {
        Stack stack = new Stack(0);
        for (BandCell.Words paragraph : words) {
            switch (paragraph.role()) {
                case BLOCK_TITLE -> stack.put(paragraph, TextStyle.BLOCK_TITLE, 0, room);
                case TITLE -> stack.put(paragraph, TextStyle.TITLE, 0, room);
                case SUBTITLE -> stack.put(paragraph, TextStyle.SUBTITLE, 0, room);
                default -> {}
            }
        }
        return new Measured(stack.y + below, stack.lines, 0, Measured.NO_RULE);
    }

    private Measured heading(int node, BandCell.Words name, boolean continued) {
        int depth = depth(node);
        Stack stack = new Stack((depth <= 1 ? 900 : depth == 2 ? 600 : 350) * look.groupPercent() / 100);
        TextStyle style = TextStyle.heading(depth);
        int values = stack.y + type.ascent(style);
        stack.put(name, style, rooms.indent(depth), rooms.width(depth, Place.HEADER));
        if (!continued && rooms.figuresBelow(depth, Place.HEADER)) {
            values = stack.line(TextStyle.TOTAL);
        }
        stack.reach(rowLines.belowFirst(depth, Place.HEADER), values, TextStyle.TOTAL);
        return new Measured(stack.y + BELOW_HEADING, stack.lines, values, Measured.NO_RULE);
    }

    private Measured line(int band) {
        TextStyle style = valueStyle(band);
        if (!columns.anyWraps() && style == TextStyle.CELL) {
            return plainRow;
        }
        return row(
                columns.anyWraps()
                        ? mostLines(band, marks(band))
                        : columns.stacks().deepest(),
                style);
    }

    private Measured row(int lines, TextStyle style) {
        return new Measured(
                lines * type.lineHeight(style) + look.belowRow(), List.of(), type.ascent(style), Measured.NO_RULE);
    }

    /** By column, how many lines of a band's values stand above its own in its place. */
    int[] linesAbove(int band, List<BandMarks.Mark> marks) {
        return bands.kind(band).isRow() && columns.anyWraps()
                ? rowLines.above(contents.values(bands, band), column -> valueStyle(band, column, marks))
                : columns.stacks().slot();
    }

    private int mostLines(int band, List<BandMarks.Mark> marks) {
        return rowLines.most(contents.values(bands, band), column -> valueStyle(band, column, marks));
    }

    private Measured otherRows(BandCell.Words name) {
        Stack stack = new Stack(0);
        stack.put(name, TextStyle.CELL, rooms.otherRowsLeft(), rooms.otherRowsWidth());
        int values = rooms.otherRowsBelow() ? stack.line(TextStyle.CELL) : type.ascent(TextStyle.CELL);
        stack.reach(rowLines.belowFirst(), values, TextStyle.CELL);
        return new Measured(stack.y + look.belowRow(), stack.lines, values, Measured.NO_RULE);
    }

    private Measured note(BandCell.Words note) {
        Stack stack = new Stack(800);
        stack.put(note, TextStyle.CELL, 0, width);
        return new Measured(stack.y + BELOW_NOTE, stack.lines, 0, Measured.NO_RULE);
    }

    private Measured footer(int band) {
        int depth = depth(bands.node(band));
        int rule = bands.kind(band) == BandKind.REPORT_FOOTER ? 400 : 150;
        TextStyle style = valueStyle(band);
        Stack stack = new Stack(rule);
        int values = stack.y + type.ascent(style);
        for (BandCell.Words words : contents.words(bands, band)) {
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
        return new Measured(stack.y + BELOW_FOOTER, stack.lines, values, rule);
    }

    /** The counts stand behind a footer's name where there is room, else below it. */
    private void counts(BandCell.Words counts, Stack stack, TextStyle style, int depth) {
        Measured.Line name = stack.lines.getFirst();
        int behind = type.width(name.text(), style) + type.size(style);
        int used = behind + type.width(counts.text(), TextStyle.COUNTS);
        boolean beside = stack.lines.size() == 1 && used <= rooms.width(depth, Place.FOOTER);
        if (beside) {
            stack.lines.add(new Measured.Line(
                    counts.text(), TextStyle.COUNTS, name.x() + behind, name.baseline(), counts.part()));
        } else {
            int baseline = stack.line(TextStyle.COUNTS);
            stack.lines.add(
                    new Measured.Line(counts.text(), TextStyle.COUNTS, rooms.indent(depth), baseline, counts.part()));
        }
    }

    /** The style of a band's values where nothing is marked. */
    private TextStyle valueStyle(int band) {
        return switch (bands.kind(band)) {
            case GROUP_HEADING, GROUP_FOOTER -> TextStyle.TOTAL;
            case REPORT_FOOTER -> TextStyle.GRAND_TOTAL;
            case GROUP_LINE -> groupLines.hold(depth(bands.node(band))) ? TextStyle.TOTAL : TextStyle.CELL;
            case DETAIL, REPORT_HEADER, BLOCK_HEADER, OTHER_ROWS, FIGURE, PARAGRAPH, EMPTY, REFUSED -> TextStyle.CELL;
        };
    }

    /** The style of a band's value in a column, as it is marked. */
    TextStyle valueStyle(int band, int column, List<BandMarks.Mark> marks) {
        TextStyle own = valueStyle(band);
        return own == TextStyle.CELL
                        && !marks.isEmpty()
                        && marks.stream().anyMatch(mark -> isOn(mark, column) && isBold(mark))
                ? TextStyle.STRONG_CELL
                : own;
    }

    /** What is marked of a band. */
    List<BandMarks.Mark> marks(int band) {
        return plan.highlights().isEmpty() ? List.of() : contents.marksOf(bands, band);
    }

    private static boolean isOn(BandMarks.Mark mark, int column) {
        return mark.column() == BandMarks.Mark.ALL || mark.column() == column;
    }

    private boolean isBold(BandMarks.Mark mark) {
        return look.mark(plan.highlights().get(mark.rule()).look()).bold();
    }

    RowLines lines() {
        return rowLines;
    }

    /** What totals have come to, as a line of its own. */
    Measured carried(String name) {
        Stack stack = new Stack(0);
        int first = contents.carried(0).stream()
                .mapToInt(value -> columns.x()[value.column()])
                .min()
                .orElse(width);
        Words words = Words.of(plan.locale());
        int longest = Math.max(
                type.width(words.carriedForward(), TextStyle.TOTAL),
                type.width(words.broughtForward(), TextStyle.TOTAL));
        stack.put(new BandCell.Words(Role.NAME, "", name), TextStyle.TOTAL, 0, width);
        int values = longest + type.size(TextStyle.TOTAL) > first
                ? stack.line(TextStyle.TOTAL)
                : type.ascent(TextStyle.TOTAL);
        stack.reach(rowLines.belowFirst(), values, TextStyle.TOTAL);
        return new Measured(stack.y + BELOW_HEADING, stack.lines, values, Measured.NO_RULE);
    }

    private int depth(int node) {
        return bands.grouped().tree().depthOf(node);
    }

    /** Lines put one below the other. */
    private final class Stack {

        private final List<Measured.Line> lines = new ArrayList<>();
        private int y;

        Stack(int y) {
            this.y = y;
        }

        /** One line more; returns its baseline. */
        int line(TextStyle style) {
            y += type.lineHeight(style);
            return y - type.descent(style);
        }

        /** Goes down as far as the values of columns that stand below one another reach. */
        void reach(int below, int values, TextStyle style) {
            y = below == 0 ? y : Math.max(y, values + type.descent(style) + below * type.lineHeight(style));
        }

        void put(BandCell.Words words, TextStyle style, int x, int room) {
            for (String line : type.lines(words.text(), style, room)) {
                lines.add(new Measured.Line(line, style, x, line(style), words.part()));
            }
        }
    }
}
