package org.grammatus.core.group;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.grammatus.core.group.figure.PageFigureValues;
import org.grammatus.core.group.tree.GroupTree;

/**
 * The rows of groups, whether they are printed or not, and the values of the figures in headers and footers of pages. The step that
 * breaks pages computes these figures.
 *
 * @param order numbers of rows at the grain, in printed order
 * @param starts by place: where the node's rows start in {@code order}; one more than places at the end
 * @param figures by figure in headers and footers: the values it is computed from
 */
public record RowsOfPages(int[] order, int[] starts, List<PageFigureValues> figures) {

    static final RowsOfPages NONE = new RowsOfPages(new int[0], new int[0], List.of());

    /** The rows of a group. */
    public IntStream of(int node, GroupTree tree) {
        int place = tree.placeOf(node);
        return Arrays.stream(order, starts[place], starts[tree.lastPlaceFrom(place) + 1]);
    }
}
