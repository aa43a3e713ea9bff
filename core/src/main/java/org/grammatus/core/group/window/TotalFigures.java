package org.grammatus.core.group.window;

import java.util.Map;
import org.grammatus.core.choice.Compared;
import org.grammatus.core.choice.Shown;
import org.grammatus.core.columnar.Arithmetic;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.expression.ArithmeticOperator;
import org.grammatus.core.group.figure.FigureNotices;
import org.grammatus.core.group.figure.Figures;
import org.grammatus.core.group.figure.RoundedLines;
import org.grammatus.core.group.select.Selection;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.value.Type;

/** The figures of the totals grid, by node: aggregates, what is made of them in printed order, and comparisons. */
public final class TotalFigures {

    private final TablePlan plan;
    private final Figures figures;
    private final InPrintedOrder printed;
    private final RunningFrame stepping;
    private final OtherTimes otherTimes;

    /** @param notices where it is noted why figures are not compared */
    public TotalFigures(
            TablePlan plan,
            Figures figures,
            Selection selection,
            InPrintedOrder printed,
            RunningFrame stepping,
            FigureNotices notices) {
        this.plan = plan;
        this.stepping = stepping;
        this.figures = figures;
        this.printed = printed;
        this.otherTimes = new OtherTimes(plan, figures, selection, notices);
    }

    /**
     * A total's figures.
     *
     * @param index of the total among the plan's
     */
    public Column of(int index, TotalPlan total, Faults faults) {
        Column exact = new PrintedGroupScope(figures.aggregates(), stepping, Map.of(), faults).of(total.value());
        // Shares, like averages, are of exact figures.
        Column values = total.isAmount() ? RoundedLines.of(total, exact, plan, figures) : exact;
        return total.comparison()
                .map(comparison ->
                        compared(beside(index, total, comparison, values, faults), comparison.shown(), total, faults))
                .orElseGet(() -> isRunning(total) && !RoundedLines.apply(total, plan, figures)
                        ? stepping.running(total.value(), total.shown() == Shown.RUNNING_IN_PARENT, faults)
                        : printed.of(total, values, faults));
    }

    private static boolean isRunning(TotalPlan total) {
        return total.shown() == Shown.RUNNING_IN_PARENT || total.shown() == Shown.RUNNING_IN_REPORT;
    }

    private OtherTimes.Pair beside(
            int index, TotalPlan total, TablePlan.Comparison comparison, Column values, Faults faults) {
        return switch (comparison) {
            case TablePlan.Comparison.WithPlan plan -> new OtherTimes.Pair(values, figures.of(plan.plan(), faults));
            case TablePlan.Comparison.WithTime time -> otherTimes.of(index, total, time, values);
            case TablePlan.Comparison.WithPeriod days -> otherTimes.of(index, total, days, values);
        };
    }

    private static Column compared(OtherTimes.Pair pair, Compared shown, TotalPlan total, Faults faults) {
        Type type = total.type();
        return switch (shown) {
            case FIGURE -> pair.other();
            case DIFFERENCE -> Arithmetic.apply(ArithmeticOperator.SUBTRACT, pair.ours(), pair.other(), type, faults);
            case PERCENT -> InPrintedOrder.percent(pair.ours(), pair.other(), type, faults);
        };
    }
}
