package org.grammatus.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.Bands;
import org.grammatus.core.choice.layout.LevelLayout;

/**
 * Lets a block flow down pages from a place on.
 *
 * <p>Headings, the row that follows them and the footers after a row stay together: a heading is never last on a page, a
 * footer never first.
 */
final class BlockFlow {

    private static final int ASK_EVERY = 4096;

    /** Where something ends or begins: a page, and how far down it. */
    record Position(int page, int y) implements Comparable<Position> {

        @Override
        public int compareTo(Position other) {
            return page == other.page ? Integer.compare(y, other.y) : Integer.compare(page, other.page);
        }
    }

    private final BlockPlace block;
    private final BlockLayout layout;
    private final Bands bands;
    /** Where the second page's and every later one's blocks may begin. */
    private final int topOfLater;
    /** Where the first page's blocks may begin. */
    private final int topOfFirst;

    private final int bottom;
    private final List<Segment> segments = new ArrayList<>();
    private int page;
    private int top;
    private int from;
    private int y;

    private BlockFlow(BlockPlace block, Position start, int topOfFirst, int topOfLater, int bottom) {
        this.topOfFirst = topOfFirst;
        this.block = block;
        this.layout = block.layout();
        this.bands = layout.bands();
        this.topOfLater = topOfLater;
        // What is carried from page to page stands below everything else.
        this.bottom = bottom - layout.carriedHeight();
        this.page = start.page();
        this.top = start.y();
        this.y = top + layout.columnHeadingsHeight();
    }

    /**
     * Breaks a block.
     *
     * @param topOfFirst how far down the first page begins
     * @param topOfLater how far down later pages begin
     * @param bottom how far down they go
     * @param into where its segments are added
     * @return where it ends
     */
    static Position flow(
            BlockPlace block,
            Position start,
            int topOfFirst,
            int topOfLater,
            int bottom,
            List<Segment> into,
            BooleanSupplier cancelled) {
        BlockFlow flow = new BlockFlow(block, start, topOfFirst, topOfLater, bottom);
        flow.run(cancelled);
        into.addAll(flow.segments);
        return new Position(flow.page, flow.y);
    }

    private void run(BooleanSupplier cancelled) {
        int unit = 0;
        while (unit < bands.size()) {
            int end = unitEnd(unit);
            int height = 0;
            for (int band = unit; band < end; band++) {
                height += layout.height(band);
            }
            boolean asked = unit > from && (block.open().beginsPage(unit) || wantsPage(unit));
            if (asked || y + height > bottom && canMove(unit)) {
                breakBefore(unit);
            }
            if (y + height > bottom) {
                // Too tall for any page: its bands are broken one by one.
                for (int band = unit; band < end; band++) {
                    int own = layout.height(band);
                    if (y + own > bottom && canMove(band)) {
                        breakBefore(band);
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
        segments.add(new Segment(block.index(), page, top, from, bands.size()));
    }

    /** Whether a break before a band leaves something behind it, or finds more room. */
    private boolean canMove(int band) {
        return band > from || top > (page == 1 ? topOfFirst : topOfLater);
    }

    private void breakBefore(int band) {
        if (band > from) {
            segments.add(new Segment(block.index(), page, top, from, band));
        }
        page++;
        if (block.open().beginsFront(band) && page % 2 == 0) {
            page++;
        }
        top = topOfLater;
        from = band;
        y = top + layout.repeatedHeadingsHeight();
        for (int node : block.open().above(band)) {
            y += layout.continued(node).height();
        }
        if (layout.carriedBefore(band).isPresent()) {
            y += layout.carriedHeight();
        }
    }

    /** Whether a group that begins here would rather begin on a new page: too little is left of this one, or all of it fits the next. */
    private boolean wantsPage(int unit) {
        return block.open().begun(unit).anyMatch(depth -> {
            LevelLayout asked = layout.plan().levels().get(depth - 1).print().layout();
            int page = bottom - topOfLater;
            boolean little = asked.newPageUnder()
                    .filter(percent -> (bottom - y) * 100L < (long) percent * page)
                    .isPresent();
            return little
                    || asked.keepsTogether() && y + groupHeight(unit, depth, page) > bottom && fitsAPage(unit, depth);
        });
    }

    private boolean fitsAPage(int unit, int depth) {
        int room = bottom - topOfLater - layout.repeatedHeadingsHeight();
        for (int node : block.open().above(unit)) {
            room -= layout.continued(node).height();
        }
        return groupHeight(unit, depth, room) <= room;
    }

    /** Height of the group of a depth that begins with a band, or any that is more than some height. */
    private int groupHeight(int first, int depth, int most) {
        int height = 0;
        for (int band = first;
                band < bands.size() && height <= most && block.open().isSame(first, band, depth);
                band++) {
            height += layout.height(band);
        }
        return height;
    }

    /** Headings, one row, whether of a table or of key figures, and the footers right after it. */
    private int unitEnd(int unit) {
        int band = unit;
        while (band < bands.size() && block.open().isHeading(band)) {
            band++;
        }
        if (band < bands.size() && bands.kind(band).isRow()) {
            while (layout.height(band) == 0) {
                band++;
            }
            band++;
        }
        while (band < bands.size() && isFooter(bands.kind(band))) {
            band++;
        }
        return Math.max(band, unit + 1);
    }

    private static boolean isFooter(BandKind kind) {
        return kind == BandKind.GROUP_FOOTER || kind == BandKind.REPORT_FOOTER;
    }
}
