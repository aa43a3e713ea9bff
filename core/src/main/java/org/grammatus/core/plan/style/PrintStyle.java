package org.grammatus.core.plan.style;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.choice.Negative;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.dataset.Patterns;

/**
 * The complete look of pages, with nothing left to a default. Lengths are hundredths of a point, inks {@code #rrggbb}. Immutable.
 *
 * @param face the name of what texts are set in
 * @param texts by what they are
 * @param marks the looks that highlights choose from; at least one
 * @param logo at the right of the title
 */
public record PrintStyle(
        String face,
        Map<TextStyle, TextFace> texts,
        Lines lines,
        Spacing spacing,
        Figures figures,
        List<MarkStyle> marks,
        List<String> palette,
        Optional<Picture> logo) {

    public PrintStyle {
        texts = Map.copyOf(texts);
        marks = List.copyOf(marks);
        palette = List.copyOf(palette);
    }

    /**
     * The room between lines, rows and groups.
     *
     * @param linePercent from one line to the next, in percent of the size of its type
     * @param belowRow room below every row
     * @param groupPercent room above the headings of groups, in percent of what is usual
     */
    public record Spacing(int linePercent, int belowRow, int groupPercent) {}

    /**
     * How values are written.
     *
     * @param negativeInk of figures below zero, where {@code negative} says so
     * @param blank what stands where a column has no value
     * @param patterns how dates and numbers of datasets are printed
     */
    public record Figures(Negative negative, String negativeInk, String blank, Patterns patterns) {}

    /** How one kind of text looks. */
    public record TextFace(boolean bold, int size, String ink) {}

    /**
     * How thick lines are; 0 draws none.
     *
     * @param ink of lines
     * @param rowInk of the lines below rows
     */
    public record Lines(
            String ink,
            String rowInk,
            int columnHeadings,
            int headings,
            int outerTotal,
            int innerTotal,
            int grandTotal,
            int belowGrandTotal,
            int rows) {}

    /** The look of an id; the first of all where there is none. */
    public MarkStyle mark(String id) {
        return marks.stream().filter(mark -> mark.id().equals(id)).findFirst().orElse(marks.getFirst());
    }

    /** Whether there is a look of an id. */
    public boolean hasMark(String id) {
        return marks.stream().anyMatch(mark -> mark.id().equals(id));
    }
}
