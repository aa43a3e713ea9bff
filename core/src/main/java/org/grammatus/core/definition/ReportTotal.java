package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.Shown;

/**
 * A line of the totals grid: an aggregate, the column it stands under, and the levels at which it is printed.
 *
 * @param shown what is made of the aggregate; the aggregate itself unless given
 * @param compare what the aggregate is compared with
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"id", "column", "value", "shown", "compare", "format", "cells"})
@RecordBuilder
public record ReportTotal(
        String id,
        String column,
        String value,
        Optional<Shown> shown,
        Optional<ReportCompare> compare,
        Optional<String> format,
        List<ReportCell> cells)
        implements ReportTotalBuilder.With {

    /** The same with all its texts changed. */
    ReportTotal mapped(DefinitionMapping to) {
        return new ReportTotal(
                to.part(id),
                to.part(column),
                to.expression(value),
                shown,
                compare.map(with -> with.mapped(to)),
                format,
                cells.stream().map(cell -> cell.mapped(to)).toList());
    }
}
