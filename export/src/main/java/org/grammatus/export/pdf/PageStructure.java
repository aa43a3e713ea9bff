package org.grammatus.export.pdf;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.grammatus.core.page.Page;
import org.grammatus.core.page.Page.BandRole;

/**
 * What the texts of pages are, page after page: titles and the headings of groups, paragraphs, a table for each block on each page with
 * its headings of columns. Page headers and footers, watermarks and what is repeated of a group's heading belong to the paper, not to
 * what it says.
 */
final class PageStructure {

    private static final String HEADING = "H";
    private static final int MOST_LEVELS = 6;

    private static final Set<BandRole> OF_PAPER =
            Set.of(BandRole.PAGE_HEADER, BandRole.PAGE_FOOTER, BandRole.WATERMARK);
    /** Lines of a table that begin with what they are called. */
    private static final Set<BandRole> NAMED =
            Set.of(BandRole.HEADING, BandRole.TOTALS, BandRole.GRAND_TOTAL, BandRole.OTHER_ROWS, BandRole.CARRIED);

    /** The headings that are open, by how deep their groups are: no level is left out below another. */
    private final Deque<Integer> headings = new ArrayDeque<>();

    private final Set<Integer> headed = new HashSet<>();

    /**
     * What one page says.
     *
     * @param elements its parts in reading order
     * @param ofCell by cell of the page the part that it belongs to; none for what is the paper's
     */
    record OfPage(List<PageElement> elements, List<Optional<PageElement>> ofCell) {}

    /** What the next page says. */
    OfPage next(Page page) {
        List<PageElement> elements = new ArrayList<>();
        List<Optional<PageElement>> ofCell = new ArrayList<>();
        PageElement table = null;
        int tableOf = Page.NONE;
        for (int i = 0; i < page.bands().size(); i++) {
            Page.BandBox band = page.bands().get(i);
            List<Page.Cell> cells = page.cells()
                    .subList(
                            band.firstCell(),
                            i + 1 < page.bands().size()
                                    ? page.bands().get(i + 1).firstCell()
                                    : page.cells().size());
            List<Page.ColumnBox> columns = places(page, band.block());
            if (OF_PAPER.contains(band.role())) {
                cells.forEach(cell -> ofCell.add(Optional.empty()));
            } else if (band.role() == BandRole.TITLE || band.role() == BandRole.BLOCK_TITLE || columns.isEmpty()) {
                table = null;
                paragraphs(band, cells, elements, ofCell);
            } else if (!cells.isEmpty()) {
                if (table == null || tableOf != band.block()) {
                    table = PageElement.of("Table");
                    elements.add(table);
                    tableOf = band.block();
                }
                row(page, band, cells, columns, table.add(PageElement.of("TR")), ofCell);
            }
        }
        return new OfPage(elements, ofCell);
    }

    /** The columns of a block; of those that stand below one another the first. */
    private static List<Page.ColumnBox> places(Page page, int block) {
        List<Page.ColumnBox> places = new ArrayList<>();
        for (Page.ColumnBox column : page.parts().columns()) {
            if (column.block() == block && (places.isEmpty() || places.getLast().x() != column.x())) {
                places.add(column);
            }
        }
        return places;
    }

    /** Lines that are no table: the first of a title is a heading, as far as it is set like its beginning. */
    private void paragraphs(
            Page.BandBox band, List<Page.Cell> cells, List<PageElement> elements, List<Optional<PageElement>> ofCell) {
        boolean title = band.role() == BandRole.TITLE || band.role() == BandRole.BLOCK_TITLE;
        PageElement open = null;
        int style = Page.NONE;
        for (Page.Cell cell : cells) {
            boolean first = open == null;
            if (first || cell.style() != style) {
                open = PageElement.of(first && title ? heading(band.role() == BandRole.TITLE ? -1 : 0) : "P");
                elements.add(open);
                style = cell.style();
            }
            ofCell.add(Optional.of(open));
        }
    }

    /** The type of a heading so deep; the levels of a document follow one another without a gap. */
    private String heading(int depth) {
        while (!headings.isEmpty() && headings.peek() >= depth) {
            headings.pop();
        }
        headings.push(depth);
        return HEADING + Math.min(headings.size(), MOST_LEVELS);
    }

    private void row(
            Page page,
            Page.BandBox band,
            List<Page.Cell> cells,
            List<Page.ColumnBox> columns,
            PageElement row,
            List<Optional<PageElement>> ofCell) {
        int[] column = cells.stream().mapToInt(cell -> columnOf(cell, columns)).toArray();
        boolean[] taken = new boolean[columns.size()];
        boolean named = NAMED.contains(band.role());
        for (int c = 0; c < column.length; c++) {
            if (named && !cells.get(c).figure()) {
                column[c] = 0;
            }
            taken[column[c]] = true;
        }
        PageElement[] inColumn = new PageElement[columns.size()];
        for (int c = 0; c < inColumn.length; c++) {
            int width = 1;
            if (band.role() == BandRole.COLUMN_HEADINGS) {
                inColumn[c] = row.add(PageElement.heading("Column", 1));
            } else if (named && c == 0 && taken[0]) {
                while (width < taken.length && !taken[width]) {
                    width++;
                }
                inColumn[c] = row.add(PageElement.heading("Row", width));
                if (band.role() == BandRole.HEADING) {
                    inColumn[c] = headingIn(inColumn[c], page.nodes().get(band.node()));
                }
            } else {
                inColumn[c] = row.add(PageElement.of("TD"));
            }
            c += width - 1;
        }
        for (int each : column) {
            ofCell.add(Optional.of(inColumn[each]));
        }
    }

    /** Where the name of a group is said: a heading where the group begins, not where it goes on after a break. */
    private PageElement headingIn(PageElement cell, Page.Node group) {
        return headed.add(group.place()) ? cell.add(PageElement.of(heading(group.depth()))) : cell;
    }

    /** The column that a text stands in: a figure by its end, any other by its beginning. */
    private static int columnOf(Page.Cell cell, List<Page.ColumnBox> columns) {
        int at = cell.figure() ? cell.x() + cell.width() - 1 : cell.x();
        int found = 0;
        for (int c = 1; c < columns.size(); c++) {
            if (columns.get(c).x() <= at) {
                found = c;
            }
        }
        return found;
    }
}
