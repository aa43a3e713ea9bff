package org.grammatus.core.definition.edit;

import java.util.Optional;
import org.grammatus.core.choice.PromptType;

/** An edit of a report's prompts. */
public sealed interface PromptEdit extends ReportEdit {

    /**
     * @param field id of a field or calculated field of the report's dataset
     * @param answer what is answered unless somebody is asked
     */
    @NamedEdit(value = "add-prompt", does = "Asks for values of a field, with the filter that reads the answer.")
    record AddPrompt(String field, Optional<String> answer) implements PromptEdit {}

    /** @param label what readers see; its name in expressions is made of it */
    @NamedEdit(
            value = "make-prompt",
            does = "Asks for something that no field is about, such as a yes or no; conditions may compare with it.")
    record MakePrompt(PromptType type, String label) implements PromptEdit {}

    @NamedEdit(value = "remove-prompt", does = "Removes a prompt and the filters that read it.")
    record RemovePrompt(String prompt) implements PromptEdit {}

    @NamedEdit(
            value = "ask-otherwise",
            does = "Lets a prompt ask for something else; filters that read it compare as suits that.")
    record AskOtherwise(String prompt, PromptType type) implements PromptEdit {}

    /** @param message what is said to whoever answers otherwise */
    @NamedEdit(value = "add-prompt-check", does = "Checks the answer to a prompt, with a condition to begin with.")
    record AddPromptCheck(String prompt, String message) implements PromptEdit {}

    @NamedEdit(value = "switch-prompt", does = "Switches the filters on or off that read a prompt.")
    record SwitchPrompt(String prompt, boolean on) implements PromptEdit {}
}
