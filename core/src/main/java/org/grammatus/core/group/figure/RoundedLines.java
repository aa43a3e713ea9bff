package org.grammatus.core.group.figure;

import com.ibm.icu.text.DecimalFormat;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.grammatus.core.choice.FigureUnit;
import org.grammatus.core.choice.Rounding;
import org.grammatus.core.columnar.Arithmetic;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.ScalarFunction;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.tree.GroupIndex;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Type;

/**
 * Sums of what is printed: where a report rounds each line first, the figures of the deepest place that prints a sum are rounded as
 * they are printed, and those around them add up what was rounded. Only sums of which no two groups share a row.
 */
public final class RoundedLines {

    private RoundedLines() {}

    /** Whether a report rounds the lines of a total first, and the total can add up what is rounded. */
    public static boolean apply(TotalPlan total, TablePlan plan, Figures figures) {
        return wanted(plan) && whyExact(total, plan, figures).isEmpty();
    }

    /** Why a total adds up exact figures although its report rounds each line first, in words; nothing where it rounds, or need not. */
    public static Optional<String> whyNotRounded(TotalPlan total, TablePlan plan, Figures figures) {
        boolean rounds = wanted(plan)
                && total.isAmount()
                && !total.places().isEmpty()
                && digits(total, plan) < total.value().type().scale()
                && !isAverage(total.value());
        return rounds ? whyExact(total, plan, figures) : Optional.empty();
    }

    private static boolean wanted(TablePlan plan) {
        return plan.totalling().rounding() == Rounding.EACH_LINE;
    }

    /** Averages, extremes and counts are of exact figures everywhere, as everybody expects. */
    private static boolean isAverage(Typed value) {
        return value.unnamed() instanceof Typed.Aggregate a && a.function() != AggregateFunction.SUM;
    }

    /**
     * A total's figures, rounded where the report asks for it.
     *
     * @param exact by node
     */
    public static Column of(TotalPlan total, Column exact, TablePlan plan, Figures figures) {
        if (!apply(total, plan, figures)) {
            return exact;
        }
        Typed.Aggregate sum = (Typed.Aggregate) total.value().unnamed();
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
        return deepest(total, plan)
                .map(depth -> ofGroups(exact, depth, digits, figures.nodes()))
                .orElse(exact);
    }

    /** What keeps a total from adding up rounded figures; nothing where it can. */
    private static Optional<String> whyExact(TotalPlan total, TablePlan plan, Figures figures) {
        if (!(total.value().unnamed() instanceof Typed.Aggregate sum)
                || sum.function() != AggregateFunction.SUM
                || sum.distinct()) {
            return Optional.of("it is no plain sum");
        }
        int home = new Homes(plan.dataset()).orGrain(sum);
        int lines = isPrintedPerRow(sum, total, plan)
                ? figures.nodes().depths() - 1
                : deepest(total, plan).orElse(0);
        boolean apart =
                lines == 0 || plan.dataset().reaches(home, figures.nodes().tableOf(lines));
        return apart
                ? Optional.empty()
                : Optional.of(
                        "one " + plan.dataset().table(home).noun().one() + " may stand in several groups of level \""
                                + plan.levels().get(lines - 1).name() + "\"");
    }

    /** Depth of the innermost groups beside which a total is printed, 0 for the report; none where it is printed nowhere. */
    private static Optional<Integer> deepest(TotalPlan total, TablePlan plan) {
        return IntStream.rangeClosed(0, plan.levels().size())
                .filter(depth -> total.places().containsKey(plan.levelAt(depth)))
                .boxed()
                .max(Integer::compare);
    }

    private static boolean isPrintedPerRow(Typed.Aggregate sum, TotalPlan total, TablePlan plan) {
        Typed printed = plan.columnOf(total).value();
        return plan.printsRows() && sum.argument().map(Typed::unnamed).equals(Optional.of(printed.unnamed()));
    }

    /** How many digits after the point are printed; less than none where whole thousands are. */
    private static int digits(TotalPlan total, TablePlan plan) {
        int printed = new DecimalFormat(total.format()).getMaximumFractionDigits();
        return printed
                - plan.columnOf(total).format().unit().map(FigureUnit::digits).orElse(0);
    }

    private static Column ofGroups(Column exact, int depth, int digits, GroupIndex nodes) {
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
