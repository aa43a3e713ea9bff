package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;
import java.util.Optional;

/** A part of a report that stands by itself on its pages, told apart by its {@code kind}. */
@JsonTypeInfo(
        use = JsonTypeInfo.Id.NAME,
        include = JsonTypeInfo.As.EXISTING_PROPERTY,
        property = "kind",
        visible = true)
@JsonSubTypes({
    @JsonSubTypes.Type(
            value = TableBlock.class,
            names = {"table", "banded"}),
    @JsonSubTypes.Type(value = FiguresBlock.class, name = "figures"),
    @JsonSubTypes.Type(value = TextBlock.class, name = "text")
})
@JsonInclude(JsonInclude.Include.NON_ABSENT)
public sealed interface ReportBlock permits TableBlock, FiguresBlock, TextBlock {

    String id();

    /** What a block is, by its word in documents. */
    enum Kind {
        TABLE,
        /** The older word for a table. */
        BANDED,
        FIGURES,
        TEXT
    }

    @JsonProperty("kind")
    Kind kind();

    /** What stands above it. */
    Optional<String> title();

    /** A template of what stands below its title. */
    Optional<String> note();

    /** Id of the dataset that it is over; the report's unless given. */
    Optional<String> dataset();

    /** Conditions on its rows, beside those of the report. */
    Optional<List<ReportFilter>> filters();

    /** A condition over the answers, without which it is not printed. */
    Optional<String> appears();

    /** Whether it is kept but not printed. */
    Optional<Boolean> off();

    default List<ReportFilter> ownFilters() {
        return filters().orElse(List.of());
    }

    /** What it calls fields in another way than the report, and how it prints them. */
    default Optional<List<ReportField>> fields() {
        return Optional.empty();
    }

    default boolean isOff() {
        return off().orElse(false);
    }

    /** Its own conditions with all their texts changed. */
    default Optional<List<ReportFilter>> mappedFilters(DefinitionMapping to) {
        return filters()
                .map(own -> own.stream().map(filter -> filter.mapped(to)).toList());
    }

    /** Its own words for fields with all their texts changed. */
    default Optional<List<ReportField>> mappedFields(DefinitionMapping to) {
        return fields().map(own -> own.stream().map(field -> field.mapped(to)).toList());
    }

    /** The same, switched off where it does not appear, and so the parts in it that do not. */
    ReportBlock appearing(String pointer, Appearance holds);

    /** The same with all its texts changed. */
    ReportBlock mapped(DefinitionMapping to);
}
