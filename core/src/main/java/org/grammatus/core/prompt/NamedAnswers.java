package org.grammatus.core.prompt;

import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** What the names after a colon stand for: a choice's own name, the two ends of a period or a range. No fields are known. */
public final class NamedAnswers implements Names {

    private static final String FROM = "_from";
    private static final String TO = "_to";

    private final Map<String, Scalar> answers = new TreeMap<>();
    private final Map<String, Chosen> chosen = new HashMap<>();
    private final LocalDate today;

    public NamedAnswers(List<ResolvedPrompt> prompts, LocalDate today) {
        this.today = today;
        prompts.forEach(this::name);
    }

    /** The names that a prompt's answer has in expressions. */
    public static List<String> of(ReportPrompt prompt) {
        return prompt.type().hasEnds() ? List.of(prompt.name() + FROM, prompt.name() + TO) : List.of(prompt.name());
    }

    /**
     * Whether a condition over these answers is TRUE.
     *
     * @throws ProblemException if it is no such condition
     */
    public boolean holds(String condition) {
        return AnswerConditions.truth(condition, this).equals(Optional.of(true));
    }

    private void name(ResolvedPrompt prompt) {
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
            case Answer.Several several -> {
                // What was chosen stands in lists alone.
                answers.put(name, new Scalar.Null(several.type()));
                if (!several.isOpen()) {
                    chosen.put(name, several.chosen());
                }
            }
        }
    }

    private static Scalar date(Optional<LocalDate> end) {
        return end.<Scalar>map(Scalar.Date::new).orElse(new Scalar.Null(Type.DATE));
    }

    @Override
    public Optional<Typed> field(String name, boolean quoted) {
        return Optional.empty();
    }

    @Override
    public Map<String, String> fieldLabels() {
        return Map.of();
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
}
