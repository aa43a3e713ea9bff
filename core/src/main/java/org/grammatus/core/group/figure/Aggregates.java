package org.grammatus.core.group.figure;

import java.math.BigInteger;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.grammatus.core.choice.EmptyGroups;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.EvaluationContext;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Gathering;
import org.grammatus.core.columnar.KeyCodes;
import org.grammatus.core.columnar.PairTable;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.plan.Axis;
import org.grammatus.core.plan.LevelPlan;

/**
 * The aggregates of every node, each computed once. A measure is taken once per row of its home table that at least one
 * selected row leads to: an order's freight once, however many lines the order has.
 *
 * <p>Down to the deepest level that the home table knows, each home row lies in one node, so children merge into parents.
 * Below it a home row may lie in several nodes, which then overlap: each such level takes its distinct pairs of node and row.
 */
public final class Aggregates implements EvaluationContext {

    private final Axis axis;
    private final GroupIndex nodes;
    private final Star star;
    private final DatasetModel dataset;
    private final Faults faults;
    private final Supplier<int[]> orderedRows;
    private final Map<Typed.Aggregate, Column> computed = new HashMap<>();

    /**
     * The aggregates of some nodes.
     *
     * @param orderedRows all kept rows in row order, asked for only where an aggregate depends on it
     */
    public Aggregates(Axis axis, GroupIndex nodes, Faults faults, Supplier<int[]> orderedRows) {
        this.axis = axis;
        this.nodes = nodes;
        this.orderedRows = orderedRows;
        this.star = nodes.star();
        this.dataset = star.dataset();
        this.faults = faults;
    }

    @Override
    public int size() {
        return nodes.nodeCount();
    }

    @Override
    public Column field(String id) {
        throw new IllegalStateException("A group has many values of field " + id);
    }

    @Override
    public Column aggregate(Typed.Aggregate aggregate) {
        Column known = computed.get(aggregate);
        if (known == null) {
            known = switch (aggregate.function()) {
                case FIRST, LAST -> end(aggregate);
                default -> aggregate.distinct() ? distinct(aggregate) : plain(aggregate);
            };
            if (aggregate.function() == AggregateFunction.SUM) {
                zeroWithoutRows(known);
            }
            computed.put(aggregate, known);
        }
        return known;
    }

    /** A level can ask that sums over groups without rows be zero. */
    private void zeroWithoutRows(Column sums) {
        for (int depth = 1; depth < nodes.depths(); depth++) {
            LevelPlan level = axis.level(depth);
            if (level.keys().empty().equals(Optional.of(EmptyGroups.ZERO))) {
                int from = nodes.first(depth) + nodes.withRows(depth);
                int to = nodes.first(depth + 1);
                switch (sums) {
                    case Column.Longs c -> Arrays.fill(c.values(), from, to, 0);
                    case Column.Wides c -> Arrays.fill(c.values(), from, to, BigInteger.ZERO);
                    case Column.Texts c -> throw new IllegalStateException("A sum is no text");
                }
            }
        }
    }

    /** Each node takes its ancestor's value; one above the level has none. */
    @Override
    public Column over(Typed.Over over) {
        return Gathering.orNull(
                aggregate(over.aggregate()), nodes.ancestors(nodes.axis().depthOf(over.around())));
    }

    /** What an aggregate comes to step by step, over the rows of all steps so far in the scope of each. */
    public Column running(Typed.Aggregate aggregate, PrintedSteps steps) {
        boolean end = isEnd(aggregate);
        Column argument = argument(aggregate);
        int home = end ? DatasetModel.GRAIN : new Homes(dataset).orGrain(aggregate);
        int[] codes = aggregate.distinct() ? KeyCodes.of(argument).codes() : null;
        Taken taken = taken(aggregate);
        int known = dataset.finest(steps.table(), home);
        int meeting = taken == null ? known : dataset.finest(known, taken.table);
        int[] rows = through(nodes.used(meeting), meeting, taken);
        int[] stepOf = steps.of(meeting, rows);
        int[] homePath = star.path(meeting, home);
        RunningAggregate running = new RunningAggregate(steps.scopes());
        for (int i = 0; i < rows.length; i++) {
            int row = homePath[rows[i]];
            if (stepOf[i] >= 0 && !star.isMissing(home, row)) {
                running.take(stepOf[i], row, codes == null ? row : codes[row]);
            }
        }
        return aggregate.function() == AggregateFunction.MEDIAN
                ? running.medians(argument, aggregate.type())
                : running.of(
                        end
                                ? ends(aggregate, steps.scopes().length)
                                : accumulator(aggregate, argument, steps.scopes().length));
    }

    private static boolean isEnd(Typed.Aggregate aggregate) {
        return aggregate.function() == AggregateFunction.FIRST || aggregate.function() == AggregateFunction.LAST;
    }

    /** The argument's values by row of its home; null where whole rows are counted. */
    private Column argument(Typed.Aggregate aggregate) {
        return aggregate
                .argument()
                .map(e -> Evaluator.evaluate(e, star.at(new Homes(dataset).orGrain(e)), faults))
                .orElse(null);
    }

    /** How many rows of a table each node has: rows with at least one selected row, the missing row apart. */
    public long[] rowCounts(int table) {
        CountAccumulator counts = new CountAccumulator(null, size());
        fill(counts, table, null);
        return ((Column.Longs) counts.finish()).values();
    }

    private Column plain(Typed.Aggregate aggregate) {
        int home = new Homes(dataset).orGrain(aggregate);
        Accumulator accumulator = accumulator(aggregate, argument(aggregate), size());
        Taken taken = taken(aggregate);
        if (taken == null || dataset.reaches(home, taken.table)) {
            fill(accumulator, home, taken);
        } else {
            // The condition tells rows finer than the home apart: a home row counts where any of them meets it.
            for (int depth = 0; depth < nodes.depths(); depth++) {
                addDistinctPairs(accumulator, depth, home, null, taken);
            }
        }
        return accumulator.finish();
    }

    private Column end(Typed.Aggregate aggregate) {
        Accumulator accumulator = ends(aggregate, size());
        fill(accumulator, DatasetModel.GRAIN, taken(aggregate));
        return accumulator.finish();
    }

    /** Which row comes first is known at the grain alone, whatever table its value is of. */
    private Accumulator ends(Typed.Aggregate aggregate, int nodes) {
        int[] ranks = new int[star.rowCount()];
        int[] ordered = orderedRows.get();
        for (int i = 0; i < ordered.length; i++) {
            ranks[ordered[i]] = i;
        }
        return new EndAccumulator(
                argument(aggregate),
                star.path(DatasetModel.GRAIN, new Homes(dataset).orGrain(aggregate)),
                ranks,
                aggregate.function() == AggregateFunction.FIRST,
                nodes);
    }

    /**
     * The rows that an aggregate's filter lets through.
     *
     * @param table number of the table at which the condition is decided
     * @param truth by its rows, 1 where the condition holds
     */
    private record Taken(int table, long[] truth) {}

    /** What the filter lets through; null where there is none. */
    private Taken taken(Typed.Aggregate aggregate) {
        if (aggregate.filter().isEmpty()) {
            return null;
        }
        Typed condition = aggregate.filter().get();
        int table = new Homes(dataset).orGrain(condition);
        Column truth = Evaluator.evaluate(condition, star.at(table), faults);
        return new Taken(table, ((Column.Longs) truth).values());
    }

    /** Those of the rows of a table that the filter lets through. */
    private int[] through(int[] rows, int table, Taken taken) {
        if (taken == null) {
            return rows;
        }
        int[] path = star.path(table, taken.table);
        return Arrays.stream(rows).filter(row -> taken.truth[path[row]] == 1).toArray();
    }

    private Accumulator accumulator(Typed.Aggregate aggregate, Column argument, int nodes) {
        return accumulator(aggregate, argument, nodes, faults);
    }

    /** An empty one for some nodes, over rows of the argument's table. */
    static Accumulator accumulator(Typed.Aggregate aggregate, Column argument, int nodes, Faults faults) {
        return switch (aggregate.function()) {
            case COUNT -> new CountAccumulator(argument, nodes);
            case SUM -> new SumAccumulator(argument, nodes, faults);
            case AVG -> new AverageAccumulator(argument, aggregate.type(), nodes, faults);
            case MIN, MAX -> new ExtremeAccumulator(aggregate.function(), argument, nodes);
            case MEDIAN -> new MedianAccumulator(argument, aggregate.type(), nodes);
            case FIRST, LAST -> throw new IllegalStateException("Taken at the grain");
        };
    }

    private void fill(Accumulator accumulator, int home, Taken taken) {
        int merging = deepestKnown(home);
        int[] rows = through(present(home), home, taken);
        accumulator.add(nodes.nodes(merging, home, rows), rows);
        int[] parents = nodes.parents();
        for (int node = nodes.first(merging + 1) - 1; node > 0; node--) {
            accumulator.merge(parents[node], node);
        }
        for (int depth = merging + 1; depth < nodes.depths(); depth++) {
            addDistinctPairs(accumulator, depth, home, null, taken);
        }
    }

    /** Each level takes each distinct pair of node and value once. */
    private Column distinct(Typed.Aggregate aggregate) {
        int home = new Homes(dataset).orGrain(aggregate);
        Column argument = argument(aggregate);
        Accumulator accumulator = accumulator(aggregate, argument, size());
        int[] codes = KeyCodes.of(argument).codes();
        Taken taken = taken(aggregate);
        for (int depth = 0; depth < nodes.depths(); depth++) {
            addDistinctPairs(accumulator, depth, home, codes, taken);
        }
        return accumulator.finish();
    }

    /**
     * Adds, for each node of a depth, each of its home rows once.
     *
     * @param codes what tells home rows apart; null tells them all apart
     * @param taken the rows to be taken; null takes all
     */
    private void addDistinctPairs(Accumulator accumulator, int depth, int home, int[] codes, Taken taken) {
        int known = depth == 0 ? home : dataset.finest(nodes.tableOf(depth), home);
        int meeting = taken == null ? known : dataset.finest(known, taken.table);
        int[] rows = through(nodes.used(meeting), meeting, taken);
        int[] nodeOf = nodes.nodes(depth, meeting, rows);
        int[] homePath = star.path(meeting, home);
        int[] keptNodes = new int[rows.length];
        int[] keptRows = new int[rows.length];
        PairTable pairs = new PairTable(rows.length);
        int kept = 0;
        for (int i = 0; i < rows.length; i++) {
            int row = homePath[rows[i]];
            if (!star.isMissing(home, row) && pairs.add(PairTable.pair(nodeOf[i], codes == null ? row : codes[row]))) {
                keptNodes[kept] = nodeOf[i];
                keptRows[kept++] = row;
            }
        }
        accumulator.add(Arrays.copyOf(keptNodes, kept), Arrays.copyOf(keptRows, kept));
    }

    private int deepestKnown(int home) {
        int depth = 0;
        while (depth + 1 < nodes.depths() && dataset.reaches(home, nodes.tableOf(depth + 1))) {
            depth++;
        }
        return depth;
    }

    private int[] present(int table) {
        int[] rows = nodes.used(table);
        boolean lastMissing = rows.length > 0 && star.isMissing(table, rows[rows.length - 1]);
        return lastMissing ? Arrays.copyOf(rows, rows.length - 1) : rows;
    }
}
