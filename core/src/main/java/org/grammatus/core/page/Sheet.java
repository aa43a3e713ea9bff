package org.grammatus.core.page;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.grammatus.core.choice.Align;
import org.grammatus.core.choice.Header;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.page.Page.BandRole;
import org.grammatus.core.plan.TablePlan;

/** What has been put on a page so far: its cells, and the tables that they refer to by number. Used once. */
final class Sheet {

    private final TableLayout layout;
    private final TablePlan plan;
    private final int paperWidth;
    /** Left edge of what is put on it. */
    private final int left;

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

    Sheet(TableLayout layout, Paper paper, int number, int of) {
        this.layout = layout;
        this.plan = layout.plan();
        this.paperWidth = paper.width();
        this.left = paper.left();
        this.number = number;
        this.of = of;
    }

    int number() {
        return number;
    }

    int of() {
        return of;
    }

    /**
     * The page.
     *
     * @param to number of the band that comes after it
     */
    Page built(int height, int to) {
        return new Page(
                number,
                of,
                paperWidth,
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

    void columnText(String text, TextStyle style, int column, int baseline, int node, String id) {
        if (text.isEmpty()) {
            return;
        }
        ColumnLayout columns = layout.columns();
        Align align = plan.columns().get(column).align();
        String printable = style.face().printable(text);
        int width = style.face().width(printable, layout.type().size(style));
        int x = switch (align) {
            case START -> columns.x()[column];
            case CENTRE -> columns.x()[column] + Math.max(0, (columns.widths()[column] - width) / 2);
            case END -> columns.right(column) - width;
        };
        boolean end = align == Align.END;
        int idIndex = id.isEmpty() ? Page.NONE : index(ids, id);
        cells.add(new Page.Cell(
                left + x, baseline, width, index(texts, printable), style.ordinal(), nodeIndex(node), idIndex, end));
    }

    /** Puts a text in its place. */
    void text(String text, TextStyle style, int x, int baseline, int node, String id) {
        String printable = style.face().printable(text);
        int width = style.face().width(printable, layout.type().size(style));
        int idIndex = id.isEmpty() ? Page.NONE : index(ids, id);
        cells.add(new Page.Cell(
                left + x, baseline, width, index(texts, printable), style.ordinal(), nodeIndex(node), idIndex, false));
    }

    /** A band from a height to another with the cells from its first on. */
    void box(BandRole role, int top, int bottom, int node, int firstCell) {
        boxes.add(new Page.BandBox(role, top, bottom - top, nodeIndex(node), firstCell, Page.NONE, Page.NONE));
    }

    void box(Page.BandBox box) {
        boxes.add(box);
    }

    void rule(int x, int y, int width, int thickness) {
        rules.add(new Page.Rule(left + x, y, width, thickness));
    }

    /** How many cells there are. */
    int size() {
        return cells.size();
    }

    /** The groups whose headings stand on a page before: their braces go on. */
    Set<Integer> continued() {
        return continued;
    }

    /** Notes that rows between two heights feed a group and every group around it. */
    void feed(int node, int top, int bottom) {
        GroupTree tree = layout.bands().grouped().tree();
        for (int n = node; n > GroupTree.ROOT; n = tree.parentOf(n)) {
            if (plan.levels().get(tree.depthOf(n) - 1).header() != Header.LINE) {
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

    private List<Page.ColumnBox> columnBoxes() {
        List<Page.ColumnBox> columns = new ArrayList<>();
        for (int c = 0; c < plan.columns().size(); c++) {
            columns.add(new Page.ColumnBox(
                    plan.columns().get(c).id(),
                    left + layout.columns().x()[c],
                    layout.columns().widths()[c]));
        }
        return columns;
    }

    int nodeIndex(int node) {
        return nodes.computeIfAbsent(node, key -> nodes.size());
    }

    private static int index(Map<String, Integer> table, String text) {
        return table.computeIfAbsent(text, key -> table.size());
    }

    private List<Page.Style> styles() {
        List<Page.Style> styles = new ArrayList<>();
        for (TextStyle style : TextStyle.values()) {
            styles.add(new Page.Style(
                    style.face().word(), layout.type().size(style), style.tone() == TextStyle.Tone.MUTED));
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
                    report ? plan.inputs().title() : layout.contents().printed().label(node)));
        }
        return list;
    }
}
