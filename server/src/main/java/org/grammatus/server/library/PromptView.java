package org.grammatus.server.library;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.CompleteDays;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.prompt.RunContext;

/**
 * A prompt with the answer it has when nobody answers.
 *
 * @param offers whether there are values or days to choose from
 * @param asked the default as written; empty text for none
 */
public record PromptView(
        String name,
        PromptType type,
        String label,
        Optional<String> help,
        boolean required,
        boolean offers,
        String asked,
        AnswerView answer) {

    /**
     * All prompts of a report.
     *
     * @param resolved its prompts with their answers, in its order
     * @param found what is wrong with the answers
     * @param dataset which may say until when it is complete
     */
    public static List<PromptView> of(
            Report report,
            List<ResolvedPrompt> resolved,
            DatasetModel dataset,
            RunContext context,
            List<Problem> found) {
        return IntStream.range(0, resolved.size())
                .mapToObj(i -> of(
                        report.prompts().get(i),
                        resolved.get(i),
                        report,
                        found,
                        CompleteDays.beyond(resolved.get(i), report, dataset, context)))
                .toList();
    }

    /** Whether a prompt has something to choose from. */
    static boolean offers(ReportPrompt prompt) {
        return prompt instanceof ReportPrompt.Choice
                || prompt instanceof ReportPrompt.Value value && value.field().isPresent();
    }

    private static PromptView of(
            ReportPrompt prompt,
            ResolvedPrompt resolved,
            Report report,
            List<Problem> found,
            Optional<CompleteDays> beyond) {
        return new PromptView(
                prompt.name(),
                prompt.type(),
                prompt.label(),
                prompt.help(),
                prompt.required().orElse(false),
                offers(prompt),
                prompt.defaultAnswer().filter(text -> !Answers.isOfPerson(text)).orElseGet(resolved::asked),
                AnswerView.of(resolved, report, found, beyond));
    }
}
