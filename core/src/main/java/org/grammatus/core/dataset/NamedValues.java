package org.grammatus.core.dataset;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.value.Kind;

/** Reads a dataset's calculated fields and measures, and checks that each can be computed. */
final class NamedValues {

    private static final Expression NOTHING = ExpressionParser.parse("NULL");

    private NamedValues() {}

    /** By id, calculated fields first; what cannot be parsed is noted. */
    static Map<String, DatasetModel.NamedValue> of(Dataset dataset, Problems problems) {
        Map<String, DatasetModel.NamedValue> named = new LinkedHashMap<>();
        List<Dataset.Calculated> calculated = dataset.calculated().orElse(List.of());
        for (int i = 0; i < calculated.size(); i++) {
            Dataset.Calculated c = calculated.get(i);
            Expression value = parsed("/calculated/" + i + "/value", c.value(), problems);
            named.put(
                    c.id(),
                    new DatasetModel.NamedValue(
                            c.id(),
                            c.label(),
                            c.description(),
                            false,
                            c.value(),
                            value,
                            c.role(),
                            c.format(),
                            c.unit(),
                            c.order(),
                            c.hidden().orElse(false),
                            Optional.empty()));
        }
        List<Dataset.Measure> measures = dataset.measures().orElse(List.of());
        for (int i = 0; i < measures.size(); i++) {
            Dataset.Measure m = measures.get(i);
            Expression value = parsed("/measures/" + i + "/value", m.value(), problems);
            named.put(
                    m.id(),
                    new DatasetModel.NamedValue(
                            m.id(),
                            m.label(),
                            m.description(),
                            true,
                            m.value(),
                            value,
                            Dataset.Role.NOT_ADDITIVE,
                            m.format(),
                            m.unit(),
                            Optional.empty(),
                            false,
                            m.order()));
        }
        return named;
    }

    private static Expression parsed(String pointer, String text, Problems problems) {
        return problems.collect(pointer, () -> ExpressionParser.parse(text), NOTHING);
    }

    /**
     * Resolves and types each of them.
     *
     * @throws ProblemException with every fault, each at the value that has it
     */
    static void check(DatasetModel dataset) {
        Problems problems = new Problems();
        int calculated = dataset.definition().calculated().map(List::size).orElse(0);
        int index = 0;
        for (DatasetModel.NamedValue value : dataset.named().values()) {
            String pointer = value.measure() ? "/measures/" + (index - calculated) : "/calculated/" + index;
            // Any day will do: types do not depend on it.
            DatasetNames names = new DatasetNames(dataset, LocalDate.EPOCH);
            Optional<Typed> typed = problems.collect(
                    pointer + "/value",
                    () -> value.measure() ? names.measure(value.id(), true) : names.field(value.id(), true),
                    Optional.<Typed>empty());
            if (value.order().isPresent()
                    && typed.filter(t -> t.type().kind() != Kind.TEXT).isPresent()) {
                problems.error(pointer + "/order", "only a text has an order of its own; remove it");
            }
            index++;
        }
        problems.throwIfErrors();
    }
}
