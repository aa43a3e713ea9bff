package org.grammatus.runs.profile;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.sources.DatasetReader;

/** Choices that no row has: a report that asks for one is empty, and its reader is told why, with the nearest that there is. */
public final class UnknownAnswers {

    private UnknownAnswers() {}

    /** What is said of the answers to a plan's prompts. */
    public static List<Problem> of(TablePlan plan, DatasetReader reader) {
        List<Problem> unknown = new ArrayList<>();
        for (ResolvedPrompt prompt : plan.prompts()) {
            Optional<String> field = prompt.field().filter(f -> !(prompt.choice() instanceof Scalar.Null));
            field.flatMap(f -> of(prompt, f, plan.dataset(), plan.context().businessDate(), reader))
                    .ifPresent(unknown::add);
        }
        return unknown;
    }

    private static Optional<Problem> of(
            ResolvedPrompt prompt, String field, DatasetModel dataset, LocalDate today, DatasetReader reader) {
        FieldColumn column = FieldColumn.read(reader, dataset, field, today);
        // Keys and what they are called, each with how it is offered.
        Map<String, String> known = new TreeMap<>();
        for (int row = 0; row < column.rows(); row++) {
            Scalar value = Scalars.at(column.values(), row);
            if (value.equals(prompt.choice())) {
                return Optional.empty();
            }
            if (!(value instanceof Scalar.Null)) {
                String key = ScalarText.write(value);
                String label = column.labels().of(column.values(), row);
                known.putIfAbsent(key, label);
                known.putIfAbsent(label.replace(" · " + key, ""), label);
            }
        }
        String asked = ScalarText.write(prompt.choice());
        String near = Suggestion.nearest(asked, known.keySet())
                .map(found -> "; did you mean \"" + known.get(found) + "\"?")
                .orElse("");
        return Optional.of(Problem.notice(
                "/answers/" + prompt.name(), "no row has the " + prompt.label() + " \"" + asked + "\"" + near));
    }
}
