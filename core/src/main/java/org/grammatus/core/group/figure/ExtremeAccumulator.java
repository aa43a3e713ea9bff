package org.grammatus.core.group.figure;

import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Dictionaries;
import org.grammatus.core.columnar.Gathering;
import org.grammatus.core.expression.AggregateFunction;

/** MIN and MAX: the row of the smallest or largest value, texts by code point; NULL over nothing. */
public final class ExtremeAccumulator extends BestRowAccumulator {

    private final Column argument;
    private final int sign;
    private final int[] textRanks;

    public ExtremeAccumulator(AggregateFunction function, Column argument, int nodes) {
        super(nodes);
        this.argument = argument;
        this.sign = function == AggregateFunction.MIN ? 1 : -1;
        this.textRanks =
                argument instanceof Column.Texts texts ? Dictionaries.codePointRanks(texts.dictionary()) : new int[0];
    }

    @Override
    public boolean counts(int row) {
        return !argument.isNull(row);
    }

    @Override
    public int compare(int a, int b) {
        return sign
                * switch (argument) {
                    case Column.Longs c -> Long.compare(c.values()[a], c.values()[b]);
                    case Column.Wides c -> c.values()[a].compareTo(c.values()[b]);
                    case Column.Texts c -> Integer.compare(textRanks[c.codes()[a]], textRanks[c.codes()[b]]);
                };
    }

    @Override
    public Column finish() {
        return Gathering.orNull(argument, best());
    }
}
