package org.grammatus.core.page;

import java.util.Arrays;
import org.grammatus.core.band.Bands;

/**
 * A report as one continuous list: the same bands without breaks, page headers and footers, cut into strips that are made when
 * they are asked for. The column headings are a strip of their own, to be kept in sight. Thread-safe.
 */
public final class Strips {

    private static final int BANDS = 40;

    private final TableLayout layout;
    private final OpenGroups open;
    private final Paper paper;
    private int[] heights;

    Strips(TableLayout layout, OpenGroups open, Paper paper) {
        this.layout = layout;
        this.open = open;
        this.paper = paper;
    }

    public int count() {
        return (bands().size() + BANDS - 1) / BANDS;
    }

    /** The strips' heights, in hundredths of a point. */
    public int[] heights() {
        synchronized (layout) {
            if (heights == null) {
                int[] found = new int[count()];
                for (int band = 0; band < bands().size(); band++) {
                    found[band / BANDS] += layout.height(band);
                }
                heights = found;
            }
            return Arrays.copyOf(heights, heights.length);
        }
    }

    /** The column headings alone. */
    public Page headings() {
        synchronized (layout) {
            Sheet sheet = new Sheet(layout, paper, 0, count());
            PageBuilder builder = new PageBuilder(layout, open, sheet, 0);
            builder.columnHeadings();
            return sheet.built(builder.y(), bands().size());
        }
    }

    /**
     * Makes a strip.
     *
     * @param number from 1 to {@link #count}
     */
    public Page strip(int number) {
        if (number < 1 || number > count()) {
            throw new IllegalArgumentException("Strip " + number + " of " + count());
        }
        int from = (number - 1) * BANDS;
        int to = Math.min(bands().size(), from + BANDS);
        synchronized (layout) {
            Sheet sheet = new Sheet(layout, paper, number, count());
            PageBuilder builder = new PageBuilder(layout, open, sheet, 0);
            builder.strip(from, to);
            return sheet.built(builder.y(), to);
        }
    }

    /** Number of the strip in which a band stands. */
    public int stripOf(int band) {
        return band / BANDS + 1;
    }

    private Bands bands() {
        return layout.bands();
    }
}
