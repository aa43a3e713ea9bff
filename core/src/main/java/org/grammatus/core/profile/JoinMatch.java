package org.grammatus.core.profile;

import java.util.BitSet;
import org.grammatus.core.columnar.Star;

/**
 * How a to-one join matches.
 *
 * @param rows rows of the table that points
 * @param without those of them that point to nothing, because what they hold is blank or no row has that key
 * @param targets rows of the table that is pointed to
 * @param unused those of them that nothing points to; a report over the grain never shows them
 * @param leftOut rows of the grain that are left out because they lead to no row of that table
 */
public record JoinMatch(int rows, int without, int targets, int unused, int leftOut) {

    /**
     * Measures the join that leads to a table.
     *
     * @param table number of the table, not the grain
     */
    public static JoinMatch to(int table, Star star) {
        int from = star.dataset().pointedFrom(table);
        int[] links = star.table(table).links();
        int rows = star.sourceRows(from);
        int targets = star.sourceRows(table);
        BitSet used = new BitSet(targets);
        int without = 0;
        for (int row = 0; row < rows; row++) {
            if (star.isMissing(table, links[row])) {
                without++;
            } else {
                used.set(links[row]);
            }
        }
        return new JoinMatch(
                rows,
                without,
                targets,
                targets - used.cardinality(),
                star.table(table).leftOut());
    }
}
