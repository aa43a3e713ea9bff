package org.grammatus.core.band;

import java.util.Optional;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetNames;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.dataset.Lookups;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.Formats;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.value.Scalar;

/** Answers as people read them: days with the names of their months, a chosen key by what it is called. */
public final class AnswerWords {

    private AnswerWords() {}

    /** An answer to one of a plan's prompts. */
    public static String of(ResolvedPrompt answer, TablePlan plan, Star star) {
        return Optional.of(answer.choice())
                .filter(choice -> !(choice instanceof Scalar.Null))
                .flatMap(choice -> name(choice, answer.field().orElseThrow(), plan, star))
                .orElseGet(() -> answer.inWords(plan.locale()));
    }

    /** What a value of a field is called where it is a key; none where no row has it. */
    private static Optional<String> name(Scalar choice, String field, TablePlan plan, Star star) {
        DatasetNames names = new DatasetNames(plan.dataset(), plan.context().businessDate());
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
                String format = Formats.of(name.get(), plan.dataset());
                return Optional.of(new ValueFormat(called.type(), format, plan.locale()).format(called, row));
            }
        }
        return Optional.empty();
    }
}
