package org.grammatus.core.prompt;

import com.ibm.icu.util.ULocale;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.grammatus.core.dataset.ReportDatasets;
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
 * @param complete whether whoever answers is done: until then no answer is missing, and none need fit to another
 */
public record Answers(Map<String, String> written, Map<String, Period> ofData, boolean complete) {

    /** The default of a prompt that begins with what the same person answered last; with nothing the first time. */
    public static final String LAST = "last answer";

    /** Begins the default of a prompt that begins with an attribute of the person: {@code my region}; with nothing where they have none. */
    private static final String MY = "my ";

    /** No answers: every prompt takes its default. */
    public static final Answers NONE = new Answers(Map.of());

    /** Nobody has been asked yet. */
    public static final Answers UNASKED = NONE.incomplete();

    public Answers {
        written = Map.copyOf(written);
        ofData = Map.copyOf(ofData);
    }

    /** Answers none of which the data are asked for. */
    public Answers(Map<String, String> written) {
        this(written, Map.of(), true);
    }

    /** The same of somebody who is still answering. */
    public Answers incomplete() {
        return new Answers(written, ofData, false);
    }

    /** The same with the days that the data give. */
    public Answers with(Map<String, Period> days) {
        return new Answers(written, days, complete);
    }

    /** What was answered to a prompt, or its default; empty text for nothing. */
    public String to(ReportPrompt prompt) {
        return Optional.ofNullable(written.get(prompt.name()))
                .or(() -> prompt.defaultAnswer().filter(text -> !isOfPerson(text)))
                .orElse("")
                .trim();
    }

    /** Whether a default is another for every person. */
    public static boolean isOfPerson(String defaultAnswer) {
        return defaultAnswer.equals(LAST) || defaultAnswer.startsWith(MY);
    }

    /**
     * The same, where prompts that begin with the last answer or with an attribute of the person have none, with that.
     *
     * @param last what the same person answered before, by prompt name
     * @param attributes what is said of the person, by name
     */
    public Answers orOfPerson(List<ReportPrompt> prompts, Map<String, String> last, Map<String, String> attributes) {
        Map<String, String> all = new HashMap<>(written);
        for (ReportPrompt prompt : prompts) {
            prompt.defaultAnswer()
                    .flatMap(text -> Optional.ofNullable(
                            text.equals(LAST)
                                    ? last.get(prompt.name())
                                    : text.startsWith(MY)
                                            ? attributes.get(
                                                    text.substring(MY.length()).strip())
                                            : null))
                    .ifPresent(answer -> all.putIfAbsent(prompt.name(), answer));
        }
        return new Answers(all, ofData, complete);
    }

    /**
     * Checks the answers and resolves them against the business date.
     *
     * @param locale of the report, in which days may be typed
     * @throws ProblemException with every wrong answer, each at {@code /answers/<name>}
     */
    public List<ResolvedPrompt> resolve(
            List<ReportPrompt> prompts, RunContext context, ReportDatasets datasets, ULocale locale) {
        Problems problems = new Problems();
        List<ResolvedPrompt> resolved = resolve(prompts, context, datasets, locale, problems);
        problems.throwIfErrors();
        return resolved;
    }

    /**
     * Resolves the answers likewise; what is wrong is noted, and a prompt whose answer is wrong has none. What is wrong with the prompts' own
     * conditions is noted below {@code /prompts}.
     */
    public List<ResolvedPrompt> resolve(
            List<ReportPrompt> prompts,
            RunContext context,
            ReportDatasets datasets,
            ULocale locale,
            Problems problems) {
        List<String> names = prompts.stream().map(ReportPrompt::name).toList();
        for (String name : new TreeMap<>(written).keySet()) {
            if (!names.contains(name)) {
                String known = names.isEmpty() ? "none" : String.join(", ", names);
                problems.error(
                        "/answers/" + name,
                        "the report asks no \"" + name + "\"; it asks: " + known + Suggestion.inWords(name, names));
            }
        }
        AnswerReader reader = new AnswerReader(context, datasets, locale, this, problems);
        AnswerConditions conditions = new AnswerConditions(prompts, problems);
        List<ResolvedPrompt> resolved = new ArrayList<>();
        for (int i = 0; i < prompts.size(); i++) {
            boolean asked = conditions.asked(i, new NamedAnswers(resolved, context.businessDate()));
            resolved.add(asked ? reader.resolved(prompts.get(i), to(prompts.get(i))) : reader.hidden(prompts.get(i)));
        }
        NamedAnswers all = new NamedAnswers(resolved, context.businessDate());
        for (int i = 0; i < prompts.size(); i++) {
            String at = "/answers/" + prompts.get(i).name();
            List<String> failing = conditions.failing(i, all);
            if (complete && !resolved.get(i).hidden()) {
                failing.forEach(message -> problems.error(at, message));
            }
        }
        return List.copyOf(resolved);
    }
}
