package org.grammatus.core.group;

import com.ibm.icu.text.DecimalFormat;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.definition.Report;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.ScalarFunction;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.table.Arithmetic;
import org.grammatus.core.table.Column;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Type;

/**
 * Sums of what is printed: where a report rounds each line first, the figures of the deepest place that prints a sum are rounded as
 * they are printed, and those around them add up what was rounded. Only sums of which no two groups share a row.
 */
final class RoundedLines {

    private RoundedLines() {}

    /**
     * A total's figures, rounded where the report asks for it.
     *
     * @param exact by node
     */
    static Column of(Plan.Total total, Column exact, Figures figures) {
        Plan plan = figures.plan();
        boolean wanted = plan.block().rounding().equals(Optional.of(Report.Rounding.EACH_LINE));
        if (!wanted || !(total.value().unnamed() instanceof Typed.Aggregate sum) || !adds(sum, figures)) {
            return exact;
        }
        int digits = digits(total, plan);
        if (isPrintedPerRow(sum, total, plan) && digits >= 0) {
            Typed argument = sum.argument().orElseThrow();
            Type type = digits == 0
                    ? Type.INTEGER
                    : Type.decimal(Math.min(digits, argument.type().scale()));
            Typed rounded = new Typed.Call(ScalarFunction.ROUND, List.of(argument), type);
            Typed ofRounded =
                    new Typed.Aggregate(sum.function(), false, Optional.of(rounded), sum.filter(), rounded.type());
            return rescaled(figures.of(ofRounded), exact.type());
        }
        return total.deepestPlace()
                .map(depth -> ofGroups(exact, depth, digits, figures.nodes()))
                .orElse(exact);
    }

    /** Whether it is a sum that adds up from group to group. */
    private static boolean adds(Typed.Aggregate aggregate, Figures figures) {
        int home = new Homes(figures.plan().dataset()).orGrain(aggregate);
        int deepest = figures.nodes().depths() - 1;
        boolean apart = deepest == 0
                || figures.plan().dataset().reaches(home, figures.nodes().tableOf(deepest));
        return aggregate.function() == AggregateFunction.SUM && !aggregate.distinct() && apart;
    }

    private static boolean isPrintedPerRow(Typed.Aggregate sum, Plan.Total total, Plan plan) {
        Typed printed = plan.columns().get(total.column()).value();
        return plan.printsRows() && sum.argument().map(Typed::unnamed).equals(Optional.of(printed.unnamed()));
    }

    /** How many digits after the point are printed; less than none where whole thousands are. */
    private static int digits(Plan.Total total, Plan plan) {
        int printed = new DecimalFormat(total.format()).getMaximumFractionDigits();
        return printed
                - plan.columns()
                        .get(total.column())
                        .definition()
                        .unit()
                        .map(Report.Unit::digits)
                        .orElse(0);
    }

    private static Column ofGroups(Column exact, int depth, int digits, Nodes nodes) {
        BigInteger[] figures = new BigInteger[exact.size()];
        BitSet divided = new BitSet();
        for (int node = 1; node < nodes.first(depth + 1); node++) {
            divided.set(nodes.parents()[node]);
        }
        for (int node = 0; node < figures.length; node++) {
            // Groups without rows are not divided further, so that some stand for themselves further out.
            boolean line = node < nodes.first(depth + 1) && !divided.get(node);
            figures[node] = divided.get(node) || exact.isNull(node)
                    ? null
                    : line ? rounded(exact.wide(node), exact.type().scale(), digits) : exact.wide(node);
        }
        for (int node = nodes.first(depth + 1) - 1; node > 0; node--) {
            int parent = nodes.parents()[node];
            if (figures[node] != null && !exact.isNull(parent)) {
                figures[parent] = figures[parent] == null ? figures[node] : figures[parent].add(figures[node]);
            }
        }
        return Arithmetic.narrow(figures, exact.type());
    }

    private static BigInteger rounded(BigInteger unscaled, int scale, int digits) {
        return digits >= scale
                ? unscaled
                : new BigDecimal(unscaled, scale)
                        .setScale(digits, Decimals.ROUNDING)
                        .setScale(scale, Decimals.ROUNDING)
                        .unscaledValue();
    }

    private static Column rescaled(Column column, Type type) {
        BigInteger[] values = new BigInteger[column.size()];
        for (int i = 0; i < values.length; i++) {
            values[i] = column.isNull(i)
                    ? null
                    : Decimals.rescale(column.wide(i), column.type().scale(), type.scale());
        }
        return Arithmetic.narrow(values, type);
    }
}
