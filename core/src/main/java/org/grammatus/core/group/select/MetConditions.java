package org.grammatus.core.group.select;

import java.math.BigDecimal;
import java.util.BitSet;
import java.util.Optional;
import java.util.function.IntPredicate;
import org.grammatus.core.choice.GroupMeasure;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.figure.Figures;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.group.tree.SamePaths;
import org.grammatus.core.plan.Axis;
import org.grammatus.core.plan.GroupCondition;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.value.Scalar;

/**
 * Which groups of a depth meet the conditions of their level. What is typed, and what compares a value, sees what the choices before left;
 * shares and figures across the report are those of all groups.
 *
 * @param all the groups before any was left out
 * @param left those that the choices before left
 */
record MetConditions(Axis axis, GroupIndex all, GroupIndex left, int depth) {

    /** The groups that meet all of them, by node within the depth. */
    BitSet groups() {
        LevelPlan level = axis.level(depth);
        int count = left.first(depth + 1) - left.first(depth);
        BitSet met = new BitSet(count);
        met.set(0, count);
        Figures figures = new Figures(axis, left, new Faults());
        level.choice().having().ifPresent(having -> retain(met, figures, having));
        level.choice().conditions().forEach(condition -> {
            if (condition.readsAllGroups()) {
                retain(met, condition);
            } else {
                Column values = figures.of(condition.by());
                retain(
                        met,
                        node -> number(values, left.first(depth) + node)
                                .filter(condition::isMetBy)
                                .isPresent());
            }
        });
        return met;
    }

    private void retain(BitSet met, Figures figures, Typed having) {
        Column truth = figures.of(having);
        int first = left.first(depth);
        retain(met, node -> !truth.isNull(first + node) && ((Column.Longs) truth).values()[first + node] == 1);
    }

    private void retain(BitSet met, GroupCondition condition) {
        Figures figures = new Figures(axis, all, new Faults());
        int[] matchingNode = SamePaths.of(all, left, depth)[depth];
        int first = all.first(depth);
        if (condition.measure() == GroupMeasure.ACROSS_REPORT) {
            Column across = figures.acrossReport(condition.by(), depth);
            retain(
                    met,
                    node -> matchingNode[node] >= 0
                            && number(across, matchingNode[node])
                                    .filter(condition::isMetBy)
                                    .isPresent());
            return;
        }
        Column values = figures.of(condition.by());
        boolean ofParent = condition.measure() == GroupMeasure.SHARE_OF_PARENT;
        retain(met, node -> {
            if (matchingNode[node] < 0) {
                return false;
            }
            int part = first + matchingNode[node];
            Optional<BigDecimal> whole = number(values, ofParent ? all.parents()[part] : GroupTree.ROOT);
            return number(values, part)
                    .flatMap(own -> whole.filter(sum -> condition.isMetBy(own, sum)))
                    .isPresent();
        });
    }

    private static void retain(BitSet met, IntPredicate holds) {
        for (int node = met.nextSetBit(0); node >= 0; node = met.nextSetBit(node + 1)) {
            if (!holds.test(node)) {
                met.clear(node);
            }
        }
    }

    private static Optional<BigDecimal> number(Column values, int node) {
        return Scalars.at(values, node) instanceof Scalar.Number number
                ? Optional.of(number.value())
                : Optional.empty();
    }
}
