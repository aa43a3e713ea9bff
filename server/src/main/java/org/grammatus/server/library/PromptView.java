package org.grammatus.server.library;

import java.util.Optional;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.prompt.ResolvedPrompt;

/**
 * A prompt with the answer it has when nobody answers.
 *
 * @param type {@code PERIOD} or {@code CHOICE}
 * @param asked the default as written; empty text for none
 */
public record PromptView(
        String name,
        PromptType type,
        String label,
        Optional<String> help,
        boolean required,
        String asked,
        AnswerView answer) {

    public static PromptView of(ReportPrompt prompt, ResolvedPrompt resolved, Report report) {
        return new PromptView(
                prompt.name(),
                prompt.type(),
                prompt.label(),
                prompt.help(),
                prompt.required().orElse(false),
                prompt.defaultAnswer().orElse(""),
                AnswerView.of(resolved, report));
    }
}
