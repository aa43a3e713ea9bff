package org.grammatus.core.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Proposals;
import org.grammatus.core.dataset.RepeatedAmount;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.problem.Problem;

/** What is allowed but seldom meant, said with its reason. */
final class Advice {

    private Advice() {}

    static List<Problem> on(List<Plan.Column> columns, List<Plan.Total> totals, DatasetModel dataset) {
        List<Problem> advice = new ArrayList<>();
        totals.forEach(total -> onSum(total, dataset, advice));
        onLabels(columns, advice);
        return advice;
    }

    /** Summing prices, rates or identifiers. */
    private static void onSum(Plan.Total total, DatasetModel dataset, List<Problem> advice) {
        if (total.value().unnamed() instanceof Typed.Aggregate a
                && a.function() == AggregateFunction.SUM
                && a.argument().isPresent()) {
            Typed argument = a.argument().get();
            subject(argument, dataset)
                    .flatMap(Proposals::againstSum)
                    .or(() -> RepeatedAmount.in(argument, dataset))
                    .ifPresent(reason -> advice.add(Problem.notice(total.pointer() + "/value", reason)));
        }
    }

    /** A field or calculated field by itself; what is computed on the spot has no role. */
    private static Optional<Proposals.Subject> subject(Typed value, DatasetModel dataset) {
        return switch (value) {
            case Typed.Field f -> Optional.of(Proposals.Subject.of(f.id(), dataset));
            case Typed.Named n -> Optional.of(Proposals.Subject.of(n.id(), dataset));
            default -> Optional.empty();
        };
    }

    /** One label over two computations. */
    private static void onLabels(List<Plan.Column> columns, List<Problem> advice) {
        Map<String, Plan.Column> first = new HashMap<>();
        for (Plan.Column column : columns) {
            String label = column.definition().label().strip();
            Plan.Column earlier = label.isEmpty() ? null : first.putIfAbsent(label, column);
            if (earlier != null && !earlier.value().equals(column.value())) {
                advice.add(Problem.advice(
                        column.pointer() + "/label",
                        "two columns are called \"" + label + "\" and show different things; rename one"));
            }
        }
    }
}
