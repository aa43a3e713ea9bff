package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.grammatus.core.choice.LimitEnd;

/** A condition on rows, before they are grouped, told apart by its {@code kind}. */
@JsonTypeInfo(
        use = JsonTypeInfo.Id.NAME,
        include = JsonTypeInfo.As.EXISTING_PROPERTY,
        property = "kind",
        visible = true)
@JsonSubTypes({
    @JsonSubTypes.Type(value = ReportFilter.OfPeriod.class, name = "period"),
    @JsonSubTypes.Type(value = ReportFilter.Condition.class, name = "condition"),
    @JsonSubTypes.Type(value = ReportFilter.Typed.class, name = "expression"),
    @JsonSubTypes.Type(
            value = ReportFilter.Several.class,
            names = {"all", "any", "none"}),
    @JsonSubTypes.Type(value = ReportFilter.Top.class, name = "top"),
    @JsonSubTypes.Type(
            value = RelatedFilter.class,
            names = {"has", "has-none"})
})
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({
    "id",
    "kind",
    "field",
    "comparison",
    "values",
    "other",
    "ignoreCase",
    "prompt",
    "where",
    "dataset",
    "keys",
    "least",
    "counted",
    "end",
    "count",
    "filters",
    "blocks",
    "also",
    "off"
})
public sealed interface ReportFilter
        permits ReportFilter.OfPeriod,
                ReportFilter.Condition,
                ReportFilter.Typed,
                ReportFilter.Several,
                ReportFilter.Top,
                RelatedFilter {

    String id();

    @JsonProperty("kind")
    FilterKind kind();

    /** Whether the filter is kept but does not apply. */
    Optional<Boolean> off();

    /** Whether it can drop a row: one that is switched off, or has no value to compare with yet, cannot. */
    default boolean restricts() {
        return !isOff();
    }

    default boolean isOff() {
        return off().orElse(false);
    }

    /** Ids of the blocks that a filter of the report reaches; all that are over its dataset, or one built on it, unless given. */
    Optional<List<String>> blocks();

    /** The fields that stand for its own where a filter of the report reaches blocks of other datasets. */
    default Optional<List<FieldElsewhere>> also() {
        return Optional.empty();
    }

    /** The same filter over the field that it names in another dataset; none where it names none. */
    default Optional<ReportFilter> elsewhere(String dataset) {
        return also().orElse(List.of()).stream()
                .filter(there -> there.dataset().equals(dataset))
                .findFirst()
                .map(there -> over(there.field()));
    }

    /** The same filter over another field; one that has no field of its own stays. */
    default ReportFilter over(String other) {
        return this;
    }

    /** The filter and those it is made of, over the same rows, outermost first. */
    default Stream<ReportFilter> withParts() {
        return Stream.of(this);
    }

    /** The filters all of which must hold where it holds: itself, or its parts. */
    default Stream<ReportFilter> conjuncts() {
        return Stream.of(this);
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
    @RecordBuilder
    record OfPeriod(
            String id,
            String field,
            String prompt,
            Optional<List<String>> blocks,
            Optional<List<FieldElsewhere>> also,
            Optional<Boolean> off)
            implements ReportFilter, ReportFilterOfPeriodBuilder.With {

        @Override
        public FilterKind kind() {
            return FilterKind.PERIOD;
        }

        @Override
        public OfPeriod over(String there) {
            return new OfPeriod(id, there, prompt, blocks, also, off);
        }

        @Override
        public OfPeriod mapped(DefinitionMapping to) {
            return new OfPeriod(to.part(id), to.field(field), to.prompt(prompt), reach(to), elsewhere(to), off);
        }
    }

    /**
     * Compares a field with values, with another field, or with the answer to a prompt.
     *
     * @param values what is compared with, as people write it: {@code 12.5}, {@code 2026-01-31}, {@code 5 days before today}
     * @param other id of the field that is compared with instead
     * @param ignoreCase whether capitals and small letters are taken for the same
     */
    @RecordBuilder
    record Condition(
            String id,
            String field,
            FilterComparison comparison,
            Optional<List<String>> values,
            Optional<String> other,
            Optional<Boolean> ignoreCase,
            Optional<String> prompt,
            Optional<List<String>> blocks,
            Optional<List<FieldElsewhere>> also,
            Optional<Boolean> off)
            implements ReportFilter, ReportFilterConditionBuilder.With {

        @Override
        public FilterKind kind() {
            return FilterKind.CONDITION;
        }

        /** Whether there is something to compare with, where the comparison takes something. */
        public boolean hasOperand() {
            return comparison.operands() == FilterComparison.Operands.NONE
                    || prompt.isPresent()
                    || other.isPresent()
                    || comparison.operands() == FilterComparison.Operands.TWO && !isOpen()
                    || comparison.operands() != FilterComparison.Operands.TWO
                            && !values.orElse(List.of()).isEmpty();
        }

        /** Whether both ends of a range are left empty. */
        private boolean isOpen() {
            return values.orElse(List.of()).stream().allMatch(String::isBlank);
        }

        @Override
        public boolean restricts() {
            return hasOperand() && !isOff();
        }

        @Override
        public Condition over(String there) {
            return new Condition(id, there, comparison, values, other, ignoreCase, prompt, blocks, also, off);
        }

        @Override
        public Condition mapped(DefinitionMapping to) {
            return new Condition(
                    to.part(id),
                    to.field(field),
                    comparison,
                    values,
                    other.map(to::field),
                    ignoreCase,
                    prompt.map(to::prompt),
                    reach(to),
                    elsewhere(to),
                    off);
        }
    }

    /** Keeps the rows for which a typed condition is true. */
    @RecordBuilder
    record Typed(String id, String where, Optional<List<String>> blocks, Optional<Boolean> off)
            implements ReportFilter, ReportFilterTypedBuilder.With {

        @Override
        public FilterKind kind() {
            return FilterKind.EXPRESSION;
        }

        @Override
        public Typed mapped(DefinitionMapping to) {
            return new Typed(to.part(id), to.expression(where), reach(to), off);
        }
    }

    /**
     * Keeps the rows for which all of its parts hold, one of them, or none.
     *
     * @param kind {@code all}, {@code any} or {@code none}
     * @param filters its parts, which may have parts themselves; without any it restricts nothing
     */
    @RecordBuilder
    record Several(
            String id,
            FilterKind kind,
            List<ReportFilter> filters,
            Optional<List<String>> blocks,
            Optional<Boolean> off)
            implements ReportFilter, ReportFilterSeveralBuilder.With {

        @Override
        public Stream<ReportFilter> withParts() {
            return Stream.concat(Stream.of(this), filters.stream().flatMap(ReportFilter::withParts));
        }

        @Override
        public Stream<ReportFilter> conjuncts() {
            return kind == FilterKind.ALL && !isOff()
                    ? filters.stream().flatMap(ReportFilter::conjuncts)
                    : Stream.of(this);
        }

        /** The same of other parts. */
        public Several of(List<ReportFilter> others) {
            return new Several(id, kind, others, blocks, off);
        }

        @Override
        public Optional<ReportFilter> elsewhere(String dataset) {
            List<ReportFilter> there = filters.stream()
                    .flatMap(part -> part.elsewhere(dataset).stream())
                    .toList();
            return there.size() == filters.size() ? Optional.of(of(there)) : Optional.empty();
        }

        @Override
        public Several mapped(DefinitionMapping to) {
            return new Several(
                    to.part(id),
                    kind,
                    filters.stream().map(part -> part.mapped(to)).toList(),
                    reach(to),
                    off);
        }
    }

    /**
     * Keeps the rows with the most or the least, of those that all other filters keep.
     *
     * @param field id of the field that is compared
     * @param count how many rows are kept; of equal ones those that come first by the grain's key
     */
    @RecordBuilder
    record Top(
            String id,
            String field,
            LimitEnd end,
            int count,
            Optional<List<String>> blocks,
            Optional<List<FieldElsewhere>> also,
            Optional<Boolean> off)
            implements ReportFilter, ReportFilterTopBuilder.With {

        @Override
        public FilterKind kind() {
            return FilterKind.TOP;
        }

        @Override
        public Top over(String there) {
            return new Top(id, there, end, count, blocks, also, off);
        }

        @Override
        public Top mapped(DefinitionMapping to) {
            return new Top(to.part(id), to.field(field), end, count, reach(to), elsewhere(to), off);
        }
    }
}
