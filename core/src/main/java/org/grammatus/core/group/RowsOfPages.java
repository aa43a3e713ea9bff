package org.grammatus.core.group;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.group.figure.RowsTogether;
import org.grammatus.core.group.tree.GroupTree;

/**
 * What texts at the edges of pages are about: the rows of groups, whether they are printed or not, and what those of a page come to.
 *
 * @param order numbers of rows at the grain, in printed order
 * @param starts by place: where the node's rows start in {@code order}; one more than places at the end
 * @param figures by the plan's figures of pages
 */
public record RowsOfPages(int[] order, int[] starts, List<RowsTogether> figures) {

    static final RowsOfPages NONE = new RowsOfPages(new int[0], new int[0], List.of());

    /** The rows of a group. */
    public IntStream of(int node, GroupTree tree) {
        int place = tree.placeOf(node);
        return Arrays.stream(order, starts[place], starts[tree.lastPlaceFrom(place) + 1]);
    }

    /** What rows come to, as the only value of a column. */
    public Column figure(int figure, int[] rows) {
        return figures.get(figure).over(rows);
    }
}
