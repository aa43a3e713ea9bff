package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.Optional;
import org.grammatus.core.choice.PromptType;

/**
 * A question to the person who runs the report.
 *
 * @param name what expressions call it, after a colon
 * @param field for a choice, the field whose values are offered
 * @param defaultAnswer a period, a rolling name or one of the values; none leaves the prompt open
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"id", "name", "type", "label", "help", "required", "field", "default"})
public record ReportPrompt(
        String id,
        String name,
        PromptType type,
        String label,
        Optional<String> help,
        Optional<Boolean> required,
        Optional<String> field,
        @JsonProperty("default") Optional<String> defaultAnswer) {

    /** The same prompt, not required. */
    public ReportPrompt optional() {
        return new ReportPrompt(id, name, type, label, help, Optional.empty(), field, defaultAnswer);
    }
}
