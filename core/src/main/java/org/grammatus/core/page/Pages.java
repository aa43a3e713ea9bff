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

    private final Paper paper;
    private final PageFurniture furniture;
    private final TableLayout layout;
    private final OpenGroups open;
    private final Strips strips;
    private final int[] firstBand;

    private Pages(Paper paper, TableLayout layout, BooleanSupplier cancelled) {
        this.paper = paper;
        this.layout = layout;
        this.furniture = new PageFurniture(layout, paper);
        this.open = new OpenGroups(layout.bands());
        this.strips = new Strips(layout, open, paper);
        this.firstBand = breaks(cancelled);
    }

    /**
     * Breaks bands into pages.
     *
     * @throws org.grammatus.core.problem.ProblemException if the columns do not fit the paper
     */
    public static Pages of(Bands bands, BooleanSupplier cancelled) {
        Paper paper = Paper.of(bands.grouped().plan().inputs().page());
        return new Pages(paper, new TableLayout(bands, paper.printableWidth()), cancelled);
    }

    private int[] breaks(BooleanSupplier cancelled) {
        Bands bands = layout.bands();
        int[] breaks = new int[64];
        int pages = 1;
        int y = layout.columnHeadingsHeight();
        int bottom = bodyHeight();
        int unit = 0;
        while (unit < bands.size()) {
            int end = unitEnd(bands, unit);
            int height = height(unit, end);
            boolean asked = open.beginsPage(unit);
            if ((asked || y + height > bottom) && unit > breaks[pages - 1]) {
                breaks = with(breaks, pages++, unit);
                y = topOfPage(unit);
            }
            if (y + height > bottom) {
                // Too tall for any page: its bands are broken one by one.
                for (int band = unit; band < end; band++) {
                    int own = layout.height(band);
                    if (y + own > bottom && band > breaks[pages - 1]) {
                        breaks = with(breaks, pages++, band);
                        y = topOfPage(band);
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

    private int height(int from, int to) {
        int height = 0;
        for (int band = from; band < to; band++) {
            height += layout.height(band);
        }
        return height;
    }

    /** Height between the page's top and bottom edges of what changes from page to page. */
    private int bodyHeight() {
        return paper.bottom() - paper.top() - furniture.footerHeight();
    }

    private int topOfPage(int band) {
        int y = furniture.headerHeight() + layout.columnHeadingsHeight();
        for (int node : open.above(band)) {
            y += layout.measures().continued(node).height();
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
        int from = firstBand[number - 1];
        int end = number == count() ? layout.bands().size() : firstBand[number];
        // A layout prints for one thread at a time, whether pages or strips.
        synchronized (layout) {
            Sheet sheet = new Sheet(layout, paper, number, count());
            if (layout.bands().kind(from) == BandKind.REPORT_HEADER) {
                new PageBuilder(layout, open, sheet, paper.top()).opening(end);
            } else {
                furniture.header(sheet);
                new PageBuilder(layout, open, sheet, paper.top() + furniture.headerHeight()).following(from, end);
            }
            furniture.footer(sheet);
            return sheet.built(paper.height(), end);
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
