package org.grammatus.server.run;

import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.grammatus.core.band.Printed;
import org.grammatus.core.definition.Report;
import org.grammatus.core.group.GroupTree;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.prompt.Answers;
import org.grammatus.runs.Run;
import org.grammatus.runs.RunProgress;
import org.grammatus.runs.RunResult;
import org.grammatus.runs.RunState;
import org.grammatus.server.problem.ProblemView;

/**
 * A run as it stands.
 *
 * @param rowsRead rows read so far, over all tables
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
        List<GrandTotal> grandTotals) {

    /** A total of the whole report, under the label of its column. */
    record GrandTotal(String label, String figure) {}


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
                run.result().map(RunView::grandTotals).orElse(List.of()));
    }

    private static List<GrandTotal> grandTotals(RunResult result) {
        Printed printed = new Printed(result.grouped());
        List<Plan.Column> columns = result.grouped().plan().columns();
        return IntStream.range(0, columns.size())
                .boxed()
                .flatMap(c -> printed.totalAt(c, 0, Report.Place.FOOTER)
                        .map(total -> new GrandTotal(
                                columns.get(c).definition().label(), printed.total(total, GroupTree.ROOT)))
                        .stream())
                .toList();
    }

    /** A report's id and the answers to it, by prompt name, as written. */
    record Start(String report, Map<String, String> answers) {
        Answers given() {
            return new Answers(answers == null ? Map.of() : answers);
        }
    }
}
