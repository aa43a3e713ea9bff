package org.grammatus.core.group;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;
import org.grammatus.core.choice.EmptyGroups;
import org.grammatus.core.choice.Header;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Frame;
import org.grammatus.core.columnar.Gathering;
import org.grammatus.core.columnar.IntList;
import org.grammatus.core.columnar.KeptRows;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.References;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.figure.Figures;
import org.grammatus.core.group.figure.Overlap;
import org.grammatus.core.group.figure.RoundedLines;
import org.grammatus.core.group.figure.SiblingOrder;
import org.grammatus.core.group.select.OtherRows;
import org.grammatus.core.group.select.Others;
import org.grammatus.core.group.select.Selection;
import org.grammatus.core.group.tree.Fate;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.group.tree.Nodes;
import org.grammatus.core.group.tree.SharedValue;
import org.grammatus.core.group.window.InPrintedOrder;
import org.grammatus.core.group.window.PrintedGroups;
import org.grammatus.core.group.window.PrintedRows;
import org.grammatus.core.group.window.Stepping;
import org.grammatus.core.group.window.TotalFigures;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.HighlightPlan;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.problem.Cure;
import org.grammatus.core.problem.Problem;

/** The step from selected rows to groups in order with their figures. */
public final class Grouping {

    private final TablePlan plan;
    private final Star star;
    private final Selection selection;
    private final Nodes nodes;
    private final Figures figures;
    private final Faults faults;
    private final Homes homes;
    private final List<Problem> notices = new ArrayList<>();

    private Grouping(TablePlan plan, Star star, KeptRows kept, Faults faults, BooleanSupplier cancelled) {
        this.plan = plan;
        this.star = star;
        this.faults = faults;
        this.selection = Selection.of(plan, star, kept, faults, cancelled);
        this.nodes = selection.nodes();
        this.homes = new Homes(plan.dataset());
        this.figures = new Figures(plan, nodes, faults);
    }

    /**
     * Groups, totals and orders.
     *
     * @param cancelled asked between levels; a cancelled run ends with a CancellationException
     */
    public static Grouped group(TablePlan plan, Star star, KeptRows kept, Faults rowFaults, BooleanSupplier cancelled) {
        return new Grouping(plan, star, kept, rowFaults, cancelled).grouped(kept);
    }

    private Grouped grouped(KeptRows kept) {
        int depths = nodes.depths();
        List<Optional<Column>> keys = new ArrayList<>(List.of(Optional.empty()));
        List<Optional<Column>> labels = new ArrayList<>(List.of(Optional.empty()));
        int[][] ordered = new int[depths][];
        SiblingOrder order = new SiblingOrder(figures);
        selection.leftOutOfReport().forEach(out -> notices.add(out.notice()));
        for (int depth = 1; depth < depths; depth++) {
            LevelPlan level = plan.levels().get(depth - 1);
            Column label = figures.values().labels(depth, varyingLabel(level));
            keys.add(Optional.of(nodes.keys(depth)));
            labels.add(Optional.of(label));
            ordered[depth] = shown(depth, order.sorted(depth, level.order(), label, varying(depth, "the order")));
            adviseOnNames(depth, level);
        }
        GroupTree tree = new GroupTree(nodes, ordered);
        Map<Integer, Integer> others = Others.of(nodes, selection);
        InPrintedOrder printed = new InPrintedOrder(tree, nodes.nodeCount(), others::containsKey);
        Stepping stepping = new Stepping(figures, tree, others::containsKey);
        TotalFigures totalFigures = new TotalFigures(figures, selection, printed, stepping);
        List<Column> totals = new ArrayList<>();
        for (TotalPlan total : plan.totals()) {
            Faults own = new Faults();
            totals.add(totalFigures.of(total, own));
            notices.addAll(inWords(total.pointer(), own, "total \"" + total.id() + "\""));
            RoundedLines.notice(total, figures).ifPresent(why -> notices.add(Problem.notice(total.pointer(), why)));
            Overlap.notice(total, figures).ifPresent(why -> notices.add(Problem.notice(total.pointer(), why)));
        }
        notices.addAll(inWords("", faults, "a value of a row"));
        List<long[]> counts =
                plan.counted().stream().map(figures.aggregates()::rowCounts).toList();
        int[] firstOfDepth = new int[depths];
        Arrays.setAll(firstOfDepth, nodes::first);
        int[] rowStart = new int[tree.nodeCount() + 1];
        int[] rows = plan.printsRows() ? rowsInOrder(tree, rowStart) : new int[0];
        PrintedRows printedRows = new PrintedRows(figures, tree, rows, rowStart);
        Behind behind = new Behind(figures, printedRows);
        PrintedGroups groups = new PrintedGroups(figures.aggregates(), stepping, faults);
        return new Grouped(
                plan,
                star,
                kept,
                tree,
                keys,
                labels,
                firstOfDepth,
                totals,
                counts,
                IntStream.range(0, depths)
                        .mapToObj(depth -> cells(depth, labels.get(depth), behind))
                        .toList(),
                rows,
                rowStart,
                plan.columns().stream()
                        .map(column -> Repeats.of(column, star, rows, rowStart))
                        .toList(),
                IntStream.range(0, depths)
                        .mapToObj(depth -> texts(depth, groups))
                        .toList(),
                otherRows(tree),
                others,
                blank(),
                List.copyOf(selection.leftOutOfReport()),
                marks(rows, printedRows, groups),
                behind,
                notices);
    }

    /** The nodes of a depth that have a place of their own: what is hidden has none, nor has what lies inside others. */
    private int[] shown(int depth, int[] sorted) {
        if (!nodes.hasFolded(depth)) {
            return sorted;
        }
        int first = nodes.first(depth);
        return Arrays.stream(sorted)
                .filter(node -> nodes.fateWithin(depth, node - first) != Fate.HIDDEN)
                .filter(node -> !nodes.isInsideFolded(depth, node - first))
                .toArray();
    }

    private BitSet blank() {
        BitSet blank = new BitSet();
        for (int depth = 1; depth < nodes.depths(); depth++) {
            LevelPlan level = plan.levels().get(depth - 1);
            if (level.empty().equals(Optional.of(EmptyGroups.BLANK))) {
                blank.set(nodes.first(depth) + nodes.withRows(depth), nodes.first(depth + 1));
            }
        }
        return blank;
    }

    /** An expression's value at each node of a depth; says where a node's rows differ. */
    private Column atFirstRow(Typed expression, int depth, String what) {
        return figures.values().atFirstRow(expression, depth, varying(depth, what));
    }

    private IntConsumer varying(int depth, String what) {
        LevelPlan level = plan.levels().get(depth - 1);
        return count -> notices.add(varies(level, what, count));
    }

    /** Groups by what is shown have one label each. */
    private IntConsumer varyingLabel(LevelPlan level) {
        return count -> {
            Problem problem = varies(level, "the label", count);
            boolean plainKey = level.coarsening().isEmpty() && level.listed().isEmpty();
            notices.add(level.labelText()
                    .filter(label -> plainKey)
                    .map(label -> problem.curedBy(Cure.of("Group by what is shown", level.pointer() + "/key", label)))
                    .orElse(problem));
        };
    }

    private static Problem varies(LevelPlan level, String what, int groups) {
        return Problem.notice(
                level.pointer(),
                what + " of level \"" + level.name() + "\" varies inside " + groups
                        + (groups == 1 ? " group" : " groups") + "; the first row's stands");
    }

    /** Says where a group holds several things that share the name it is grouped by. */
    private void adviseOnNames(int depth, LevelPlan level) {
        if (level.codeBehindName().isEmpty()) {
            return;
        }
        Typed.Field code = level.codeBehindName().get();
        int home = homes.orGrain(code);
        Column codes = star.table(home).fields().get(code.id());
        int shared = SharedValue.of(codes, home, nodes, depth).varying().cardinality();
        if (shared > 0) {
            String several = plan.dataset().table(home).noun().other();
            notices.add(Problem.notice(
                            level.pointer() + "/key",
                            shared + (shared == 1 ? " group holds" : " groups hold") + " several " + several
                                    + " of one name; group by \"" + code.id() + "\" and show the name")
                    .curedBy(new Cure(
                            "Group by code, show name",
                            List.of(
                                    new Cure.SetText(level.pointer() + "/key", References.to(code.id())),
                                    new Cure.SetText(
                                            level.pointer() + "/label",
                                            level.labelText().orElse(level.keyText()))))));
        }
    }

    private GroupTexts texts(int depth, PrintedGroups groups) {
        if (depth == 0) {
            return new GroupTexts(List.of(), List.of());
        }
        LevelPlan level = plan.levels().get(depth - 1);
        return new GroupTexts(
                textValues(level.headerText(), depth, groups), textValues(level.footerText(), depth, groups));
    }

    private List<Optional<Column>> textValues(Optional<TablePlan.GroupText> text, int depth, PrintedGroups groups) {
        return text.map(TablePlan.GroupText::parts).orElse(List.of()).stream()
                .map(part -> part instanceof TablePlan.TextPart.Figure figure
                        ? Optional.of(
                                figure.overScope()
                                        ? groups.of(figure.value())
                                        : atFirstRow(figure.value(), depth, "a text"))
                        : Optional.<Column>empty())
                .toList();
    }

    private Marks marks(int[] rows, PrintedRows printedRows, PrintedGroups groups) {
        List<BitSet> markedRows = new ArrayList<>();
        List<BitSet> markedNodes = new ArrayList<>();
        boolean rowsShown = plan.printsRows();
        for (HighlightPlan highlight : plan.highlights()) {
            markedRows.add(
                    highlight.overScope() || !rowsShown ? new BitSet() : markedRows(highlight, rows, printedRows));
            markedNodes.add(highlight.overScope() || !rowsShown ? markedLines(highlight, groups) : new BitSet());
        }
        return Marks.firstWins(markedRows, markedNodes);
    }

    private BitSet markedRows(HighlightPlan highlight, int[] rows, PrintedRows printedRows) {
        boolean over = highlight.when().looksOver();
        int home = over ? DatasetModel.GRAIN : homes.orGrain(highlight.when());
        Frame frame = over ? printedRows : star.at(home);
        long[] truth = ((Column.Longs) Evaluator.evaluate(highlight.when(), frame, faults)).values();
        int[] path = star.path(DatasetModel.GRAIN, home);
        BitSet marked = new BitSet();
        for (int row : rows) {
            if (truth[path[row]] == 1) {
                marked.set(row);
            }
        }
        return marked;
    }

    /** The groups printed as lines for which a condition holds; one on rows is read from the group's first row. */
    private BitSet markedLines(HighlightPlan highlight, PrintedGroups groups) {
        BitSet marked = new BitSet();
        for (int depth = 1; depth < nodes.depths(); depth++) {
            if (plan.levels().get(depth - 1).header() != Header.LINE) {
                continue;
            }
            int first = nodes.first(depth);
            int offset = highlight.overScope() ? 0 : first;
            Column truth = highlight.overScope()
                    ? groups.of(highlight.when())
                    : atFirstRow(highlight.when(), depth, "a highlight");
            for (int node = first; node < nodes.first(depth + 1); node++) {
                if (((Column.Longs) truth).values()[node - offset] == 1) {
                    marked.set(node);
                }
            }
        }
        return marked;
    }

    /** All selected rows, node by node of the last depth in printed order. */
    private int[] rowsInOrder(GroupTree tree, int[] rowStart) {
        int[] ordered = printed(tree, figures.values().orderedRows());
        int[] nodeOf = nodes.nodes(nodes.depths() - 1, DatasetModel.GRAIN, ordered);
        for (int node : nodeOf) {
            rowStart[tree.placeOf(node) + 1]++;
        }
        for (int i = 1; i < rowStart.length; i++) {
            rowStart[i] += rowStart[i - 1];
        }
        int[] next = rowStart.clone();
        int[] rows = new int[ordered.length];
        for (int i = 0; i < ordered.length; i++) {
            rows[next[tree.placeOf(nodeOf[i])]++] = ordered[i];
        }
        return rows;
    }

    /** Those of the ordered rows that are printed: in groups that are shown, and within the limit of rows. */
    private int[] printed(GroupTree tree, int[] ordered) {
        int deepest = nodes.depths() - 1;
        if (selection.unprinted().isEmpty() && !nodes.hasFolded(deepest)) {
            return ordered;
        }
        int[] nodeOf = nodes.nodes(deepest, DatasetModel.GRAIN, ordered);
        IntList printed = new IntList();
        for (int i = 0; i < ordered.length; i++) {
            if (standsAlone(tree, nodeOf[i]) && !selection.unprinted().get(ordered[i])) {
                printed.add(ordered[i]);
            }
        }
        return printed.toArray();
    }

    /** Whether a group of the last level is shown by itself, so that its rows can be. */
    private boolean standsAlone(GroupTree tree, int node) {
        int deepest = nodes.depths() - 1;
        return tree.isShown(node) && nodes.fateWithin(deepest, node - nodes.first(deepest)) == Fate.SHOWN;
    }

    private Optional<OtherRows> otherRows(GroupTree tree) {
        boolean any = plan.printsRows()
                && plan.rows().standTogether()
                && !selection.unprinted().isEmpty();
        return any
                ? Optional.of(OtherRows.of(figures, selection.unprinted(), node -> standsAlone(tree, node)))
                : Optional.empty();
    }

    /**
     * For levels whose groups are lines: column values that all rows of a node share, blank where they differ. What the groups are
     * called is known without rows.
     */
    private List<Column> cells(int depth, Optional<Column> labels, Behind behind) {
        List<Column> cells = new ArrayList<>();
        if (depth > 0 && plan.levels().get(depth - 1).header() == Header.LINE) {
            LevelPlan level = plan.levels().get(depth - 1);
            for (ColumnPlan column : plan.columns()) {
                if (level.coarsening().isEmpty() && column.value().equals(level.key())) {
                    cells.add(nodes.keys(depth));
                    continue;
                }
                if (level.isCalledBy(column.value())) {
                    cells.add(labels.orElseThrow());
                    continue;
                }
                Column values = behind.values(column);
                SharedValue shared = SharedValue.of(values, column.home(), nodes, depth);
                shared.varying().stream().forEach(node -> shared.rows()[node] = -1);
                cells.add(Gathering.orNull(values, shared.rows()));
            }
        }
        return List.copyOf(cells);
    }

    private static List<Problem> inWords(String pointer, Faults faults, String what) {
        List<Problem> notices = new ArrayList<>();
        for (Map.Entry<Faults.Kind, Faults.Found> fault : faults.found().entrySet()) {
            notices.add(Problem.notice(
                    pointer,
                    what + " " + fault.getKey().words() + " and is blank, "
                            + fault.getValue().count() + " times"));
        }
        return notices;
    }
}
