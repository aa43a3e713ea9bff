package org.grammatus.core.group.window;

import java.math.BigInteger;
import java.util.Arrays;
import java.util.function.IntPredicate;
import org.grammatus.core.columnar.Arithmetic;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Gathering;
import org.grammatus.core.columnar.IntList;
import org.grammatus.core.expression.ArithmeticOperator;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.order.IntOrder;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.value.Type;

/** What is made of a figure once groups stand in order: shares, sums of what is printed, ranks and changes, by node. */
public final class InPrintedOrder {

    private static final int NONE = -1;

    private final GroupTree tree;
    private final int nodeCount;
    private final IntPredicate stands;

    /** @param isOthers whether a node stands for several groups, and so has no rank and no change */
    public InPrintedOrder(GroupTree tree, int nodeCount, IntPredicate isOthers) {
        this.tree = tree;
        this.nodeCount = nodeCount;
        this.stands = node -> !isOthers.test(node);
    }

    /** What a total shows, made of its values by node. */
    public Column of(TotalPlan total, Column values, Faults faults) {
        Type type = total.type();
        return switch (total.shown()) {
            case VALUE -> values;
            case SHARE_OF_PARENT -> share(values, parents(), type, faults);
            case SHARE_OF_REPORT -> share(values, new int[nodeCount], type, faults);
            case RUNNING_IN_PARENT -> running(values, true, faults);
            case RUNNING_IN_REPORT -> running(values, false, faults);
            case RANK -> ranks(values);
            case CHANGE -> Arithmetic.apply(ArithmeticOperator.SUBTRACT, values, before(values), type, faults);
            case CHANGE_PERCENT -> percent(values, before(values), type, faults);
        };
    }

    /** The difference of two figures in percent of the size of the second. */
    public static Column percent(Column values, Column base, Type type, Faults faults) {
        Type difference = values.type().scale() >= base.type().scale() ? values.type() : base.type();
        return Arithmetic.apply(
                ArithmeticOperator.DIVIDE,
                Arithmetic.apply(ArithmeticOperator.SUBTRACT, values, base, difference, faults),
                absolute(base),
                type,
                faults);
    }

    private static Column absolute(Column column) {
        BigInteger[] values = new BigInteger[column.size()];
        Arrays.setAll(values, i -> column.isNull(i) ? null : column.wide(i).abs());
        return Arithmetic.narrow(values, column.type());
    }

    private static Column share(Column values, int[] wholes, Type type, Faults faults) {
        return Arithmetic.apply(ArithmeticOperator.DIVIDE, values, Gathering.orNull(values, wholes), type, faults);
    }

    private int[] parents() {
        int[] parents = new int[nodeCount];
        Arrays.setAll(parents, tree::parentOf);
        return parents;
    }

    /** By node, the value of the sibling printed before it; none for the first, and none beside others. */
    private Column before(Column values) {
        int[] last = new int[nodeCount];
        int[] before = new int[nodeCount];
        Arrays.fill(last, NONE);
        Arrays.fill(before, NONE);
        for (int place = 1; place < tree.nodeCount(); place++) {
            int node = tree.nodeAt(place);
            if (stands.test(node)) {
                before[node] = last[tree.parentOf(node)];
                last[tree.parentOf(node)] = node;
            }
        }
        return Gathering.orNull(values, before);
    }

    /** Sums of what is printed up to and with each group: of its siblings, or of all groups of its depth. */
    private Column running(Column values, boolean inParent, Faults faults) {
        BigInteger[] running = new BigInteger[nodeCount];
        BigInteger[] sums = new BigInteger[inParent ? nodeCount : tree.depths()];
        for (int place = 0; place < tree.nodeCount(); place++) {
            int node = tree.nodeAt(place);
            int scope = inParent ? Math.max(tree.parentOf(node), 0) : tree.depthOf(node);
            if (node == GroupTree.ROOT) {
                running[node] = values.isNull(node) ? null : values.wide(node);
                continue;
            }
            if (!values.isNull(node)) {
                sums[scope] = sums[scope] == null ? values.wide(node) : sums[scope].add(values.wide(node));
            }
            running[node] = faults.within(sums[scope], node);
        }
        return Arithmetic.narrow(running, values.type());
    }

    /** The place of each group among its siblings by the figure itself, largest first; equals share a place. */
    private Column ranks(Column values) {
        long[] ranks = new long[nodeCount];
        Arrays.fill(ranks, Column.Longs.NULL);
        IntOrder largestFirst = (a, b) -> values.wide(b).compareTo(values.wide(a));
        for (int place = 0; place < tree.nodeCount(); place++) {
            rankChildren(tree.nodeAt(place), place, values, largestFirst, ranks);
        }
        return new Column.Longs(Type.INTEGER, ranks);
    }

    private void rankChildren(int parent, int place, Column values, IntOrder largestFirst, long[] ranks) {
        IntList children = new IntList();
        for (int at = place + 1; at <= tree.lastPlace(parent); at = tree.lastPlace(tree.nodeAt(at)) + 1) {
            int child = tree.nodeAt(at);
            if (stands.test(child) && !values.isNull(child)) {
                children.add(child);
            }
        }
        int[] sorted = children.toArray();
        largestFirst.sort(sorted, 0, sorted.length);
        for (int i = 0; i < sorted.length; i++) {
            boolean tie = i > 0 && largestFirst.compare(sorted[i - 1], sorted[i]) == 0;
            ranks[sorted[i]] = tie ? ranks[sorted[i - 1]] : i + 1;
        }
    }
}
