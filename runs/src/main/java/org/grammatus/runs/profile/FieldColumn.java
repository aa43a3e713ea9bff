package org.grammatus.runs.profile;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
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
import org.grammatus.core.rows.KeptRows;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.Reading;

/**
 * The values of a field or calculated field at its home table.
 *
 * @param home number of the table
 * @param kept numbers of the grain's rows that count
 * @param labels how its values print
 * @param natural its values in their natural order, where it lists them
 */
record FieldColumn(Star star, int home, int[] kept, Column values, Labels labels, Optional<List<String>> natural) {

    /** Reads what one field needs, with the names of its values where they are keys. */
    static FieldColumn read(DatasetReader reader, DatasetModel dataset, String field, LocalDate today) {
        return read(reader, dataset, field, List.of(), today);
    }

    /** Reads the same of the rows that meet all conditions. */
    static FieldColumn read(
            DatasetReader reader, DatasetModel dataset, String field, List<Typed> conditions, LocalDate today) {
        Set<String> fields = new TreeSet<>();
        DatasetNames names = new DatasetNames(dataset, today);
        Typed value = names.field(field, true).orElseThrow();
        value.noteFields(fields);
        new Lookups(dataset, names).nameOf(value).ifPresent(name -> name.noteFields(fields));
        fields.addAll(Namesakes.fields(dataset, field));
        conditions.forEach(condition -> condition.noteFields(fields));
        Star star = reader.read(new Reading(dataset, fields, Set.of()), ReadProgress.SILENT);
        FieldColumn all = of(star, dataset, field, today);
        return conditions.isEmpty() ? all : all.of(KeptRows.meeting(conditions, star));
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
                IntStream.range(0, star.rowCount()).toArray(),
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

    /** The same of some of the rows. */
    FieldColumn of(int[] rows) {
        return new FieldColumn(star, home, rows, values, labels, natural);
    }

    /** For each row of the grain that counts the row of the home table. */
    int[] path() {
        int[] path = star.path(DatasetModel.GRAIN, home);
        return kept.length == path.length
                ? path
                : Arrays.stream(kept).map(row -> path[row]).toArray();
    }

    int rows() {
        return star.sourceRows(home);
    }
}
