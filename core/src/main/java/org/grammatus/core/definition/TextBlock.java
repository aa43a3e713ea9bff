package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;

/** Paragraphs. */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"id", "kind", "title", "note", "dataset", "filters", "paragraphs", "appears", "off"})
@RecordBuilder
public record TextBlock(
        String id,
        Optional<String> title,
        Optional<String> note,
        Optional<String> dataset,
        Optional<List<ReportFilter>> filters,
        List<ReportParagraph> paragraphs,
        Optional<String> appears,
        Optional<Boolean> off)
        implements ReportBlock, TextBlockBuilder.With {

    @Override
    public Kind kind() {
        return Kind.TEXT;
    }

    @Override
    public TextBlock mapped(DefinitionMapping to) {
        return new TextBlock(
                to.part(id),
                title,
                to.template(note),
                dataset,
                mappedFilters(to),
                paragraphs.stream().map(paragraph -> paragraph.mapped(to)).toList(),
                to.expression(appears),
                off);
    }

    @Override
    public TextBlock appearing(String pointer, Appearance holds) {
        return new TextBlock(
                id, title, note, dataset, filters, paragraphs, appears, Appearance.off(pointer, appears, off, holds));
    }
}
