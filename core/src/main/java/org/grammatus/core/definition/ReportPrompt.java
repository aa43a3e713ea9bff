package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.Optional;
import org.grammatus.core.choice.PromptType;

/** A question to the person who runs the report, told apart by its {@code type}. */
@JsonTypeInfo(
        use = JsonTypeInfo.Id.NAME,
        include = JsonTypeInfo.As.EXISTING_PROPERTY,
        property = "type",
        visible = true)
@JsonSubTypes({
    @JsonSubTypes.Type(value = ReportPrompt.OfPeriod.class, name = "period"),
    @JsonSubTypes.Type(
            value = ReportPrompt.Choice.class,
            names = {"choice", "choices"}),
    @JsonSubTypes.Type(
            value = ReportPrompt.Value.class,
            names = {"text", "whole-number", "decimal", "date", "yes-no"}),
    @JsonSubTypes.Type(
            value = ReportPrompt.Range.class,
            names = {"number-range", "text-range"})
})
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"id", "name", "type", "label", "help", "required", "field", "least", "most", "default"})
public sealed interface ReportPrompt {

    String id();

    /** What expressions call it, after a colon. */
    String name();

    @JsonProperty("type")
    PromptType type();

    String label();

    Optional<String> help();

    Optional<Boolean> required();

    /** What is answered when nobody is asked, as it is written; none leaves the prompt open. */
    @JsonProperty("default")
    Optional<String> defaultAnswer();

    /** The same prompt, not required. */
    ReportPrompt optional();

    /** The same with all its texts changed. */
    ReportPrompt mapped(DefinitionMapping to);

    /**
     * Asks for days.
     *
     * @param defaultAnswer a period or a rolling name
     */
    record OfPeriod(
            String id,
            String name,
            String label,
            Optional<String> help,
            Optional<Boolean> required,
            @JsonProperty("default") Optional<String> defaultAnswer)
            implements ReportPrompt {

        @Override
        public PromptType type() {
            return PromptType.PERIOD;
        }

        @Override
        public OfPeriod optional() {
            return new OfPeriod(id, name, label, help, Optional.empty(), defaultAnswer);
        }

        @Override
        public OfPeriod mapped(DefinitionMapping to) {
            return new OfPeriod(to.part(id), to.prompt(name), label, help, required, defaultAnswer);
        }
    }

    /**
     * Asks for one value of a field, or for any number of them.
     *
     * @param field id of the field whose values are offered
     * @param defaultAnswer one of the values; or several, separated by commas, perhaps behind {@code all but}
     */
    record Choice(
            String id,
            String name,
            PromptType type,
            String label,
            Optional<String> help,
            Optional<Boolean> required,
            String field,
            @JsonProperty("default") Optional<String> defaultAnswer)
            implements ReportPrompt {

        @Override
        public Choice optional() {
            return new Choice(id, name, type, label, help, Optional.empty(), field, defaultAnswer);
        }

        @Override
        public Choice mapped(DefinitionMapping to) {
            return new Choice(
                    to.part(id), to.prompt(name), type, label, help, required, to.field(field), defaultAnswer);
        }
    }

    /**
     * Asks for a text, a number, a day, or yes or no.
     *
     * @param field of a day, id of the date field whose days are offered, and of which there is a latest and an earliest
     * @param least the least number or the first day that is an answer
     * @param most the most, or the last
     */
    record Value(
            String id,
            String name,
            PromptType type,
            String label,
            Optional<String> help,
            Optional<Boolean> required,
            Optional<String> field,
            Optional<String> least,
            Optional<String> most,
            @JsonProperty("default") Optional<String> defaultAnswer)
            implements ReportPrompt {

        @Override
        public Value optional() {
            return new Value(id, name, type, label, help, Optional.empty(), field, least, most, defaultAnswer);
        }

        @Override
        public Value mapped(DefinitionMapping to) {
            return new Value(
                    to.part(id),
                    to.prompt(name),
                    type,
                    label,
                    help,
                    required,
                    field.map(to::field),
                    least,
                    most,
                    defaultAnswer);
        }
    }

    /**
     * Asks for two ends, either of which may be left open.
     *
     * @param defaultAnswer the two ends with {@code ..} between them
     */
    record Range(
            String id,
            String name,
            PromptType type,
            String label,
            Optional<String> help,
            Optional<Boolean> required,
            @JsonProperty("default") Optional<String> defaultAnswer)
            implements ReportPrompt {

        @Override
        public Range optional() {
            return new Range(id, name, type, label, help, Optional.empty(), defaultAnswer);
        }

        @Override
        public Range mapped(DefinitionMapping to) {
            return new Range(to.part(id), to.prompt(name), type, label, help, required, defaultAnswer);
        }
    }
}
