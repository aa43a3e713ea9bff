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

/**
 * What has been put on a page so far: its cells, and the tables that they refer to by number. One block after the other is put on it.
 * Used once.
 */
final class Sheet {

    private final List<BlockPlace> blocks;
    private final Paper paper;
    private final int number;
    private final int of;
    private final Map<NodeKey, Integer> nodes = new LinkedHashMap<>();
    private final Map<String, Integer> ids = new LinkedHashMap<>();
    private final Map<String, Integer> texts = new LinkedHashMap<>();
    private final List<Page.BandBox> boxes = new ArrayList<>();
    private final List<Page.Cell> cells = new ArrayList<>();
    private final List<Page.Rule> rules = new ArrayList<>();
    private final List<Page.Brace> braces = new ArrayList<>();
    private BlockPlace block;
    private final Set<Integer> continued = new HashSet<>();
    private final Map<Integer, int[]> braceSpans = new LinkedHashMap<>();

    private record NodeKey(int block, int node) {}

    /** @param blocks all of the report */
    Sheet(List<BlockPlace> blocks, Paper paper, int number, int of) {
        this.blocks = blocks;
        this.paper = paper;
        this.number = number;
        this.of = of;
        begin(blocks.getFirst());
        nodeIndex(GroupTree.ROOT);
    }

    int number() {
        return number;
    }

    int of() {
        return of;
    }

    /** From now on things are put on it that belong to a block. */
    void begin(BlockPlace next) {
        block = next;
        continued.clear();
        braceSpans.clear();
    }

    /**
     * The page.
     *
     * @param height in hundredths of a point
     */
    Page built(int height) {
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
                List.copyOf(braces),
                blocks.stream()
                        .map(each -> new Page.BlockBox(
                                each.layout().plan().id(),
                                each.left(),
                                each.layout().width()))
                        .toList(),
                columnBoxes(),
                blocks.stream()
                        .flatMap(each -> each.layout().plan().highlights().stream())
                        .map(h -> new Page.Mark(h.id(), h.label(), h.look()))
                        .toList());
    }

    void columnText(String text, TextStyle style, int column, int baseline, int node, String id) {
        if (text.isEmpty()) {
            return;
        }
        ColumnLayout columns = block.layout().columns();
        Align align = block.layout().plan().columns().get(column).align();
        String printable = style.face().printable(text);
        int width = block.layout().type().width(printable, style);
        int x = switch (align) {
            case START -> columns.x()[column];
            case CENTRE -> columns.x()[column] + Math.max(0, (columns.widths()[column] - width) / 2);
            case END -> columns.right(column) - width;
        };
        cell(x, baseline, width, printable, style, node, id, align == Align.END);
    }

    /** Puts a text in its place. */
    void text(String text, TextStyle style, int x, int baseline, int node, String id) {
        text(text, style, x, baseline, node, id, false);
    }

    /**
     * Puts a text in its place likewise.
     *
     * @param figure whether it is a figure by itself
     */
    void text(String text, TextStyle style, int x, int baseline, int node, String id, boolean figure) {
        String printable = style.face().printable(text);
        cell(x, baseline, block.layout().type().width(printable, style), printable, style, node, id, figure);
    }

    private void cell(
            int x, int baseline, int width, String printable, TextStyle style, int node, String id, boolean figure) {
        cells.add(new Page.Cell(
                block.left() + x,
                baseline,
                width,
                index(texts, printable),
                block.firstStyle() + style.ordinal(),
                nodeIndex(node),
                id.isEmpty() ? Page.NONE : index(ids, id),
                figure));
    }

    /** A band from a height to another with the cells from its first on. */
    void box(BandRole role, int top, int bottom, int node, int firstCell) {
        box(role, top, bottom, node, firstCell, Page.NONE, Page.NONE);
    }

    /**
     * A band likewise.
     *
     * @param row number at the grain of the row that it prints, or {@link Page#NONE}
     * @param mark index of the highlight that marks it among its block's, or {@link Page#NONE}
     */
    void box(BandRole role, int top, int bottom, int node, int firstCell, int row, int mark) {
        int marked = mark == Page.NONE ? mark : block.firstMark() + mark;
        boxes.add(new Page.BandBox(role, top, bottom - top, nodeIndex(node), firstCell, row, marked, block.index()));
    }

    void rule(int x, int y, int width, int thickness) {
        rules.add(new Page.Rule(block.left() + x, y, width, thickness));
    }

    /** How many cells there are. */
    int size() {
        return cells.size();
    }

    /** The groups of the block whose headings stand on a page before: their braces go on. */
    Set<Integer> continued() {
        return continued;
    }

    /** Notes that rows between two heights feed a group and every group around it. */
    void feed(int node, int top, int bottom) {
        GroupTree tree = tree();
        for (int n = node; n > GroupTree.ROOT; n = tree.parentOf(n)) {
            if (block.layout().plan().levels().get(tree.depthOf(n) - 1).header() != Header.LINE) {
                braceSpans.computeIfAbsent(n, key -> new int[] {top, bottom})[1] = bottom;
            }
        }
    }

    /**
     * Closes the block's part of the page.
     *
     * @param nextBand number of the band that comes after it
     */
    void end(int nextBand) {
        GroupTree tree = tree();
        int nextNode = nextBand < block.size() ? block.layout().bands().node(nextBand) : GroupTree.ROOT;
        for (Map.Entry<Integer, int[]> span : braceSpans.entrySet()) {
            int node = span.getKey();
            int place = tree.placeOf(nextNode);
            boolean goesOn = nextNode != GroupTree.ROOT && place >= tree.placeOf(node) && place <= tree.lastPlace(node);
            braces.add(new Page.Brace(
                    nodeIndex(node),
                    span.getValue()[0],
                    span.getValue()[1],
                    !continued.contains(node),
                    !goesOn,
                    block.index()));
        }
    }

    private GroupTree tree() {
        return block.layout().bands().grouped().tree();
    }

    private List<Page.ColumnBox> columnBoxes() {
        List<Page.ColumnBox> boxesOfColumns = new ArrayList<>();
        for (BlockPlace each : blocks) {
            ColumnLayout columns = each.layout().columns();
            for (int c = 0; c < columns.x().length; c++) {
                boxesOfColumns.add(new Page.ColumnBox(
                        each.layout().plan().columns().get(c).id(),
                        each.left() + columns.x()[c],
                        columns.widths()[c],
                        each.index()));
            }
        }
        return boxesOfColumns;
    }

    private int nodeIndex(int node) {
        return nodes.computeIfAbsent(new NodeKey(block.index(), node), key -> nodes.size());
    }

    private static int index(Map<String, Integer> table, String text) {
        return table.computeIfAbsent(text, key -> table.size());
    }

    private List<Page.Style> styles() {
        List<Page.Style> styles = new ArrayList<>();
        for (BlockPlace each : blocks) {
            if (each.firstStyle() == styles.size()) {
                for (TextStyle style : TextStyle.values()) {
                    styles.add(new Page.Style(
                            style.face().word(),
                            each.layout().type().size(style),
                            style.tone() == TextStyle.Tone.MUTED));
                }
            }
        }
        return styles;
    }

    private List<Page.Node> pageNodes() {
        List<Page.Node> list = new ArrayList<>();
        for (NodeKey key : nodes.keySet()) {
            BlockPlace of = blocks.get(key.block());
            GroupTree tree = of.layout().bands().grouped().tree();
            TablePlan plan = of.layout().plan();
            int depth = tree.depthOf(key.node());
            boolean report = key.node() == GroupTree.ROOT;
            list.add(new Page.Node(
                    of.firstPlace() + tree.placeOf(key.node()),
                    of.firstPlace() + tree.lastPlace(key.node()),
                    depth,
                    report ? TablePlan.REPORT : plan.levels().get(depth - 1).id(),
                    report
                            ? plan.title().orElse(plan.inputs().title())
                            : of.layout().contents().printed().label(key.node())));
        }
        return list;
    }
}
