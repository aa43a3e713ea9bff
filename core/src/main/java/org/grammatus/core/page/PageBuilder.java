package org.grammatus.core.page;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.Bands;
import org.grammatus.core.band.Printed;
import org.grammatus.core.band.Words;
import org.grammatus.core.choice.Align;
import org.grammatus.core.choice.Header;
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
    private final Map<Integer, Integer> nodes = new LinkedHashMap<>();
    private final Map<String, Integer> ids = new LinkedHashMap<>();
    private final Map<String, Integer> texts = new LinkedHashMap<>();
    private final List<Page.BandBox> boxes = new ArrayList<>();
    private final List<Page.Cell> cells = new ArrayList<>();
    private final List<Page.Rule> rules = new ArrayList<>();
    private final Set<Integer> continued = new HashSet<>();
    private final Map<Integer, int[]> braceSpans = new LinkedHashMap<>();
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
    }

    Page page(int from, int to) {
        Bands bands = layout.bands();
        nodeIndex(GroupTree.ROOT);
        if (bands.kind(from) == BandKind.REPORT_HEADER) {
            reportHeader();
            columnHeadings();
            from++;
        } else {
            pageHeader();
            columnHeadings();
            for (int node : layout.openHeadings(from)) {
                continued.add(node);
                heading(node, true);
            }
        }
        firstBand = from;
        for (int band = from; band < to; band++) {
            band(band);
        }
        pageFooter();
        return built(paper.height(), to);
    }

    /** The bands alone, one below the other from the top. */
    Page strip(int from, int to) {
        y = 0;
        nodeIndex(GroupTree.ROOT);
        continued.addAll(layout.openHeadings(from));
        // What is printed once is printed again only where another group begins: a strip is no page.
        firstBand = 0;
        for (int band = from; band < to; band++) {
            if (layout.bands().kind(band) == BandKind.REPORT_HEADER) {
                reportHeader();
            } else {
                band(band);
            }
        }
        return built(y, to);
    }

    Page headingsAlone() {
        y = 0;
        nodeIndex(GroupTree.ROOT);
        columnHeadings();
        return built(y, layout.bands().size());
    }

    private Page built(int height, int to) {
        return new Page(
                number,
                of,
                paper.width(),
                height,
                styles(),
                pageNodes(),
                List.copyOf(ids.keySet()),
                List.copyOf(texts.keySet()),
                List.copyOf(boxes),
                List.copyOf(cells),
                List.copyOf(rules),
                braces(to),
                columnBoxes(),
                plan.highlights().stream()
                        .map(h -> new Page.Mark(h.id(), h.label(), h.look()))
                        .toList());
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
        int first = cells.size();
        paragraph(plan.inputs().title(), TextStyle.TITLE);
        for (String text : printed.subtitles()) {
            paragraph(text, TextStyle.SUBTITLE);
        }
        y += 900;
        box(BandRole.TITLE, top, GroupTree.ROOT, first);
    }

    private void paragraph(String text, TextStyle style) {
        for (String line : layout.lines(text, style, paper.printableWidth())) {
            y += layout.lineHeight(style);
            text(line, style, paper.left(), y - layout.size(style) / 4, GroupTree.ROOT, "");
        }
    }

    private void pageHeader() {
        int top = y;
        int first = cells.size();
        y += layout.lineHeight(TextStyle.PAGE_MARGIN);
        marginTexts(pageText(plan.inputs().page().header(), plan.inputs().title()), printed.answersInWords());
        y += 600;
        box(BandRole.PAGE_HEADER, top, GroupTree.ROOT, first);
    }

    private void pageFooter() {
        y = paper.bottom() - layout.pageFooterHeight() + 500;
        int top = y;
        int first = cells.size();
        y += layout.lineHeight(TextStyle.PAGE_MARGIN);
        String source = plan.dataset().label() + " · business date "
                + printed.day(plan.context().businessDate().toEpochDay());
        marginTexts(pageText(plan.inputs().page().footer(), source), Words.page(number, of));
        box(BandRole.PAGE_FOOTER, top, GroupTree.ROOT, first);
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
        text(
                layout.lines(left, style, paper.printableWidth() - width - 2000).getFirst(),
                style,
                paper.left(),
                baseline,
                GroupTree.ROOT,
                "");
        if (!end.isEmpty()) {
            text(end, style, paper.right() - width, baseline, GroupTree.ROOT, "");
        }
    }

    private void columnHeadings() {
        int top = y;
        int first = cells.size();
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
                columnText(
                        lines.get(i),
                        style,
                        c,
                        baseline,
                        GroupTree.ROOT,
                        plan.columns().get(c).id());
            }
        }
        y += height;
        rules.add(new Page.Rule(paper.left(), y - 500, paper.printableWidth(), MEDIUM));
        box(BandRole.COLUMN_HEADINGS, top, GroupTree.ROOT, first);
    }

    private void heading(int node, boolean repeated) {
        int depth = layout.depth(node);
        TextStyle style = TextStyle.heading(depth);
        int top = y;
        int first = cells.size();
        y += layout.spaceAbove(BandKind.GROUP_HEADING, depth);
        int firstBaseline = y + layout.lineHeight(style) - layout.size(style) / 4;
        String level = plan.levels().get(depth - 1).id();
        for (String line : layout.headingText(node, repeated)) {
            y += layout.lineHeight(style);
            text(line, style, layout.indent(depth), y - layout.size(style) / 4, node, level);
        }
        if (!repeated) {
            figures(node, depth, Place.HEADER, TextStyle.TOTAL, firstBaseline);
        }
        y += 100;
        box(BandRole.HEADING, top, node, first);
    }

    private void row(int band) {
        Bands bands = layout.bands();
        int node = bands.node(band);
        int depth = layout.depth(node);
        boolean line = bands.kind(band) == BandKind.GROUP_LINE;
        int top = y;
        int first = cells.size();
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
                columnText(lines.get(i), style, c, baseline, node, id);
            }
        }
        y += layout.height(band);
        boxes.add(new Page.BandBox(
                BandRole.ROW, top, y - top, nodeIndex(node), first, line ? Page.NONE : bands.row(band), mark));
        feed(node, top, y);
    }

    /** A mark's sign stands left of the columns, so that it is seen in print without colour. */
    private void mark(int mark, int top, int node) {
        HighlightPlan highlight = plan.highlights().get(mark);
        String sign = Words.sign(highlight.look());
        TextStyle style = TextStyle.STRONG_CELL;
        int size = layout.size(style);
        int x = paper.left() - style.face().width(sign, size) - size / 3;
        text(sign, style, x, top + layout.lineHeight(style) - size / 4, node, highlight.id());
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
        int first = cells.size();
        TextStyle style = TextStyle.CELL;
        for (String line : layout.otherRowsText(node)) {
            y += layout.lineHeight(style);
            String id = plan.id();
            text(line, style, layout.columns().x()[0], y - layout.size(style) / 4, node, id);
        }
        y += layout.otherRowsBelow() ? layout.lineHeight(style) : 0;
        int baseline = layout.otherRowsBelow()
                ? y - layout.size(style) / 4
                : top + layout.lineHeight(style) - layout.size(style) / 4;
        for (int c = 0; c < plan.columns().size(); c++) {
            int column = c;
            printed.otherRowsTotalAt(c)
                    .ifPresent(total ->
                            columnText(printed.otherRowsTotal(total, node), style, column, baseline, node, ""));
        }
        y += 60;
        box(BandRole.OTHER_ROWS, top, node, first);
        feed(node, top, y);
    }

    private void empty() {
        int top = y;
        int first = cells.size();
        y += layout.spaceAbove(BandKind.EMPTY, 0) + layout.lineHeight(TextStyle.CELL);
        text(Words.NO_ROWS, TextStyle.CELL, paper.left(), y - layout.size(TextStyle.CELL) / 4, GroupTree.ROOT, "");
        y += 400;
        box(BandRole.ROW, top, GroupTree.ROOT, first);
    }

    private void footer(BandKind kind, int node) {
        int depth = layout.depth(node);
        int top = y;
        int first = cells.size();
        TextStyle style = layout.footerStyle(kind);
        boolean grand = kind == BandKind.REPORT_FOOTER;
        y += layout.spaceAbove(kind, depth);
        rules.add(new Page.Rule(
                layout.indent(depth),
                y,
                paper.right() - layout.indent(depth),
                grand ? THICK : depth == 1 ? MEDIUM : THIN));
        int firstBaseline = y + layout.lineHeight(style) - layout.size(style) / 4;
        String id = grand ? TablePlan.REPORT : plan.levels().get(depth - 1).id();
        int end = 0;
        for (String line : layout.footerText(kind, node)) {
            y += layout.lineHeight(style);
            end = layout.indent(depth) + text(line, style, layout.indent(depth), y - layout.size(style) / 4, node, id);
        }
        if (!plan.counted().isEmpty()) {
            boolean beside = layout.countsBeside(kind, node);
            y += beside ? 0 : layout.lineHeight(TextStyle.COUNTS);
            int x = beside ? end + layout.size(style) : layout.indent(depth);
            int baseline = y - layout.size(beside ? style : TextStyle.COUNTS) / 4;
            text(printed.countsInWords(node), TextStyle.COUNTS, x, baseline, node, "");
        }
        figures(node, depth, Place.FOOTER, style, firstBaseline);
        y += 250;
        box(grand ? BandRole.GRAND_TOTAL : BandRole.TOTALS, top, node, first);
    }

    private void figures(int node, int depth, Place place, TextStyle style, int besideName) {
        boolean below = layout.figuresBelow(depth, place);
        y += below ? layout.lineHeight(style) : 0;
        int baseline = below ? y - layout.size(style) / 4 : besideName;
        for (int c = 0; c < plan.columns().size(); c++) {
            int column = c;
            printed.totalAt(c, depth, place)
                    .ifPresent(total -> columnText(
                            printed.total(total, node),
                            style,
                            column,
                            baseline,
                            node,
                            plan.totals().get(total).id()));
        }
    }

    /** Notes that rows between two heights feed a group and every group around it. */
    private void feed(int node, int top, int bottom) {
        GroupTree tree = layout.bands().grouped().tree();
        for (int n = node; n > GroupTree.ROOT; n = tree.parentOf(n)) {
            if (plan.levels().get(layout.depth(n) - 1).header() != Header.LINE) {
                braceSpans.computeIfAbsent(n, key -> new int[] {top, bottom})[1] = bottom;
            }
        }
    }

    private List<Page.Brace> braces(int nextBand) {
        GroupTree tree = layout.bands().grouped().tree();
        int nextNode = nextBand < layout.bands().size() ? layout.bands().node(nextBand) : GroupTree.ROOT;
        List<Page.Brace> braces = new ArrayList<>();
        for (Map.Entry<Integer, int[]> span : braceSpans.entrySet()) {
            int node = span.getKey();
            int place = tree.placeOf(nextNode);
            boolean goesOn = nextNode != GroupTree.ROOT && place >= tree.placeOf(node) && place <= tree.lastPlace(node);
            braces.add(new Page.Brace(
                    nodeIndex(node), span.getValue()[0], span.getValue()[1], !continued.contains(node), !goesOn));
        }
        return braces;
    }

    private void columnText(String text, TextStyle style, int column, int baseline, int node, String id) {
        if (text.isEmpty()) {
            return;
        }
        ColumnLayout columns = layout.columns();
        Align align = plan.columns().get(column).align();
        String printable = style.face().printable(text);
        int width = style.face().width(printable, layout.size(style));
        int x = switch (align) {
            case START -> columns.x()[column];
            case CENTRE -> columns.x()[column] + Math.max(0, (columns.widths()[column] - width) / 2);
            case END -> columns.right(column) - width;
        };
        boolean end = align == Align.END;
        int idIndex = id.isEmpty() ? Page.NONE : index(ids, id);
        cells.add(new Page.Cell(
                x, baseline, width, index(texts, printable), style.ordinal(), nodeIndex(node), idIndex, end));
    }

    /** Puts a text in its place and returns its width. */
    private int text(String text, TextStyle style, int x, int baseline, int node, String id) {
        String printable = style.face().printable(text);
        int width = style.face().width(printable, layout.size(style));
        int idIndex = id.isEmpty() ? Page.NONE : index(ids, id);
        cells.add(new Page.Cell(
                x, baseline, width, index(texts, printable), style.ordinal(), nodeIndex(node), idIndex, false));
        return width;
    }

    private void box(BandRole role, int top, int node, int firstCell) {
        boxes.add(new Page.BandBox(role, top, y - top, nodeIndex(node), firstCell, Page.NONE, Page.NONE));
    }

    private List<Page.ColumnBox> columnBoxes() {
        List<Page.ColumnBox> columns = new ArrayList<>();
        for (int c = 0; c < plan.columns().size(); c++) {
            columns.add(new Page.ColumnBox(
                    plan.columns().get(c).id(),
                    layout.columns().x()[c],
                    layout.columns().widths()[c]));
        }
        return columns;
    }

    private int nodeIndex(int node) {
        return nodes.computeIfAbsent(node, key -> nodes.size());
    }

    private static int index(Map<String, Integer> table, String text) {
        return table.computeIfAbsent(text, key -> table.size());
    }

    private List<Page.Style> styles() {
        List<Page.Style> styles = new ArrayList<>();
        for (TextStyle style : TextStyle.values()) {
            styles.add(new Page.Style(style.face().word(), layout.size(style), style.tone() == TextStyle.Tone.MUTED));
        }
        return styles;
    }

    private List<Page.Node> pageNodes() {
        GroupTree tree = layout.bands().grouped().tree();
        List<Page.Node> list = new ArrayList<>();
        for (int node : nodes.keySet()) {
            int depth = tree.depthOf(node);
            boolean report = node == GroupTree.ROOT;
            list.add(new Page.Node(
                    tree.placeOf(node),
                    tree.lastPlace(node),
                    depth,
                    report ? TablePlan.REPORT : plan.levels().get(depth - 1).id(),
                    report ? plan.inputs().title() : printed.label(node)));
        }
        return list;
    }
}
