package org.grammatus.core.group;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.Report.Direction;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.table.Column;
import org.grammatus.core.table.Evaluator;
import org.grammatus.core.table.Faults;
import org.grammatus.core.table.KeptRows;
import org.grammatus.core.table.Star;

/** The step from selected rows to groups in order with their figures. */
public final class Grouping {

    private final Plan plan;
    private final Star star;
    private final Nodes nodes;
    private final Aggregates aggregates;
    private final Faults faults;
    private final Homes homes;
    private final NodeValues values;
    private final List<Problem> notices = new ArrayList<>();

    private Grouping(Plan plan, Star star, KeptRows kept, Faults faults, BooleanSupplier cancelled) {
        this.plan = plan;
        this.star = star;
        this.faults = faults;
        this.nodes = Nodes.of(plan, star, kept, faults, cancelled);
        this.homes = new Homes(plan.dataset());
        this.values = new NodeValues(plan, nodes, faults);
        this.aggregates = new Aggregates(nodes, faults, values::orderedRows);
    }

    /**
     * Groups, totals and orders.
     *
     * @param cancelled asked between levels; a cancelled run ends with a CancellationException
     */
    public static Grouped group(Plan plan, Star star, KeptRows kept, Faults rowFaults, BooleanSupplier cancelled) {
        return new Grouping(plan, star, kept, rowFaults, cancelled).grouped(kept);
    }

    private Grouped grouped(KeptRows kept) {
        int depths = nodes.depths();
        List<Optional<Column>> keys = new ArrayList<>(List.of(Optional.empty()));
        List<Optional<Column>> labels = new ArrayList<>(List.of(Optional.empty()));
        int[][] ordered = new int[depths][];
        for (int depth = 1; depth < depths; depth++) {
            Plan.Level level = plan.levels().get(depth - 1);
            Column key = nodes.keys(depth);
            Column label = level.label().isPresent() ? atFirstRow(level.label().get(), depth, "the label") : key;
            keys.add(Optional.of(key));
            labels.add(Optional.of(label));
            ordered[depth] = ordered(depth, level, label, key);
            adviseOnNames(depth, level);
        }
        GroupTree tree = new GroupTree(nodes, ordered);
        List<Column> totals = new ArrayList<>();
        for (Plan.Total total : plan.totals()) {
            Faults own = new Faults();
            totals.add(Evaluator.evaluate(total.value(), aggregates, own));
            notices.addAll(inWords(
                    total.pointer(), own, "total \"" + total.definition().id() + "\""));
        }
        notices.addAll(inWords("", faults, "a value of a row"));
        List<long[]> counts = plan.counted().stream().map(aggregates::rowCounts).toList();
        int[] firstOfDepth = new int[depths];
        Arrays.setAll(firstOfDepth, nodes::first);
        int[] rowStart = new int[tree.nodeCount() + 1];
        int[] rows = plan.printsRows() ? rowsInOrder(tree, rowStart) : new int[0];
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
                IntStream.range(0, depths).mapToObj(this::cells).toList(),
                rows,
                rowStart,
                plan.columns().stream()
                        .map(column -> Repeats.of(column, star, rows, rowStart))
                        .toList(),
                IntStream.range(0, depths).mapToObj(this::texts).toList(),
                marks(rows),
                new Behind(plan, nodes, aggregates, values),
                notices);
    }

    /** Siblings by the level's terms, then by label, in its natural order where it has one, then by key; buckets of time by time. */
    private int[] ordered(int depth, Plan.Level level, Column label, Column key) {
        int first = nodes.first(depth);
        int count = nodes.first(depth + 1) - first;
        IntOrder byLabel = shifted(
                ColumnOrder.of(label, Direction.ASCENDING, plan.locale(), level.naturalOrder(plan.dataset())), first);
        IntOrder byKey = shifted(ColumnOrder.byKey(key), first);
        IntOrder rest = level.bucket().isPresent() ? byKey : byLabel.then(byKey);
        for (int i = level.order().size() - 1; i > 0; i--) {
            Plan.Term term = level.order().get(i);
            rest = byTerm(term, termValues(term, depth), first).then(rest);
        }
        if (level.order().isEmpty()) {
            return sortedSiblings(first, count, SiblingSort.of(rest));
        }
        Plan.Term main = level.order().getFirst();
        Column values = termValues(main, depth);
        IntOrder byMain = byTerm(main, values, first);
        boolean byNode = main.overScope();
        return sortedSiblings(
                first,
                count,
                byNode ? SiblingSort.of(values, main.direction(), byMain, rest) : SiblingSort.of(byMain.then(rest)));
    }

    /** A term's values: by node where it is computed over groups, by node within the depth where it is read from a row. */
    private Column termValues(Plan.Term term, int depth) {
        return term.overScope()
                ? Evaluator.evaluate(term.by(), aggregates, faults)
                : atFirstRow(term.by(), depth, "the order");
    }

    private IntOrder byTerm(Plan.Term term, Column values, int first) {
        IntOrder order = ColumnOrder.of(
                values, term.direction(), plan.locale(), plan.dataset().naturalOrder(term.by()));
        return term.overScope() ? order : shifted(order, first);
    }

    /** An order of places within a depth, as one of nodes. */
    private static IntOrder shifted(IntOrder within, int first) {
        return (a, b) -> within.compare(a - first, b - first);
    }

    /** Nodes of one depth, brother beside brother in order; parents in the order of their numbers. */
    private int[] sortedSiblings(int first, int count, SiblingSort order) {
        int[] parents = nodes.parents();
        int firstParent = count == 0 ? 0 : parents[first];
        int mostParent = firstParent;
        for (int i = 0; i < count; i++) {
            firstParent = Math.min(firstParent, parents[first + i]);
            mostParent = Math.max(mostParent, parents[first + i]);
        }
        int[] start = new int[mostParent - firstParent + 2];
        for (int i = 0; i < count; i++) {
            start[parents[first + i] - firstParent + 1]++;
        }
        for (int i = 1; i < start.length; i++) {
            start[i] += start[i - 1];
        }
        int[] next = start.clone();
        int[] sorted = new int[count];
        for (int i = 0; i < count; i++) {
            sorted[next[parents[first + i] - firstParent]++] = first + i;
        }
        for (int i = 0; i + 1 < start.length; i++) {
            order.sort(sorted, start[i], start[i + 1]);
        }
        return sorted;
    }

    /** An expression's value at each node of a depth; says where a node's rows differ. */
    private Column atFirstRow(Typed expression, int depth, String what) {
        return values.atFirstRow(
                expression,
                depth,
                count -> notices.add(Problem.notice(
                        plan.levels().get(depth - 1).pointer(),
                        what + " of level \""
                                + plan.levels().get(depth - 1).definition().name() + "\" varies inside " + count
                                + (count == 1 ? " group" : " groups") + "; the first row's stands")));
    }

    /** Says where a group holds several things that share the name it is grouped by. */
    private void adviseOnNames(int depth, Plan.Level level) {
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
                            + " of one name; group by \"" + code.id() + "\" and show the name"));
        }
    }

    private GroupTexts texts(int depth) {
        if (depth == 0) {
            return new GroupTexts(List.of(), List.of());
        }
        Plan.Level level = plan.levels().get(depth - 1);
        return new GroupTexts(textValues(level.headerText(), depth), textValues(level.footerText(), depth));
    }

    private List<Optional<Column>> textValues(Optional<Plan.GroupText> text, int depth) {
        return text.map(Plan.GroupText::parts).orElse(List.of()).stream()
                .map(part -> part instanceof Plan.TextPart.Figure figure
                        ? Optional.of(
                                figure.overScope()
                                        ? Evaluator.evaluate(figure.value(), aggregates, faults)
                                        : atFirstRow(figure.value(), depth, "a text"))
                        : Optional.<Column>empty())
                .toList();
    }

    private Marks marks(int[] rows) {
        List<BitSet> markedRows = new ArrayList<>();
        List<BitSet> markedNodes = new ArrayList<>();
        boolean rowsShown = plan.printsRows();
        for (Plan.Highlight highlight : plan.highlights()) {
            markedRows.add(highlight.overScope() || !rowsShown ? new BitSet() : markedRows(highlight, rows));
            markedNodes.add(highlight.overScope() || !rowsShown ? markedLines(highlight) : new BitSet());
        }
        return Marks.firstWins(markedRows, markedNodes);
    }

    private BitSet markedRows(Plan.Highlight highlight, int[] rows) {
        int home = homes.orGrain(highlight.when());
        long[] truth = ((Column.Longs) Evaluator.evaluate(highlight.when(), star.at(home), faults)).values();
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
    private BitSet markedLines(Plan.Highlight highlight) {
        BitSet marked = new BitSet();
        for (int depth = 1; depth < nodes.depths(); depth++) {
            if (plan.levels().get(depth - 1).definition().header() != Report.Header.LINE) {
                continue;
            }
            int first = nodes.first(depth);
            int offset = highlight.overScope() ? 0 : first;
            Column truth = highlight.overScope()
                    ? Evaluator.evaluate(highlight.when(), aggregates, faults)
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
        int[] ordered = values.orderedRows();
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

    /** For levels whose groups are lines: column values that all rows of a node share, blank where they differ. */
    private List<Column> cells(int depth) {
        List<Column> cells = new ArrayList<>();
        if (depth > 0 && plan.levels().get(depth - 1).definition().header() == Report.Header.LINE) {
            for (Plan.Column column : plan.columns()) {
                Column values = Evaluator.evaluate(column.value(), star.at(column.home()), faults);
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
