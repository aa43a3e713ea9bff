package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;
import java.util.Optional;

/** A condition on rows, before they are grouped, told apart by its {@code kind}. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, include = JsonTypeInfo.As.EXISTING_PROPERTY, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = ReportFilter.OfPeriod.class, name = "period"),
    @JsonSubTypes.Type(value = ReportFilter.Condition.class, name = "condition"),
    @JsonSubTypes.Type(value = ReportFilter.Typed.class, name = "expression")
})
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"id", "kind", "field", "comparison", "values", "prompt", "where", "blocks", "also", "off"})
public sealed interface ReportFilter {

    String id();

    @JsonProperty("kind")
    FilterKind kind();

    /** Whether the filter is kept but does not apply. */
    Optional<Boolean> off();

    default boolean isOff() {
        return off().orElse(false);
    }

    /** Ids of the blocks that a filter of the report reaches; all that are over its dataset, or one built on it, unless given. */
    Optional<List<String>> blocks();

    /** The fields that stand for its own where a filter of the report reaches blocks of other datasets. */
    default Optional<List<FieldElsewhere>> also() {
        return Optional.empty();
    }

    /** The same filter over another field; a typed one names its fields itself. */
    default ReportFilter of(String otherField) {
        return switch (this) {
            case OfPeriod p -> new OfPeriod(p.id, otherField, p.prompt, p.blocks, p.also, p.off);
            case Condition c ->
                new Condition(c.id, otherField, c.comparison, c.values, c.prompt, c.blocks, c.also, c.off);
            case Typed t -> t;
        };
    }

    /**
     * A field of another dataset.
     *
     * @param dataset the dataset's id
     * @param field the field's id there
     */
    @JsonPropertyOrder({"dataset", "field"})
    record FieldElsewhere(String dataset, String field) {}

    /** Its reach with the blocks' ids changed. */
    default Optional<List<String>> reach(DefinitionMapping to) {
        return blocks().map(ids -> ids.stream().map(to::part).toList());
    }

    /** The fields that stand for its own elsewhere, their ids changed. */
    default Optional<List<FieldElsewhere>> elsewhere(DefinitionMapping to) {
        return also().map(fields -> fields.stream()
                .map(there -> new FieldElsewhere(
                        there.dataset(), to.over(there.dataset()).field(there.field())))
                .toList());
    }

    /** The same with all its texts changed. */
    ReportFilter mapped(DefinitionMapping to);

    /** Keeps the rows whose field lies in the answer of a period prompt. */
    record OfPeriod(
            String id,
            String field,
            String prompt,
            Optional<List<String>> blocks,
            Optional<List<FieldElsewhere>> also,
            Optional<Boolean> off)
            implements ReportFilter {

        @Override
        public FilterKind kind() {
            return FilterKind.PERIOD;
        }

        @Override
        public OfPeriod mapped(DefinitionMapping to) {
            return new OfPeriod(to.part(id), to.field(field), to.prompt(prompt), reach(to), elsewhere(to), off);
        }
    }

    /**
     * Compares a field with values or with the answer of a choice prompt.
     *
     * @param values what is compared with, as people write it: {@code 12.5}, {@code 2026-01-31}
     */
    record Condition(
            String id,
            String field,
            FilterComparison comparison,
            Optional<List<String>> values,
            Optional<String> prompt,
            Optional<List<String>> blocks,
            Optional<List<FieldElsewhere>> also,
            Optional<Boolean> off)
            implements ReportFilter {

        @Override
        public FilterKind kind() {
            return FilterKind.CONDITION;
        }

        @Override
        public Condition mapped(DefinitionMapping to) {
            return new Condition(
                    to.part(id),
                    to.field(field),
                    comparison,
                    values,
                    prompt.map(to::prompt),
                    reach(to),
                    elsewhere(to),
                    off);
        }
    }

    /** Keeps the rows for which a typed condition is true. */
    record Typed(String id, String where, Optional<List<String>> blocks, Optional<Boolean> off)
            implements ReportFilter {

        @Override
        public FilterKind kind() {
            return FilterKind.EXPRESSION;
        }

        @Override
        public Typed mapped(DefinitionMapping to) {
            return new Typed(to.part(id), to.expression(where), reach(to), off);
        }
    }
}
