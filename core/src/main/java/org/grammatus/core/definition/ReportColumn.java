package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;
import org.grammatus.core.choice.Align;
import org.grammatus.core.choice.FigureUnit;
import org.grammatus.core.choice.layout.ColumnRoom;
import org.grammatus.core.choice.layout.ColumnScale;

/**
 * A column of figures or texts.
 *
 * @param label what the report or the dataset calls it unless given
 * @param value expression of one row; none for a column of totals alone
 * @param format CLDR number or date pattern; none takes the field's
 * @param unit whether figures are printed in thousands or millions, which the heading says
 * @param width points; measured from what is printed unless given
 * @param room what else is said of the room that it takes
 * @param scale what is drawn beside its figures
 * @param once id of the level in whose groups the value is printed once, and again at the top of a page
 * @param appears a condition over the answers, without which the column is not printed
 * @param off whether the column is kept but not printed
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({
    "id", "label", "value", "format", "unit", "align", "width", "room", "scale", "once", "appears", "off"
})
@RecordBuilder
public record ReportColumn(
        String id,
        Optional<String> label,
        Optional<String> value,
        Optional<String> format,
        Optional<FigureUnit> unit,
        Optional<Align> align,
        Optional<Integer> width,
        Optional<ColumnRoom> room,
        Optional<ColumnScale> scale,
        Optional<String> once,
        Optional<String> appears,
        Optional<Boolean> off)
        implements ReportColumnBuilder.With {

    /** The same column, kept but not printed. */
    ReportColumn switchedOff() {
        return new ReportColumn(
                id, label, value, format, unit, align, width, room, scale, once, appears, Optional.of(true));
    }

    /** The same with all its texts changed. */
    ReportColumn mapped(DefinitionMapping to) {
        return new ReportColumn(
                to.part(id),
                label,
                to.expression(value),
                format,
                unit,
                align,
                width,
                room,
                scale.map(drawn -> new ColumnScale(
                        drawn.kind(), drawn.edges(), drawn.within().map(at -> level(at, to)))),
                once.map(at -> level(at, to)),
                to.expression(appears),
                off);
    }

    private static String level(String at, DefinitionMapping to) {
        return at.equals(ReportCell.REPORT) ? at : to.part(at);
    }
}
