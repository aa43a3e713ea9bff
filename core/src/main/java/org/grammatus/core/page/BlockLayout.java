package org.grammatus.core.page;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.grammatus.core.band.BandCell;
import org.grammatus.core.band.BandContents;
import org.grammatus.core.band.BandLook;
import org.grammatus.core.band.Bands;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.page.column.ColumnLayout;
import org.grammatus.core.page.column.TypeSetting;
import org.grammatus.core.plan.FiguresPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TextPlan;
import org.grammatus.core.plan.style.Picture;
import org.grammatus.core.plan.style.PrintStyle;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;

/**
 * A block fitted to a width: how tall each of its bands is, and what is drawn where in it. There is one subclass for each kind of block; the
 * rest of the package knows no kinds. Not thread-safe.
 */
abstract sealed class BlockLayout permits TableBlockLayout, CardBlockLayout, TextBlockLayout, RefusedBlockLayout {

    private static final int BELOW_TITLE = 900;
    private static final int BESIDE_LOGO = 1_500;
    private static final int BELOW_BLOCK_TITLE = 500;
    private static final int BELOW_NOTE = 400;

    private final Bands bands;
    private final BandContents contents;
    private final TablePlan plan;
    private final int width;
    /** The width that the report's title has. */
    private final int titleWidth;

    BlockLayout(Bands bands, int width, int titleWidth) {
        this.bands = bands;
        this.contents = new BandContents(bands);
        this.plan = bands.grouped().plan();
        this.width = width;
        this.titleWidth = titleWidth;
    }

    /**
     * Fits a block; one that does not fit says so in its place.
     *
     * @param width in hundredths of a point
     * @param titleWidth the width that the report's title has above it
     * @param most size of its type at most, in percent
     */
    static BlockLayout orRefused(Bands bands, int width, int titleWidth, int most) {
        try {
            return of(bands, width, titleWidth, most);
        } catch (ProblemException e) {
            String why = e.problems().stream().map(Problem::message).collect(Collectors.joining("; "));
            return new RefusedBlockLayout(bands.refused(why), width, titleWidth, most);
        }
    }

    /**
     * Fits a block.
     *
     * @param width in hundredths of a point
     * @param titleWidth the width that the report's title has above it
     * @param most size of its type at most, in percent
     * @throws ProblemException if it does not fit
     */
    static BlockLayout of(Bands bands, int width, int titleWidth, int most) {
        return switch (bands.block()) {
            case TablePlan table -> new TableBlockLayout(bands, width, titleWidth, most);
            case FiguresPlan figures -> new CardBlockLayout(bands, width, titleWidth, most);
            case TextPlan text -> new TextBlockLayout(bands, text, width, titleWidth, most);
        };
    }

    /** How its type is set. */
    abstract TypeSetting type();

    /** Measures a band that is no title. */
    abstract Measured body(int band);

    /** Draws what stands behind a band's texts: coloured grounds, signs and lines. */
    void ground(int band, Measured measured, BandLook look, int y, PageAssembler sheet) {}

    /** Puts the values of a band, which stand under columns. */
    void values(int band, Measured measured, int y, PageAssembler sheet) {}

    /** Measures a band and places its words. */
    Measured measure(int band) {
        return switch (bands.kind(band)) {
            case REPORT_HEADER -> reportTitle(contents.words(bands, band));
            case BLOCK_HEADER -> title(contents.words(bands, band), width, BELOW_BLOCK_TITLE);
            case EMPTY, REFUSED -> note(contents.words(bands, band).getFirst());
            default -> body(band);
        };
    }

    /** The title, beside the logo where there is one. */
    private Measured reportTitle(List<BandCell.Words> words) {
        int logo = look().logo().map(Picture::width).orElse(0);
        Measured title = title(words, logo == 0 ? titleWidth : titleWidth - logo - BESIDE_LOGO, BELOW_TITLE);
        int least = look().logo().map(picture -> picture.height() + BELOW_TITLE).orElse(0);
        return title.withBelow(Math.max(0, least - title.height()));
    }

    private Measured title(List<BandCell.Words> words, int room, int below) {
        LineStack stack = new LineStack(type(), 0);
        for (BandCell.Words paragraph : words) {
            switch (paragraph.role()) {
                case BLOCK_TITLE -> stack.put(paragraph, TextStyle.BLOCK_TITLE, 0, room);
                case TITLE -> stack.put(paragraph, TextStyle.TITLE, 0, room);
                case SUBTITLE -> stack.put(paragraph, TextStyle.SUBTITLE, 0, room);
                default -> {}
            }
        }
        return new Measured(stack.y() + below, stack.lines(), 0, Measured.NO_RULE);
    }

    private Measured note(BandCell.Words note) {
        LineStack stack = new LineStack(type(), 800);
        stack.put(note, TextStyle.CELL, 0, width);
        return new Measured(stack.y() + BELOW_NOTE, stack.lines(), 0, Measured.NO_RULE);
    }

    /** Measures the heading of a group where it goes on after a page break. */
    Measured continued(int node) {
        throw new IllegalStateException("only tables have groups");
    }

    /** Left edge of the logo. */
    int logoLeft() {
        return titleWidth - look().logo().map(Picture::width).orElse(0);
    }

    Bands bands() {
        return bands;
    }

    BandContents contents() {
        return contents;
    }

    TablePlan plan() {
        return plan;
    }

    PrintStyle look() {
        return plan.inputs().style();
    }

    int width() {
        return width;
    }

    /** Where its columns stand; without columns for blocks that are no tables. */
    ColumnLayout columns() {
        return ColumnLayout.none(type().percent());
    }

    int height(int band) {
        return measure(band).height();
    }

    /** Height of the whole block where nothing breaks it, or any that is more than some height. */
    int wholeHeight(int most) {
        int height = columnHeadingsHeight();
        for (int band = 0; band < bands.size() && height <= most; band++) {
            height += height(band);
        }
        return height;
    }

    /** Height of the columns' headings; 0 where there are no columns. */
    int columnHeadingsHeight() {
        return 0;
    }

    /** Height of the columns' headings where the block goes on on another page. */
    int repeatedHeadingsHeight() {
        return plan.layout().repeatsHeadings() ? columnHeadingsHeight() : 0;
    }

    /** Puts the columns' headings. */
    void columnHeadings(int y, PageAssembler sheet) {}

    /** The row up to which totals are carried to a page that begins with a band; none where nothing is carried there. */
    Optional<Integer> carriedBefore(int band) {
        return Optional.empty();
    }

    /** Height of a line of carried totals; 0 where none are carried. */
    int carriedHeight() {
        return 0;
    }

    /**
     * Puts what totals have come to after a row, and returns how tall the line is.
     *
     * @param name what the line is called
     */
    int carried(int row, String name, int node, int y, PageAssembler sheet) {
        throw new IllegalStateException("only tables carry totals");
    }
}
