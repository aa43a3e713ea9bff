package org.grammatus.core.group.figure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import org.grammatus.core.choice.Shown;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.tree.Nodes;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TotalPlan;

/** Says of a total that its groups share what it counts: they do not add up to the figure around them. */
public final class Overlap {

    private Overlap() {}

    /** What is said of a total, once, of the outermost of its levels whose groups share anything; nothing where none do. */
    public static Optional<String> notice(TotalPlan total, Figures figures) {
        List<Typed.Aggregate> summed = new ArrayList<>();
        summed(total.value(), summed);
        return summed.stream()
                .map(new Homes(figures.plan().dataset())::orGrain)
                .distinct()
                .flatMap(home -> notice(total, home, figures).stream())
                .findFirst();
    }

    private static Optional<String> notice(TotalPlan total, int home, Figures figures) {
        Nodes nodes = figures.nodes();
        DatasetModel dataset = figures.plan().dataset();
        for (int level : new TreeSet<>(total.places().keySet())) {
            int depth = level + 1;
            if (depth > 0 && !dataset.reaches(home, nodes.tableOf(depth))) {
                long shared = shared(figures.aggregates().rowCounts(home), nodes, depth);
                if (shared > 0) {
                    return Optional.of(inWords(
                            total,
                            dataset.table(home).noun().one(),
                            figures.plan().levels().get(level),
                            shared));
                }
            }
        }
        return Optional.empty();
    }

    /** How many times more the groups of a depth have rows of a table than what is around them. */
    private static long shared(long[] counts, Nodes nodes, int depth) {
        long shared = 0;
        for (int node = nodes.first(depth); node < nodes.first(depth + 1); node++) {
            shared += counts[node];
        }
        for (int node = nodes.first(depth - 1); node < nodes.first(depth); node++) {
            shared -= counts[node];
        }
        return shared;
    }

    private static String inWords(TotalPlan total, String one, LevelPlan level, long shared) {
        boolean share = total.shown() == Shown.SHARE_OF_PARENT || total.shown() == Shown.SHARE_OF_REPORT;
        return "groups of level \"" + level.name() + "\" overlap: one " + one
                + " counts in each group that it has rows in, " + shared + (shared == 1 ? " time" : " times")
                + " more than once; figures of total \"" + total.id()
                + "\" do not add up to those around them" + (share ? ", shares may pass 100 %" : "");
    }

    /** The sums and counts in a value. */
    private static void summed(Typed value, List<Typed.Aggregate> found) {
        switch (value) {
            case Typed.Aggregate a -> {
                boolean adds = a.function() == AggregateFunction.SUM || a.function() == AggregateFunction.COUNT;
                if (adds && !a.distinct()) {
                    found.add(a);
                }
            }
            case Typed.Over o -> {}
            case Typed.Standing s -> {}
            default -> {
                for (Typed operand : value.operands()) {
                    summed(operand, found);
                }
            }
        }
    }
}
