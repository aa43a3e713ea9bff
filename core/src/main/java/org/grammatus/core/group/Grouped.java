package org.grammatus.core.group;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.problem.Problem;

/**
 * The logical result of a table: facts alone, which every format prints and nothing computes again. What stands behind them is
 * asked of a {@link DrillDown}.
 *
 * @param answers by prompt: what the chosen key is called
 * @param rowsKept how many rows of the grain met the conditions
 */
public record Grouped(
        TablePlan plan,
        Groups groups,
        GroupFigures figures,
        PrintedRows rows,
        Marks marks,
        List<Optional<AnswerName>> answers,
        int rowsKept,
        List<Problem> notices) {

    public GroupTree tree() {
        return groups.tree();
    }

    /** The same facts, chosen keys called as another block's rows call them. */
    public Grouped answeredBy(Grouped other) {
        return new Grouped(plan, groups, figures, rows, marks, other.answers, rowsKept, notices);
    }

    /**
     * The same facts under a plan that groups, orders and totals alike, but prints them in another way; notices call totals and blocks as
     * it does.
     */
    public Grouped printedBy(TablePlan other) {
        List<Problem> called = notices.stream()
                .map(notice -> notice.saying(called(notice.message(), other)))
                .toList();
        return new Grouped(other, groups, figures, rows, marks, answers, rowsKept, called);
    }

    private static String called(String message, TablePlan plan) {
        String called = message;
        for (TotalPlan total : plan.totals()) {
            String label = plan.columns().get(total.column()).label().strip();
            if (!label.isEmpty()) {
                called = called.replace("total \"" + total.id() + "\"", "\"" + label + "\"");
            }
        }
        String said = called;
        return plan.title().map(title -> title + ": " + said).orElse(said);
    }
}
