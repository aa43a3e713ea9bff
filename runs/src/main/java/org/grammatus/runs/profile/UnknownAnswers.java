package org.grammatus.runs.profile;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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

    private static final int MOST_TOLD = 10;

    private UnknownAnswers() {}

    /** What is said of the answers to a plan's prompts. */
    public static List<Problem> of(TablePlan plan, DatasetReader reader) {
        List<Problem> unknown = new ArrayList<>();
        for (ResolvedPrompt prompt : plan.prompts()) {
            List<Scalar> choices = prompt.choices();
            Optional<DatasetModel> dataset =
                    prompt.dataset().map(plan.inputs().datasets()::byId).orElse(Optional.of(plan.dataset()));
            if (!choices.isEmpty() && prompt.listed().isEmpty() && dataset.isPresent()) {
                FieldColumn column = FieldColumn.read(
                        reader,
                        dataset.get(),
                        prompt.field().orElseThrow(),
                        plan.context().businessDate());
                unknown.addAll(of(prompt.name(), prompt.label(), choices, column));
            }
        }
        return unknown;
    }

    private static List<Problem> of(String prompt, String label, List<Scalar> choices, FieldColumn column) {
        // Keys and what they are called, each with how it is offered.
        Map<String, String> known = new TreeMap<>();
        Set<Scalar> left = new LinkedHashSet<>(choices);
        for (int row = 0; row < column.rows(); row++) {
            Scalar value = Scalars.at(column.values(), row);
            left.remove(value);
            if (!(value instanceof Scalar.Null)) {
                String key = ScalarText.write(value);
                String name = column.labels().of(column.values(), row);
                known.putIfAbsent(key, name);
                known.putIfAbsent(name.replace(" · " + key, ""), name);
            }
        }
        return left.stream()
                .limit(MOST_TOLD)
                .map(ScalarText::write)
                .map(asked -> {
                    String near = Suggestion.nearest(asked, known.keySet())
                            .map(found -> "; did you mean \"" + known.get(found) + "\"?")
                            .orElse("");
                    return Problem.notice(
                            "/answers/" + prompt, "no row has the " + label + " \"" + asked + "\"" + near);
                })
                .toList();
    }
}
