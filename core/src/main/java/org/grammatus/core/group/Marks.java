package org.grammatus.core.group;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.grammatus.core.plan.HighlightPlan;

/**
 * The result of highlights: which rule marks which row and group. Rules stand in order; of those that mark the same place the first that holds does, and besides it those that mark
 * what others have marked, too.
 *
 * @param rows by highlight: marked rows, by number at the grain
 * @param nodes by highlight: marked groups, by node
 */
public record Marks(List<BitSet> rows, List<BitSet> nodes) {

    /** Stands for no mark. */
    public static final int NONE = -1;

    /** The first highlight that marks a row by itself, by its place among the plan's, or {@link #NONE}. */
    public int ofRow(int row) {
        return first(rows, row);
    }

    /** The first highlight that marks a group, or {@link #NONE}. */
    public int ofNode(int node) {
        return first(nodes, node);
    }

    /** Whether a highlight marks a row by itself. */
    public boolean marksRow(int highlight, int row) {
        return rows.get(highlight).get(row);
    }

    /** Whether a highlight marks a group. */
    public boolean marksNode(int highlight, int node) {
        return nodes.get(highlight).get(node);
    }

    /** How many rows and groups a highlight marks. */
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

    /** Takes from each set what an earlier one of the same place has. */
    static Marks inOrder(List<HighlightPlan> rules, List<BitSet> rows, List<BitSet> nodes) {
        return new Marks(inOrder(rules, rows), inOrder(rules, nodes));
    }

    private static List<BitSet> inOrder(List<HighlightPlan> rules, List<BitSet> sets) {
        List<BitSet> own = new ArrayList<>();
        Map<HighlightPlan.Target, BitSet> taken = new HashMap<>();
        for (int i = 0; i < sets.size(); i++) {
            BitSet before = taken.computeIfAbsent(rules.get(i).target(), target -> new BitSet());
            BitSet rest = (BitSet) sets.get(i).clone();
            if (!rules.get(i).also()) {
                rest.andNot(before);
            }
            before.or(rest);
            own.add(rest);
        }
        return List.copyOf(own);
    }
}
