package org.grammatus.core.plan;

import com.ibm.icu.util.ULocale;
import java.util.Optional;
import org.grammatus.core.choice.Align;
import org.grammatus.core.choice.FigureUnit;
import org.grammatus.core.choice.layout.ColumnRoom;
import org.grammatus.core.choice.layout.ColumnScale;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.words.Words;

/**
 * A column.
 *
 * @param pointer where it stands in the definition
 * @param text what it shows as its author wrote it; none for a column of totals alone
 * @param home number of the finest table among its fields
 * @param format CLDR pattern
 * @param ownFormat whether the definition gives the pattern
 * @param width points; measured from what is printed unless given
 * @param room what else is said of the room that it takes
 * @param scale what is drawn beside its figures
 * @param onceIn id of the level in whose groups its value is printed once, or {@value TablePlan#REPORT}
 */
public record ColumnPlan(
        String id,
        String label,
        String pointer,
        Optional<String> text,
        Typed value,
        int home,
        String format,
        boolean ownFormat,
        Optional<FigureUnit> unit,
        Align align,
        Optional<Integer> width,
        ColumnRoom room,
        Optional<ColumnScale> scale,
        Optional<String> onceIn) {

    /** Whether its width is what its figures need and never less. */
    public boolean rigid() {
        return value.type().isNumber() || !isFree();
    }

    /** Whether nothing is said of how wide it is. */
    public boolean isFree() {
        return width.isEmpty() && room.share().isEmpty();
    }

    /** What stands above it: its label, with what its figures are counted in. */
    public String heading(ULocale locale) {
        return Words.of(locale).heading(label, unit);
    }

    /** The same column called and counted in another way. */
    public ColumnPlan called(String otherLabel, Optional<FigureUnit> otherUnit) {
        return new ColumnPlan(
                id,
                otherLabel,
                pointer,
                text,
                value,
                home,
                format,
                ownFormat,
                otherUnit,
                align,
                width,
                room,
                scale,
                onceIn);
    }

    /** The same column at another width. */
    public ColumnPlan withWidth(Optional<Integer> points) {
        return new ColumnPlan(
                id, label, pointer, text, value, home, format, ownFormat, unit, align, points, room, scale, onceIn);
    }
}
