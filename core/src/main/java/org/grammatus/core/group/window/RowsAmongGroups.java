package org.grammatus.core.group.window;

import java.util.Arrays;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.EvaluationContext;
import org.grammatus.core.columnar.Gathering;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.StandingFunction;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.figure.Figures;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.group.tree.GroupTree;

/** The evaluation scope of rows: an aggregate in a row's cell is over a group around the row, or steps from row to row. */
public final class RowsAmongGroups implements EvaluationContext {

    private final Figures figures;
    private final GroupIndex nodes;
    private final Star star;
    private final GroupTree tree;
    private final int[] rows;
    private final int[] rowStart;

    /**
     * Rows in printed order.
     *
     * @param rowStart by place in the tree, where the group's rows start
     */
    public RowsAmongGroups(Figures figures, GroupTree tree, int[] rows, int[] rowStart) {
        this.figures = figures;
        this.nodes = figures.nodes();
        this.star = nodes.star();
        this.tree = tree;
        this.rows = rows;
        this.rowStart = rowStart;
    }

    @Override
    public int size() {
        return star.rowCount();
    }

    @Override
    public Column field(String id) {
        return star.at(DatasetModel.GRAIN).field(id);
    }

    @Override
    public Column over(Typed.Over over) {
        return over.steps().isPresent() ? stepping(over) : around(over);
    }

    /** What is printed before a row is one that is printed; the others stand among all rows of their group that are kept. */
    @Override
    public Column standing(Typed.WindowFunction standing, Column values) {
        int[] those = standing.function() == StandingFunction.LAG
                ? rows
                : nodes.kept().rows();
        return new RankFunctions(
                        values, those, nodes.nodes(nodes.axis().depthOf(standing.around()), DatasetModel.GRAIN, those))
                .of(standing);
    }

    /** By row, what the group around it comes to; nothing for rows that were filtered away. */
    private Column around(Typed.Over over) {
        int[] kept = nodes.kept().rows();
        int[] nodeOf = nodes.nodes(nodes.axis().depthOf(over.around()), DatasetModel.GRAIN, kept);
        int[] nodeOfRow = new int[size()];
        Arrays.fill(nodeOfRow, -1);
        for (int i = 0; i < kept.length; i++) {
            nodeOfRow[kept[i]] = nodeOf[i];
        }
        return Gathering.orNull(figures.aggregates().aggregate(over.aggregate()), nodeOfRow);
    }

    private Column stepping(Typed.Over over) {
        return new RowsUpTo(figures, tree, rows, rowStart, nodes.axis().depthOf(over.around()))
                .aggregate(over.aggregate());
    }
}
