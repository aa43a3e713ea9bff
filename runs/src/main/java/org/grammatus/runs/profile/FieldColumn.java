package org.grammatus.runs.profile;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Evaluator;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DatasetNames;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.dataset.Lookups;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.Formats;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.Reading;

/**
 * The values of a field or calculated field at its home table.
 *
 * @param home number of the table
 * @param labels how its values print
 * @param natural its values in their natural order, where it lists them
 */
record FieldColumn(Star star, int home, Column values, Labels labels, Optional<List<String>> natural) {

    /** Reads what one field needs, with the names of its values where they are keys. */
    static FieldColumn read(DatasetReader reader, DatasetModel dataset, String field, LocalDate today) {
        Set<String> fields = new TreeSet<>();
        DatasetNames names = new DatasetNames(dataset, today);
        Typed value = names.field(field, true).orElseThrow();
        value.noteFields(fields);
        new Lookups(dataset, names).nameOf(value).ifPresent(name -> name.noteFields(fields));
        fields.addAll(Namesakes.fields(dataset, field));
        return of(reader.read(new Reading(dataset, fields, Set.of()), ReadProgress.SILENT), dataset, field, today);
    }

    /**
     * Takes a field from rows that were read.
     *
     * @param dataset whose dictionary has the field; its tables are those of the rows
     */
    static FieldColumn of(Star star, DatasetModel dataset, String field, LocalDate today) {
        DatasetNames names = new DatasetNames(dataset, today);
        Typed value = names.field(field, true).orElseThrow();
        int home = new Homes(dataset).orGrain(value);
        Column values = Evaluator.evaluate(value, star.at(home), new Faults());
        Labels labels = new Labels(value.type(), Formats.of(value, dataset));
        Optional<Typed> name = new Lookups(dataset, names).nameOf(value).filter(called -> isRead(called, star));
        return new FieldColumn(
                star,
                home,
                values,
                name.map(called -> labels.named(
                                values,
                                Evaluator.evaluate(called, star.at(home), new Faults()),
                                new Labels(called.type(), Formats.of(called, dataset))))
                        .orElse(labels),
                dataset.naturalOrder(value));
    }

    /** A name's column may be gone from its source while the key is still there. */
    private static boolean isRead(Typed value, Star star) {
        Set<String> fields = new TreeSet<>();
        value.noteFields(fields);
        return fields.stream()
                .allMatch(id ->
                        star.table(star.dataset().field(id).table()).fields().containsKey(id));
    }

    /** For each row of the grain the row of the home table. */
    int[] path() {
        return star.path(DatasetModel.GRAIN, home);
    }

    int rows() {
        return star.sourceRows(home);
    }
}
