package org.grammatus.runs;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.address.FigureAddress;
import org.grammatus.core.choice.Rounding;
import org.grammatus.core.choice.Shown;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.GroupingStep;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.select.LeftOut;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.plan.planner.ReaderView;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.runs.Explanations.PathStep;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.FigureQuestion;
import org.grammatus.sources.SourceFigure;

/**
 * A figure of a run, computed once more by its source in one plain statement of SQL. It shares the definition with the run, and no code that computes figures.
 *
 * @param source what the source is called
 * @param statement that it was asked
 * @param figure what it said, with all its digits; empty for nothing
 * @param same whether that is the report's figure
 */
public record AskedAgain(String source, String statement, String figure, boolean same) {

    /**
     * Asks for a total of a group.
     *
     * @param request that the run was made for
     * @return none where no single statement says what the figure is, or the source may see something differently than the engine
     * @throws org.grammatus.sources.SourceException if the source cannot be asked
     */
    public static Optional<AskedAgain> of(
            RunRequest request, RunResult result, FigureAddress figure, DatasetReader reader) {
        Optional<RunResult.At> at = result.at(figure.group());
        if (at.isEmpty()) {
            return Optional.empty();
        }
        TableResult grouped = at.get().table().grouped();
        int node = at.get().node();
        List<PathStep> path = new Explanations(result).path(figure.group()).orElseThrow();
        int index = index(grouped.plan(), figure.part());
        if (index < 0
                || !isPlain(grouped, index)
                || !hasAllRows(at.get().table().grouping(), path, node)) {
            return Optional.empty();
        }
        TablePlan narrowed = narrowed(request, path).plan().facts(grouped.plan().id());
        Typed value = narrowed.totals().get(index).value().unnamed();
        boolean chosen = narrowed.looks().findAny().isPresent()
                || narrowed.filters().stream().anyMatch(filter -> filter.top().isPresent());
        if (chosen || !(value instanceof Typed.Aggregate aggregate)) {
            return Optional.empty();
        }
        List<Typed> conditions =
                narrowed.filters().stream().map(FilterPlan::condition).toList();
        Scalar ours = Scalars.at(grouped.figures().totals().get(index), node);
        return reader.figure(new FigureQuestion(narrowed.dataset(), aggregate, conditions))
                .map(answer -> compared(answer, ours));
    }

    private static AskedAgain compared(SourceFigure answer, Scalar ours) {
        String said = answer.value() instanceof Scalar.Null ? "" : ScalarText.write(answer.value());
        return new AskedAgain(
                answer.source(), answer.statement(), said, answer.value().equals(ours));
    }

    private static int index(TablePlan plan, String total) {
        for (int i = 0; i < plan.totals().size(); i++) {
            if (plan.totals().get(i).id().equals(total)) {
                return i;
            }
        }
        return -1;
    }

    /** Whether a total is an aggregate alone, not rounded on the way. */
    private static boolean isPlain(TableResult grouped, int total) {
        TotalPlan planned = grouped.plan().totals().get(total);
        boolean rounds = grouped.plan().totalling().rounding() == Rounding.EACH_LINE;
        return planned.shown() == Shown.VALUE && planned.comparison().isEmpty() && !rounds;
    }

    /** Whether a group has rows, and all that its path and the filters let through. */
    private static boolean hasAllRows(GroupingStep.Result result, List<PathStep> path, int node) {
        TableResult grouped = result.grouped();
        boolean fewer =
                grouped.groups().leftOut().stream().filter(LeftOut::isHidden).anyMatch(out -> !out.covered());
        boolean others = path.stream().anyMatch(PathStep::others);
        return !fewer && !others && result.drillDown().count(DatasetModel.GRAIN, node) > 0;
    }

    private static RunRequest narrowed(RunRequest request, List<PathStep> path) {
        List<ReaderView.Only> groups = path.stream()
                .map(step -> new ReaderView.Only(step.level(), step.key()))
                .toList();
        return new RunRequest(
                request.report(),
                request.datasets(),
                request.look(),
                request.answers(),
                request.context(),
                request.view().andOnly(groups));
    }
}
