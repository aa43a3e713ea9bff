package org.grammatus.core.group;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import org.grammatus.core.choice.EmptyGroups;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.EvaluationContext;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.figure.FigureNotices;
import org.grammatus.core.group.figure.Figures;
import org.grammatus.core.group.figure.Overlap;
import org.grammatus.core.group.figure.PageFigureValues;
import org.grammatus.core.group.figure.RoundedLines;
import org.grammatus.core.group.figure.SiblingOrder;
import org.grammatus.core.group.select.Others;
import org.grammatus.core.group.select.Selection;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.group.tree.Visibility;
import org.grammatus.core.group.window.InPrintedOrder;
import org.grammatus.core.group.window.PrintedGroupScope;
import org.grammatus.core.group.window.RowsAmongGroups;
import org.grammatus.core.group.window.RowsUpTo;
import org.grammatus.core.group.window.RunningFrame;
import org.grammatus.core.group.window.TotalFigures;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.rows.KeptRows;

/** The step from selected rows to groups in order with their figures. */
public final class GroupingStep {

    private final TablePlan plan;
    private final Star star;
    private final KeptRows kept;
    private final Selection selection;
    private final GroupIndex nodes;
    private final Figures figures;
    private final Faults faults;
    private final List<Problem> notices = new ArrayList<>();
    private final FigureNotices figureNotices = new FigureNotices();
    private final GroupNotices advice;
    private final BesideGroups beside;

    private GroupingStep(TablePlan plan, Star star, KeptRows kept, Faults faults, BooleanSupplier cancelled) {
        this.plan = plan;
        this.star = star;
        this.kept = kept;
        this.faults = faults;
        this.selection = Selection.of(plan.axis(), plan.totalling().cover(), star, kept, faults, cancelled);
        this.nodes = selection.nodes();
        this.figures = new Figures(plan.axis(), nodes, faults);
        this.advice = new GroupNotices(plan, nodes, notices);
        this.beside = new BesideGroups(plan, figures, advice);
    }

    /**
     * What grouping gives.
     *
     * @param grouped the facts
     * @param drillDown what stands behind them
     */
    public record Result(TableResult grouped, DrillDown drillDown) {}

    /**
     * Groups, totals and orders.
     *
     * @param cancelled asked between levels; a cancelled run ends with a CancellationException
     */
    public static Result group(TablePlan plan, Star star, KeptRows kept, Faults rowFaults, BooleanSupplier cancelled) {
        return new GroupingStep(plan, star, kept, rowFaults, cancelled).result();
    }

    private Result result() {
        PrintedGroups groups = groups();
        GroupTree tree = groups.tree();
        RunningFrame stepping = new RunningFrame(figures, tree, groups::isOthers);
        List<Column> totals = totals(groups, stepping);
        List<long[]> counts =
                plan.counted().stream().map(figures.aggregates()::rowCounts).toList();
        RowsInGroups inGroups = new RowsInGroups(plan, figures, selection, tree);
        int[] starts = new int[tree.nodeCount() + 1];
        int[] rows = plan.printsRows() ? inGroups.inOrder(starts) : new int[0];
        EvaluationContext amongGroups = new RowsAmongGroups(figures, tree, rows, starts);
        DrillDown drillDown = new DrillDown(figures, kept, amongGroups);
        PrintedGroupScope printedGroups = new PrintedGroupScope(figures.aggregates(), stepping, byId(totals), faults);
        Marking marking = new Marking(plan, figures, faults, beside, amongGroups, printedGroups);
        GroupFigures groupFigures = new GroupFigures(
                totals,
                counts,
                byDepth(depth -> beside.shared(depth, groups.labels().get(depth), drillDown)),
                byDepth(depth -> beside.texts(depth, printedGroups)));
        PrintedRows printedRows = new PrintedRows(
                rows,
                starts,
                plan.printsRows()
                        ? plan.columns().stream()
                                .map(column -> values(column, drillDown, rows, starts))
                                .toList()
                        : List.of(),
                inGroups.others(),
                carried(figures, tree, rows, starts),
                plan.pageFigures().isEmpty() ? RowsOfPages.NONE : ofPages(inGroups, tree, rows, starts));
        TableResult grouped = new TableResult(
                plan,
                groups,
                groupFigures,
                printedRows,
                marking.marks(rows),
                AnswerNames.of(plan, star),
                kept.rows().length,
                notices,
                figureNotices.found());
        return new Result(grouped, drillDown);
    }

    /** What the totals have come to after each row: of each column the first that is an amount by itself. */
    private List<PrintedRows.Carried> carried(Figures of, GroupTree tree, int[] rows, int[] starts) {
        return plan.carriedIn().stream()
                .flatMap(depth -> {
                    EvaluationContext upTo = new RowsUpTo(of, tree, rows, starts, depth);
                    return IntStream.range(0, plan.totals().size())
                            .filter(this::isCarried)
                            .mapToObj(total -> new PrintedRows.Carried(
                                    total,
                                    Evaluator.evaluate(plan.totals().get(total).value(), upTo, faults)));
                })
                .toList();
    }

    private boolean isCarried(int total) {
        List<TotalPlan> totals = plan.totals();
        String column = totals.get(total).column();
        return totals.get(total).isCarried()
                && totals.subList(0, total).stream()
                        .noneMatch(
                                before -> before.isCarried() && before.column().equals(column));
    }

    private RowsOfPages ofPages(RowsInGroups inGroups, GroupTree tree, int[] printed, int[] printedStarts) {
        int[] starts = plan.printsRows() ? printedStarts : new int[tree.nodeCount() + 1];
        return new RowsOfPages(
                plan.printsRows() ? printed : inGroups.inOrder(starts),
                starts,
                plan.pageFigures().stream()
                        .map(figure -> PageFigureValues.of(figure.value(), figures, faults))
                        .toList());
    }

    private PrintedGroups groups() {
        int depths = nodes.depths();
        List<Optional<Column>> keys = new ArrayList<>(List.of(Optional.empty()));
        List<Optional<Column>> labels = new ArrayList<>(List.of(Optional.empty()));
        int[][] ordered = new int[depths][];
        SiblingOrder order = new SiblingOrder(figures);
        selection.leftOutOfReport().forEach(out -> notices.add(out.notice()));
        for (int depth = 1; depth < depths; depth++) {
            LevelPlan level = plan.levels().get(depth - 1);
            Column label = figures.values().labels(depth, advice.varyingLabel(level));
            keys.add(Optional.of(nodes.keys(depth)));
            labels.add(Optional.of(label));
            ordered[depth] =
                    shown(depth, order.sorted(depth, level.order(), label, advice.varying(depth, "the order")));
            advice.adviseOnNames(depth, level);
        }
        int[] firstOfDepth = new int[depths];
        Arrays.setAll(firstOfDepth, nodes::first);
        return new PrintedGroups(
                new GroupTree(nodes, ordered),
                keys,
                labels,
                firstOfDepth,
                Others.of(nodes, selection),
                blank(),
                List.copyOf(selection.leftOutOfReport()));
    }

    private List<Column> totals(PrintedGroups groups, RunningFrame stepping) {
        GroupTree tree = groups.tree();
        InPrintedOrder printed = new InPrintedOrder(tree, nodes.nodeCount(), stepping, groups::isOthers);
        TotalFigures totalFigures = new TotalFigures(plan, figures, selection, printed, stepping, figureNotices);
        Overlap overlap = new Overlap(figures);
        List<Column> totals = new ArrayList<>();
        for (int index = 0; index < plan.totals().size(); index++) {
            TotalPlan total = plan.totals().get(index);
            Faults own = new Faults();
            totals.add(totalFigures.of(index, total, own));
            noteBlanks(index, total, own, tree);
            int of = index;
            RoundedLines.whyNotRounded(total, plan, figures)
                    .ifPresent(why -> figureNotices.add(of, "Each line is rounded first, but not for ", ": " + why));
            overlap.note(index, total, figureNotices);
        }
        notices.addAll(inWords("", faults, "a value of a row"));
        return totals;
    }

    /** Notes figures that could not be computed where they are printed: beside groups that stand in the tree, at the levels of the total. */
    private void noteBlanks(int index, TotalPlan total, Faults own, GroupTree tree) {
        boolean[] standsAt = new boolean[tree.depths()];
        for (int depth = 0; depth < standsAt.length; depth++) {
            standsAt[depth] = total.standsAt(plan.levelAt(depth));
        }
        own.found().forEach((why, places) -> {
            int count = 0;
            for (int place = 0; place < tree.nodeCount(); place++) {
                int node = tree.nodeAt(place);
                count += places.get(node) && standsAt[tree.depthOf(node)] ? 1 : 0;
            }
            figureNotices.addBlanks(index, why, count);
        });
    }

    private <T> List<T> byDepth(IntFunction<T> ofDepth) {
        return IntStream.range(0, nodes.depths()).mapToObj(ofDepth).toList();
    }

    private PrintedRows.Values values(ColumnPlan column, DrillDown drillDown, int[] rows, int[] starts) {
        Column values = drillDown.values(column);
        Column keys = column.print().onceIn().isPresent() && column.value() instanceof Typed.LabelledKey called
                ? Evaluator.evaluate(called.key(), star.at(column.home()), new Faults())
                : values;
        int[] path = star.path(DatasetModel.GRAIN, column.home());
        return new PrintedRows.Values(values, keys, path, Repeats.of(column, star, rows, starts));
    }

    /** The nodes of a depth that have a place of their own: what is hidden has none, nor has what lies inside others. */
    private int[] shown(int depth, int[] sorted) {
        if (!nodes.hasFolded(depth)) {
            return sorted;
        }
        int first = nodes.first(depth);
        return Arrays.stream(sorted)
                .filter(node -> nodes.visibilityWithin(depth, node - first) != Visibility.HIDDEN)
                .filter(node -> !nodes.isInsideFolded(depth, node - first))
                .toArray();
    }

    private BitSet blank() {
        BitSet blank = new BitSet();
        for (int depth = 1; depth < nodes.depths(); depth++) {
            LevelPlan level = plan.levels().get(depth - 1);
            if (level.keys().empty().equals(Optional.of(EmptyGroups.BLANK))) {
                blank.set(nodes.first(depth) + nodes.withRows(depth), nodes.first(depth + 1));
            }
        }
        return blank;
    }

    private static List<Problem> inWords(String pointer, Faults faults, String what) {
        List<Problem> notices = new ArrayList<>();
        faults.found()
                .forEach((why, places) -> notices.add(Problem.notice(
                        pointer, what + " " + why.words() + " and is blank, " + places.cardinality() + " times")));
        return notices;
    }

    /** Totals by the ids that the plan gives them. */
    private Map<String, Column> byId(List<Column> totals) {
        Map<String, Column> found = new HashMap<>();
        for (int i = 0; i < totals.size(); i++) {
            found.put(plan.totals().get(i).id(), totals.get(i));
        }
        return found;
    }
}
