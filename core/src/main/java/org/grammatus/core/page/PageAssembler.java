package org.grammatus.core.page;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.grammatus.core.band.PrintedColumn;
import org.grammatus.core.choice.Align;
import org.grammatus.core.choice.Header;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.group.GroupAddresses;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.page.Page.BandRole;
import org.grammatus.core.page.column.ColumnLayout;
import org.grammatus.core.page.column.DecimalTail;
import org.grammatus.core.page.column.TypeSetting;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.style.PrintStyle;
import org.grammatus.core.typography.Face;
import org.grammatus.core.typography.TextRun;
import org.grammatus.core.typography.Weight;

/**
 * What has been put on a page so far: its cells, and the tables that they refer to by number. One block after the other is put on it.
 * Used once.
 */
final class PageAssembler {

    /** Light enough to be read through. */
    private static final String WATERMARK_INK = "#e6e6e6";

    private final List<BlockPlace> blocks;
    private final Paper paper;
    private final int number;
    private final int of;
    private final Map<NodeKey, Integer> nodes = new LinkedHashMap<>();
    private final Map<String, Integer> ids = new LinkedHashMap<>();
    private final Map<String, Integer> texts = new LinkedHashMap<>();
    private final List<Page.BandBox> boxes = new ArrayList<>();
    private final List<Page.Cell> cells = new ArrayList<>();
    private final List<Page.Run> runs = new ArrayList<>();
    private final Ground ground = new Ground();
    private final Map<Page.Style, Integer> styles = new LinkedHashMap<>();
    private final List<Page.Brace> braces = new ArrayList<>();
    private BlockPlace block;
    private int firstBand;
    /** What texts are printed in from now on; empty for an ink of their own. */
    private String ink = "";

    private final Set<Integer> continued = new HashSet<>();
    private final Map<Integer, int[]> braceSpans = new LinkedHashMap<>();

    private record NodeKey(int block, int node) {}

    /** @param blocks all of the report */
    PageAssembler(List<BlockPlace> blocks, Paper paper, int number, int of) {
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
        ground.begin(next);
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
                new Page.Fonts(type().family().word(), List.copyOf(styles.keySet()), List.copyOf(runs)),
                List.copyOf(texts.keySet()),
                List.copyOf(cells),
                new Page.Drawings(
                        ground.rules(),
                        List.of(look().lines().ink(), look().lines().rowInk()),
                        ground.fills(),
                        ground.colours(),
                        ground.pictures()),
                List.copyOf(ids.keySet()),
                pageNodes(),
                List.copyOf(boxes),
                parts());
    }

    private Page.Parts parts() {
        return new Page.Parts(
                blocks.stream()
                        .map(each -> new Page.BlockBox(
                                each.layout().plan().id(),
                                each.left(),
                                each.layout().width()))
                        .toList(),
                columnBoxes(),
                blocks.stream()
                        .flatMap(each -> each.layout().plan().highlights().stream())
                        .map(h -> new Page.Mark(
                                h.id(),
                                h.label(),
                                h.look(),
                                look().mark(h.look()).fill()))
                        .toList(),
                List.copyOf(braces));
    }

    /**
     * Puts a text under a column.
     *
     * @param number whether it is a number, whose digits stand below those of others
     */
    void columnText(
            String text, TextStyle style, PrintedColumn under, int baseline, int node, String id, boolean number) {
        if (text.isEmpty()) {
            return;
        }
        ColumnLayout columns = block.layout().columns();
        int column = under.position();
        Align align = under.plan().print().align();
        String printable = type().printable(text, style);
        int width = type().width(printable, style);
        int x = switch (align) {
            case START -> columns.x()[column];
            case CENTRE -> columns.x()[column] + Math.max(0, (columns.widths()[column] - width) / 2);
            case END -> columns.right(column) - width - (number ? type().roomForBracket(text, style) : 0);
            case DECIMAL ->
                columns.right(column) - (number ? Math.max(width, bySign(printable, style, column)) : width);
        };
        cell(x, baseline, width, printable, style, node, id, align == Align.END || align == Align.DECIMAL);
    }

    /** How far left of the column's right edge a number begins whose decimal sign stands below those of others. */
    private int bySign(String number, TextStyle style, int column) {
        int tail = DecimalTail.start(number, block.layout().plan().locale());
        return block.layout().columns().tails()[column] + type().width(number.substring(0, tail), style);
    }

    /** Puts a heading over a column that reads from bottom to top, from a height on up. */
    void turned(String text, TextStyle style, PrintedColumn over, int baseline) {
        ColumnLayout columns = block.layout().columns();
        int column = over.position();
        String printable = type().printable(text, style);
        int letters = type().size(style) * 7 / 10;
        int x = switch (over.plan().print().align()) {
            case START -> columns.x()[column] + letters;
            case CENTRE -> columns.x()[column] + (columns.widths()[column] + letters) / 2;
            case END, DECIMAL -> columns.right(column);
        };
        put(x, baseline, type().width(printable, style), printable, style, GroupTree.ROOT, over.id(), false, true);
    }

    /** The first band of the block whose rows stand here; what goes on from the page before stands above it. */
    void rowsFrom(int band) {
        firstBand = band;
    }

    /** Whether a band of the block stands here, or further down. */
    boolean isHere(int band) {
        return band >= firstBand;
    }

    /** Puts the words of a band, whose top is at a height. */
    void words(Measured measured, int y, int node) {
        for (Measured.Line line : measured.words()) {
            text(line.text(), line.style(), line.x(), y + line.baseline(), node, line.part(), line.figure());
        }
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
        String printable = type().printable(text, style);
        cell(x, baseline, type().width(printable, style), printable, style, node, id, figure);
    }

    /** Puts a large word across the page. */
    void watermark(String word, int size, int x, int baseline) {
        Face face = type().family().face(Weight.SEMIBOLD);
        String printable = face.printable(word);
        run(face, printable, size);
        cells.add(new Page.Cell(
                block.left() + x,
                baseline,
                face.width(printable, size),
                index(texts, printable),
                index(styles, new Page.Style(Weight.SEMIBOLD.word(), size, WATERMARK_INK)),
                nodeIndex(GroupTree.ROOT),
                Page.NONE,
                false,
                false));
    }

    private void cell(
            int x, int baseline, int width, String printable, TextStyle style, int node, String id, boolean figure) {
        put(x, baseline, width, printable, style, node, id, figure, false);
    }

    private void put(
            int x,
            int baseline,
            int width,
            String printable,
            TextStyle style,
            int node,
            String id,
            boolean figure,
            boolean turned) {
        run(type().face(style), printable, type().size(style));
        cells.add(new Page.Cell(
                block.left() + x,
                baseline,
                width,
                index(texts, printable),
                index(styles, new Page.Style(type().face(style).weight().word(), type().size(style), inked(style))),
                nodeIndex(node),
                id.isEmpty() ? Page.NONE : index(ids, id),
                figure,
                turned));
    }

    /** Notes how the text of the next cell is drawn, if it is not plain. */
    private void run(Face face, String printable, int size) {
        if (!face.isPlain(printable)) {
            for (TextRun run : face.runs(printable, size)) {
                runs.add(new Page.Run(
                        cells.size(), run.x(), run.width(), run.family().word(), run.text()));
            }
        }
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

    /** From now on texts are printed in an ink, as {@code #rrggbb}; empty for one of their own. */
    void ink(String next) {
        ink = next;
    }

    /** What is drawn on it besides texts. */
    Ground ground() {
        return ground;
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
            if (block.layout().plan().levels().get(tree.depthOf(n) - 1).print().header() != Header.LINE) {
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

    private TypeSetting type() {
        return block.layout().type();
    }

    private PrintStyle look() {
        return type().look();
    }

    private String inked(TextStyle style) {
        return ink.isEmpty() ? type().ink(style) : ink;
    }

    private GroupTree tree() {
        return block.layout().bands().grouped().tree();
    }

    private List<Page.ColumnBox> columnBoxes() {
        List<Page.ColumnBox> boxesOfColumns = new ArrayList<>();
        for (BlockPlace each : blocks) {
            ColumnLayout columns = each.layout().columns();
            if (columns.x().length > 0) {
                for (PrintedColumn column : each.layout().contents().columns()) {
                    int c = column.position();
                    boxesOfColumns.add(new Page.ColumnBox(
                            column.id(), each.left() + columns.x()[c], columns.widths()[c], each.index()));
                }
            }
        }
        return boxesOfColumns;
    }

    private int nodeIndex(int node) {
        return nodes.computeIfAbsent(new NodeKey(block.index(), node), key -> nodes.size());
    }

    private static <T> int index(Map<T, Integer> table, T value) {
        return table.computeIfAbsent(value, key -> table.size());
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
                            ? plan.title().orElse(plan.inputs().report().title())
                            : of.layout().contents().printed().label(key.node()),
                    new GroupAddresses(of.layout().bands().grouped())
                            .of(key.node())
                            .toString()));
        }
        return list;
    }
}
