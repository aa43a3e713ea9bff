package org.grammatus.core.page;

import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.BandLook;
import org.grammatus.core.band.Bands;
import org.grammatus.core.page.Page.BandRole;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.words.Words;

/** Puts measured bands one below the other on a sheet. Used once. */
final class PageBuilder {

    private static final int NONE = -1;

    private final BlockLayout layout;
    private final OpenGroups open;
    private final Bands bands;
    private final TablePlan plan;
    private final PageAssembler sheet;
    private final Words words;
    /** First cell of the items that stand side by side here; {@link #NONE} where none do. */
    private int rowOfItems = NONE;
    /** The first rule that marks one of them. */
    private int markOfItems = Page.NONE;

    private int y;

    /** @param top where the block begins */
    PageBuilder(BlockPlace block, PageAssembler sheet, int top) {
        this.layout = block.layout();
        this.open = block.open();
        this.bands = layout.bands();
        this.plan = layout.plan();
        this.sheet = sheet;
        this.words = Words.of(plan.locale());
        this.y = top;
        sheet.begin(block);
    }

    /** The bands of a block that stand on a page: its beginning, or what goes on from the page before. */
    void segment(int from, int to) {
        int band = from;
        while (band < to && bands.kind(band).opensBlock()) {
            put(band++);
        }
        if (from == 0 || plan.layout().repeatsHeadings()) {
            columnHeadings();
        }
        if (from > 0 && band == from) {
            repeatHeadings(from);
            carry(from, words.broughtForward());
        }
        sheet.rowsFrom(band);
        while (band < to) {
            put(band++);
        }
        carry(to, words.carriedForward());
        sheet.end(to);
    }

    /** The headings of the groups that go on from the page before. */
    private void repeatHeadings(int from) {
        for (int node : open.above(from)) {
            sheet.continued().add(node);
            int first = sheet.size();
            Measured heading = layout.continued(node);
            sheet.words(heading, y, node);
            sheet.box(BandRole.HEADING, y, y + heading.height(), node, first);
            y += heading.height();
        }
    }

    /** What totals have come to before a band, where a page ends or begins with it. */
    private void carry(int band, String name) {
        layout.carriedBefore(band).ifPresent(row -> y += layout.carried(row, name, bands.node(band), y, sheet));
    }

    /** The bands alone. */
    void strip(int from, int to) {
        sheet.continued().addAll(open.above(from));
        // What is printed once is printed again only where another group begins: a strip is no page.
        sheet.rowsFrom(0);
        for (int band = from; band < to; band++) {
            put(band);
        }
        sheet.end(to);
    }

    /** How far down it has come. */
    int y() {
        return y;
    }

    void columnHeadings() {
        layout.columnHeadings(y, sheet);
        y += layout.columnHeadingsHeight();
    }

    private void put(int band) {
        BandKind kind = bands.kind(band);
        int node = bands.node(band);
        int first = rowOfItems == NONE ? sheet.size() : rowOfItems;
        Measured measured = layout.measure(band);
        BandLook look = layout.contents().look(bands, band);
        int bottom = y + measured.height();
        layout.ground(band, measured, look, y, sheet);
        measured.rules()
                .forEach(rule -> sheet.ground()
                        .rule(
                                rule.x(),
                                y + rule.y(),
                                rule.width(),
                                layout.look().lines().innerTotal()));
        if (kind == BandKind.REPORT_HEADER) {
            layout.look().logo().ifPresent(logo -> sheet.ground().picture(logo, layout.logoLeft(), y));
        }
        sheet.ink(look.ink());
        sheet.words(measured, y, node);
        layout.values(band, measured, y, sheet);
        sheet.ink("");
        // Items that stand side by side are one band of the page, which the last of them closes.
        int mark = markOfItems == Page.NONE ? look.firstRule().orElse(Page.NONE) : markOfItems;
        rowOfItems = measured.height() == 0 ? first : NONE;
        markOfItems = rowOfItems == NONE ? Page.NONE : mark;
        if (rowOfItems != NONE) {
            return;
        }
        int row = kind == BandKind.DETAIL ? bands.row(band) : Page.NONE;
        sheet.box(role(kind), y, bottom, node, first, row, mark);
        if (kind == BandKind.DETAIL || kind == BandKind.GROUP_LINE || kind == BandKind.OTHER_ROWS) {
            sheet.feed(node, y, bottom);
        }
        y = bottom;
    }

    private static BandRole role(BandKind kind) {
        return switch (kind) {
            case REPORT_HEADER -> BandRole.TITLE;
            case BLOCK_HEADER -> BandRole.BLOCK_TITLE;
            case GROUP_HEADING -> BandRole.HEADING;
            case GROUP_LINE, DETAIL, FIGURE, PARAGRAPH, EMPTY, REFUSED -> BandRole.ROW;
            case OTHER_ROWS -> BandRole.OTHER_ROWS;
            case GROUP_FOOTER -> BandRole.TOTALS;
            case REPORT_FOOTER -> BandRole.GRAND_TOTAL;
        };
    }
}
