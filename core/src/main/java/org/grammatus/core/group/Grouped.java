package org.grammatus.core.group;

import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.KeptRows;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.group.select.LeftOut;
import org.grammatus.core.group.select.OtherRows;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.problem.Problem;

/**
 * The logical result of a report: its groups in order, with every figure. All formats print this and nothing else.
 *
 * @param keys by depth: keys of the depth's nodes; none for the report
 * @param labels by depth: labels of the depth's nodes; keys where a level has no label
 * @param firstOfDepth by depth: the first of the depth's nodes, which are consecutive
 * @param totals by the plan's totals: values by node
 * @param counts by the plan's counted tables: rows by node
 * @param cells by depth, for levels whose groups are lines, and by the plan's columns: the value that all rows of a node share,
 *     NULL where they differ; empty for other depths
 * @param rows the selected rows in printed order, node by node of the last depth; empty unless rows are printed
 * @param rowStart by place: where the node's rows start in {@code rows}; one more than places at the end
 * @param repeats by the plan's columns: the rows, by number at the grain, in which a coarser measure has been printed above
 * @param texts by depth: the values in its headings' and footers' texts
 * @param otherRows the rows that stand together as the last line of their groups
 * @param others by node that stands for several groups: for how many
 * @param blank the nodes beside which nothing is printed: groups without rows, where their level asks for it
 * @param leftOut the groups that are not shown by themselves
 * @param behind what is asked when a figure or an order is to be explained
 */
public record Grouped(
        TablePlan plan,
        Star star,
        KeptRows kept,
        GroupTree tree,
        List<Optional<Column>> keys,
        List<Optional<Column>> labels,
        int[] firstOfDepth,
        List<Column> totals,
        List<long[]> counts,
        List<List<Column>> cells,
        int[] rows,
        int[] rowStart,
        List<BitSet> repeats,
        List<GroupTexts> texts,
        Optional<OtherRows> otherRows,
        Map<Integer, Integer> others,
        BitSet blank,
        List<LeftOut> leftOut,
        Marks marks,
        Behind behind,
        List<Problem> notices) {

    /** A node's number among those of its depth, which the columns by depth use. */
    public int within(int node) {
        return node - firstOfDepth[tree.depthOf(node)];
    }

    /** Whether a node stands for the groups that are not among the largest or smallest. */
    public boolean isOthers(int node) {
        return others.containsKey(node);
    }
}
