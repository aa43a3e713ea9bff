package org.grammatus.core.plan.planner;

import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DatasetNames;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.prompt.Answer;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** The names of a report's expressions: what its dataset knows by name, and its prompts' answers. Notes which fields are used. */
final class PlanNames implements Names {

    private static final String FROM = "_from";
    private static final String TO = "_to";

    private final DatasetNames known;
    private final Map<String, Scalar> answers;
    private final Map<String, Chosen> chosen = new HashMap<>();
    private final LocalDate today;
    private final List<Level> levels;
    private final Level rows;
    private final Set<String> used = new TreeSet<>();

    /** The names of a table's expressions, for what is said of it once it is planned. */
    static PlanNames of(TablePlan table) {
        List<Level> levels = table.levels().stream()
                .map(level -> new Level(level.id(), level.name()))
                .toList();
        return new PlanNames(
                table.dataset(), levels, table.prompts(), table.context().businessDate());
    }

    PlanNames(DatasetModel dataset, List<Level> levels, List<ResolvedPrompt> prompts, LocalDate today) {
        this.levels = List.copyOf(levels);
        Dataset.Table grain = dataset.table(DatasetModel.GRAIN);
        this.rows = new Level(grain.id(), grain.noun().other());
        this.known = new DatasetNames(dataset, today);
        this.today = today;
        this.answers = answers(prompts);
        for (ResolvedPrompt prompt : prompts) {
            if (prompt.answer() instanceof Answer.Several several && !several.isOpen()) {
                chosen.put(prompt.name(), several.chosen());
            }
        }
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
        return noted(known.measure(name, quoted));
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
    public Optional<Level> rows() {
        return Optional.of(rows);
    }

    @Override
    public Map<String, String> fieldLabels() {
        return known.fieldLabels();
    }

    @Override
    public LocalDate currentDate() {
        return today;
    }

    @Override
    public Optional<Scalar> prompt(String name) {
        return Optional.ofNullable(answers.get(name));
    }

    @Override
    public Optional<Chosen> chosen(String name) {
        return Optional.ofNullable(chosen.get(name));
    }

    @Override
    public Collection<String> promptNames() {
        return answers.keySet();
    }

    @Override
    public Set<String> unanswered() {
        Set<String> names = new TreeSet<>();
        answers.forEach((name, answer) -> {
            if (answer instanceof Scalar.Null && !chosen.containsKey(name)) {
                names.add(name);
            }
        });
        return names;
    }

    /** What each name after a colon stands for: a choice's own, a period's two ends. */
    private static Map<String, Scalar> answers(List<ResolvedPrompt> prompts) {
        Map<String, Scalar> answers = new TreeMap<>();
        for (ResolvedPrompt prompt : prompts) {
            String name = prompt.name();
            switch (prompt.answer()) {
                case Answer.Days days -> {
                    answers.put(name + FROM, date(days.period().from()));
                    answers.put(name + TO, date(days.period().to()));
                }
                case Answer.Ends ends -> {
                    answers.put(name + FROM, ends.from());
                    answers.put(name + TO, ends.to());
                }
                case Answer.One one -> answers.put(name, one.value());
                // What was chosen stands in lists alone.
                case Answer.Several several -> answers.put(name, new Scalar.Null(Type.TEXT));
            }
        }
        return answers;
    }

    private static Scalar date(Optional<LocalDate> end) {
        return end.<Scalar>map(Scalar.Date::new).orElse(new Scalar.Null(Type.DATE));
    }
}
