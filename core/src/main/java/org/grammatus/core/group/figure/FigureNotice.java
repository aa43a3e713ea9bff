package org.grammatus.core.group.figure;

import java.util.List;
import java.util.stream.Stream;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.problem.Problem;

/**
 * What a reader should know of some figures of a table. It names them when it is shown, so that it follows what they are called.
 *
 * @param before the text before their names
 * @param after the text behind them
 * @param totals indexes of the totals that it is about
 */
public record FigureNotice(String before, String after, List<Integer> totals) {

    public FigureNotice {
        totals = List.copyOf(totals);
    }

    /** The notice as a problem at the first of its figures. */
    public Problem of(TablePlan plan) {
        List<String> names = totals.stream()
                .map(plan.totals()::get)
                .map(total -> name(total, plan))
                .distinct()
                .toList();
        return Problem.notice(plan.totals().get(totals.getFirst()).pointer(), before + inWords(names) + after);
    }

    private static String name(TotalPlan total, TablePlan plan) {
        String label = plan.columnOf(total).label().strip();
        return label.isEmpty() ? "total \"" + total.id() + "\"" : label;
    }

    private static String inWords(List<String> names) {
        int last = names.size() - 1;
        return last == 0
                ? names.getFirst()
                : Stream.of(String.join(", ", names.subList(0, last)), names.get(last))
                        .reduce((a, b) -> a + " and " + b)
                        .orElseThrow();
    }
}
