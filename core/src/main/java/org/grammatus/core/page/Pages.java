package org.grammatus.core.page;

import java.util.Arrays;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.Bands;

/**
 * A report broken into pages. Breaks are found in one pass; a page is made when it is asked for. Thread-safe.
 *
 * <p>Headings, the row that follows them and the footers after a row stay together: a heading is never last on a page, a
 * footer never first.
 */
public final class Pages {

    private static final int ASK_EVERY = 4096;

    private final Layout layout;
    private final int[] firstBand;
    private final Strips strips;

    private Pages(Layout layout, int[] firstBand) {
        this.layout = layout;
        this.firstBand = firstBand;
        this.strips = new Strips(layout);
    }

    /**
     * Breaks bands into pages.
     *
     * @throws org.grammatus.core.problem.ProblemException if the columns do not fit the paper
     */
    public static Pages of(Bands bands, BooleanSupplier cancelled) {
        Layout layout = new Layout(bands);
        return new Pages(layout, breaks(layout, cancelled));
    }

    private static int[] breaks(Layout layout, BooleanSupplier cancelled) {
        Bands bands = layout.bands();
        int[] breaks = new int[64];
        int pages = 1;
        int y = layout.columnHeadingsHeight();
        int bottom = bodyHeight(layout);
        int unit = 0;
        while (unit < bands.size()) {
            int end = unitEnd(bands, unit);
            int height = height(layout, unit, end);
            boolean asked = layout.beginsPage(unit);
            if ((asked || y + height > bottom) && unit > breaks[pages - 1]) {
                breaks = with(breaks, pages++, unit);
                y = topOfPage(layout, unit);
            }
            if (y + height > bottom) {
                // Too tall for any page: its bands are broken one by one.
                for (int band = unit; band < end; band++) {
                    int own = layout.height(band);
                    if (y + own > bottom && band > breaks[pages - 1]) {
                        breaks = with(breaks, pages++, band);
                        y = topOfPage(layout, band);
                    }
                    y += own;
                }
            } else {
                y += height;
            }
            unit = end;
            if (unit % ASK_EVERY == 0 && cancelled.getAsBoolean()) {
                throw new CancellationException("The run was cancelled");
            }
        }
        return Arrays.copyOf(breaks, pages);
    }

    private static int[] with(int[] breaks, int at, int band) {
        int[] longer = at < breaks.length ? breaks : Arrays.copyOf(breaks, at * 2);
        longer[at] = band;
        return longer;
    }

    /** Headings, one row, and the footers right after it. */
    private static int unitEnd(Bands bands, int from) {
        int band = from;
        while (band < bands.size() && bands.kind(band).isHeading()) {
            band++;
        }
        if (band < bands.size() && bands.kind(band).isRow()) {
            band++;
        }
        while (band < bands.size() && isFooter(bands.kind(band))) {
            band++;
        }
        return Math.max(band, from + 1);
    }

    private static boolean isFooter(BandKind kind) {
        return kind == BandKind.GROUP_FOOTER || kind == BandKind.REPORT_FOOTER;
    }

    private static int height(Layout layout, int from, int to) {
        int height = 0;
        for (int band = from; band < to; band++) {
            height += layout.height(band);
        }
        return height;
    }

    /** Height between the page's top and bottom edges of what changes from page to page. */
    static int bodyHeight(Layout layout) {
        return layout.paper().bottom() - layout.paper().top() - layout.pageFooterHeight();
    }

    private static int topOfPage(Layout layout, int band) {
        int y = layout.pageHeaderHeight() + layout.columnHeadingsHeight();
        for (int node : layout.openHeadings(band)) {
            y += layout.headingHeight(node, true);
        }
        return y;
    }

    public int count() {
        return firstBand.length;
    }

    /**
     * Makes a page.
     *
     * @param number from 1 to {@link #count}
     */
    public Page page(int number) {
        if (number < 1 || number > count()) {
            throw new IllegalArgumentException("Page " + number + " of " + count());
        }
        int end = number == count() ? layout.bands().size() : firstBand[number];
        // A layout prints for one thread at a time, whether pages or strips.
        synchronized (layout) {
            return new PageBuilder(layout, number, count()).page(firstBand[number - 1], end);
        }
    }

    /** The same bands without breaks. Thread-safe. */
    public Strips strips() {
        return strips;
    }

    /** Number of the page on which a band stands. */
    public int pageOf(int band) {
        int found = Arrays.binarySearch(firstBand, band);
        return found >= 0 ? found + 1 : -found - 1;
    }

    public Bands bands() {
        return layout.bands();
    }
}
