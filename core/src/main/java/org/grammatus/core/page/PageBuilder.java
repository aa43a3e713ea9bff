package org.grammatus.core.page;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.Bands;
import org.grammatus.core.band.Printed;
import org.grammatus.core.band.Words;
import org.grammatus.core.choice.Place;
import org.grammatus.core.group.Marks;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.page.Page.BandRole;
import org.grammatus.core.plan.HighlightPlan;
import org.grammatus.core.plan.PageText;
import org.grammatus.core.plan.TablePlan;

/** Puts the bands of one page in their places. Used once. */
final class PageBuilder {

    private static final int THIN = 40;
    private static final int MEDIUM = 70;
    private static final int THICK = 120;

    private final Layout layout;
    private final Printed printed;
    private final TablePlan plan;
    private final Paper paper;
    private final int number;
    private final int of;
    private final Sheet sheet;
    private int firstBand;
    private int y;

    PageBuilder(Layout layout, int number, int of) {
        this.layout = layout;
        this.printed = layout.printed();
        this.plan = layout.plan();
        this.paper = layout.paper();
        this.number = number;
        this.of = of;
        this.y = paper.top();
        this.sheet = new Sheet(layout, number, of);
    }

    Page page(int from, int to) {
        Bands bands = layout.bands();
        sheet.nodeIndex(GroupTree.ROOT);
        if (bands.kind(from) == BandKind.REPORT_HEADER) {
            reportHeader();
            columnHeadings();
            from++;
        } else {
            pageHeader();
            columnHeadings();
            for (int node : layout.openHeadings(from)) {
                sheet.continued().add(node);
                heading(node, true);
            }
        }
        firstBand = from;
        for (int band = from; band < to; band++) {
            band(band);
        }
        pageFooter();
        return sheet.built(paper.height(), to);
    }

    /** The bands alone, one below the other from the top. */
    Page strip(int from, int to) {
        y = 0;
        sheet.nodeIndex(GroupTree.ROOT);
        sheet.continued().addAll(layout.openHeadings(from));
        // What is printed once is printed again only where another group begins: a strip is no page.
        firstBand = 0;
        for (int band = from; band < to; band++) {
            if (layout.bands().kind(band) == BandKind.REPORT_HEADER) {
                reportHeader();
            } else {
                band(band);
            }
        }
        return sheet.built(y, to);
    }

    Page headingsAlone() {
        y = 0;
        sheet.nodeIndex(GroupTree.ROOT);
        columnHeadings();
        return sheet.built(y, layout.bands().size());
    }

    private void band(int band) {
        Bands bands = layout.bands();
        BandKind kind = bands.kind(band);
        int node = bands.node(band);
        switch (kind) {
            case GROUP_HEADING -> heading(node, false);
            case GROUP_LINE, DETAIL -> row(band);
            case OTHER_ROWS -> otherRows(node);
            case EMPTY -> empty();
            case GROUP_FOOTER, REPORT_FOOTER -> footer(kind, node);
            case REPORT_HEADER -> throw new IllegalStateException("A report header comes first");
        }
    }

    private void reportHeader() {
        int top = y;
        int first = sheet.size();
        paragraph(plan.inputs().title(), TextStyle.TITLE);
        for (String text : printed.subtitles()) {
            paragraph(text, TextStyle.SUBTITLE);
        }
        y += 900;
        sheet.box(BandRole.TITLE, top, y, GroupTree.ROOT, first);
    }

    private void paragraph(String text, TextStyle style) {
        for (String line : layout.lines(text, style, paper.printableWidth())) {
            y += layout.lineHeight(style);
            sheet.text(line, style, paper.left(), y - layout.size(style) / 4, GroupTree.ROOT, "");
        }
    }

    private void pageHeader() {
        int top = y;
        int first = sheet.size();
        y += layout.lineHeight(TextStyle.PAGE_MARGIN);
        marginTexts(pageText(plan.inputs().page().header(), plan.inputs().title()), printed.answersInWords());
        y += 600;
        sheet.box(BandRole.PAGE_HEADER, top, y, GroupTree.ROOT, first);
    }

    private void pageFooter() {
        y = paper.bottom() - layout.pageFooterHeight() + 500;
        int top = y;
        int first = sheet.size();
        y += layout.lineHeight(TextStyle.PAGE_MARGIN);
        String source = plan.dataset().label() + " · business date "
                + printed.day(plan.context().businessDate().toEpochDay());
        marginTexts(pageText(plan.inputs().page().footer(), source), Words.page(number, of));
        sheet.box(BandRole.PAGE_FOOTER, top, y, GroupTree.ROOT, first);
    }

    private String pageText(Optional<PageText> own, String otherwise) {
        return own.map(text -> text.filled(Map.of(
                        PageText.Name.TITLE, plan.inputs().title(),
                        PageText.Name.ANSWERS, printed.answersInWords(),
                        PageText.Name.DATASET, plan.dataset().label(),
                        PageText.Name.BUSINESS_DATE,
                                printed.day(plan.context().businessDate().toEpochDay()),
                        PageText.Name.PAGE, Integer.toString(number),
                        PageText.Name.PAGES, Integer.toString(of))))
                .orElse(otherwise);
    }

    /** One text at the left and one at the right of a line, the left one cut where they would meet. */
    private void marginTexts(String left, String right) {
        TextStyle style = TextStyle.PAGE_MARGIN;
        int baseline = y - layout.size(style) / 4;
        int most = paper.printableWidth() * 6 / 10;
        String end = layout.lines(right, style, most).getFirst();
        int width = style.face().width(end, layout.size(style));
        sheet.text(
                layout.lines(left, style, paper.printableWidth() - width - 2000).getFirst(),
                style,
                paper.left(),
                baseline,
                GroupTree.ROOT,
                "");
        if (!end.isEmpty()) {
            sheet.text(end, style, paper.right() - width, baseline, GroupTree.ROOT, "");
        }
    }

    private void columnHeadings() {
        int top = y;
        int first = sheet.size();
        int height = layout.columnHeadingsHeight();
        if (height == 0) {
            return;
        }
        TextStyle style = TextStyle.COLUMN_HEADING;
        for (int c = 0; c < plan.columns().size(); c++) {
            List<String> lines = layout.columnHeadingLines(c);
            for (int i = 0; i < lines.size(); i++) {
                int baseline =
                        top + height - 700 - (lines.size() - 1 - i) * layout.lineHeight(style) - layout.size(style) / 4;
                sheet.columnText(
                        lines.get(i),
                        style,
                        c,
                        baseline,
                        GroupTree.ROOT,
                        plan.columns().get(c).id());
            }
        }
        y += height;
        sheet.rule(new Page.Rule(paper.left(), y - 500, paper.printableWidth(), MEDIUM));
        sheet.box(BandRole.COLUMN_HEADINGS, top, y, GroupTree.ROOT, first);
    }

    private void heading(int node, boolean repeated) {
        int depth = layout.depth(node);
        TextStyle style = TextStyle.heading(depth);
        int top = y;
        int first = sheet.size();
        y += layout.spaceAbove(BandKind.GROUP_HEADING, depth);
        int firstBaseline = y + layout.lineHeight(style) - layout.size(style) / 4;
        String level = plan.levels().get(depth - 1).id();
        for (String line : layout.headingText(node, repeated)) {
            y += layout.lineHeight(style);
            sheet.text(line, style, layout.indent(depth), y - layout.size(style) / 4, node, level);
        }
        if (!repeated) {
            figures(node, depth, Place.HEADER, TextStyle.TOTAL, firstBaseline);
        }
        y += 100;
        sheet.box(BandRole.HEADING, top, y, node, first);
    }

    private void row(int band) {
        Bands bands = layout.bands();
        int node = bands.node(band);
        int depth = layout.depth(node);
        boolean line = bands.kind(band) == BandKind.GROUP_LINE;
        int top = y;
        int first = sheet.size();
        TextStyle style = layout.rowStyle(band);
        int mark = plan.highlights().isEmpty() ? Marks.NONE : layout.markOf(band);
        if (mark != Marks.NONE) {
            mark(mark, top, node);
        }
        for (int c = 0; c < plan.columns().size(); c++) {
            if (!line && printedAbove(band, c)) {
                continue;
            }
            Optional<Integer> total = line ? printed.totalAt(c, depth, Place.HEADER) : Optional.empty();
            List<String> lines =
                    total.isPresent() ? List.of(printed.total(total.get(), node)) : layout.cellLines(band, c);
            String id = total.map(t -> plan.totals().get(t).id())
                    .orElse(plan.columns().get(c).id());
            for (int i = 0; i < lines.size(); i++) {
                int baseline = top + (i + 1) * layout.lineHeight(style) - layout.size(style) / 4;
                sheet.columnText(lines.get(i), style, c, baseline, node, id);
            }
        }
        y += layout.height(band);
        sheet.box(new Page.BandBox(
                BandRole.ROW, top, y - top, sheet.nodeIndex(node), first, line ? Page.NONE : bands.row(band), mark));
        sheet.feed(node, top, y);
    }

    /** A mark's sign stands left of the columns, so that it is seen in print without colour. */
    private void mark(int mark, int top, int node) {
        HighlightPlan highlight = plan.highlights().get(mark);
        String sign = Words.sign(highlight.look());
        TextStyle style = TextStyle.STRONG_CELL;
        int size = layout.size(style);
        int x = paper.left() - style.face().width(sign, size) - size / 3;
        sheet.text(sign, style, x, top + layout.lineHeight(style) - size / 4, node, highlight.id());
    }

    /** Whether a value that is printed once in its group is that of the row above, in the same group and on this page. */
    private boolean printedAbove(int band, int column) {
        Optional<Integer> onceIn = plan.columns().get(column).onceIn();
        Bands bands = layout.bands();
        if (onceIn.isEmpty() || band <= firstBand) {
            return false;
        }
        for (int above = band - 1; above >= firstBand; above--) {
            if (bands.kind(above) == BandKind.DETAIL) {
                GroupTree tree = bands.grouped().tree();
                int depth = onceIn.get();
                return tree.ancestor(bands.node(above), depth) == tree.ancestor(bands.node(band), depth)
                        && printed.isSame(column, bands.row(above), bands.row(band));
            }
        }
        return false;
    }

    private void otherRows(int node) {
        int top = y;
        int first = sheet.size();
        TextStyle style = TextStyle.CELL;
        for (String line : layout.otherRowsText(node)) {
            y += layout.lineHeight(style);
            String id = plan.id();
            sheet.text(line, style, layout.columns().x()[0], y - layout.size(style) / 4, node, id);
        }
        y += layout.otherRowsBelow() ? layout.lineHeight(style) : 0;
        int baseline = layout.otherRowsBelow()
                ? y - layout.size(style) / 4
                : top + layout.lineHeight(style) - layout.size(style) / 4;
        for (int c = 0; c < plan.columns().size(); c++) {
            int column = c;
            printed.otherRowsTotalAt(c)
                    .ifPresent(total ->
                            sheet.columnText(printed.otherRowsTotal(total, node), style, column, baseline, node, ""));
        }
        y += 60;
        sheet.box(BandRole.OTHER_ROWS, top, y, node, first);
        sheet.feed(node, top, y);
    }

    private void empty() {
        int top = y;
        int first = sheet.size();
        y += layout.spaceAbove(BandKind.EMPTY, 0) + layout.lineHeight(TextStyle.CELL);
        sheet.text(
                Words.NO_ROWS, TextStyle.CELL, paper.left(), y - layout.size(TextStyle.CELL) / 4, GroupTree.ROOT, "");
        y += 400;
        sheet.box(BandRole.ROW, top, y, GroupTree.ROOT, first);
    }

    private void footer(BandKind kind, int node) {
        int depth = layout.depth(node);
        int top = y;
        int first = sheet.size();
        TextStyle style = layout.footerStyle(kind);
        boolean grand = kind == BandKind.REPORT_FOOTER;
        y += layout.spaceAbove(kind, depth);
        sheet.rule(new Page.Rule(
                layout.indent(depth),
                y,
                paper.right() - layout.indent(depth),
                grand ? THICK : depth == 1 ? MEDIUM : THIN));
        int firstBaseline = y + layout.lineHeight(style) - layout.size(style) / 4;
        String id = grand ? TablePlan.REPORT : plan.levels().get(depth - 1).id();
        int end = 0;
        for (String line : layout.footerText(kind, node)) {
            y += layout.lineHeight(style);
            end = layout.indent(depth)
                    + sheet.text(line, style, layout.indent(depth), y - layout.size(style) / 4, node, id);
        }
        if (!plan.counted().isEmpty()) {
            boolean beside = layout.countsBeside(kind, node);
            y += beside ? 0 : layout.lineHeight(TextStyle.COUNTS);
            int x = beside ? end + layout.size(style) : layout.indent(depth);
            int baseline = y - layout.size(beside ? style : TextStyle.COUNTS) / 4;
            sheet.text(printed.countsInWords(node), TextStyle.COUNTS, x, baseline, node, "");
        }
        figures(node, depth, Place.FOOTER, style, firstBaseline);
        y += 250;
        sheet.box(grand ? BandRole.GRAND_TOTAL : BandRole.TOTALS, top, y, node, first);
    }

    private void figures(int node, int depth, Place place, TextStyle style, int besideName) {
        boolean below = layout.figuresBelow(depth, place);
        y += below ? layout.lineHeight(style) : 0;
        int baseline = below ? y - layout.size(style) / 4 : besideName;
        for (int c = 0; c < plan.columns().size(); c++) {
            int column = c;
            printed.totalAt(c, depth, place)
                    .ifPresent(total -> sheet.columnText(
                            printed.total(total, node),
                            style,
                            column,
                            baseline,
                            node,
                            plan.totals().get(total).id()));
        }
    }
}
