package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;

/** Key figures, side by side as far as there is room. */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({
    "id",
    "kind",
    "title",
    "note",
    "dataset",
    "filters",
    "fields",
    "figures",
    "highlights",
    "appears",
    "off"
})
@RecordBuilder
public record FiguresBlock(
        String id,
        Optional<String> title,
        Optional<String> note,
        Optional<String> dataset,
        Optional<List<ReportFilter>> filters,
        Optional<List<ReportField>> fields,
        List<ReportFigure> figures,
        Optional<List<ReportHighlight>> highlights,
        Optional<String> appears,
        Optional<Boolean> off)
        implements ReportBlock, FiguresBlockBuilder.With {

    @Override
    public Kind kind() {
        return Kind.FIGURES;
    }

    @Override
    public FiguresBlock mapped(DefinitionMapping to) {
        return new FiguresBlock(
                to.part(id),
                title,
                to.template(note),
                dataset,
                mappedFilters(to),
                mappedFields(to),
                figures.stream().map(figure -> figure.mapped(to)).toList(),
                highlights.map(
                        rules -> rules.stream().map(rule -> rule.mapped(to)).toList()),
                to.expression(appears),
                off);
    }

    @Override
    public FiguresBlock appearing(String pointer, Appearance holds) {
        return new FiguresBlock(
                id,
                title,
                note,
                dataset,
                filters,
                fields,
                figures,
                highlights,
                appears,
                Appearance.off(pointer, appears, off, holds));
    }
}
