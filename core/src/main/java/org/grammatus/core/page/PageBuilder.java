package org.grammatus.core.page;

import java.util.List;
import org.grammatus.core.band.BandCell;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.BandMarks;
import org.grammatus.core.band.Bands;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.page.Page.BandRole;
import org.grammatus.core.page.column.HeadingSpan;
import org.grammatus.core.page.column.ScaleMarks;
import org.grammatus.core.page.column.TypeSetting;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.style.PrintStyle;
import org.grammatus.core.words.Words;

/** Puts measured bands one below the other on a sheet. Used once. */
final class PageBuilder {

    private static final int NONE = -1;
    private static final int ABOVE_BAR = 100;

    private final BlockLayout layout;
    private final OpenGroups open;
    private final TypeSetting type;
    private final Bands bands;
    private final TablePlan plan;
    /** By column: depth of the groups in which a value is printed once; less than 0 where it is in each row. */
    private final int[] onceIn;

    private final Sheet sheet;
    private final PrintStyle look;
    private final Words words;
    private final BandRules rules;
    /** First cell of the items that stand side by side here; {@link #NONE} where none do. */
    private int rowOfItems = NONE;
    /** The first rule that marks one of them. */
    private int markOfItems = Page.NONE;

    private int firstBand;
    private int y;

    /** @param top where the block begins */
    PageBuilder(BlockPlace block, Sheet sheet, int top) {
        this.layout = block.layout();
        this.open = block.open();
        this.type = layout.type();
        this.bands = layout.bands();
        this.plan = layout.plan();
        this.onceIn = plan.columns().stream()
                .mapToInt(column -> column.onceIn().map(plan::depthOf).orElse(-1))
                .toArray();
        this.sheet = sheet;
        this.words = Words.of(plan.locale());
        this.rules = new BandRules(layout, sheet);
        this.look = plan.inputs().style();
        this.y = top;
        sheet.begin(block);
    }

    /** The bands of a block that stand on a page: its beginning, or what goes on from the page before. */
    void segment(int from, int to) {
        int band = from;
        while (band < to && bands.kind(band).opensBlock()) {
            put(band++);
        }
        if (from == 0 || plan.layout().repeatsHeadings()) {
            columnHeadings();
        }
        if (from > 0 && band == from) {
            repeatHeadings(from);
            carry(from, words.broughtForward());
        }
        firstBand = band;
        while (band < to) {
            put(band++);
        }
        carry(to, words.carriedForward());
        sheet.end(to);
    }

    /** The headings of the groups that go on from the page before. */
    private void repeatHeadings(int from) {
        for (int node : open.above(from)) {
            sheet.continued().add(node);
            int first = sheet.size();
            Measured heading = layout.measures().continued(node);
            words(heading, node);
            sheet.box(BandRole.HEADING, y, y + heading.height(), node, first);
            y += heading.height();
        }
    }

    /** What totals have come to before a band, where a page ends or begins with it. */
    private void carry(int band, String name) {
        layout.carried().rowBefore(band).ifPresent(row -> {
            int first = sheet.size();
            int node = bands.node(band);
            Measured line = layout.measures().carried(name);
            words(line, node);
            for (BandCell.Value value : layout.contents().carried(row)) {
                sheet.columnText(
                        value.text(),
                        TextStyle.TOTAL,
                        value.column(),
                        y
                                + line.values()
                                + layout.columns().stacks().slot()[value.column()] * type.lineHeight(TextStyle.TOTAL),
                        node,
                        value.part(),
                        BandLooks.isNumber(value));
            }
            sheet.box(BandRole.CARRIED, y, y + line.height(), node, first);
            y += line.height();
        });
    }

    /** The bands alone. */
    void strip(int from, int to) {
        sheet.continued().addAll(open.above(from));
        // What is printed once is printed again only where another group begins: a strip is no page.
        firstBand = 0;
        for (int band = from; band < to; band++) {
            put(band);
        }
        sheet.end(to);
    }

    /** How far down it has come. */
    int y() {
        return y;
    }

    void columnHeadings() {
        int height = layout.columnHeadingsHeight();
        if (height == 0) {
            return;
        }
        int first = sheet.size();
        spans();
        for (int c = 0; c < plan.columns().size(); c++) {
            List<String> lines = layout.columnHeadingLines(c);
            for (int i = 0; i < lines.size(); i++) {
                int baseline = y + layout.columnHeadingBaseline(c, i);
                String id = plan.columns().get(c).id();
                if (plan.columns().get(c).room().hasTurnedHeading()) {
                    sheet.turned(lines.get(i), TextStyle.COLUMN_HEADING, c, baseline, id);
                } else {
                    sheet.columnText(lines.get(i), TextStyle.COLUMN_HEADING, c, baseline, GroupTree.ROOT, id, false);
                }
            }
        }
        sheet.ground()
                .rule(
                        0,
                        y + layout.columnHeadingsRule(),
                        layout.width(),
                        look.lines().columnHeadings());
        sheet.box(BandRole.COLUMN_HEADINGS, y, y + height, GroupTree.ROOT, first);
        y += height;
    }

    /** The headings over several columns, each with a line below it. */
    private void spans() {
        for (HeadingSpan span : layout.spans()) {
            TextStyle style = TextStyle.COLUMN_HEADING;
            String text = type.lines(span.text(), style, span.width()).getFirst();
            int x = span.x() + Math.max(0, (span.width() - type.width(text, style)) / 2);
            sheet.text(text, style, x, y + type.ascent(style), GroupTree.ROOT, span.part());
            sheet.ground()
                    .rule(
                            span.x(),
                            y + type.lineHeight(style),
                            span.width(),
                            look.lines().innerTotal());
        }
    }

    private void put(int band) {
        BandKind kind = bands.kind(band);
        int node = bands.node(band);
        int first = rowOfItems == NONE ? sheet.size() : rowOfItems;
        Measured measured = layout.measures().of(band);
        List<BandMarks.Mark> marks = layout.measures().marks(band);
        int bottom = y + measured.height();
        BandLooks looks = new BandLooks(marks, layout, sheet);
        if (kind == BandKind.FIGURE) {
            measured.ground().ifPresent(ground -> looks.fill(ground, y));
        } else {
            looks.fills(y, y + measured.own());
            looks.signs(kind, y, node);
        }
        if (measured.rule() != Measured.NO_RULE) {
            int indent = layout.indent(bands.grouped().tree().depthOf(node));
            sheet.ground().rule(indent, y + measured.rule(), layout.width() - indent, rules.aboveTotals(kind, node));
        }
        rules.below(band, y + measured.own());
        measured.rules()
                .forEach(rule -> sheet.ground()
                        .rule(rule.x(), y + rule.y(), rule.width(), look.lines().innerTotal()));
        if (kind == BandKind.REPORT_HEADER) {
            look.logo()
                    .ifPresent(logo ->
                            sheet.ground().picture(logo, layout.measures().logoLeft(), y));
        }
        sheet.ink(looks.ink());
        words(measured, node);
        if (kind != BandKind.FIGURE) {
            values(band, measured, looks);
        }
        sheet.ink("");
        // Items that stand side by side are one band of the page, which the last of them closes.
        int mark = markOfItems == Page.NONE ? looks.first() : markOfItems;
        rowOfItems = measured.height() == 0 ? first : NONE;
        markOfItems = rowOfItems == NONE ? Page.NONE : mark;
        if (rowOfItems != NONE) {
            return;
        }
        int row = kind == BandKind.DETAIL ? bands.row(band) : Page.NONE;
        sheet.box(role(kind), y, bottom, node, first, row, mark);
        if (kind == BandKind.DETAIL || kind == BandKind.GROUP_LINE || kind == BandKind.OTHER_ROWS) {
            sheet.feed(node, y, bottom);
        }
        y = bottom;
    }

    private static BandRole role(BandKind kind) {
        return switch (kind) {
            case REPORT_HEADER -> BandRole.TITLE;
            case BLOCK_HEADER -> BandRole.BLOCK_TITLE;
            case GROUP_HEADING -> BandRole.HEADING;
            case GROUP_LINE, DETAIL, FIGURE, PARAGRAPH, EMPTY, REFUSED -> BandRole.ROW;
            case OTHER_ROWS -> BandRole.OTHER_ROWS;
            case GROUP_FOOTER -> BandRole.TOTALS;
            case REPORT_FOOTER -> BandRole.GRAND_TOTAL;
        };
    }

    private void words(Measured measured, int node) {
        for (Measured.Line line : measured.words()) {
            sheet.text(line.text(), line.style(), line.x(), y + line.baseline(), node, line.part(), line.figure());
        }
    }

    private void values(int band, Measured measured, BandLooks looks) {
        int node = bands.node(band);
        int[] above = layout.measures().linesAbove(band, looks.marks());
        for (BandCell.Value value : layout.contents().values(bands, band)) {
            int column = value.column();
            if (bands.kind(band) == BandKind.DETAIL && isPrintedAbove(band, column)) {
                continue;
            }
            TextStyle style = layout.measures().valueStyle(band, column, looks.marks());
            int baseline = y + measured.values() + above[column] * type.lineHeight(style);
            sheet.ink(looks.ink(value));
            scale(bands.kind(band), value, measured, node);
            int first = baseline;
            for (String line : layout.measures().lines().of(value, style)) {
                sheet.columnText(line, style, column, baseline, node, value.part(), BandLooks.isNumber(value));
                baseline += type.lineHeight(style);
            }
            looks.signsBeside(column, first, node);
        }
    }

    /** The bar behind a figure, or the dots before it. */
    private void scale(BandKind kind, BandCell.Value value, Measured measured, int node) {
        if (kind != BandKind.DETAIL && kind != BandKind.GROUP_LINE) {
            return;
        }
        layout.scale(value.column()).filter(scale -> scale.isDrawn(value)).ifPresent(scale -> {
            int left = layout.columns().x()[value.column()];
            if (scale.isBar()) {
                int[] bar = scale.bar(value, layout.columns().widths()[value.column()]);
                int bottom = y + measured.own() - look.belowRow();
                sheet.ground().fill(left + bar[0], y + ABOVE_BAR, bar[1] - bar[0], bottom, ScaleMarks.TINT);
            } else {
                sheet.text(scale.dots(value, node), TextStyle.CELL, left, y + measured.values(), node, value.part());
            }
        });
    }

    /** Whether a value that is printed once in its group is that of the row above, in the same group and on this page. */
    private boolean isPrintedAbove(int band, int column) {
        int depth = onceIn[column];
        if (depth < 0 || band <= firstBand) {
            return false;
        }
        for (int above = band - 1; above >= firstBand; above--) {
            if (bands.kind(above) == BandKind.DETAIL) {
                GroupTree tree = bands.grouped().tree();
                return tree.ancestor(bands.node(above), depth) == tree.ancestor(bands.node(band), depth)
                        && bands.grouped().rows().columns().get(column).isSame(bands.row(above), bands.row(band));
            }
        }
        return false;
    }
}
