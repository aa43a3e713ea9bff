package org.grammatus.core.group;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;

/**
 * The rows that highlights mark. Rules stand in order; a row bears the mark of the first that holds.
 *
 * @param rows by highlight: marked rows, by number at the grain
 * @param nodes by highlight: marked groups that are printed as lines, by node
 */
public record Marks(List<BitSet> rows, List<BitSet> nodes) {

    /** Stands for no mark. */
    public static final int NONE = -1;

    /** The highlight that marks a row, by its place among the plan's, or {@link #NONE}. */
    public int ofRow(int row) {
        return first(rows, row);
    }

    /** The highlight that marks a group's line, or {@link #NONE}. */
    public int ofNode(int node) {
        return first(nodes, node);
    }

    public int count(int highlight) {
        return rows.get(highlight).cardinality() + nodes.get(highlight).cardinality();
    }

    private static int first(List<BitSet> marked, int number) {
        for (int i = 0; i < marked.size(); i++) {
            if (marked.get(i).get(number)) {
                return i;
            }
        }
        return NONE;
    }

    /** Takes from each set what an earlier one has. */
    static Marks firstWins(List<BitSet> rows, List<BitSet> nodes) {
        return new Marks(disjoint(rows), disjoint(nodes));
    }

    private static List<BitSet> disjoint(List<BitSet> sets) {
        List<BitSet> own = new ArrayList<>();
        BitSet taken = new BitSet();
        for (BitSet set : sets) {
            BitSet rest = (BitSet) set.clone();
            rest.andNot(taken);
            taken.or(set);
            own.add(rest);
        }
        return List.copyOf(own);
    }
}
