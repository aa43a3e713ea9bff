package org.grammatus.core.page;

import java.util.List;
import org.grammatus.core.plan.style.Picture;

/**
 * One page as data. Lengths are hundredths of a point, {@code x} from the left, {@code y} from the top. Cells refer to the
 * page's own tables by index.
 *
 * @param number from 1
 * @param of number of pages
 * @param texts the distinct texts
 * @param cells texts in their places
 * @param ids the ids of the definition's parts that cells come from
 * @param nodes the groups that stand on the page, the report first
 * @param bands the rows of the page from top to bottom; each owns the cells from its first on
 */
public record Page(
        int number,
        int of,
        int width,
        int height,
        Fonts fonts,
        List<String> texts,
        List<Cell> cells,
        Drawings drawings,
        List<String> ids,
        List<Node> nodes,
        List<BandBox> bands,
        Parts parts) {

    /**
     * What texts are set in.
     *
     * @param family of the page's texts
     * @param styles the styles that cells refer to
     * @param runs what is drawn of the texts that are not plain, cell by cell
     */
    public record Fonts(String family, List<Style> styles, List<Run> runs) {}

    /**
     * What is drawn besides texts.
     *
     * @param ruleInks the inks that rules refer to, as {@code #rrggbb}
     * @param fills what is coloured behind texts
     * @param fillColours the colours that fills refer to, as {@code #rrggbb}
     */
    public record Drawings(
            List<Rule> rules,
            List<String> ruleInks,
            List<Fill> fills,
            List<String> fillColours,
            List<PictureBox> pictures) {}

    /**
     * Which parts of the report stand where.
     *
     * @param blocks the report's blocks, wherever they stand
     * @param columns where the columns stand
     * @param marks the highlights that mark rows of the page
     * @param braces which rows feed which group's totals
     */
    public record Parts(List<BlockBox> blocks, List<ColumnBox> columns, List<Mark> marks, List<Brace> braces) {}

    /** Stands where a cell belongs to no part of the definition, a brace to no footer. */
    public static final int NONE = -1;

    /**
     * A look of texts.
     *
     * @param face {@code regular} or {@code semibold}
     * @param ink as {@code #rrggbb}
     */
    public record Style(String face, int size, String ink) {}

    /**
     * A group.
     *
     * @param place its number when the trees of all blocks are read from the top, one after the other
     * @param last place of its last descendant: a group lies inside another if its place does
     * @param depth 0 for the report
     * @param level id of its level, or {@code report}
     * @param label its label alone
     * @param address its address in the result, as {@code GroupAddress} writes it
     */
    public record Node(int place, int last, int depth, String level, String label, String address) {}

    /** What a row of the page is. */
    public enum BandRole {
        PAGE_HEADER,
        TITLE,
        /** What a block is called. */
        BLOCK_TITLE,
        COLUMN_HEADINGS,
        HEADING,
        ROW,
        /** The rows of a group that are not printed by themselves, as one line. */
        OTHER_ROWS,
        TOTALS,
        GRAND_TOTAL,
        /** What totals have come to, from page to page. */
        CARRIED,
        /** A word across the page. */
        WATERMARK,
        PAGE_FOOTER
    }

    /**
     * A row of the page.
     *
     * @param node index of the group it stands in
     * @param firstCell index of its first cell
     * @param row number at the grain of the row it prints, or {@value Page#NONE}
     * @param mark index of the highlight that marks it, or {@value Page#NONE}
     * @param block index of the block that it is a part of
     */
    public record BandBox(BandRole role, int top, int height, int node, int firstCell, int row, int mark, int block) {}

    /**
     * A block's place across the page.
     *
     * @param id its id
     */
    public record BlockBox(String id, int x, int width) {}

    /**
     * A column's place.
     *
     * @param id the column's id
     * @param block index of the block that it is a part of
     */
    public record ColumnBox(String id, int x, int width, int block) {}

    /**
     * A highlight that marks rows here.
     *
     * @param id the highlight's id
     * @param look id of how it looks
     * @param fill what is behind what it marks, as {@code #rrggbb}; empty where the paper shows
     */
    public record Mark(String id, String label, String look, String fill) {}

    /**
     * A run of text.
     *
     * @param y its baseline
     * @param text index of the text
     * @param style index of the style
     * @param node index of the group
     * @param id index of the id of the column, total or level it comes from, or {@value Page#NONE}
     * @param figure whether it is a figure, ending at its column's right edge
     * @param turned whether it reads from bottom to top, from its place on up
     */
    public record Cell(
            int x, int y, int width, int text, int style, int node, int id, boolean figure, boolean turned) {}

    /**
     * A part of a cell's text as it is drawn where a face alone does not set it from left to right: glyphs of one font beside
     * each other. The cell's text is what it says.
     *
     * @param cell index of the cell
     * @param x how far right of the cell it begins
     * @param family the font's family, of the weight of the cell's style
     */
    public record Run(int cell, int x, int width, String family, String text) {}

    /**
     * A coloured ground.
     *
     * @param colour index of its colour
     */
    public record Fill(int x, int y, int width, int height, int colour) {}

    /**
     * A line from left to right; thicker ones set off larger totals.
     *
     * @param ink index of its ink
     */
    public record Rule(int x, int y, int width, int thickness, int ink) {}

    /** Where a picture stands: its upper left corner. */
    public record PictureBox(int x, int y, Picture picture) {}

    /**
     * A brace beside the rows that feed a group's totals, as far as they stand on this page.
     *
     * @param node index of the group
     * @param opens whether the group's first row is on this page
     * @param closes whether its last is
     * @param block index of the block that it is a part of
     */
    public record Brace(int node, int top, int bottom, boolean opens, boolean closes, int block) {}
}
