package org.grammatus.core.edit;

import java.util.Optional;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.definition.ReportPromptChoiceBuilder;
import org.grammatus.core.definition.ReportPromptOfPeriodBuilder;
import org.grammatus.core.definition.ReportPromptRangeBuilder;
import org.grammatus.core.definition.ReportPromptValueBuilder;

/** Prompts that keep their words, and whatever else fits, when they ask for another type of answer. */
final class PromptOfType {

    private PromptOfType() {}

    /**
     * The same prompt, asking for another type of answer.
     *
     * @param field of which it offers values or days, where the type has one
     * @param answer its default; that of before need not fit any more
     */
    static ReportPrompt of(ReportPrompt prompt, PromptType type, Optional<String> field, Optional<String> answer) {
        return switch (type) {
            case PERIOD ->
                ReportPromptOfPeriodBuilder.builder()
                        .id(prompt.id())
                        .name(prompt.name())
                        .label(prompt.label())
                        .help(prompt.help())
                        .required(prompt.required())
                        .appears(prompt.appears())
                        .defaultAnswer(answer)
                        .checks(prompt.checks())
                        .build();
            case CHOICE, CHOICES -> {
                Optional<ReportPrompt.Choice> before =
                        prompt instanceof ReportPrompt.Choice choice ? Optional.of(choice) : Optional.empty();
                yield ReportPromptChoiceBuilder.builder()
                        .id(prompt.id())
                        .name(prompt.name())
                        .type(type)
                        .label(prompt.label())
                        .help(prompt.help())
                        .required(prompt.required())
                        .appears(prompt.appears())
                        .dataset(before.flatMap(ReportPrompt.Choice::dataset))
                        .field(field)
                        .listed(before.flatMap(ReportPrompt.Choice::listed))
                        .order(before.flatMap(ReportPrompt.Choice::order))
                        .defaultAnswer(answer)
                        .checks(prompt.checks())
                        .build();
            }
            case TEXT, WHOLE_NUMBER, DECIMAL, DATE, YES_NO ->
                ReportPromptValueBuilder.builder()
                        .id(prompt.id())
                        .name(prompt.name())
                        .type(type)
                        .label(prompt.label())
                        .help(prompt.help())
                        .required(prompt.required())
                        .appears(prompt.appears())
                        .field(type == PromptType.DATE ? field : Optional.empty())
                        .pattern(
                                type == PromptType.TEXT && prompt instanceof ReportPrompt.Value value
                                        ? value.pattern()
                                        : Optional.empty())
                        .defaultAnswer(answer)
                        .checks(prompt.checks())
                        .build();
            case NUMBER_RANGE, TEXT_RANGE ->
                ReportPromptRangeBuilder.builder()
                        .id(prompt.id())
                        .name(prompt.name())
                        .type(type)
                        .label(prompt.label())
                        .help(prompt.help())
                        .required(prompt.required())
                        .appears(prompt.appears())
                        .defaultAnswer(answer)
                        .checks(prompt.checks())
                        .build();
        };
    }
}
