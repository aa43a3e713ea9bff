package org.grammatus.core.page;

import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.Bands;
import org.grammatus.core.plan.style.PrintStyle;

/** The lines that a style draws below and above bands. */
final class BandRules {

    /** A line below a band stands this far above its edge. */
    private static final int ABOVE_EDGE = 20;

    private final BlockLayout layout;
    private final Bands bands;
    private final PrintStyle look;

    BandRules(BlockLayout layout) {
        this.layout = layout;
        this.bands = layout.bands();
        this.look = layout.look();
    }

    /** The lines that a style may draw below a band. */
    void below(int band, int bottom, PageAssembler sheet) {
        switch (bands.kind(band)) {
            case GROUP_HEADING -> {
                if (bands.grouped().tree().depthOf(bands.node(band)) == 1) {
                    sheet.ground()
                            .rule(
                                    0,
                                    bottom - ABOVE_EDGE,
                                    layout.width(),
                                    look.lines().headings());
                }
            }
            case DETAIL, GROUP_LINE, OTHER_ROWS -> {
                // A total has a line of its own above it.
                if (band + 1 == bands.size() || !bands.kind(band + 1).isTotals()) {
                    int left = layout.columns().x()[0];
                    sheet.ground()
                            .rowRule(
                                    left,
                                    bottom - ABOVE_EDGE,
                                    layout.width() - left,
                                    look.lines().rows());
                }
            }
            case REPORT_FOOTER ->
                sheet.ground().rule(0, bottom, layout.width(), look.lines().belowGrandTotal());
            default -> {}
        }
    }

    /** How thick the line above totals is: the more they sum up, the thicker. */
    int aboveTotals(BandKind kind, int node) {
        if (kind == BandKind.REPORT_FOOTER) {
            return look.lines().grandTotal();
        }
        return bands.grouped().tree().depthOf(node) == 1
                ? look.lines().outerTotal()
                : look.lines().innerTotal();
    }
}
