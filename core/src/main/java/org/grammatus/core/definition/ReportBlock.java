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
            names = {"table", "banded"})
})
@JsonInclude(JsonInclude.Include.NON_ABSENT)
public sealed interface ReportBlock permits TableBlock {

    String id();

    /** What a block is, by its word in documents. */
    enum Kind {
        TABLE,
        /** The older word for a table. */
        BANDED
    }

    @JsonProperty("kind")
    Kind kind();

    /** What stands above it. */
    Optional<String> title();

    /** A word below its title. */
    Optional<String> note();

    /** Conditions on its rows, beside those of the report. */
    Optional<List<ReportFilter>> filters();

    /** Whether it is kept but not printed. */
    Optional<Boolean> off();

    default List<ReportFilter> ownFilters() {
        return filters().orElse(List.of());
    }

    /** The same with all its texts changed. */
    ReportBlock mapped(DefinitionMapping to);
}
