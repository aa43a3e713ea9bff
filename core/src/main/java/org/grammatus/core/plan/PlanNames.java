package org.grammatus.core.plan;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** The names of a report's expressions: its dataset's fields and the ends of its period prompts. Notes which fields are used. */
final class PlanNames implements Names {

    private static final String FROM = "_from";
    private static final String TO = "_to";

    private final DatasetModel dataset;
    private final List<ResolvedPrompt> prompts;
    private final Set<String> used = new TreeSet<>();

    PlanNames(DatasetModel dataset, List<ResolvedPrompt> prompts) {
        this.dataset = dataset;
        this.prompts = prompts;
    }

    Set<String> used() {
        return used;
    }

    @Override
    public Optional<Typed.Field> field(String name, boolean quoted) {
        return dataset.fields().keySet().stream()
                .filter(id -> quoted ? id.equals(name) : id.equalsIgnoreCase(name))
                .findFirst()
                .map(id -> {
                    used.add(id);
                    return new Typed.Field(id, dataset.field(id).type());
                });
    }

    @Override
    public Collection<String> fieldNames() {
        return dataset.fields().keySet();
    }

    @Override
    public Optional<Scalar> prompt(String name) {
        for (ResolvedPrompt prompt : prompts) {
            if (name.equals(prompt.prompt().name() + FROM)) {
                return Optional.of(date(prompt.period().from()));
            }
            if (name.equals(prompt.prompt().name() + TO)) {
                return Optional.of(date(prompt.period().to()));
            }
        }
        return Optional.empty();
    }

    @Override
    public Collection<String> promptNames() {
        List<String> names = new ArrayList<>();
        for (ResolvedPrompt prompt : prompts) {
            names.add(prompt.prompt().name() + FROM);
            names.add(prompt.prompt().name() + TO);
        }
        return names;
    }

    /** The names after a colon that have no answer. */
    Set<String> unanswered() {
        Set<String> names = new TreeSet<>();
        for (ResolvedPrompt prompt : prompts) {
            if (prompt.period().from().isEmpty()) {
                names.add(prompt.prompt().name() + FROM);
            }
            if (prompt.period().to().isEmpty()) {
                names.add(prompt.prompt().name() + TO);
            }
        }
        return names;
    }

    private static Scalar date(Optional<LocalDate> end) {
        return end.<Scalar>map(Scalar.Date::new).orElse(new Scalar.Null(Type.DATE));
    }
}
