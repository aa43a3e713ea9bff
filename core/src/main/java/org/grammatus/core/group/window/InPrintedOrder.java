package org.grammatus.core.group.window;

import java.math.BigInteger;
import java.util.Arrays;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import org.grammatus.core.columnar.Arithmetic;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Gathering;
import org.grammatus.core.expression.ArithmeticOperator;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.value.Type;

/** What is made of a figure once groups stand in order: shares, sums of what is printed, ranks and changes, by node. */
public final class InPrintedOrder {

    private final GroupTree tree;
    private final int nodeCount;
    private final RunningFrame frame;
    private final IntPredicate stands;

    /**
     * @param frame takes sums of what is printed
     * @param isOthers whether a node stands for several groups, and so has no rank and no change
     */
    public InPrintedOrder(GroupTree tree, int nodeCount, RunningFrame frame, IntPredicate isOthers) {
        this.tree = tree;
        this.nodeCount = nodeCount;
        this.frame = frame;
        this.stands = node -> !isOthers.test(node);
    }

    /** What a total shows, made of its values by node. */
    public Column of(TotalPlan total, Column values, Faults faults) {
        Type type = total.type();
        return switch (total.shown()) {
            case VALUE -> values;
            case SHARE_OF_PARENT -> share(values, parents(), type, faults);
            case SHARE_OF_REPORT -> share(values, new int[nodeCount], type, faults);
            case RUNNING_IN_PARENT -> frame.summed(values, true, faults);
            case RUNNING_IN_REPORT -> frame.summed(values, false, faults);
            // The largest first; equals share a place.
            case RANK -> amongSiblings(values).ranks(true);
            case CHANGE ->
                Arithmetic.apply(
                        ArithmeticOperator.SUBTRACT,
                        values,
                        amongSiblings(values).before(),
                        type,
                        faults);
            case CHANGE_PERCENT -> percent(values, amongSiblings(values).before(), type, faults);
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

    /** The groups that stand among their siblings, in printed order; those that stand for several do not. */
    private RankFunctions amongSiblings(Column values) {
        int[] groups = IntStream.range(1, tree.nodeCount())
                .map(tree::nodeAt)
                .filter(stands)
                .toArray();
        return new RankFunctions(
                values, groups, IntStream.of(groups).map(tree::parentOf).toArray());
    }
}
