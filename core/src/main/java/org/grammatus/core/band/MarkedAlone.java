package org.grammatus.core.band;

import java.util.BitSet;
import org.grammatus.core.group.Marks;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.tree.GroupTree;

/** What is printed of a table where a reader asked for marked parts alone: marked rows, and the groups that contain something marked. Immutable. */
public final class MarkedAlone {

    private final TableResult grouped;
    private final BandMarks marks;
    private final boolean alone;
    private final BitSet places;

    public MarkedAlone(TableResult grouped) {
        this.grouped = grouped;
        this.marks = new BandMarks(grouped);
        this.alone = grouped.plan().rows().markedOnly();
        this.places = alone ? marked() : new BitSet();
    }

    /** Whether a group is printed, by its place; the table as a whole is. */
    public boolean hasPlace(int place) {
        return !alone || place == 0 || places.get(place);
    }

    /** Whether a row is printed, by its number at the grain and the group that it stands in. */
    public boolean hasRow(int row, int node) {
        return !alone || !marks.ofRow(row, node).isEmpty();
    }

    /** Whether the line is printed that stands for other rows: it is never marked. */
    public boolean hasOthers() {
        return !alone;
    }

    private BitSet marked() {
        GroupTree tree = grouped.tree();
        BitSet marked = new BitSet();
        for (int place = 1; place < tree.nodeCount(); place++) {
            int node = tree.nodeAt(place);
            boolean own = !marks.ofNode(node).isEmpty() || hasMarkedRow(tree, node, place);
            for (int above = node; own && above != GroupTree.ROOT; above = tree.parentOf(above)) {
                marked.set(tree.placeOf(above));
            }
        }
        return marked;
    }

    private boolean hasMarkedRow(GroupTree tree, int node, int place) {
        if (tree.depthOf(node) < tree.depths() - 1 || !grouped.plan().printsRows()) {
            return false;
        }
        int[] starts = grouped.rows().starts();
        for (int i = starts[place]; i < starts[place + 1]; i++) {
            if (grouped.marks().ofRow(grouped.rows().order()[i]) != Marks.NONE) {
                return true;
            }
        }
        return false;
    }
}
