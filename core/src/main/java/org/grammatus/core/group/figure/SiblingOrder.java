package org.grammatus.core.group.figure;

import java.util.List;
import java.util.function.IntConsumer;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.group.tree.Siblings;
import org.grammatus.core.order.ColumnOrder;
import org.grammatus.core.order.IntOrder;
import org.grammatus.core.order.SiblingSort;
import org.grammatus.core.plan.Axis;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;

/**
 * The order of siblings: a level's terms; then the order of its own keys, where they have one; then by label, in its natural order
 * where it has one; then by key. What is folded stands last.
 */
public final class SiblingOrder {

    private final Figures figures;
    private final Axis axis;
    private final GroupIndex nodes;

    public SiblingOrder(Figures figures) {
        this.figures = figures;
        this.axis = figures.axis();
        this.nodes = figures.nodes();
    }

    /**
     * Nodes of one depth, sibling beside sibling in order; parents in the order of their numbers.
     *
     * @param terms what they are ordered by
     * @param label the depth's labels
     * @param varying told in how many nodes the rows differ on a term that is read from the first one
     */
    public int[] sorted(int depth, List<TablePlan.Term> terms, Column label, IntConsumer varying) {
        int first = nodes.first(depth);
        IntOrder rest = byName(depth, label);
        for (int i = terms.size() - 1; i > 0; i--) {
            rest = byTerm(terms.get(i), values(terms.get(i), depth, varying), first)
                    .then(rest);
        }
        return new Siblings(nodes, depth).sorted(whole(depth, terms, rest, varying));
    }

    private SiblingSort whole(int depth, List<TablePlan.Term> terms, IntOrder rest, IntConsumer varying) {
        boolean folded = nodes.hasFolded(depth);
        if (terms.isEmpty()) {
            return SiblingSort.of(folded ? foldedLast(depth).then(rest) : rest);
        }
        TablePlan.Term main = terms.getFirst();
        Column values = values(main, depth, varying);
        IntOrder byMain = byTerm(main, values, nodes.first(depth));
        if (folded) {
            return SiblingSort.of(foldedLast(depth).then(byMain).then(rest));
        }
        return byNode(main)
                ? SiblingSort.of(values, main.direction(), byMain, rest)
                : SiblingSort.of(byMain.then(rest));
    }

    private IntOrder byName(int depth, Column label) {
        LevelPlan level = axis.level(depth);
        int first = nodes.first(depth);
        IntOrder byKey = shifted(ColumnOrder.byKey(nodes.keys(depth)), first);
        if (level.keys().coarsening().isPresent()) {
            return byKey;
        }
        IntOrder byLabel = shifted(
                ColumnOrder.of(label, Direction.ASCENDING, axis.locale(), level.naturalOrder(axis.dataset())), first);
        IntOrder byName = byLabel.then(byKey);
        return level.keys().listed().isEmpty()
                ? byName
                : shifted(ColumnOrder.listed(nodes.keys(depth), level.keys().listed()), first)
                        .then(byName);
    }

    private IntOrder foldedLast(int depth) {
        int first = nodes.first(depth);
        return (a, b) ->
                Integer.compare(nodes.visibilityWithin(depth, a - first), nodes.visibilityWithin(depth, b - first));
    }

    /** Whether a term's values are by node, rather than by node within the depth. */
    private static boolean byNode(TablePlan.Term term) {
        return term.overScope() && !term.acrossReport();
    }

    /** A term's values: by node where it is computed over groups, by node within the depth otherwise. */
    public Column values(TablePlan.Term term, int depth, IntConsumer varying) {
        return term.keys(
                term.acrossReport()
                        ? figures.acrossReport(term.by(), depth)
                        : term.overScope()
                                ? figures.of(term.by())
                                : figures.values().atFirstRow(term.by(), depth, varying));
    }

    /** Where a node's value stands among a term's values. */
    public int placeOf(TablePlan.Term term, int node, int depth) {
        return byNode(term) ? node : node - nodes.first(depth);
    }

    private IntOrder byTerm(TablePlan.Term term, Column values, int first) {
        IntOrder order = ColumnOrder.of(
                values, term.direction(), axis.locale(), axis.dataset().naturalOrder(term.by()));
        return byNode(term) ? order : shifted(order, first);
    }

    /** An order of places within a depth, as one of nodes. */
    private static IntOrder shifted(IntOrder within, int first) {
        return (a, b) -> within.compare(a - first, b - first);
    }
}
