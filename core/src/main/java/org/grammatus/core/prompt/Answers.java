package org.grammatus.core.prompt;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.grammatus.core.dataset.FiscalCalendar;
import org.grammatus.core.definition.Report;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.value.Period;

/**
 * The answers a person gave, by prompt name, as written. A prompt that is not named takes its default; an empty text means no
 * answer. Immutable.
 */
public record Answers(Map<String, String> written) {

    /** No answers: every prompt takes its default. */
    public static final Answers NONE = new Answers(Map.of());

    public Answers {
        written = Map.copyOf(written);
    }

    /**
     * Checks the answers and resolves them against the business date.
     *
     * @throws ProblemException with every wrong answer, each at {@code /answers/<name>}
     */
    public List<ResolvedPrompt> resolve(List<Report.Prompt> prompts, RunContext context, FiscalCalendar calendar) {
        Problems problems = new Problems();
        List<String> names = prompts.stream().map(Report.Prompt::name).toList();
        for (String name : new TreeMap<>(written).keySet()) {
            if (!names.contains(name)) {
                String known = names.isEmpty() ? "none" : String.join(", ", names);
                problems.error(
                        "/answers/" + name,
                        "the report asks no \"" + name + "\"; it asks: " + known + Suggestion.inWords(name, names));
            }
        }
        List<ResolvedPrompt> resolved = new ArrayList<>();
        PeriodText periods = new PeriodText(context.businessDate(), calendar);
        for (Report.Prompt prompt : prompts) {
            String text = Optional.ofNullable(written.get(prompt.name()))
                    .or(prompt::defaultAnswer)
                    .orElse("")
                    .trim();
            Period period = problems.collect(
                    "/answers/" + prompt.name(), () -> text.isEmpty() ? Period.OPEN : periods.parse(text), Period.OPEN);
            if (text.isEmpty() && prompt.required().orElse(false)) {
                problems.add(Problem.error(
                        "/answers/" + prompt.name(), "\"" + prompt.label() + "\" needs an answer; give a period"));
            }
            resolved.add(new ResolvedPrompt(prompt, text, period));
        }
        problems.throwIfErrors();
        return List.copyOf(resolved);
    }
}
