package org.grammatus.core.page.column;

import java.util.List;
import java.util.stream.IntStream;
import org.grammatus.core.band.PrintedColumn;

/**
 * Columns that are printed below one another: each is one line of every row.
 *
 * @param host by column, the first of those that it stands with; itself where it stands alone
 * @param slot by column, how many stand above it
 */
public record ColumnStacks(int[] host, int[] slot) {

    public static ColumnStacks of(List<PrintedColumn> columns) {
        int[] host = new int[columns.size()];
        int[] slot = new int[columns.size()];
        for (int c = 0; c < host.length; c++) {
            boolean below = c > 0 && columns.get(c).plan().print().room().standsBelow();
            host[c] = below ? host[c - 1] : c;
            slot[c] = below ? slot[c - 1] + 1 : 0;
        }
        return new ColumnStacks(host, slot);
    }

    /** The columns that begin a place, from left to right. */
    public int[] hosts() {
        return IntStream.range(0, host.length).filter(c -> slot[c] == 0).toArray();
    }

    /** The columns of a place, from top to bottom. */
    public int[] of(int place) {
        return IntStream.range(0, host.length).filter(c -> host[c] == place).toArray();
    }

    /** The most columns that stand in one place. */
    public int deepest() {
        return IntStream.of(slot).max().orElse(0) + 1;
    }
}
