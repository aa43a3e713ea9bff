package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.Cover;
import org.grammatus.core.choice.Rounding;

/**
 * One banded table.
 *
 * @param counts ids of the dataset's tables whose rows are counted in words beside every total: "5 orders, 12 lines"
 * @param rounding where sums are rounded; {@link Rounding#PRINTED} unless given
 * @param totalsCover whether totals take in the groups and rows that are left out; {@link Cover#SHOWN} unless given
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({
    "id",
    "kind",
    "levels",
    "columns",
    "totals",
    "totalsCover",
    "rounding",
    "counts",
    "highlights",
    "rows"
})
public record ReportBlock(
        String id,
        BlockKind kind,
        List<ReportLevel> levels,
        List<ReportColumn> columns,
        List<ReportTotal> totals,
        Optional<Cover> totalsCover,
        Optional<Rounding> rounding,
        List<String> counts,
        List<ReportHighlight> highlights,
        ReportRows rows) {

    public Cover cover() {
        return totalsCover.orElse(Cover.SHOWN);
    }

    /** The same with all its texts changed. */
    ReportBlock mapped(DefinitionMapping to) {
        return new ReportBlock(
                to.part(id),
                kind,
                levels.stream().map(level -> level.mapped(to)).toList(),
                columns.stream().map(column -> column.mapped(to)).toList(),
                totals.stream().map(total -> total.mapped(to)).toList(),
                totalsCover,
                rounding,
                counts,
                highlights.stream().map(highlight -> highlight.mapped(to)).toList(),
                rows.mapped(to));
    }
}
