package org.grammatus.core.group;

import java.util.Arrays;
import java.util.BitSet;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.table.Column;
import org.grammatus.core.table.Evaluator;
import org.grammatus.core.table.Faults;
import org.grammatus.core.table.KeptRows;
import org.grammatus.core.table.Scalars;
import org.grammatus.core.table.Star;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Type;

/**
 * The groups of the selected rows, not yet in order. A node is its path: groups of one key under two parents are two nodes.
 * Depth 0 is the report, depth {@code d} the level {@code d - 1}. Immutable once made.
 */
final class Nodes {

    private final Star star;
    private final KeptRows kept;
    private final int[][] used;
    /** By depth: number of the table whose rows know their node. */
    private final int[] table;
    /** By depth and row of that table: the node, counted within the depth; -1 where no selected row leads. */
    private final int[][] nodeOfRow;
    /** By depth and node within it: a row of the depth's table that lies in it. */
    private final int[][] sample;

    private final int[] firstOfDepth;
    private final int[] parent;
    private final Column[] keys;

    private Nodes(Plan plan, Star star, KeptRows kept, Faults faults, BooleanSupplier cancelled) {
        int depths = plan.levels().size() + 1;
        this.star = star;
        this.kept = kept;
        this.used = new int[plan.dataset().tableCount()][];
        this.table = new int[depths];
        this.nodeOfRow = new int[depths][];
        this.sample = new int[depths][];
        this.keys = new Column[depths];
        this.firstOfDepth = new int[depths + 1];
        firstOfDepth[1] = 1;
        int[][] parents = new int[depths][];
        for (int depth = 1; depth < depths; depth++) {
            if (cancelled.getAsBoolean()) {
                throw new CancellationException("The run was cancelled");
            }
            parents[depth] = group(plan, depth, faults);
            firstOfDepth[depth + 1] = firstOfDepth[depth] + sample[depth].length;
        }
        this.parent = new int[nodeCount()];
        parent[0] = -1;
        for (int depth = 1; depth < depths; depth++) {
            System.arraycopy(parents[depth], 0, parent, firstOfDepth[depth], parents[depth].length);
        }
    }

    static Nodes of(Plan plan, Star star, KeptRows kept, Faults faults, BooleanSupplier cancelled) {
        return new Nodes(plan, star, kept, faults, cancelled);
    }

    /** Finds the nodes of one depth and returns their parents. */
    private int[] group(Plan plan, int depth, Faults faults) {
        Plan.Level level = plan.levels().get(depth - 1);
        DatasetModel dataset = plan.dataset();
        table[depth] = depth == 1 ? level.home() : dataset.finest(table[depth - 1], level.home());
        Column key = Evaluator.evaluate(level.key(), star.at(level.home()), faults);
        if (level.bucket().isPresent()) {
            key = bucketed((Column.Longs) key, level.bucket().get());
        }
        KeyCodes codes = KeyCodes.of(key);
        int[] rowCodes = codes.codes();
        if (table[depth] != level.home()) {
            rowCodes = gathered(rowCodes, star.path(table[depth], level.home()));
        }
        int[] parentOfRow = parentOfRow(depth);
        int[] rows = used(table[depth]);
        int[] nodes = new int[star.table(table[depth]).size()];
        Arrays.fill(nodes, -1);
        int[] samples = new int[Math.min(rows.length, 1024)];
        int[] parentOf = new int[samples.length];
        ParentCodes pairs = new ParentCodes(codes.count());
        int count = 0;
        for (int row : rows) {
            int above = parentOfRow[row];
            int node = pairs.numberOf(above, rowCodes[row]);
            nodes[row] = node;
            if (node == count) {
                if (count == samples.length) {
                    samples = Arrays.copyOf(samples, count * 2);
                    parentOf = Arrays.copyOf(parentOf, count * 2);
                }
                samples[count] = row;
                parentOf[count] = firstOfDepth[depth - 1] + above;
                count++;
            }
        }
        nodeOfRow[depth] = nodes;
        sample[depth] = Arrays.copyOf(samples, count);
        keys[depth] = key.gather(
                table[depth] == level.home()
                        ? sample[depth]
                        : gathered(star.path(table[depth], level.home()), sample[depth]));
        return Arrays.copyOf(parentOf, count);
    }

    /** For each row of a depth's table, its node at the depth above. */
    private int[] parentOfRow(int depth) {
        if (depth == 1) {
            return new int[star.table(table[depth]).size()];
        }
        return table[depth] == table[depth - 1]
                ? nodeOfRow[depth - 1]
                : gathered(nodeOfRow[depth - 1], star.path(table[depth], table[depth - 1]));
    }

    private static int[] gathered(int[] numbers, int[] at) {
        int[] gathered = new int[at.length];
        for (int i = 0; i < at.length; i++) {
            gathered[i] = numbers[at[i]];
        }
        return gathered;
    }

    private static Column bucketed(Column.Longs key, DateBucket bucket) {
        boolean time = key.type().kind() == Kind.TIMESTAMP;
        long[] days = new long[key.size()];
        for (int i = 0; i < days.length; i++) {
            long value = key.values()[i];
            days[i] = value == Column.Longs.NULL || !time ? value : Math.floorDiv(value, Scalars.MICROS_OF_DAY);
        }
        // A bucket is worked out once per distinct day.
        KeyCodes distinct = KeyCodes.of(new Column.Longs(Type.DATE, days));
        long[] keyOf = new long[distinct.count()];
        Arrays.fill(keyOf, Column.Longs.NULL);
        long[] values = new long[days.length];
        for (int i = 0; i < values.length; i++) {
            int code = distinct.codes()[i];
            if (days[i] != Column.Longs.NULL && keyOf[code] == Column.Longs.NULL) {
                keyOf[code] = bucket.key(days[i]);
            }
            values[i] = keyOf[code];
        }
        return new Column.Longs(bucket.type(), values);
    }

    Star star() {
        return star;
    }

    KeptRows kept() {
        return kept;
    }

    int depths() {
        return table.length;
    }

    int nodeCount() {
        return firstOfDepth[firstOfDepth.length - 1];
    }

    /** First node of a depth; the depth's nodes are consecutive. */
    int first(int depth) {
        return firstOfDepth[depth];
    }

    /** By node; -1 for the report. */
    int[] parents() {
        return parent;
    }

    int tableOf(int depth) {
        return table[depth];
    }

    /** For each row of one table that a selected row leads to, its node at a depth; the table reaches the depth's. */
    int[] nodes(int depth, int ofTable, int[] rows) {
        int[] nodes = new int[rows.length];
        if (depth == 0) {
            return nodes;
        }
        int[] byRow = nodeOfRow[depth];
        int first = firstOfDepth[depth];
        if (ofTable == table[depth]) {
            for (int i = 0; i < rows.length; i++) {
                nodes[i] = first + byRow[rows[i]];
            }
            return nodes;
        }
        int[] path = star.path(ofTable, table[depth]);
        for (int i = 0; i < rows.length; i++) {
            nodes[i] = first + byRow[path[rows[i]]];
        }
        return nodes;
    }

    /** The keys of a depth's nodes, counted within the depth. */
    Column keys(int depth) {
        return keys[depth];
    }

    /** Rows of a table that at least one selected row leads to, ascending. */
    int[] used(int ofTable) {
        if (used[ofTable] == null) {
            if (ofTable == DatasetModel.GRAIN) {
                used[ofTable] = kept.rows();
            } else {
                int[] path = star.path(DatasetModel.GRAIN, ofTable);
                BitSet present = new BitSet(star.table(ofTable).size());
                for (int row : kept.rows()) {
                    present.set(path[row]);
                }
                used[ofTable] = present.stream().toArray();
            }
        }
        return used[ofTable];
    }
}
