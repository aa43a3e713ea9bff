package org.grammatus.core.explain;

import com.ibm.icu.text.NumberFormat;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.band.NumberText;
import org.grammatus.core.choice.Shown;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.GroupingStep;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Scalar;

/**
 * Why a figure of the totals grid is what it is.
 *
 * @param label what its column is called
 * @param figure as printed
 * @param exact all its digits, where printing rounds them; empty otherwise
 * @param formula in words
 * @param expression as the definition has it
 * @param scope the group's path from the outside in, "Whole report" for the report
 * @param conditions in words, what rows had to meet
 * @param counted what was counted in the group: "5 orders, 12 lines"
 * @param remarks what a careful reader should know: counted once per order, groups that overlap, a share
 * @param recounted what a second computation, from the rows behind it, came to; empty where there is none
 */
public record WhyFigure(
        String label,
        String figure,
        String exact,
        String formula,
        String expression,
        List<String> scope,
        List<String> conditions,
        String counted,
        List<String> remarks,
        String recounted) {

    private static final String WHOLE_REPORT = "Whole report";

    /** Explains a total of a group. */
    public static WhyFigure of(GroupingStep.Result result, BandTexts printed, int total, int node) {
        TablePlan plan = result.grouped().plan();
        TotalPlan planned = plan.totals().get(total);
        InWords words = new InWords(plan.dataset());
        String figure = printed.total(total, node);
        return new WhyFigure(
                plan.columnOf(planned).heading(plan.locale()),
                figure,
                exact(Scalars.at(result.grouped().figures().totals().get(total), node), figure),
                words.made(planned, plan),
                planned.text(),
                path(result, printed, node),
                conditions(plan, words),
                printed.countsInWords(node),
                remarks(result, printed, total, node),
                recounted(result, planned, total, node));
    }

    private static String recounted(GroupingStep.Result result, TotalPlan planned, int total, int node) {
        Scalar figure = Scalars.at(result.grouped().figures().totals().get(total), node);
        return Recount.of(result, planned, node, result.grouped().tree().depthOf(node))
                .map(again -> again.equals(figure)
                        ? "Counted again row by row: the same."
                        : "Counted again row by row: " + exactly(again)
                                + ", which is not the same. Please report this.")
                .orElse("");
    }

    private static String exactly(Scalar value) {
        return value instanceof Scalar.Number number ? number.value().toPlainString() : "nothing";
    }

    /** A group's labels with their levels' names, outermost first. */
    public static List<String> path(GroupingStep.Result result, BandTexts printed, int node) {
        List<String> path = new ArrayList<>();
        for (int n = node; n != GroupTree.ROOT; n = result.grouped().tree().parentOf(n)) {
            int depth = result.grouped().tree().depthOf(n);
            path.addFirst(result.grouped().plan().levels().get(depth - 1).name() + " " + printed.label(n));
        }
        return path.isEmpty() ? List.of(WHOLE_REPORT) : path;
    }

    private static List<String> conditions(TablePlan plan, InWords words) {
        List<String> conditions = new ArrayList<>();
        for (FilterPlan filter : plan.filters()) {
            filter.period()
                    .ifPresentOrElse(
                            prompt -> plan.prompts().stream()
                                    .filter(p -> p.name().equals(prompt))
                                    .forEach(p -> conditions.add(p.label() + " " + p.inWords(plan.locale()))),
                            () -> conditions.add(
                                    filter.top().isPresent()
                                                    || filter.condition()
                                                            .looks()
                                                            .findAny()
                                                            .isPresent()
                                            ? filter.words()
                                            : words.of(filter.condition())));
        }
        return conditions;
    }

    /** The figure's own digits where the printed form has fewer. */
    private static String exact(Scalar value, String printed) {
        if (!(value instanceof Scalar.Number number)) {
            return "";
        }
        BigDecimal plain = number.value().stripTrailingZeros();
        String digits = (plain.scale() < 0 ? plain.setScale(0) : plain).toPlainString();
        String shown = printed.replaceAll("[^0-9.]", "");
        boolean all = digits.replace("-", "").equals(shown)
                || (shown.contains(".") && shown.replaceAll("\\.?0+$", "").equals(digits.replace("-", "")));
        return all ? "" : digits;
    }

    private static List<String> remarks(GroupingStep.Result result, BandTexts printed, int total, int node) {
        List<String> remarks = new ArrayList<>();
        TablePlan plan = result.grouped().plan();
        Typed value = plan.totals().get(total).value();
        int depth = result.grouped().tree().depthOf(node);
        boolean plain = plan.totals().get(total).shown() == Shown.VALUE
                && plan.totals().get(total).comparison().isEmpty();
        if (value.unnamed() instanceof Typed.Aggregate aggregate) {
            int home = new Homes(plan.dataset()).orGrain(aggregate);
            if (home != DatasetModel.GRAIN) {
                onGrain(result, node, depth, home, remarks);
            }
            if (plain) {
                share(result, printed, aggregate, total, node, home).ifPresent(remarks::add);
            }
        }
        return remarks;
    }

    private static void onGrain(GroupingStep.Result result, int node, int depth, int home, List<String> remarks) {
        DatasetModel dataset = result.grouped().plan().dataset();
        String one = dataset.table(home).noun().one();
        String lines = dataset.table(DatasetModel.GRAIN).noun().other();
        long count = result.drillDown().count(home, node);
        String counted = NumberFormat.getIntegerInstance(result.grouped().plan().locale())
                .format(count);
        remarks.add("Taken once per " + one + ": " + counted + " "
                + dataset.table(home).noun().of(count) + ", however many " + lines
                + " each has. It stays whole where some "
                + lines + " are filtered away.");
        int deepest = result.grouped().tree().depths() - 1;
        if (result.drillDown().overlaps(home, depth)) {
            remarks.add("Groups of this level can share one " + one + ", so their figures may add up to more than their"
                    + " parent's.");
        } else if (result.drillDown().overlaps(home, deepest)) {
            remarks.add(
                    "Groups further in can share one " + one + ", so their figures may add up to more than this one.");
        }
    }

    /** The share of the parent, for sums and counts that have one. */
    private static Optional<String> share(
            GroupingStep.Result result, BandTexts printed, Typed.Aggregate aggregate, int total, int node, int home) {
        boolean adds = aggregate.function() == AggregateFunction.SUM
                || aggregate.function() == AggregateFunction.COUNT && !aggregate.distinct();
        if (node == GroupTree.ROOT
                || !adds
                || result.drillDown().overlaps(home, result.grouped().tree().depthOf(node))) {
            return Optional.empty();
        }
        int parent = result.grouped().tree().parentOf(node);
        Scalar own = Scalars.at(result.grouped().figures().totals().get(total), node);
        Scalar whole = Scalars.at(result.grouped().figures().totals().get(total), parent);
        if (!(own instanceof Scalar.Number part)
                || !(whole instanceof Scalar.Number all)
                || all.value().signum() == 0) {
            return Optional.empty();
        }
        BigDecimal ratio = part.value().divide(all.value(), 8, Decimals.ROUNDING);
        NumberFormat percent =
                NumberFormat.getPercentInstance(result.grouped().plan().locale());
        percent.setMinimumFractionDigits(1);
        percent.setMaximumFractionDigits(1);
        percent.setRoundingMode(Decimals.ROUNDING.ordinal());
        String of = parent == GroupTree.ROOT ? "the whole report" : printed.label(parent);
        return Optional.of(NumberText.of(ratio, percent) + " of " + of + " (" + printed.total(total, parent) + ")");
    }
}
