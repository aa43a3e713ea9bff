package org.grammatus.core.group.figure;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.grammatus.core.choice.Shown;
import org.grammatus.core.columnar.PairTable;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TotalPlan;

/** Says of a total that its groups share what it counts: they do not add up to the figure around them. */
public final class Overlap {

    private final Figures figures;
    private final GroupIndex nodes;
    private final DatasetModel dataset;

    public Overlap(Figures figures) {
        this.figures = figures;
        this.nodes = figures.nodes();
        this.dataset = figures.axis().dataset();
    }

    /** Notes, once, the outermost level of a total whose groups share anything; nothing where none do. */
    public void note(int index, TotalPlan total, FigureNotices notices) {
        List<Typed.Aggregate> summed = new ArrayList<>();
        summed(total.value(), summed);
        summed.stream()
                .map(new Homes(dataset)::orGrain)
                .distinct()
                .flatMap(home -> inWords(total, home).stream())
                .findFirst()
                .ifPresent(shared -> notices.add(index, shared + doNotAddUp(total), ""));
    }

    private Optional<String> inWords(TotalPlan total, int home) {
        List<LevelPlan> levels = figures.axis().levels();
        for (int depth = 1; depth <= levels.size(); depth++) {
            LevelPlan level = levels.get(depth - 1);
            if (total.places().containsKey(level.id()) && !dataset.reaches(home, nodes.tableOf(depth))) {
                Shared shared = shared(home, depth);
                if (shared.things() > 0) {
                    return Optional.of(inWords(home, level, shared));
                }
            }
        }
        return Optional.empty();
    }

    /**
     * What stands in several groups.
     *
     * @param things how many rows of their table
     * @param times in how many groups these stand together
     */
    private record Shared(int things, long times) {}

    /** The rows of a table that stand in more groups of a depth than of the depth around it. */
    private Shared shared(int home, int depth) {
        int[] inside = groupsByRow(home, depth);
        int[] around = groupsByRow(home, depth - 1);
        int things = 0;
        long times = 0;
        for (int row = 0; row < inside.length; row++) {
            if (inside[row] > around[row]) {
                things++;
                times += inside[row];
            }
        }
        return new Shared(things, times);
    }

    /** By row of a table, in how many groups of a depth it has a row of the grain. */
    private int[] groupsByRow(int home, int depth) {
        int[] rows = nodes.kept().rows();
        int[] nodeOf = nodes.nodes(depth, DatasetModel.GRAIN, rows);
        int[] path = nodes.star().path(DatasetModel.GRAIN, home);
        int[] groups = new int[nodes.star().table(home).size()];
        PairTable pairs = new PairTable(groups.length);
        for (int i = 0; i < rows.length; i++) {
            int row = path[rows[i]];
            if (row >= 0 && pairs.add(PairTable.pair(row, nodeOf[i]))) {
                groups[row]++;
            }
        }
        return groups;
    }

    /** "An order can have lines in several groups of “Category”, so 407 orders appear 1,175 times below." */
    private String inWords(int home, LevelPlan level, Shared shared) {
        String one = dataset.table(home).noun().one();
        String things = shared.things() == 1 ? one : dataset.table(home).noun().other();
        return article(one) + " can have "
                + dataset.table(DatasetModel.GRAIN).noun().other()
                + " in several groups of \"" + level.name() + "\", so " + number(shared.things()) + " " + things
                + (shared.things() == 1 ? " appears " : " appear ") + number(shared.times()) + " times below.";
    }

    private static String doNotAddUp(TotalPlan total) {
        boolean share = total.shown() == Shown.SHARE_OF_PARENT || total.shown() == Shown.SHARE_OF_REPORT;
        return share
                ? " So shares may add up to more than 100 %: "
                : " So groups do not add up to the figure around them: ";
    }

    private static String article(String noun) {
        return ("aeiou".indexOf(Character.toLowerCase(noun.charAt(0))) >= 0 ? "An " : "A ") + noun;
    }

    private static String number(long count) {
        return String.format(Locale.ENGLISH, "%,d", count);
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
            case Typed.WindowFunction s -> {}
            default -> {
                for (Typed operand : value.operands()) {
                    summed(operand, found);
                }
            }
        }
    }
}
