package org.grammatus.core.dataset;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.problem.Suggestion;

/**
 * Fields that hold keys, whose names stand in other fields. Rows are grouped, filtered and chosen by the key; the name is what is shown and
 * put in order.
 */
public final class Lookups {

    private final DatasetModel dataset;
    private final Names names;

    /**
     * The lookups of a dataset.
     *
     * @param names finds the dataset's fields
     */
    public Lookups(DatasetModel dataset, Names names) {
        this.dataset = dataset;
        this.names = names;
    }

    /** What a value is called where it is a key; none where it stands for itself. */
    public Optional<Typed> nameOf(Typed value) {
        return value instanceof Typed.Field field
                ? dataset.field(field.id())
                        .definition()
                        .lookup()
                        .flatMap(name -> names.field(name, true))
                        .map(name -> Typed.LabelledKey.of(field, name))
                : Optional.empty();
    }

    /** What is shown of a value: what its key is called, or itself. */
    public Typed shown(Typed value) {
        return nameOf(value).orElse(value);
    }

    /** Ids of the fields that may have the names of a table's keys, in the order of the dictionary; one cannot name itself. */
    public static List<String> names(int table, DatasetModel dataset) {
        DatasetNames names = new DatasetNames(dataset, LocalDate.EPOCH);
        return dataset.rowNames().stream()
                .filter(name -> fault(table, name, dataset, names).isEmpty())
                .toList();
    }

    /**
     * Checks that each key has at most one name.
     *
     * @throws org.grammatus.core.problem.ProblemException with every fault
     */
    static void check(DatasetModel dataset) {
        Problems problems = new Problems();
        DatasetNames names = new DatasetNames(dataset, LocalDate.EPOCH);
        for (int i = 0; i < dataset.definition().fields().size(); i++) {
            String id = dataset.definition().fields().get(i).id();
            String pointer = "/fields/" + i + "/lookup";
            dataset.field(id)
                    .definition()
                    .lookup()
                    .flatMap(name -> fault(dataset.field(id).table(), name, dataset, names))
                    .ifPresent(fault -> problems.error(pointer, fault));
        }
        problems.throwIfErrors();
    }

    /** What stands against a field as the name of a table's key. */
    private static Optional<String> fault(int table, String name, DatasetModel dataset, DatasetNames names) {
        Optional<Typed> shown = names.field(name, true);
        if (shown.isEmpty()) {
            return Optional.of("unknown field \"" + name + "\"" + Suggestion.inWords(name, dataset.rowNames()));
        }
        int of = new Homes(dataset).orGrain(shown.get());
        if (!dataset.reaches(table, of)) {
            return Optional.of("one " + dataset.table(table).noun().one() + " has no single \"" + name
                    + "\", which has a value for each "
                    + dataset.table(of).noun().one()
                    + "; choose a field of the same table or of one it leads to");
        }
        boolean isKey = shown.get() instanceof Typed.Field f
                && dataset.field(f.id()).definition().lookup().isPresent();
        return isKey
                ? Optional.of("\"" + name + "\" is itself a key; choose the field with the name")
                : Optional.empty();
    }
}
