package org.grammatus.core.plan.planner;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Proposals;
import org.grammatus.core.expression.AggregateFunction;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.BlockPlan;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TextPlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.problem.Cure;
import org.grammatus.core.problem.Problem;

/** One label over two computations, in a block or in two of them. */
final class LabelAdvice {

    private final Set<String> labels = new HashSet<>();
    private final List<Problem> advice;

    private LabelAdvice(List<Problem> advice) {
        this.advice = advice;
    }

    /** A column with what it shows: its value in rows, or else the first of its totals. */
    private record Labelled(ColumnPlan column, Typed shows, DatasetModel dataset) {}

    static void on(List<BlockPlan> blocks, List<Problem> advice) {
        List<Labelled> columns = blocks.stream()
                .filter(block -> !(block instanceof TextPlan))
                .flatMap(block -> labelled(block.facts()))
                .toList();
        LabelAdvice labelAdvice = new LabelAdvice(advice);
        columns.forEach(each -> labelAdvice.labels.add(each.column.label().strip()));
        labelAdvice.compare(columns);
    }

    private static Stream<Labelled> labelled(TablePlan table) {
        return table.columns().stream().flatMap(column -> {
            Optional<Typed> shows = column.text().isPresent()
                    ? Optional.of(column.value())
                    : table.totals().stream()
                            .filter(total -> total.column().equals(column.id()))
                            .map(TotalPlan::value)
                            .findFirst();
            return shows.map(value -> new Labelled(column, value, table.dataset())).stream();
        });
    }

    private void compare(List<Labelled> columns) {
        Map<String, Labelled> first = new HashMap<>();
        for (Labelled each : columns) {
            String label = each.column.label().strip();
            Labelled earlier = label.isEmpty() ? null : first.putIfAbsent(label, each);
            if (earlier != null && !alike(earlier.shows, each.shows)) {
                String pointer = each.column.pointer() + "/label";
                String other = unused(label, each);
                labels.add(other);
                advice.add(Problem.advice(
                                pointer,
                                "two columns are called \"" + label + "\" and show different things; rename one")
                        .curedBy(Cure.of("Call the second \"" + other + "\"", pointer, other)));
            }
        }
    }

    /** Whether two show the same, or one the total of what the other shows. */
    private static boolean alike(Typed a, Typed b) {
        return a.equals(b) || adds(a, b) || adds(b, a);
    }

    private static boolean adds(Typed total, Typed value) {
        return total.unnamed() instanceof Typed.Aggregate a
                && a.function() == AggregateFunction.SUM
                && a.argument().filter(value::equals).isPresent();
    }

    /** What a column's value is called in the dataset, or its label with a number, whichever no column is called. */
    private String unused(String label, Labelled each) {
        Optional<String> own = Advice.subject(each.shows, each.dataset)
                .map(Proposals.Subject::label)
                .filter(known -> !labels.contains(known));
        return own.orElseGet(() -> Stream.iterate(2, n -> n + 1)
                .map(n -> label + " (" + n + ")")
                .filter(numbered -> !labels.contains(numbered))
                .findFirst()
                .orElseThrow());
    }
}
