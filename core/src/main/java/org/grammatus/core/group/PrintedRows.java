package org.grammatus.core.group;

import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.group.select.OtherRows;

/**
 * The rows of a table in printed order, node by node of the last depth, with the values of their columns. Empty unless rows are
 * printed.
 *
 * @param order numbers of rows at the grain
 * @param starts by place: where the node's rows start in {@code order}; one more than places at the end
 * @param columns by the plan's columns: their values
 * @param others the rows that stand together as the last line of their groups
 * @param ofPages what the figures in headers and footers of pages are computed from
 * @param carried what totals have come to, where they are carried from page to page
 */
public record PrintedRows(
        int[] order,
        int[] starts,
        List<Values> columns,
        Optional<OtherRows> others,
        List<Carried> carried,
        RowsOfPages ofPages) {

    /**
     * What a total has come to, row by row.
     *
     * @param total index of the total
     * @param upTo by row of the grain: what it comes to over the printed rows up to that one
     */
    public record Carried(int total, Column upTo) {}

    /** How many rows of a group stand together as its last line. */
    public long othersOf(int node) {
        return others.map(rows -> rows.counts()[node]).orElse(0L);
    }

    /**
     * The values of a column.
     *
     * @param values by row of the column's home table
     * @param keys what tells the values apart, by row of the home table
     * @param path by row of the grain: the row of the home table
     * @param repeats the rows of the grain in which a coarser measure has been printed above
     */
    public record Values(Column values, Column keys, int[] path, BitSet repeats) {

        /** Whether two rows of the grain have the same value: the same key, whatever it is called, or both none. */
        public boolean isSame(int row, int other) {
            return Scalars.at(keys, path[row]).equals(Scalars.at(keys, path[other]));
        }
    }
}
