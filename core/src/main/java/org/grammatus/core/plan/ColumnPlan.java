package org.grammatus.core.plan;

import com.ibm.icu.util.ULocale;
import io.soabase.recordbuilder.core.RecordBuilder;
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
 * @param format how its values are written
 * @param print how it stands on pages
 */
@RecordBuilder
public record ColumnPlan(
        String id,
        String label,
        String pointer,
        Optional<String> text,
        Typed value,
        int home,
        Format format,
        Print print)
        implements ColumnPlanBuilder.With {

    /**
     * How values are written.
     *
     * @param pattern CLDR pattern
     * @param own whether the definition gives the pattern
     * @param unit what figures are counted in, where not in ones
     */
    public record Format(String pattern, boolean own, Optional<FigureUnit> unit) {

        /** The same, counted in something else. */
        public Format in(Optional<FigureUnit> other) {
            return new Format(pattern, own, other);
        }
    }

    /**
     * How a column stands on pages.
     *
     * @param width points; measured from what is printed unless given
     * @param room what else is said of the room that it takes
     * @param scale what is drawn beside its figures
     * @param onceIn id of the level in whose groups its value is printed once, or {@value TablePlan#REPORT}
     */
    public record Print(
            Align align,
            Optional<Integer> width,
            ColumnRoom room,
            Optional<ColumnScale> scale,
            Optional<String> onceIn) {

        /** From the left, in the room that it needs. */
        public static final Print PLAIN =
                new Print(Align.START, Optional.empty(), ColumnRoom.PLAIN, Optional.empty(), Optional.empty());

        /** Whether nothing is said of how wide it is. */
        public boolean isFree() {
            return width.isEmpty() && room.share().isEmpty();
        }
    }

    /** Whether its width is what its figures need and never less. */
    public boolean rigid() {
        return value.type().isNumber() || !print.isFree();
    }

    /** What stands above it: its label, with what its figures are counted in. */
    public String heading(ULocale locale) {
        return Words.of(locale).heading(label, format.unit());
    }

    /** The same column called and counted in another way. */
    public ColumnPlan called(String otherLabel, Optional<FigureUnit> otherUnit) {
        return withLabel(otherLabel).withFormat(format.in(otherUnit));
    }

    /** The same column at another width. */
    public ColumnPlan withWidth(Optional<Integer> points) {
        return withPrint(new Print(print.align(), points, print.room(), print.scale(), print.onceIn()));
    }

    /**
     * The same column without what only printing needs.
     *
     * @param rounded whether figures are rounded as they are printed before they are added up
     */
    ColumnPlan unprinted(boolean rounded) {
        Format counted = new Format("", false, rounded ? format.unit() : Optional.empty());
        Print once = new Print(Align.START, Optional.empty(), ColumnRoom.PLAIN, Optional.empty(), print.onceIn());
        return new ColumnPlan("", "", "", Optional.empty(), value, home, counted, once);
    }
}
