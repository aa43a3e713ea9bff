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
import org.grammatus.core.value.Period;

/**
 * The answers a person gave, by prompt name, as written. A prompt that is not named takes its default; an empty text means no
 * answer. Immutable.
 *
 * @param ofData by prompt name, the days that the data give where {@link DaysOfData} are asked for
 */
public record Answers(Map<String, String> written, Map<String, Period> ofData) {

    /** No answers: every prompt takes its default. */
    public static final Answers NONE = new Answers(Map.of());

    public Answers {
        written = Map.copyOf(written);
        ofData = Map.copyOf(ofData);
    }

    /** Answers none of which the data are asked for. */
    public Answers(Map<String, String> written) {
        this(written, Map.of());
    }

    /** What was answered to a prompt, or its default; empty text for nothing. */
    public String to(ReportPrompt prompt) {
        return Optional.ofNullable(written.get(prompt.name()))
                .or(prompt::defaultAnswer)
                .orElse("")
                .trim();
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
        AnswerReader reader = new AnswerReader(context, dataset, locale, ofData, problems);
        List<ResolvedPrompt> resolved = new ArrayList<>();
        for (ReportPrompt prompt : prompts) {
            resolved.add(reader.resolved(prompt, to(prompt)));
        }
        return List.copyOf(resolved);
    }
}
