package org.grammatus.core.group.select;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import org.grammatus.core.choice.Cover;
import org.grammatus.core.choice.LimitEnd;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.group.figure.Figures;
import org.grammatus.core.group.figure.SiblingOrder;
import org.grammatus.core.group.tree.Folding;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.group.tree.SamePaths;
import org.grammatus.core.group.tree.Visibility;
import org.grammatus.core.plan.Axis;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.LimitPlan;
import org.grammatus.core.plan.RowsPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.rows.KeptRows;
import org.grammatus.core.value.Scalar;

/**
 * The step from all groups to those that are shown: for each level, from the innermost outwards, its condition on groups, then its
 * limit; first of all the limit on rows. Each sees what those before it left.
 */
public final class Selection {

    /**
     * A choice that was made.
     *
     * @param depth of the groups
     * @param before the groups that were chosen from
     * @param visibilities by node within the depth
     * @param unmatched the visibility of a group that was not among them
     */
    public record Choice(int depth, GroupIndex before, byte[] visibilities, byte unmatched) {}

    private final Axis axis;
    private final Cover cover;
    private final Star star;
    private final BooleanSupplier cancelled;
    private final List<Choice> choices = new ArrayList<>();
    private final List<LeftOut> leftOut = new ArrayList<>();
    private final BitSet unprinted = new BitSet();
    private GroupIndex all;
    private GroupIndex nodes;

    private Selection(Axis axis, Cover cover, Star star, BooleanSupplier cancelled) {
        this.axis = axis;
        this.cover = cover;
        this.star = star;
        this.cancelled = cancelled;
    }

    /** Groups the kept rows and chooses the groups that are shown. */
    public static Selection of(
            Axis axis, Cover cover, Star star, KeptRows kept, Faults faults, BooleanSupplier cancelled) {
        Selection selection = new Selection(axis, cover, star, cancelled);
        selection.nodes = GroupIndex.of(axis, star, kept, faults, cancelled);
        selection.all = selection.nodes;
        selection.limitRows();
        for (int depth = axis.levels().size(); depth > 0; depth--) {
            selection.keep(depth);
            selection.limit(depth);
        }
        return selection;
    }

    /** The groups that are left. */
    public GroupIndex nodes() {
        return nodes;
    }

    public List<Choice> choices() {
        return choices;
    }

    /** What the choices left out. */
    public List<LeftOut> leftOutOfReport() {
        return leftOut;
    }

    /** Rows that totals take in and that are not printed, being beyond the limit of their group. */
    public BitSet unprinted() {
        return unprinted;
    }

    private boolean coversEverything() {
        return cover == Cover.EVERYTHING;
    }

    private byte leftOut() {
        return coversEverything() ? Visibility.HIDDEN : Visibility.DROPPED;
    }

    /** The rows beyond a limit leave the totals with the page, unless totals cover everything. */
    private void limitRows() {
        RowsPlan rows = axis.rows();
        if (!rows.limited()) {
            return;
        }
        int all = nodes.kept().rows().length;
        BitSet left = firstOfEachGroup(rows);
        int out = all - left.cardinality();
        if (out == 0) {
            return;
        }
        boolean stand = rows.standTogether();
        leftOut.add(new LeftOut(
                axis.dataset().table(DatasetModel.GRAIN).noun().other(),
                axis.pointer() + "/rows/" + (rows.limit().isPresent() ? "limit" : "percent"),
                out,
                all,
                stand ? LeftOut.Why.OTHER_ROWS : LeftOut.Why.BEYOND_LIMIT,
                coversEverything()));
        if (stand || coversEverything()) {
            for (int row : nodes.kept().rows()) {
                unprinted.set(row, !left.get(row));
            }
        } else {
            KeptRows kept = new KeptRows(left.stream().toArray(), nodes.kept().afterEach());
            nodes = GroupIndex.of(axis, star, kept, nodes.folding(), new Faults(), cancelled);
        }
    }

    /** The rows within the limit of each group of the last level. */
    private BitSet firstOfEachGroup(RowsPlan rows) {
        int[] ordered = new Figures(axis, nodes, new Faults()).values().orderedRows();
        int[] nodeOf = nodes.nodes(nodes.depths() - 1, DatasetModel.GRAIN, ordered);
        int[] room = new int[nodes.nodeCount()];
        for (int node : nodeOf) {
            room[node]++;
        }
        Arrays.setAll(room, node -> LimitPlan.keptOf(room[node], rows.limit(), rows.percent()));
        BitSet left = new BitSet(star.rowCount());
        for (int i = 0; i < ordered.length; i++) {
            left.set(ordered[i], room[nodeOf[i]]-- > 0);
        }
        return left;
    }

    private void keep(int depth) {
        LevelPlan level = axis.level(depth);
        if (level.choice().having().isEmpty() && level.choice().conditions().isEmpty()) {
            return;
        }
        BitSet met = new MetConditions(axis, all, nodes, depth).groups();
        byte[] visibilities = new byte[nodes.first(depth + 1) - nodes.first(depth)];
        int out = 0;
        for (int node = 0; node < visibilities.length; node++) {
            boolean kept = met.get(node);
            visibilities[node] = kept ? Visibility.SHOWN : leftOut();
            out += kept ? 0 : 1;
        }
        if (out > 0) {
            say(level, out, visibilities.length, LeftOut.Why.CONDITION);
        }
        apply(new Choice(depth, nodes, visibilities, leftOut()), out);
    }

    private void limit(int depth) {
        LevelPlan level = axis.level(depth);
        if (level.choice().limit().isEmpty()) {
            return;
        }
        LimitPlan limit = level.choice().limit().get();
        Figures figures = new Figures(axis, nodes, new Faults());
        List<TablePlan.Term> terms = new ArrayList<>(List.of(limit.by()));
        terms.addAll(level.order());
        int[] sorted = new SiblingOrder(figures)
                .sorted(depth, terms, figures.values().labels(depth, varying -> {}), varying -> {});
        int first = nodes.first(depth);
        byte[] visibilities = new byte[sorted.length];
        byte beyond = limit.others() ? Visibility.OTHERS : leftOut();
        int out = 0;
        for (int from = 0; from < sorted.length; ) {
            int candidates = 0;
            int to = from;
            while (to < sorted.length && nodes.parents()[sorted[to]] == nodes.parents()[sorted[from]]) {
                // What is folded stands last and takes no part.
                candidates += nodes.visibilityWithin(depth, sorted[to] - first) == Visibility.SHOWN ? 1 : 0;
                to++;
            }
            int kept = limit.keptOf(candidates);
            for (int i = 0; i < to - from; i++) {
                int node = sorted[from + i] - first;
                visibilities[node] =
                        i < kept ? Visibility.SHOWN : i < candidates ? beyond : nodes.visibilityWithin(depth, node);
                out += i >= kept && i < candidates ? 1 : 0;
            }
            from = to;
        }
        if (out > 0) {
            boolean largest = limit.keep() == LimitEnd.LARGEST;
            LeftOut.Why why = largest ? LeftOut.Why.NOT_AMONG_LARGEST : LeftOut.Why.NOT_AMONG_SMALLEST;
            say(level, out, sorted.length, limit.others() ? LeftOut.Why.AMONG_OTHERS : why);
        }
        apply(new Choice(depth, nodes, visibilities, beyond), out);
    }

    private void say(LevelPlan level, int out, int all, LeftOut.Why why) {
        leftOut.add(new LeftOut(level.name(), level.pointer(), out, all, why, coversEverything()));
    }

    /** A choice that leaves nothing out still counts: what only another time has is not among the chosen. */
    private void apply(Choice choice, int out) {
        choices.add(choice);
        if (out > 0) {
            nodes = apply(choice, nodes, choice.visibilities());
        }
    }

    /**
     * The groups that a choice leaves.
     *
     * @param of the groups that it is made from
     * @param visibilities by node within the depth
     */
    private GroupIndex apply(Choice choice, GroupIndex of, byte[] visibilities) {
        int depth = choice.depth();
        int first = of.first(depth);
        int table = of.tableOf(depth);
        int[] rows = of.used(table);
        int[] nodeOf = of.nodes(depth, table, rows);
        byte[] visibilityOfRow = new byte[star.table(table).size()];
        for (int i = 0; i < rows.length; i++) {
            visibilityOfRow[rows[i]] = visibilities[nodeOf[i] - first];
        }
        Set<List<Scalar>> absent = new HashSet<>();
        if (axis.level(depth).keys().empty().isPresent()) {
            for (int node = 0; node < visibilities.length; node++) {
                if (visibilities[node] != Visibility.SHOWN) {
                    absent.add(of.path(first + node));
                }
            }
        }
        int[] path = star.path(DatasetModel.GRAIN, table);
        BitSet left = new BitSet(star.rowCount());
        boolean folds = false;
        for (int row : of.kept().rows()) {
            byte visibility = visibilityOfRow[path[row]];
            left.set(row, visibility != Visibility.DROPPED);
            folds |= visibility == Visibility.OTHERS || visibility == Visibility.HIDDEN;
        }
        Folding folding = of.folding().with(depth, folds ? Optional.of(visibilityOfRow) : Optional.empty(), absent);
        KeptRows kept = new KeptRows(left.stream().toArray(), of.kept().afterEach());
        return GroupIndex.of(axis, star, kept, folding, new Faults(), cancelled);
    }

    /**
     * Makes the same choices among the groups of other rows: a group fares as its matching node did, of the same path; one without a
     * matching node is not among those that were chosen.
     */
    public GroupIndex repeated(GroupIndex others, Star otherStar) {
        Selection repeat = new Selection(others.axis(), cover, otherStar, cancelled);
        repeat.nodes = others;
        for (Choice choice : choices) {
            int[] matchingNode = SamePaths.of(choice.before(), repeat.nodes, choice.depth())[choice.depth()];
            byte[] visibilities = new byte[matchingNode.length];
            for (int node = 0; node < visibilities.length; node++) {
                byte before = repeat.nodes.visibilityWithin(choice.depth(), node);
                visibilities[node] = matchingNode[node] >= 0
                        ? choice.visibilities()[matchingNode[node]]
                        : before != Visibility.SHOWN ? before : choice.unmatched();
            }
            repeat.nodes = repeat.apply(choice, repeat.nodes, visibilities);
        }
        return repeat.nodes;
    }
}
