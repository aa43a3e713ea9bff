package org.grammatus.server.run;

import java.util.List;
import java.util.Map;
import org.grammatus.core.prompt.Answers;
import org.grammatus.runs.Run;
import org.grammatus.runs.RunProgress;
import org.grammatus.runs.RunResult;
import org.grammatus.runs.RunState;
import org.grammatus.server.problem.ProblemView;

/**
 * A run as it stands.
 *
 * @param rowsRead rows read so far, over all tables; once done, the rows of the dataset
 * @param rowsKept rows that passed the filters
 * @param problems why it failed, or what its reader should know
 * @param grandTotals the report's own totals in printed form, once it is done
 */
record RunView(
        String id,
        String report,
        RunState state,
        long rowsRead,
        long rowsKept,
        int groups,
        int pages,
        List<ProblemView> problems,
        List<RunResult.GrandTotal> grandTotals) {

    static RunView of(Run run, RunProgress progress) {
        return new RunView(
                run.id(),
                run.request().report().id(),
                progress.state(),
                progress.rowsRead(),
                progress.rowsKept(),
                progress.groups(),
                progress.pages(),
                progress.problems().stream().map(ProblemView::of).toList(),
                run.result().map(RunResult::grandTotals).orElse(List.of()));
    }

    /** A report's id and the answers to it, by prompt name, as written. */
    record Start(String report, Map<String, String> answers) {
        Answers given() {
            return new Answers(answers == null ? Map.of() : answers);
        }
    }
}
