package org.grammatus.core.group;

import java.util.Arrays;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.table.Column;
import org.grammatus.core.table.Dictionaries;

/** MIN and MAX: the row of the smallest or largest value, texts by code point; NULL over nothing. */
final class ExtremeAccumulator implements Accumulator {

    private static final int NONE = -1;

    private final Column argument;
    private final int sign;
    private final int[] best;
    private final int[] textRanks;

    ExtremeAccumulator(AggregateFunction function, Column argument, int nodes) {
        this.argument = argument;
        this.sign = function == AggregateFunction.MIN ? 1 : -1;
        this.best = new int[nodes];
        Arrays.fill(best, NONE);
        this.textRanks =
                argument instanceof Column.Texts texts ? Dictionaries.codePointRanks(texts.dictionary()) : new int[0];
    }

    @Override
    public void add(int[] nodes, int[] rows) {
        for (int i = 0; i < nodes.length; i++) {
            offer(nodes[i], rows[i]);
        }
    }

    @Override
    public void merge(int into, int from) {
        if (best[from] != NONE) {
            offer(into, best[from]);
        }
    }

    private void offer(int node, int row) {
        if (!argument.isNull(row) && (best[node] == NONE || sign * compare(row, best[node]) < 0)) {
            best[node] = row;
        }
    }

    private int compare(int a, int b) {
        return switch (argument) {
            case Column.Longs c -> Long.compare(c.values()[a], c.values()[b]);
            case Column.Wides c -> c.values()[a].compareTo(c.values()[b]);
            case Column.Texts c -> Integer.compare(textRanks[c.codes()[a]], textRanks[c.codes()[b]]);
        };
    }

    @Override
    public Column finish() {
        return Gathering.orNull(argument, best);
    }
}
