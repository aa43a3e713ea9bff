package org.grammatus.core.page;

import java.util.List;
import java.util.stream.IntStream;
import org.grammatus.core.band.PrintedColumn;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.page.Page.BandRole;
import org.grammatus.core.page.column.ColumnLayout;
import org.grammatus.core.page.column.HeadingSpan;
import org.grammatus.core.page.column.TypeSetting;

/** The headings of a table's columns, broken into lines, and the headings that stand over several columns. */
final class ColumnHeadings {

    private static final int BELOW_HEADINGS = 700;
    private static final int BELOW_SPAN = 150;
    private static final TextStyle STYLE = TextStyle.COLUMN_HEADING;

    private final List<PrintedColumn> printed;
    private final ColumnLayout columns;
    private final TypeSetting type;
    private final int width;
    private final List<List<String>> lines;
    private final List<HeadingSpan> spans;
    private final int height;

    /** @param width of the table */
    ColumnHeadings(List<PrintedColumn> printed, ColumnLayout columns, TypeSetting type, int width) {
        this.printed = printed;
        this.columns = columns;
        this.type = type;
        this.width = width;
        this.lines = printed.stream().map(this::lines).toList();
        this.spans = HeadingSpan.of(printed, columns);
        int most = IntStream.range(0, lines.size())
                .map(c -> heightOf(c) + heightBelow(c))
                .max()
                .orElse(0);
        int span = spans.isEmpty() ? 0 : type.lineHeight(STYLE) + BELOW_SPAN;
        this.height = most == 0 ? 0 : most + span + BELOW_HEADINGS;
    }

    /** A heading that is turned stands on one line, as long as it is. */
    private List<String> lines(PrintedColumn column) {
        return isTurned(column)
                ? List.of(type.printable(column.heading(), STYLE))
                : type.lines(column.heading(), STYLE, columns.widths()[column.position()]);
    }

    private static boolean isTurned(PrintedColumn column) {
        return column.plan().print().room().hasTurnedHeading();
    }

    /** How tall a column's own heading is. */
    private int heightOf(int column) {
        List<String> own = lines.get(column);
        return isTurned(printed.get(column)) ? type.width(own.getFirst(), STYLE) : own.size() * type.lineHeight(STYLE);
    }

    /** How tall the headings are of columns that stand in one place, from one of them on down. */
    private int heightBelow(int column) {
        int below = 0;
        for (int other : columns.stacks().of(columns.stacks().host()[column])) {
            below += other > column ? heightOf(other) : 0;
        }
        return below;
    }

    /** Height of all of them; 0 where there are no columns. */
    int height() {
        return height;
    }

    /** Baseline of a line of a column's heading, from the headings' top: the last lines of all stand side by side. */
    private int baseline(int column, int line) {
        int after = lines.get(column).size() - 1 - line;
        return height
                - BELOW_HEADINGS
                - heightBelow(column)
                - after * type.lineHeight(STYLE)
                - (isTurned(printed.get(column)) ? 0 : type.descent(STYLE));
    }

    /** Puts them on a sheet. */
    void put(int y, PageAssembler sheet) {
        int first = sheet.size();
        spans(y, sheet);
        for (PrintedColumn column : printed) {
            List<String> own = lines.get(column.position());
            for (int i = 0; i < own.size(); i++) {
                int baseline = y + baseline(column.position(), i);
                if (isTurned(column)) {
                    sheet.turned(own.get(i), STYLE, column, baseline);
                } else {
                    sheet.columnText(own.get(i), STYLE, column, baseline, GroupTree.ROOT, column.id(), false);
                }
            }
        }
        sheet.ground()
                .rule(
                        0,
                        y + height - BELOW_HEADINGS + 200,
                        width,
                        type.look().lines().columnHeadings());
        sheet.box(BandRole.COLUMN_HEADINGS, y, y + height, GroupTree.ROOT, first);
    }

    /** The headings over several columns, each with a line below it. */
    private void spans(int y, PageAssembler sheet) {
        for (HeadingSpan span : spans) {
            String text = type.lines(span.text(), STYLE, span.width()).getFirst();
            int x = span.x() + Math.max(0, (span.width() - type.width(text, STYLE)) / 2);
            sheet.text(text, STYLE, x, y + type.ascent(STYLE), GroupTree.ROOT, span.part());
            sheet.ground()
                    .rule(
                            span.x(),
                            y + type.lineHeight(STYLE),
                            span.width(),
                            type.look().lines().innerTotal());
        }
    }
}
