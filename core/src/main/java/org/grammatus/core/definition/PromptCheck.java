package org.grammatus.core.definition;

/**
 * What answers must meet. It fails only where it is FALSE: an answer that is open fails nothing.
 *
 * @param that a condition over all answers, such as {@code :days_to - :days_from < 92}
 * @param message what its author says to whoever answered otherwise
 */
public record PromptCheck(String that, String message) {

    /** The same with all its texts changed. */
    PromptCheck mapped(DefinitionMapping to) {
        return new PromptCheck(to.expression(that), message);
    }
}
