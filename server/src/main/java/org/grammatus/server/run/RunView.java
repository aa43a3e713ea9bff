package org.grammatus.server.run;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.plan.planner.ReaderView;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.Answers;
import org.grammatus.runs.Run;
import org.grammatus.runs.RunProgress;
import org.grammatus.runs.RunResult;
import org.grammatus.runs.RunState;
import org.grammatus.server.problem.MayBeMissing;
import org.grammatus.server.problem.ProblemAdvice;
import org.grammatus.server.problem.ProblemView;

/**
 * A run as it stands.
 *
 * @param rowsRead rows read so far, over all tables; once done, the rows of the dataset
 * @param rowsKept rows that passed the filters
 * @param reads the datasets that it read, each with when, perhaps for an earlier run; once it is done
 * @param problems why it failed, or what its reader should know
 * @param grandTotals the report's own totals in printed form, once it is done
 */
public record RunView(
        String id,
        String report,
        RunState state,
        long rowsRead,
        long rowsKept,
        int groups,
        int pages,
        List<Run.DatasetRead> reads,
        List<ProblemView> problems,
        List<RunResult.GrandTotal> grandTotals) {

    /** @param detailed whether what a source said of itself is told, which is for authors */
    public static RunView of(Run run, RunProgress progress, boolean detailed) {
        return new RunView(
                run.id(),
                run.request().report().id(),
                progress.state(),
                progress.rowsRead(),
                progress.rowsKept(),
                progress.groups(),
                progress.pages(),
                run.reads(),
                progress.problems().stream()
                        .filter(problem -> problem.severity() != Problem.Severity.ADVICE)
                        .map(problem -> detailed || !problem.pointer().equals(Run.OF_SOURCE)
                                ? problem
                                : Problem.error("", ProblemAdvice.SOURCE_FOR_READERS))
                        .map(ProblemView::of)
                        .toList(),
                run.result().map(RunResult::grandTotals).orElse(List.of()));
    }

    /**
     * A report's id, the answers to it by prompt name, as written, and how its reader looks at it.
     *
     * @param order columns to order by, each a column's id with {@code :ascending} or {@code :descending}
     * @param only groups to narrow to, each a level's id, a colon and a key; without the colon the group of blank keys;
     *     behind {@code report.} in every block
     * @param except groups to leave out, likewise
     * @param narrow values of printed fields to narrow to, each a field's id, a colon and the values as answers are written; behind a block's
     *     id and a point in that block alone
     * @param widths columns' widths, each a column's id, a colon and whole points or {@code fit}
     * @param whole ids of levels of which every group is shown, whatever limit they have
     * @param markedOnly whether only what is marked is printed
     * @param downTo id of the innermost level that is shown; none shows all
     */
    record Start(
            String report,
            @MayBeMissing Map<String, String> answers,
            @MayBeMissing List<String> order,
            @MayBeMissing List<String> only,
            @MayBeMissing List<String> except,
            @MayBeMissing List<String> narrow,
            @MayBeMissing List<String> widths,
            @MayBeMissing List<String> whole,
            @MayBeMissing String downTo,
            @MayBeMissing Boolean markedOnly) {
        Answers given() {
            return new Answers(answers == null ? Map.of() : answers);
        }

        ReaderView view() {
            return ViewText.parse(
                    given(order),
                    given(only),
                    given(except),
                    given(narrow),
                    given(widths),
                    given(whole),
                    Optional.ofNullable(downTo),
                    Boolean.TRUE.equals(markedOnly));
        }

        private static List<String> given(List<String> list) {
            return list == null ? List.of() : list;
        }
    }
}
