package org.grammatus.core.group.figure;

import java.math.BigInteger;
import org.grammatus.core.columnar.Arithmetic;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Type;

/** AVG: the exact sum by the count of values, divided once at the end; NULL over nothing. */
public final class AverageAccumulator implements Accumulator {

    private final SumAccumulator sum;
    private final CountAccumulator count;
    private final Column argument;
    private final Type type;
    private final int nodes;

    public AverageAccumulator(Column argument, Type type, int nodes, Faults faults) {
        this.sum = new SumAccumulator(argument, nodes, faults);
        this.count = new CountAccumulator(argument, nodes);
        this.argument = argument;
        this.type = type;
        this.nodes = nodes;
    }

    @Override
    public void add(int[] nodes, int[] rows) {
        sum.add(nodes, rows);
        count.add(nodes, rows);
    }

    @Override
    public void merge(int into, int from) {
        sum.merge(into, from);
        count.merge(into, from);
    }

    @Override
    public Column finish() {
        BigInteger[] averages = new BigInteger[nodes];
        for (int node = 0; node < nodes; node++) {
            BigInteger total = sum.sum(node);
            if (total != null) {
                averages[node] = Decimals.divide(
                        total, argument.type().scale(), BigInteger.valueOf(count.count(node)), 0, type.scale());
            }
        }
        return Arithmetic.narrow(averages, type);
    }
}
