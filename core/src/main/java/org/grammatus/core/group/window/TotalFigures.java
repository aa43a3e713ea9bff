package org.grammatus.core.group.window;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.grammatus.core.choice.Shown;
import org.grammatus.core.columnar.Arithmetic;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.expression.ArithmeticOperator;
import org.grammatus.core.group.figure.Figures;
import org.grammatus.core.group.figure.RoundedLines;
import org.grammatus.core.group.select.Selection;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** The figures of the totals grid, by node: aggregates, what is made of them in printed order, and comparisons. */
public final class TotalFigures {

    private final Figures figures;
    private final Selection selection;
    private final InPrintedOrder printed;
    private final Stepping stepping;
    /** By the step in time, or by the conditions, that they are told apart by. */
    private final Map<Object, OtherTime> otherTimes = new HashMap<>();

    public TotalFigures(Figures figures, Selection selection, InPrintedOrder printed, Stepping stepping) {
        this.stepping = stepping;
        this.figures = figures;
        this.selection = selection;
        this.printed = printed;
    }

    /** A total's figures. */
    public Column of(TotalPlan total, Faults faults) {
        Column exact = new PrintedGroups(figures.aggregates(), stepping, List.of(), faults).of(total.value());
        // Shares, like averages, are of exact figures.
        Column values = total.isAmount() ? RoundedLines.of(total, exact, figures) : exact;
        return total.comparison()
                .map(comparison -> compared(values, comparison, total, faults))
                .orElseGet(() -> isRunning(total) && values == exact
                        ? stepping.running(total.value(), total.shown() == Shown.RUNNING_IN_PARENT, faults)
                        : printed.of(total, values, faults));
    }

    private static boolean isRunning(TotalPlan total) {
        return total.shown() == Shown.RUNNING_IN_PARENT || total.shown() == Shown.RUNNING_IN_REPORT;
    }

    private Column compared(Column values, TablePlan.Comparison comparison, TotalPlan total, Faults faults) {
        Column other = other(comparison, total, faults);
        Type type = total.type();
        return switch (comparison.shown()) {
            case FIGURE -> other;
            case DIFFERENCE -> Arithmetic.apply(ArithmeticOperator.SUBTRACT, values, other, type, faults);
            case PERCENT -> InPrintedOrder.percent(values, other, type, faults);
        };
    }

    private Column other(TablePlan.Comparison comparison, TotalPlan total, Faults faults) {
        return switch (comparison) {
            case TablePlan.Comparison.WithPlan plan -> figures.of(plan.plan(), faults);
            case TablePlan.Comparison.WithTime time ->
                atOtherTime(time.shift(), total, shift -> OtherTime.of(figures, selection, shift));
            case TablePlan.Comparison.WithPeriod days ->
                atOtherTime(days.conditions(), total, conditions -> OtherTime.of(figures, selection, conditions));
        };
    }

    private <T> Column atOtherTime(Optional<T> time, TotalPlan total, Function<T, OtherTime> made) {
        return time.map(t -> otherTimes.computeIfAbsent(t, key -> made.apply(t)).figures(total))
                .orElseGet(() -> Scalars.repeat(
                        new Scalar.Null(total.value().type()), figures.nodes().nodeCount()));
    }
}
