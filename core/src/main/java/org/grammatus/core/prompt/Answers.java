package org.grammatus.core.prompt;

import com.ibm.icu.util.ULocale;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.value.Period;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.core.value.Type;

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
        List<ResolvedPrompt> resolved = new ArrayList<>();
        PeriodText periods = new PeriodText(context.businessDate(), dataset.calendar(), locale);
        for (ReportPrompt prompt : prompts) {
            String at = "/answers/" + prompt.name();
            String text = Optional.ofNullable(written.get(prompt.name()))
                    .or(prompt::defaultAnswer)
                    .orElse("")
                    .trim();
            if (text.isEmpty() && prompt.required().orElse(false)) {
                String give = prompt instanceof ReportPrompt.OfPeriod ? "give a period" : "choose a value";
                problems.add(Problem.error(at, "\"" + prompt.label() + "\" needs an answer; " + give));
            }
            resolved.add(
                    switch (prompt) {
                        case ReportPrompt.OfPeriod asked -> {
                            Problems own = new Problems();
                            Period days = own.collect(
                                    at, () -> text.isEmpty() ? Period.OPEN : periods.parse(text), Period.OPEN);
                            String written = own.found().isEmpty() ? periods.written(text) : text;
                            own.found().forEach(problems::add);
                            yield resolved(asked, Optional.empty(), written, days, new Scalar.Null(Type.TEXT));
                        }
                        case ReportPrompt.Choice asked ->
                            resolved(
                                    asked,
                                    Optional.of(asked.field()),
                                    text,
                                    Period.OPEN,
                                    choice(at, asked, text, dataset, problems));
                    });
        }
        return List.copyOf(resolved);
    }

    private static ResolvedPrompt resolved(
            ReportPrompt prompt, Optional<String> field, String text, Period period, Scalar choice) {
        return new ResolvedPrompt(prompt.name(), prompt.label(), prompt.type(), field, text, period, choice);
    }

    /** A choice is one value of its field; one that no row has is no mistake, since rows come and go. */
    private static Scalar choice(
            String at, ReportPrompt.Choice prompt, String text, DatasetModel dataset, Problems problems) {
        Optional<Type> known = dataset.typeOf(prompt.field());
        Type type = known.orElse(Type.TEXT);
        if (text.isEmpty() || known.isEmpty()) {
            return new Scalar.Null(type);
        }
        try {
            return ScalarText.parse(text, type);
        } catch (IllegalArgumentException e) {
            problems.error(at, e.getMessage());
            return new Scalar.Null(type);
        }
    }
}
