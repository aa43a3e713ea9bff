package org.grammatus.core.plan.planner;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Proposals;
import org.grammatus.core.dataset.RepeatedAmount;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.ArithmeticOperator;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.ExpressionPrinter;
import org.grammatus.core.expression.References;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.BlockPlan;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.problem.Cure;
import org.grammatus.core.problem.Problem;

/** What is allowed but seldom meant, said with its reason. */
final class Advice {

    private Advice() {}

    /** What is said of a report's blocks. */
    static List<Problem> on(List<BlockPlan> blocks) {
        List<Problem> advice = new ArrayList<>();
        for (BlockPlan block : blocks) {
            TablePlan facts = block.facts();
            facts.totals().forEach(total -> onSum(total, facts.dataset(), advice));
            facts.totals().forEach(total -> onUnits(total, facts.dataset(), advice));
            facts.totals().forEach(total -> onOther(total, facts.columnOf(total), advice));
        }
        LabelAdvice.on(blocks, advice);
        return advice;
    }

    /** Summing prices, rates or identifiers; summing an amount once for each of its parts. */
    private static void onSum(TotalPlan total, DatasetModel dataset, List<Problem> advice) {
        if (total.value().unnamed() instanceof Typed.Aggregate a
                && a.function() == AggregateFunction.SUM
                && a.argument().isPresent()) {
            Typed argument = a.argument().get();
            String pointer = total.pointer() + "/value";
            Optional<Proposals.Subject> subject = subject(argument, dataset);
            Optional<String> reason = subject.flatMap(Proposals::againstSum);
            if (reason.isPresent()) {
                Proposals.Total instead = Proposals.insteadOfSum(subject.get());
                advice.add(Problem.notice(pointer, reason.get())
                        .curedBy(Cure.of(
                                "Take the " + instead.name().toLowerCase(Locale.ROOT), pointer, instead.value())));
                return;
            }
            RepeatedAmount.field(argument, dataset)
                    .ifPresent(field -> advice.add(Problem.notice(
                                    pointer, RepeatedAmount.inWords(field, argument, dataset))
                            .curedBy(Cure.of(
                                    "Sum " + field.definition().label() + " by itself",
                                    pointer,
                                    "SUM(" + References.to(field.definition().id()) + ")"))));
        }
    }

    /** A total of something else than its column shows: one of the two was changed alone, or it is meant so. */
    private static void onOther(TotalPlan total, ColumnPlan column, List<Problem> advice) {
        if (total.value().unnamed() instanceof Typed.Aggregate a
                && a.function() != AggregateFunction.COUNT
                && a.argument().isPresent()
                && column.text().isPresent()
                && column.value().type().isNumber()
                && !a.argument().get().unnamed().equals(column.value().unnamed())
                && ExpressionParser.parse(total.text()) instanceof Expression.Aggregate written) {
            String shown = column.text().get();
            String pointer = total.pointer() + "/value";
            if (advice.stream().anyMatch(known -> known.pointer().equals(pointer))) {
                return;
            }
            String instead = ExpressionPrinter.print(new Expression.Aggregate(
                    written.function(),
                    written.distinct(),
                    Optional.of(ExpressionParser.parse(shown)),
                    written.filter(),
                    written.position()));
            advice.add(Problem.advice(
                            pointer,
                            "the column \"" + column.label() + "\" shows " + shown
                                    + ", and this total below it is of something else")
                    .curedBy(Cure.of("Take the total of what the column shows", pointer, instead)));
        }
    }

    /** Adding what is counted in different units. */
    private static void onUnits(TotalPlan total, DatasetModel dataset, List<Problem> advice) {
        Set<String> units = new TreeSet<>();
        added(total.value(), dataset, units);
        if (units.size() > 1) {
            String pointer = total.pointer() + "/value";
            Problem problem = Problem.notice(
                    pointer, "adds figures in different units: " + String.join(", ", units) + "; total each by itself");
            advice.add(firstAlone(ExpressionParser.parse(total.text()))
                    .map(alone -> problem.curedBy(Cure.of("Take " + alone + " alone", pointer, alone)))
                    .orElse(problem));
        }
    }

    /** Of an aggregate of several figures, the aggregate of the first of them. */
    private static Optional<String> firstAlone(Expression value) {
        if (!(value instanceof Expression.Aggregate a)
                || !(a.argument().orElse(null) instanceof Expression.Arithmetic sum)) {
            return Optional.empty();
        }
        Expression first = sum.left();
        while (first instanceof Expression.Arithmetic inner && isSum(inner.operator())) {
            first = inner.left();
        }
        return Optional.of(ExpressionPrinter.print(
                new Expression.Aggregate(a.function(), a.distinct(), Optional.of(first), a.filter(), a.position())));
    }

    private static boolean isSum(ArithmeticOperator operator) {
        return operator == ArithmeticOperator.ADD || operator == ArithmeticOperator.SUBTRACT;
    }

    /** Units of the fields that are added to or taken from each other. */
    private static void added(Typed value, DatasetModel dataset, Set<String> units) {
        if (value instanceof Typed.Arithmetic sum && isSum(sum.operator())) {
            units(sum, dataset, units);
        } else {
            value.operands().forEach(operand -> added(operand, dataset, units));
        }
    }

    private static void units(Typed value, DatasetModel dataset, Set<String> units) {
        switch (value) {
            case Typed.Field f -> dataset.field(f.id()).definition().unit().ifPresent(units::add);
            // A product or a ratio has a unit of its own.
            case Typed.Arithmetic a
            when a.operator() == ArithmeticOperator.MULTIPLY || a.operator() == ArithmeticOperator.DIVIDE -> {}
            default -> value.operands().forEach(operand -> units(operand, dataset, units));
        }
    }

    /** A field or calculated field by itself; what is computed on the spot has no role. */
    static Optional<Proposals.Subject> subject(Typed value, DatasetModel dataset) {
        return switch (value) {
            case Typed.Field f -> Optional.of(Proposals.Subject.of(f.id(), dataset));
            case Typed.Named n -> Optional.of(Proposals.Subject.of(n.id(), dataset));
            default -> Optional.empty();
        };
    }
}
