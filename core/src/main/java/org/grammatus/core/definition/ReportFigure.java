package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;
import org.grammatus.core.choice.FigureUnit;
import org.grammatus.core.choice.Good;

/**
 * A key figure: an aggregate over all rows of its block.
 *
 * @param label what it is called; what the report or the dataset calls it unless given
 * @param format CLDR number or date pattern; none takes the field's
 * @param unit whether it is printed in thousands or millions, which its label says
 * @param compare what it is compared with; its {@code shown} says how the change is told, none but the other figure for {@code figure}
 * @param good which change is welcome; none is said to be unless given
 * @param off whether it is kept but not printed
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"id", "label", "value", "format", "unit", "compare", "good", "off"})
@RecordBuilder
public record ReportFigure(
        String id,
        Optional<String> label,
        String value,
        Optional<String> format,
        Optional<FigureUnit> unit,
        Optional<ReportCompare> compare,
        Optional<Good> good,
        Optional<Boolean> off)
        implements ReportFigureBuilder.With {

    /** The same with all its texts changed. */
    ReportFigure mapped(DefinitionMapping to) {
        return new ReportFigure(
                to.part(id),
                label,
                to.expression(value),
                format,
                unit,
                compare.map(with -> with.mapped(to)),
                good,
                off);
    }
}
