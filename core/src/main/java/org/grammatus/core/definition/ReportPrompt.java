package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.ChoiceOrder;
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
@JsonPropertyOrder({
    "id",
    "name",
    "type",
    "label",
    "help",
    "required",
    "appears",
    "dataset",
    "field",
    "listed",
    "order",
    "least",
    "most",
    "pattern",
    "default",
    "checks"
})
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

    /** A condition over the answers above, without which it is not asked and has no answer; always asked unless given. */
    Optional<String> appears();

    /** What its answer must meet, together with the others. */
    Optional<List<Check>> checks();

    /** Its condition with all texts changed. */
    default Optional<String> condition(DefinitionMapping to) {
        return appears().map(to::expression);
    }

    /** Its checks with all texts changed. */
    default Optional<List<Check>> checked(DefinitionMapping to) {
        return checks().map(all -> all.stream().map(check -> check.mapped(to)).toList());
    }

    /** The same with all its texts changed. */
    ReportPrompt mapped(DefinitionMapping to);

    /**
     * Asks for days.
     *
     * @param defaultAnswer a period or a rolling name
     */
    @RecordBuilder
    record OfPeriod(
            String id,
            String name,
            String label,
            Optional<String> help,
            Optional<Boolean> required,
            Optional<String> appears,
            @JsonProperty("default") Optional<String> defaultAnswer,
            Optional<List<Check>> checks)
            implements ReportPrompt, ReportPromptOfPeriodBuilder.With {

        @Override
        public PromptType type() {
            return PromptType.PERIOD;
        }

        @Override
        public OfPeriod mapped(DefinitionMapping to) {
            return new OfPeriod(
                    to.part(id), to.prompt(name), label, help, required, condition(to), defaultAnswer, checked(to));
        }
    }

    /**
     * Asks for one value of a field or of a list, or for any number of them.
     *
     * @param dataset id of the dataset whose values are offered; the report's unless given
     * @param field id of the field whose values are offered, or that the listed ones are of
     * @param listed what is offered instead of what the rows have
     * @param order of what is offered; as the field lists its values unless given, else the most frequent first
     * @param defaultAnswer one of the values; or several, separated by commas, perhaps behind {@code all but}
     */
    @RecordBuilder
    record Choice(
            String id,
            String name,
            PromptType type,
            String label,
            Optional<String> help,
            Optional<Boolean> required,
            Optional<String> appears,
            Optional<String> dataset,
            Optional<String> field,
            Optional<List<Listed>> listed,
            Optional<ChoiceOrder> order,
            @JsonProperty("default") Optional<String> defaultAnswer,
            Optional<List<Check>> checks)
            implements ReportPrompt, ReportPromptChoiceBuilder.With {

        @Override
        public Choice mapped(DefinitionMapping to) {
            return new Choice(
                    to.part(id),
                    to.prompt(name),
                    type,
                    label,
                    help,
                    required,
                    condition(to),
                    dataset,
                    field.map(dataset.map(to::over).orElse(to)::field),
                    listed,
                    order,
                    defaultAnswer,
                    checked(to));
        }
    }

    /**
     * Asks for a text, a number, a day, or yes or no.
     *
     * @param field of a day, id of the date field whose days are offered, and of which there is a latest and an earliest
     * @param least the least number or the first day that is an answer
     * @param most the most, or the last
     * @param pattern the form of a text, as LIKE has it: {@code %} for any characters, {@code _} for one
     */
    @RecordBuilder
    record Value(
            String id,
            String name,
            PromptType type,
            String label,
            Optional<String> help,
            Optional<Boolean> required,
            Optional<String> appears,
            Optional<String> field,
            Optional<String> least,
            Optional<String> most,
            Optional<String> pattern,
            @JsonProperty("default") Optional<String> defaultAnswer,
            Optional<List<Check>> checks)
            implements ReportPrompt, ReportPromptValueBuilder.With {

        @Override
        public Value mapped(DefinitionMapping to) {
            return new Value(
                    to.part(id),
                    to.prompt(name),
                    type,
                    label,
                    help,
                    required,
                    condition(to),
                    field.map(to::field),
                    least,
                    most,
                    pattern,
                    defaultAnswer,
                    checked(to));
        }
    }

    /**
     * Asks for two ends, either of which may be left open.
     *
     * @param defaultAnswer the two ends with {@code ..} between them
     */
    @RecordBuilder
    record Range(
            String id,
            String name,
            PromptType type,
            String label,
            Optional<String> help,
            Optional<Boolean> required,
            Optional<String> appears,
            @JsonProperty("default") Optional<String> defaultAnswer,
            Optional<List<Check>> checks)
            implements ReportPrompt, ReportPromptRangeBuilder.With {

        @Override
        public Range mapped(DefinitionMapping to) {
            return new Range(
                    to.part(id),
                    to.prompt(name),
                    type,
                    label,
                    help,
                    required,
                    condition(to),
                    defaultAnswer,
                    checked(to));
        }
    }

    /**
     * One of the choices that a prompt lists itself.
     *
     * @param value what it is in expressions
     * @param label what it is called
     */
    record Listed(String value, String label) {}

    /**
     * What answers must meet. It fails only where it is FALSE: an answer that is open fails nothing.
     *
     * @param that a condition over all answers, such as {@code :days_to - :days_from < 92}
     * @param message what its author says to whoever answered otherwise
     */
    record Check(String that, String message) {

        /** The same with all its texts changed. */
        private Check mapped(DefinitionMapping to) {
            return new Check(to.expression(that), message);
        }
    }
}
