package org.grammatus.core.group;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.grammatus.core.group.figure.FigureNotice;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.problem.Problem;

/**
 * The logical result of a table: facts alone, which every format prints and nothing computes again. What stands behind them is
 * asked of a {@link DrillDown}.
 *
 * @param answers by prompt: what the chosen key is called
 * @param rowsKept how many rows of the grain met the conditions
 * @param groupNotices what a reader should know of groups and rows
 * @param figureNotices what a reader should know of figures
 */
public record TableResult(
        TablePlan plan,
        PrintedGroups groups,
        GroupFigures figures,
        PrintedRows rows,
        Marks marks,
        List<Optional<AnswerName>> answers,
        int rowsKept,
        List<Problem> groupNotices,
        List<FigureNotice> figureNotices) {

    public GroupTree tree() {
        return groups.tree();
    }

    /** The same facts, chosen keys called as another block's rows call them. */
    public TableResult answeredBy(TableResult other) {
        return new TableResult(
                plan, groups, figures, rows, marks, other.answers, rowsKept, groupNotices, figureNotices);
    }

    /** The same facts under a plan that groups, orders and totals alike, but prints them in another way. */
    public TableResult printedBy(TablePlan other) {
        return new TableResult(other, groups, figures, rows, marks, answers, rowsKept, groupNotices, figureNotices);
    }

    /** What a reader should know of groups and figures; of a table with a title, each begins with it. */
    public List<Problem> notices() {
        return Stream.concat(groupNotices.stream(), figureNotices.stream().map(notice -> notice.of(plan)))
                .map(notice -> plan.title()
                        .map(title -> notice.saying(title + ": " + notice.message()))
                        .orElse(notice))
                .toList();
    }
}
