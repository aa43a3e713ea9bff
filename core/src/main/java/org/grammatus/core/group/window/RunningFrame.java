package org.grammatus.core.group.window;

import java.math.BigInteger;
import java.util.Arrays;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.IntPredicate;
import org.grammatus.core.columnar.Arithmetic;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.EvaluationContext;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Gathering;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.figure.Figures;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.group.tree.GroupTree;

/** Aggregates over the printed groups so far, each group's rows joining those that came before it. */
public final class RunningFrame {

    private final Figures figures;
    private final GroupIndex nodes;
    private final GroupTree tree;
    private final IntPredicate isOthers;

    /** @param isOthers whether a node stands for several groups */
    public RunningFrame(Figures figures, GroupTree tree, IntPredicate isOthers) {
        this.figures = figures;
        this.nodes = figures.nodes();
        this.tree = tree;
        this.isOthers = isOthers;
    }

    /**
     * What an aggregate comes to at the groups that it steps over, over those printed so far inside the group around: by node, NULL
     * elsewhere.
     */
    public Column at(Typed.Aggregate aggregate, Typed.Steps over, Optional<Names.Level> around, Faults faults) {
        int depth = depthOf(over);
        GroupSteps steps = new GroupSteps(nodes, tree, depth, nodes.axis().depthOf(around), isOthers);
        int[] stepOfNode = new int[nodes.nodeCount()];
        Arrays.fill(stepOfNode, -1);
        note(steps, depth, 0, stepOfNode);
        return Gathering.orNull(byStep(aggregate, steps, depth, faults), stepOfNode);
    }

    private int depthOf(Typed.Steps steps) {
        return nodes.axis().depthOf(steps.level().orElseThrow());
    }

    /**
     * An expression over the groups so far: its aggregates are taken over all siblings up to and with each group, or over all
     * groups of its depth.
     */
    public Column running(Typed value, boolean inParent, Faults faults) {
        return Evaluator.evaluate(value, new SoFar(inParent, faults), faults);
    }

    /** The sums of figures over the groups so far, where no two groups share anything: of all siblings, or of all groups of a depth. */
    Column summed(Column figures, boolean inParent, Faults faults) {
        return byDepth(figures, inParent, (depth, steps) -> added(figures, steps, faults));
    }

    /**
     * A running figure by node.
     *
     * @param own the figures by node, of which that of the report stays as it is
     * @param ofDepth the running figures of the groups of a depth, by step
     */
    private Column byDepth(Column own, boolean inParent, BiFunction<Integer, GroupSteps, Column> ofDepth) {
        int[] places = new int[nodes.nodeCount()];
        Arrays.fill(places, -1);
        places[GroupTree.ROOT] = 0;
        Column all = own.gather(new int[] {GroupTree.ROOT});
        for (int depth = 1; depth < nodes.depths(); depth++) {
            GroupSteps steps = new GroupSteps(nodes, tree, depth, inParent ? depth - 1 : 0, isOthers);
            note(steps, depth, all.size(), places);
            all = Gathering.joined(all, ofDepth.apply(depth, steps));
        }
        return Gathering.orNull(all, places);
    }

    /** Where the groups of a depth stand inside the group around them; what stands for several groups stands nowhere. */
    Column standing(Typed.WindowFunction standing, Column values) {
        int depth = nodes.axis().depthOf(standing.around());
        int[] printed = new GroupSteps(nodes, tree, depthOf(standing.steps()), depth, isOthers).nodes();
        int[] groups =
                Arrays.stream(printed).filter(node -> !isOthers.test(node)).toArray();
        int[] around =
                Arrays.stream(groups).map(node -> tree.ancestor(node, depth)).toArray();
        return new RankFunctions(values, groups, around).of(standing);
    }

    private Column byStep(Typed.Aggregate aggregate, GroupSteps steps, int depth, Faults faults) {
        boolean adds = aggregate.function() == AggregateFunction.SUM
                || (aggregate.function() == AggregateFunction.COUNT && !aggregate.distinct());
        int home = new Homes(nodes.star().dataset()).orGrain(aggregate);
        boolean apart = !aggregate.distinct() && nodes.star().dataset().reaches(home, nodes.tableOf(depth));
        return adds && apart
                ? added(figures.aggregates().aggregate(aggregate), steps, faults)
                : figures.aggregates().running(aggregate, steps);
    }

    /** Where no two groups share anything, the sum of their figures. */
    private static Column added(Column values, GroupSteps steps, Faults faults) {
        int[] nodeOf = steps.nodes();
        int[] scopes = steps.scopes();
        BigInteger[] sums = new BigInteger[Arrays.stream(scopes).max().orElse(0) + 1];
        BigInteger[] stepped = new BigInteger[nodeOf.length];
        for (int step = 0; step < nodeOf.length; step++) {
            BigInteger before = sums[scopes[step]];
            if (!values.isNull(nodeOf[step])) {
                BigInteger value = values.wide(nodeOf[step]);
                sums[scopes[step]] = before == null ? value : before.add(value);
            }
            stepped[step] = faults.within(sums[scopes[step]], nodeOf[step]);
        }
        return Arithmetic.narrow(stepped, values.type());
    }

    /** Notes the step at which each group of a depth is printed, as its place behind so many others. */
    private void note(GroupSteps steps, int depth, int before, int[] stepOfNode) {
        int[] nodeOf = steps.nodes();
        for (int step = 0; step < nodeOf.length; step++) {
            if (nodeOf[step] >= nodes.first(depth)) {
                stepOfNode[nodeOf[step]] = before + step;
            }
        }
    }

    /** The groups with all that came before them in printed order. */
    private final class SoFar implements EvaluationContext {

        private final boolean inParent;
        private final Faults faults;

        SoFar(boolean inParent, Faults faults) {
            this.inParent = inParent;
            this.faults = faults;
        }

        @Override
        public int size() {
            return nodes.nodeCount();
        }

        @Override
        public Column field(String id) {
            return figures.aggregates().field(id);
        }

        @Override
        public Column aggregate(Typed.Aggregate aggregate) {
            return byDepth(
                    figures.aggregates().aggregate(aggregate),
                    inParent,
                    (depth, steps) -> byStep(aggregate, steps, depth, faults));
        }

        @Override
        public Column over(Typed.Over over) {
            return figures.aggregates().over(over);
        }
    }
}
