package org.grammatus.core.prompt;

import com.ibm.icu.util.ULocale;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.problem.Suggestion;

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
     * @param locale of the report, in which days may be typed
     * @throws ProblemException with every wrong answer, each at {@code /answers/<name>}
     */
    public List<ResolvedPrompt> resolve(
            List<ReportPrompt> prompts, RunContext context, DatasetModel dataset, ULocale locale) {
        Problems problems = new Problems();
        List<ResolvedPrompt> resolved = resolve(prompts, context, dataset, locale, problems);
        problems.throwIfErrors();
        return resolved;
    }

    /** Resolves the answers likewise; what is wrong is noted, and a prompt whose answer is wrong has none. */
    public List<ResolvedPrompt> resolve(
            List<ReportPrompt> prompts, RunContext context, DatasetModel dataset, ULocale locale, Problems problems) {
        List<String> names = prompts.stream().map(ReportPrompt::name).toList();
        for (String name : new TreeMap<>(written).keySet()) {
            if (!names.contains(name)) {
                String known = names.isEmpty() ? "none" : String.join(", ", names);
                problems.error(
                        "/answers/" + name,
                        "the report asks no \"" + name + "\"; it asks: " + known + Suggestion.inWords(name, names));
            }
        }
        AnswerReader reader = new AnswerReader(context, dataset, locale, problems);
        List<ResolvedPrompt> resolved = new ArrayList<>();
        for (ReportPrompt prompt : prompts) {
            String text = Optional.ofNullable(written.get(prompt.name()))
                    .or(prompt::defaultAnswer)
                    .orElse("")
                    .trim();
            resolved.add(reader.resolved(prompt, text));
        }
        return List.copyOf(resolved);
    }
}
