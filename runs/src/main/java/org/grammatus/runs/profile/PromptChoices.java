package org.grammatus.runs.profile;

import com.ibm.icu.util.ULocale;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.planner.ChoiceConditions;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.value.FoldedText;
import org.grammatus.sources.DatasetReader;

/** What can be chosen at the prompts of a report, given the answers above each. */
public final class PromptChoices {

    private final DatasetReader reader;
    private final Report report;
    private final ReportDatasets datasets;
    private final RunContext context;

    public PromptChoices(DatasetReader reader, Report report, ReportDatasets datasets, RunContext context) {
        this.reader = reader;
        this.report = report;
        this.datasets = datasets;
        this.context = context;
    }

    /**
     * What is offered at the prompt of a name.
     *
     * @return none where the report asks no such, or it has neither values nor days with rows to choose from
     */
    public Optional<List<FieldValues.Value>> offeredAt(
            String name, Answers answers, String find, Optional<Set<String>> only) {
        return report.prompts().stream()
                .filter(prompt -> prompt.name().equals(name))
                .filter(prompt -> prompt instanceof ReportPrompt.Choice
                        || DayValues.field(prompt, report).isPresent())
                .findFirst()
                .map(prompt -> offered(prompt, answers, find, only));
    }

    /**
     * What is offered at a prompt.
     *
     * @param find what it must contain, ignoring case and accents; empty for all
     * @param only which of these alone are wanted; none for all
     */
    public List<FieldValues.Value> offered(
            ReportPrompt prompt, Answers answers, String find, Optional<Set<String>> only) {
        if (prompt instanceof ReportPrompt.Choice choice) {
            DatasetModel dataset = datasets.of(choice)
                    .orElseThrow(() -> new ProblemException(Problem.error(
                            "/prompt",
                            "the dataset \"" + choice.dataset().orElse("") + "\" of the choices is not there any more;"
                                    + " ask the report's author to choose another")));
            List<Typed> above = conditions(prompt, answers, dataset);
            boolean many = choice.type() == PromptType.CHOICES;
            FieldValues.Sought sought = new FieldValues.Sought(find, choice.order(), only, above, many);
            return choice.listed()
                    .map(listed -> listed(listed, choice, sought, dataset))
                    .orElseGet(() -> ofField(choice.field().orElseThrow(), sought, dataset));
        }
        return DayValues.of(
                        reader,
                        datasets.main(),
                        DayValues.field(prompt, report).orElseThrow(),
                        conditions(prompt, answers, datasets.main()),
                        context.businessDate())
                .newestFirst(find, ULocale.forLanguageTag(report.locale()));
    }

    private List<FieldValues.Value> ofField(String field, FieldValues.Sought sought, DatasetModel dataset) {
        return FieldValues.of(reader, dataset, field, sought, context.businessDate());
    }

    /** What the report lists, in its order; counted where it is a field's. */
    private List<FieldValues.Value> listed(
            List<ReportPrompt.Listed> listed,
            ReportPrompt.Choice prompt,
            FieldValues.Sought sought,
            DatasetModel dataset) {
        Set<String> values = listed.stream().map(ReportPrompt.Listed::value).collect(Collectors.toSet());
        FieldValues.Sought those =
                new FieldValues.Sought("", Optional.empty(), Optional.of(values), sought.conditions(), false);
        Optional<Map<String, Integer>> counts = prompt.field()
                .map(field -> ofField(field, those, dataset).stream()
                        .collect(Collectors.toMap(
                                FieldValues.Value::value, value -> value.rows().orElse(0))));
        String find = FoldedText.of(sought.find());
        return listed.stream()
                .filter(choice ->
                        sought.only().map(only -> only.contains(choice.value())).orElse(true))
                .filter(choice -> FoldedText.of(choice.label()).contains(find)
                        || FoldedText.of(choice.value()).contains(find))
                .map(choice -> new FieldValues.Value(
                        choice.value(),
                        choice.label(),
                        counts.map(rows -> rows.getOrDefault(choice.value(), 0)),
                        List.of()))
                .toList();
    }

    /** What the answers above leave to choose from in a dataset; answers that are wrong narrow nothing. */
    List<Typed> conditions(ReportPrompt prompt, Answers answers, DatasetModel dataset) {
        List<ReportPrompt> above = report.prompts().subList(0, report.prompts().indexOf(prompt));
        List<ResolvedPrompt> resolved = answers.incomplete()
                .resolve(above, context, datasets, ULocale.forLanguageTag(report.locale()), new Problems());
        return ChoiceConditions.of(report, dataset, datasets.main(), resolved, context);
    }
}
