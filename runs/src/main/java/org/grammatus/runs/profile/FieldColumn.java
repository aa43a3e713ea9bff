package org.grammatus.runs.profile;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DatasetNames;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.Formats;
import org.grammatus.core.table.Column;
import org.grammatus.core.table.Evaluator;
import org.grammatus.core.table.Faults;
import org.grammatus.core.table.Star;
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

    /** Reads what one field needs. */
    static FieldColumn read(DatasetReader reader, DatasetModel dataset, String field, LocalDate today) {
        Set<String> fields = new TreeSet<>();
        note(typed(dataset, field, today), fields);
        return of(reader.read(new Reading(dataset, fields, Set.of()), ReadProgress.SILENT), dataset, field, today);
    }

    /**
     * Takes a field from rows that were read.
     *
     * @param dataset whose dictionary has the field; its tables are those of the rows
     */
    static FieldColumn of(Star star, DatasetModel dataset, String field, LocalDate today) {
        Typed value = typed(dataset, field, today);
        int home = new Homes(dataset).orGrain(value);
        Column values = Evaluator.evaluate(value, star.at(home), new Faults());
        return new FieldColumn(
                star, home, values, new Labels(value.type(), Formats.of(value, dataset)), dataset.naturalOrder(value));
    }

    private static Typed typed(DatasetModel dataset, String field, LocalDate today) {
        return new DatasetNames(dataset, today).field(field, true).orElseThrow();
    }

    private static void note(Typed value, Set<String> fields) {
        if (value instanceof Typed.Field field) {
            fields.add(field.id());
        }
        value.operands().forEach(operand -> note(operand, fields));
    }

    /** For each row of the grain the row of the home table. */
    int[] path() {
        return star.path(DatasetModel.GRAIN, home);
    }

    int rows() {
        return star.sourceRows(home);
    }
}
