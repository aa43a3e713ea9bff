package org.grammatus.core.edit;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.definition.FilterComparison;
import org.grammatus.core.value.Kind;

/** What prompts about a field can ask for, and how filters read the answers. */
public final class PromptTypes {

    private PromptTypes() {}

    /** What fits a kind of field, the usual first. */
    public static List<PromptType> of(Kind kind) {
        return switch (kind) {
            case DATE, TIMESTAMP -> List.of(PromptType.PERIOD, PromptType.DATE);
            case INTEGER ->
                List.of(PromptType.CHOICE, PromptType.CHOICES, PromptType.WHOLE_NUMBER, PromptType.NUMBER_RANGE);
            case DECIMAL -> List.of(PromptType.NUMBER_RANGE, PromptType.DECIMAL, PromptType.CHOICE, PromptType.CHOICES);
            case BOOLEAN -> List.of(PromptType.YES_NO, PromptType.CHOICE);
            default -> List.of(PromptType.CHOICE, PromptType.CHOICES, PromptType.TEXT, PromptType.TEXT_RANGE);
        };
    }

    /** The comparison by which a filter usually reads an answer; none of a period, which is one itself. */
    static Optional<FilterComparison> usualComparison(PromptType type) {
        return switch (type) {
            case PERIOD -> Optional.empty();
            case NUMBER_RANGE, TEXT_RANGE -> Optional.of(FilterComparison.BETWEEN);
            case WHOLE_NUMBER, DECIMAL -> Optional.of(FilterComparison.AT_LEAST);
            case TEXT -> Optional.of(FilterComparison.CONTAINS);
            case CHOICE, CHOICES, DATE, YES_NO -> Optional.of(FilterComparison.IS);
        };
    }
}
