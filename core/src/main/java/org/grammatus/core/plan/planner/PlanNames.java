package org.grammatus.core.plan.planner;

import java.time.LocalDate;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DatasetNames;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.prompt.NamedAnswers;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.value.Scalar;

/** The names of a report's expressions: what its dataset knows by name, and its prompts' answers. Notes which fields are used. */
final class PlanNames implements Names {

    private final DatasetNames known;
    private final NamedAnswers answers;
    private final List<ResolvedPrompt> prompts;
    private final Optional<ReportDatasets> datasets;
    private final List<Level> levels;
    private final Level rows;
    /** What a place has names for besides; the dataset's come first. */
    private final Map<String, Typed> besides;

    private final Set<String> used;

    /** The names of a table's expressions, for what is said of it once it is planned. */
    static PlanNames of(TablePlan table) {
        return of(table, table.prompts());
    }

    /** The same with other answers. */
    static PlanNames of(TablePlan table, List<ResolvedPrompt> answers) {
        List<Level> levels = table.levels().stream()
                .map(level -> new Level(level.id(), level.name()))
                .toList();
        return new PlanNames(
                table.dataset(),
                levels,
                answers,
                table.context().businessDate(),
                Optional.of(table.inputs().datasets()));
    }

    /**
     * @param datasets in which rows can be looked for; none where they cannot
     */
    PlanNames(
            DatasetModel dataset,
            List<Level> levels,
            List<ResolvedPrompt> prompts,
            LocalDate today,
            Optional<ReportDatasets> datasets) {
        this.prompts = prompts;
        this.datasets = datasets;
        this.levels = List.copyOf(levels);
        Dataset.Table grain = dataset.table(DatasetModel.GRAIN);
        this.rows = new Level(grain.id(), grain.noun().other());
        this.known = new DatasetNames(dataset, today);
        this.answers = new NamedAnswers(prompts, today);
        this.besides = Map.of();
        this.used = new TreeSet<>();
    }

    private PlanNames(PlanNames of, Map<String, Typed> besides) {
        this.prompts = of.prompts;
        this.datasets = of.datasets;
        this.levels = of.levels;
        this.rows = of.rows;
        this.known = of.known;
        this.answers = of.answers;
        this.besides = Map.copyOf(besides);
        this.used = of.used;
    }

    /** The same names, and where the dataset has none like them, those of figures of one place. */
    PlanNames with(Map<String, Typed> figures) {
        return new PlanNames(this, figures);
    }

    Set<String> used() {
        return used;
    }

    @Override
    public Optional<Typed> field(String name, boolean quoted) {
        return noted(known.field(name, quoted));
    }

    @Override
    public Optional<Typed> measure(String name, boolean quoted) {
        return noted(known.measure(name, quoted)).or(() -> besides(name));
    }

    private Optional<Typed> besides(String name) {
        boolean taken = besides.isEmpty() || known.field(name, false).isPresent();
        return taken ? Optional.empty() : Optional.ofNullable(besides.get(name.toLowerCase(Locale.ROOT)));
    }

    private Optional<Typed> noted(Optional<Typed> named) {
        named.ifPresent(value -> value.noteFields(used));
        return named;
    }

    @Override
    public List<Level> levels() {
        return levels;
    }

    @Override
    public Optional<String> rowName() {
        return datasets.map(all -> rows.id());
    }

    @Override
    public Optional<Names> related(String dataset) {
        return datasets.flatMap(all -> all.byId(dataset))
                .map(other -> new PlanNames(other, List.of(), prompts, currentDate(), Optional.empty()));
    }

    @Override
    public Collection<String> relatedDatasets() {
        return datasets.map(ReportDatasets::all).orElse(List.of()).stream()
                .map(DatasetModel::id)
                .toList();
    }

    @Override
    public Optional<Level> rows() {
        return Optional.of(rows);
    }

    @Override
    public Optional<String> nameOf(String field) {
        return known.nameOf(field);
    }

    @Override
    public Map<String, String> fieldLabels() {
        Map<String, String> labels = new LinkedHashMap<>(known.fieldLabels());
        besides.keySet().forEach(name -> labels.putIfAbsent(name, name));
        return labels;
    }

    @Override
    public LocalDate currentDate() {
        return answers.currentDate();
    }

    @Override
    public Optional<Scalar> prompt(String name) {
        return answers.prompt(name);
    }

    @Override
    public Optional<Chosen> chosen(String name) {
        return answers.chosen(name);
    }

    @Override
    public Collection<String> promptNames() {
        return answers.promptNames();
    }

    @Override
    public Set<String> unanswered() {
        return answers.unanswered();
    }
}
