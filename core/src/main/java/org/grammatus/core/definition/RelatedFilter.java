package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;

/**
 * Keeps the rows to which rows of a dataset belong, or none do.
 *
 * @param kind {@code has} or {@code has-none}
 * @param dataset id of the dataset whose rows are looked for; all of them, whatever the report keeps
 * @param keys what must be equal for a row to belong
 * @param least how many there must be, or may not be; 1 unless given
 * @param counted id of a field of that dataset whose different values are counted, not its rows
 * @param filters what the rows must meet, too
 */
@RecordBuilder
public record RelatedFilter(
        String id,
        FilterKind kind,
        String dataset,
        List<Key> keys,
        Optional<Integer> least,
        Optional<String> counted,
        Optional<List<ReportFilter>> filters,
        Optional<List<String>> blocks,
        Optional<Boolean> off)
        implements ReportFilter, RelatedFilterBuilder.With {

    /**
     * Two fields that are equal where a row belongs.
     *
     * @param field of the rows that are looked for
     * @param of the field of the rows that are kept
     */
    @JsonPropertyOrder({"field", "of"})
    public record Key(String field, String of) {}

    @Override
    public RelatedFilter mapped(DefinitionMapping to) {
        DefinitionMapping there = to.over(dataset);
        return new RelatedFilter(
                to.part(id),
                kind,
                dataset,
                keys.stream()
                        .map(key -> new Key(there.field(key.field), to.field(key.of)))
                        .toList(),
                least,
                counted.map(there::field),
                filters.map(own -> own.stream().map(part -> part.mapped(there)).toList()),
                reach(to),
                off);
    }
}
