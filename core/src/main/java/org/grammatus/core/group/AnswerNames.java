package org.grammatus.core.group;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetNames;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.dataset.Lookups;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.Formats;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.prompt.Answer;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;

/** What chosen keys are called in the data. */
final class AnswerNames {

    private final TablePlan plan;
    private final Star star;
    private final DatasetNames names;

    private AnswerNames(TablePlan plan, Star star) {
        this.plan = plan;
        this.star = star;
        this.names = new DatasetNames(plan.dataset(), plan.context().businessDate());
    }

    /** By prompt, the name of the key that was chosen; none where no key was, or no row has it. */
    static List<Optional<AnswerName>> of(TablePlan plan, Star star) {
        AnswerNames all = new AnswerNames(plan, star);
        return plan.prompts().stream().map(all::name).toList();
    }

    private Optional<AnswerName> name(ResolvedPrompt prompt) {
        String field = prompt.ownField().orElse("");
        if (prompt.answer() instanceof Answer.Several several) {
            List<Optional<AnswerName>> names =
                    prompt.choices().stream().map(choice -> name(choice, field)).toList();
            return names.stream().allMatch(Optional::isEmpty)
                    ? Optional.empty()
                    : Optional.of(together(several.chosen(), names));
        }
        return prompt.choices().stream().findFirst().flatMap(choice -> name(choice, field));
    }

    /** What several chosen keys are called, those that have no name by themselves. */
    private AnswerName together(Names.Chosen chosen, List<Optional<AnswerName>> names) {
        List<String> called = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            Scalar key = chosen.values().get(i);
            called.add(ScalarText.write(names.get(i).map(AnswerName::name).orElse(key)));
        }
        return new AnswerName("", new Scalar.Text(ResolvedPrompt.inWords(plan.locale(), chosen, called)));
    }

    private Optional<AnswerName> name(Scalar choice, String field) {
        Optional<Typed> key = names.field(field, true);
        Optional<Typed> name = key.flatMap(new Lookups(plan.dataset(), names)::nameOf);
        if (name.isEmpty()) {
            return Optional.empty();
        }
        int home = new Homes(plan.dataset()).orGrain(key.get());
        Column keys = star.at(home).field(field);
        Column called = Evaluator.evaluate(name.get(), star.at(home), new Faults());
        for (int row = 0; row < keys.size(); row++) {
            if (!keys.isNull(row)
                    && !called.isNull(row)
                    && Scalars.at(keys, row).equals(choice)) {
                return Optional.of(new AnswerName(Formats.of(name.get(), plan.dataset()), Scalars.at(called, row)));
            }
        }
        return Optional.empty();
    }
}
