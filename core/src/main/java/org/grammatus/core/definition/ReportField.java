package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;
import org.grammatus.core.choice.FigureUnit;

/**
 * What a field or measure of a dataset is called, and how its values are printed, in a report or in a block.
 *
 * @param id of the field, calculated field or measure
 * @param format CLDR number or date pattern
 * @param unit whether its figures are printed in thousands or millions
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({"id", "label", "format", "unit"})
@RecordBuilder
public record ReportField(String id, Optional<String> label, Optional<String> format, Optional<FigureUnit> unit)
        implements ReportFieldBuilder.With {

    /** The same with all its texts changed. */
    ReportField mapped(DefinitionMapping to) {
        return new ReportField(to.field(id), label, format, unit);
    }
}
