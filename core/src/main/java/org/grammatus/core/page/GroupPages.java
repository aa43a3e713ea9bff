package org.grammatus.core.page;

import java.util.List;
import org.grammatus.core.band.Bands;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.TablePlan;

/**
 * Which group each page begins with, of the level that begins on pages of its own, else of the outermost one; and where in that group the
 * page is.
 */
final class GroupPages {

    /** A page that begins with no group. */
    static final Place NONE = new Place("", 0, 0);

    /** The first block that has groups. */
    private final BlockPlace table;

    private final int[] nodes;

    /**
     * A page's place in its group.
     *
     * @param group what the group is called
     * @param page number of the page in it
     * @param pages how many it has
     */
    record Place(String group, int page, int pages) {}

    /**
     * Looks at a report's pages.
     *
     * @param firstSegment by page: its first segment; one more than pages at the end
     */
    GroupPages(List<BlockPlace> blocks, List<Segment> segments, int[] firstSegment) {
        this.table = blocks.stream()
                .filter(block -> depth(block.layout().plan()) > 0)
                .findFirst()
                .orElse(blocks.getFirst());
        this.nodes = new int[firstSegment.length - 1];
        for (int page = 0; page < nodes.length; page++) {
            nodes[page] = segments.subList(firstSegment[page], firstSegment[page + 1]).stream()
                    .filter(segment -> segment.block() == table.index())
                    .findFirst()
                    .map(this::node)
                    .orElse(GroupTree.ROOT);
        }
    }

    /** The group that a segment begins with; the table itself where it begins with none. */
    private int node(Segment segment) {
        Bands bands = table.layout().bands();
        int depth = depth(bands.grouped().plan());
        if (depth == 0) {
            return GroupTree.ROOT;
        }
        int band = segment.from();
        while (band + 1 < segment.to() && bands.kind(band).opensBlock()) {
            band++;
        }
        GroupTree tree = bands.grouped().tree();
        int node = bands.node(band);
        return tree.depthOf(node) < depth ? GroupTree.ROOT : tree.ancestor(node, depth);
    }

    private static int depth(TablePlan plan) {
        for (int depth = 1; depth <= plan.levels().size(); depth++) {
            if (plan.levels().get(depth - 1).print().newPage()) {
                return depth;
            }
        }
        return Math.min(1, plan.levels().size());
    }

    /** The place of a page, from 1. */
    Place of(int number) {
        int node = nodes[number - 1];
        if (node == GroupTree.ROOT) {
            return NONE;
        }
        int first = number - 1;
        while (first > 0 && nodes[first - 1] == node) {
            first--;
        }
        int last = number - 1;
        while (last + 1 < nodes.length && nodes[last + 1] == node) {
            last++;
        }
        String group = table.layout().contents().printed().label(node);
        return new Place(group, number - first, last - first + 1);
    }
}
