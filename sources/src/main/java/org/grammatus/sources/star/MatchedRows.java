package org.grammatus.sources.star;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;

/** Inner joins: leaves out rows of the grain that do not lead to a row where the dataset keeps to those that do. */
public final class MatchedRows {

    private MatchedRows() {}

    /**
     * The rows that stay.
     *
     * @param matched whether only rows are kept that lead to a row of the table of a number
     */
    public static Star of(Star star, IntPredicate matched) {
        DatasetModel dataset = star.dataset();
        int[] leftOut = new int[dataset.tableCount()];
        int[] kept = IntStream.range(0, star.rowCount()).toArray();
        for (int table = 1; table < leftOut.length; table++) {
            if (matched.test(table)) {
                int[] path = star.path(DatasetModel.GRAIN, table);
                int to = table;
                int before = kept.length;
                kept = IntStream.of(kept)
                        .filter(row -> !star.isMissing(to, path[row]))
                        .toArray();
                leftOut[table] = before - kept.length;
            }
        }
        return kept.length == star.rowCount() ? star : gathered(star, kept, leftOut);
    }

    private static Star gathered(Star star, int[] kept, int[] leftOut) {
        DatasetModel dataset = star.dataset();
        List<Star.Rows> tables = new ArrayList<>();
        for (int table = 0; table < dataset.tableCount(); table++) {
            Star.Rows rows = star.table(table);
            if (table == DatasetModel.GRAIN) {
                Map<String, Column> fields = new LinkedHashMap<>();
                rows.fields().forEach((id, column) -> fields.put(id, column.gather(kept)));
                List<Column> keys =
                        rows.keys().stream().map(key -> key.gather(kept)).toList();
                tables.add(new Star.Rows(kept.length, fields, keys, rows.links(), rows.leftOut(), rows.whole()));
            } else {
                boolean fromGrain = dataset.pointedFrom(table) == DatasetModel.GRAIN;
                int[] links = fromGrain
                        ? IntStream.of(kept).map(row -> rows.links()[row]).toArray()
                        : rows.links();
                tables.add(new Star.Rows(rows.size(), rows.fields(), rows.keys(), links, leftOut[table], rows.whole()));
            }
        }
        return new Star(dataset, tables);
    }
}
