package org.grammatus.core.plan.planner;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.plan.planner.condition.FilterCondition;
import org.grammatus.core.plan.planner.condition.FilterScope;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.prompt.NamedAnswers;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.prompt.RunContext;

/**
 * What the answers above a prompt leave to choose from: the filters of the whole report that read those answers, and no other. What the
 * report filters by itself does not narrow, nor does what is asked further down.
 */
public final class ChoiceConditions {

    private final Report report;
    private final FilterScope scope;
    private final PlanNames names;
    private final Set<String> above = new HashSet<>();

    private ChoiceConditions(Report report, DatasetModel dataset, List<ResolvedPrompt> above, RunContext context) {
        this.report = report;
        // Rows of other datasets are not looked for where choices are made.
        this.scope = new FilterScope(dataset, report.prompts(), ReportDatasets.of(dataset));
        this.names = new PlanNames(dataset, List.of(), above, context.businessDate(), Optional.empty());
        report.prompts().subList(0, above.size()).forEach(prompt -> this.above.addAll(NamedAnswers.of(prompt)));
    }

    /**
     * The conditions on rows whose values can be chosen.
     *
     * @param dataset whose rows they are; of another than the report's, filters are taken that name their field there
     * @param main the report's
     * @param above the answers to the prompts above, in the report's order
     */
    public static List<Typed> of(
            Report report, DatasetModel dataset, DatasetModel main, List<ResolvedPrompt> above, RunContext context) {
        ChoiceConditions conditions = new ChoiceConditions(report, dataset, above, context);
        return report.filters().stream()
                .filter(filter -> filter.restricts() && filter.blocks().isEmpty())
                .flatMap(filter -> dataset.includes(main) ? Stream.of(filter) : filter.elsewhere(dataset.id()).stream())
                .flatMap(filter -> conditions.of(filter).stream())
                .toList();
    }

    /** A filter that is wrong narrows nothing: it is told where the report is run. */
    private Optional<Typed> of(ReportFilter filter) {
        try {
            Expression condition = FilterCondition.of(filter, scope);
            Set<String> read = new HashSet<>();
            condition.prompts().forEach(prompt -> read.add(prompt.name()));
            return !read.isEmpty() && above.containsAll(read)
                    ? Typing.restriction(condition, names, Typing.Place.ROW)
                    : Optional.empty();
        } catch (ProblemException e) {
            return Optional.empty();
        }
    }
}
