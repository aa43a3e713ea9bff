package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.Cover;
import org.grammatus.core.choice.Rounding;
import org.grammatus.core.choice.layout.TableLayout;

/**
 * A table: the rows, or groups of them as lines, with headings and totals.
 *
 * @param kind {@code table}; {@code banded} is the older word for the same
 * @param counts ids of the dataset's tables whose rows are counted in words beside every total: "5 orders, 12 lines"
 * @param totalText template of what the grand total is called
 * @param rounding where sums are rounded; {@link Rounding#PRINTED} unless given
 * @param totalsCover whether totals take in the groups and rows that are left out; {@link Cover#SHOWN} unless given
 * @param layout how it stands on pages
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({
    "id",
    "kind",
    "title",
    "note",
    "dataset",
    "filters",
    "fields",
    "levels",
    "columns",
    "totals",
    "totalText",
    "totalsCover",
    "rounding",
    "counts",
    "highlights",
    "rows",
    "layout",
    "appears",
    "off"
})
@RecordBuilder
public record TableBlock(
        String id,
        Kind kind,
        Optional<String> title,
        Optional<String> note,
        Optional<String> dataset,
        Optional<List<ReportFilter>> filters,
        Optional<List<ReportField>> fields,
        List<ReportLevel> levels,
        List<ReportColumn> columns,
        List<ReportTotal> totals,
        Optional<String> totalText,
        Optional<Cover> totalsCover,
        Optional<Rounding> rounding,
        List<String> counts,
        List<ReportHighlight> highlights,
        ReportRows rows,
        Optional<TableLayout> layout,
        Optional<String> appears,
        Optional<Boolean> off)
        implements ReportBlock, TableBlockBuilder.With {

    public Cover cover() {
        return totalsCover.orElse(Cover.SHOWN);
    }

    @Override
    public TableBlock mapped(DefinitionMapping to) {
        return new TableBlock(
                to.part(id),
                kind,
                title,
                to.template(note),
                dataset,
                mappedFilters(to),
                mappedFields(to),
                levels.stream().map(level -> level.mapped(to)).toList(),
                columns.stream().map(column -> column.mapped(to)).toList(),
                totals.stream().map(total -> total.mapped(to)).toList(),
                to.template(totalText),
                totalsCover,
                rounding,
                counts,
                highlights.stream().map(highlight -> highlight.mapped(to)).toList(),
                rows.mapped(to),
                layout,
                to.expression(appears),
                off);
    }

    @Override
    public TableBlock appearing(String pointer, Appearance holds) {
        return new TableBlock(
                id,
                kind,
                title,
                note,
                dataset,
                filters,
                fields,
                Appearance.each(levels, pointer + "/levels", ReportLevel::appears, ReportLevel::switchedOff, holds),
                Appearance.each(columns, pointer + "/columns", ReportColumn::appears, ReportColumn::switchedOff, holds),
                totals,
                totalText,
                totalsCover,
                rounding,
                counts,
                highlights,
                rows,
                layout,
                appears,
                Appearance.off(pointer, appears, off, holds));
    }
}
