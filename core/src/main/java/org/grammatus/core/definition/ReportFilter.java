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
@JsonPropertyOrder({"id", "kind", "field", "comparison", "values", "prompt", "where", "off"})
public sealed interface ReportFilter {

    String id();

    @JsonProperty("kind")
    FilterKind kind();

    /** Whether the filter is kept but does not apply. */
    Optional<Boolean> off();

    default boolean isOff() {
        return off().orElse(false);
    }

    /** The same with all its texts changed. */
    ReportFilter mapped(DefinitionMapping to);

    /** Keeps the rows whose field lies in the answer of a period prompt. */
    record OfPeriod(String id, String field, String prompt, Optional<Boolean> off) implements ReportFilter {

        @Override
        public FilterKind kind() {
            return FilterKind.PERIOD;
        }

        @Override
        public OfPeriod mapped(DefinitionMapping to) {
            return new OfPeriod(to.part(id), to.field(field), to.prompt(prompt), off);
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
            Optional<Boolean> off)
            implements ReportFilter {

        @Override
        public FilterKind kind() {
            return FilterKind.CONDITION;
        }

        @Override
        public Condition mapped(DefinitionMapping to) {
            return new Condition(to.part(id), to.field(field), comparison, values, prompt.map(to::prompt), off);
        }
    }

    /** Keeps the rows for which a typed condition is true. */
    record Typed(String id, String where, Optional<Boolean> off) implements ReportFilter {

        @Override
        public FilterKind kind() {
            return FilterKind.EXPRESSION;
        }

        @Override
        public Typed mapped(DefinitionMapping to) {
            return new Typed(to.part(id), to.expression(where), off);
        }
    }
}
