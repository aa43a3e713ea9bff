package org.grammatus.core.group;

import java.math.BigInteger;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.table.Arithmetic;
import org.grammatus.core.table.Column;
import org.grammatus.core.table.Evaluator;
import org.grammatus.core.table.Faults;
import org.grammatus.core.table.Frame;
import org.grammatus.core.table.Star;

/** The grain's rows with the groups around them: an aggregate in a row's cell is over one of these, or steps from row to row. */
final class PrintedRows implements Frame {

    private final Figures figures;
    private final Nodes nodes;
    private final Star star;
    private final GroupTree tree;
    private final int[] rows;
    private final int[] rowStart;
    private final Faults faults;

    /**
     * Rows in printed order.
     *
     * @param rowStart by place in the tree, where the group's rows start
     */
    PrintedRows(Figures figures, GroupTree tree, int[] rows, int[] rowStart, Faults faults) {
        this.figures = figures;
        this.nodes = figures.nodes();
        this.star = nodes.star();
        this.tree = tree;
        this.rows = rows;
        this.rowStart = rowStart;
        this.faults = faults;
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

    /** By row, what the group around it comes to; nothing for rows that were filtered away. */
    private Column around(Typed.Over over) {
        int[] kept = nodes.kept().rows();
        int[] nodeOf = nodes.nodes(over.depth(), DatasetModel.GRAIN, kept);
        int[] nodeOfRow = new int[size()];
        Arrays.fill(nodeOfRow, -1);
        for (int i = 0; i < kept.length; i++) {
            nodeOfRow[kept[i]] = nodeOf[i];
        }
        return Gathering.orNull(figures.aggregates().aggregate(over.aggregate()), nodeOfRow);
    }

    /** By printed row, what the rows up to it come to inside the group around; a coarser measure counts with the first of its rows. */
    private Column stepping(Typed.Over over) {
        Typed.Aggregate aggregate = over.aggregate();
        int home = new Homes(star.dataset()).orGrain(aggregate);
        int[] path = star.path(DatasetModel.GRAIN, home);
        boolean counts = aggregate.function() == AggregateFunction.COUNT;
        Optional<Column> argument = aggregate.argument().map(e -> Evaluator.evaluate(e, star.at(home), faults));
        Optional<Column> truth =
                aggregate.filter().map(e -> Evaluator.evaluate(e, star.at(DatasetModel.GRAIN), faults));
        BigInteger[] stepped = new BigInteger[size()];
        BigInteger start = counts ? BigInteger.ZERO : null;
        BigInteger sofar = start;
        BitSet seen = new BitSet();
        int scope = -1;
        for (int place = 0; place + 1 < rowStart.length; place++) {
            for (int i = rowStart[place]; i < rowStart[place + 1]; i++) {
                int around = tree.ancestor(tree.nodeAt(place), over.depth());
                if (around != scope) {
                    scope = around;
                    sofar = start;
                    seen.clear();
                }
                int row = rows[i];
                boolean taken = truth.map(t -> !t.isNull(row) && ((Column.Longs) t).values()[row] == 1)
                                .orElse(true)
                        && !star.isMissing(home, path[row])
                        && !seen.get(path[row]);
                boolean blank = argument.map(a -> a.isNull(path[row])).orElse(false);
                if (taken) {
                    seen.set(path[row]);
                    BigInteger value = blank
                            ? null
                            : counts ? BigInteger.ONE : argument.orElseThrow().wide(path[row]);
                    sofar = Steps.next(sofar, value, aggregate.function());
                }
                stepped[row] = Steps.within(sofar, row, faults);
            }
        }
        return Arithmetic.narrow(stepped, aggregate.type());
    }
}
