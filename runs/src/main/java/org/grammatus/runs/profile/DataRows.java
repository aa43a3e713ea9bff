package org.grammatus.runs.profile;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.value.ScalarText;
import org.grammatus.sources.DatasetReader;

/**
 * Rows of a dataset as its source has them, every field printed in its format.
 *
 * @param all how many rows there are
 * @param offset how many come before these
 * @param rows printed values in the order of the dataset's fields, calculated ones last, row by row
 */
public record DataRows(int all, int offset, List<List<String>> rows) {

    /** The most rows given at once. */
    public static final int MOST = 200;

    /**
     * What rows must have to be shown.
     *
     * @param value the field's value as conditions write it; empty for blank ones
     */
    public record Only(String field, String value) {}

    /** Some of the rows, in the order in which the source gave them. */
    public static DataRows of(
            DatasetReader reader, DatasetModel dataset, Optional<Only> only, int offset, int limit, LocalDate today) {
        ReadableRows readable = ReadableRows.of(reader, dataset, today);
        Star star = readable.star();
        int[] all = IntStream.range(0, star.rowCount())
                .filter(only.map(o -> has(FieldColumn.of(star, dataset, o.field(), today), o.value()))
                        .orElse(row -> true))
                .toArray();
        int from = Math.clamp(offset, 0, all.length);
        int[] shown = Arrays.copyOfRange(all, from, Math.min(all.length, from + Math.clamp(limit, 0, MOST)));
        List<List<String>> rows = new ArrayList<>();
        for (int i = 0; i < shown.length; i++) {
            rows.add(new ArrayList<>());
        }
        for (String field : dataset.rowNames()) {
            if (readable.missing().containsKey(field)) {
                rows.forEach(row -> row.add(""));
                continue;
            }
            FieldColumn column = FieldColumn.of(star, dataset, field, today);
            int[] path = column.path();
            for (int i = 0; i < shown.length; i++) {
                rows.get(i).add(column.labels().of(column.values(), path[shown[i]]));
            }
        }
        return new DataRows(all.length, from, rows);
    }

    private static IntPredicate has(FieldColumn column, String value) {
        int[] path = column.path();
        // Decided once for each row of the home table, not for each row of the grain.
        boolean[] fits = new boolean[column.values().size()];
        for (int row = 0; row < fits.length; row++) {
            fits[row] = ScalarText.write(Scalars.at(column.values(), row)).equals(value);
        }
        return row -> fits[path[row]];
    }
}
