package org.grammatus.runs.profile;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DatasetNames;
import org.grammatus.core.expression.Typed;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.Reading;
import org.grammatus.sources.SourceException;

/**
 * All of a dataset that can be read: where its sources lost a column, the others are there all the same.
 *
 * @param missing by the id of each field or calculated field that cannot be read, why
 */
record ReadableRows(Star star, Map<String, String> missing) {

    static ReadableRows of(DatasetReader reader, DatasetModel dataset, LocalDate today) {
        try {
            return new ReadableRows(reader.read(Reading.all(dataset), ReadProgress.SILENT), Map.of());
        } catch (SourceException e) {
            Map<String, String> missing = reader.missing(dataset);
            if (missing.isEmpty()) {
                throw e;
            }
            Star star = reader.read(Reading.allBut(dataset, missing.keySet()), ReadProgress.SILENT);
            return new ReadableRows(star, withCalculated(dataset, missing, today));
        }
    }

    /** What is calculated from something that is missing is missing, too. */
    private static Map<String, String> withCalculated(
            DatasetModel dataset, Map<String, String> fields, LocalDate today) {
        Map<String, String> missing = new LinkedHashMap<>(fields);
        DatasetNames names = new DatasetNames(dataset, today);
        dataset.calculated()
                .forEach(value -> names.field(value.id(), true)
                        .flatMap(typed -> lost(typed, fields))
                        .ifPresent(why -> missing.put(value.id(), why)));
        return missing;
    }

    private static Optional<String> lost(Typed value, Map<String, String> fields) {
        if (value instanceof Typed.Field field && fields.containsKey(field.id())) {
            return Optional.of(fields.get(field.id()));
        }
        for (Typed operand : value.operands()) {
            var found = lost(operand, fields);
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }
}
