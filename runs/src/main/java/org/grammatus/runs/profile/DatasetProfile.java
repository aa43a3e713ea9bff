package org.grammatus.runs.profile;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.profile.FieldProfile;
import org.grammatus.core.profile.JoinMatch;
import org.grammatus.sources.DatasetReader;

/**
 * A dataset at a glance.
 *
 * @param tables by the dataset's order, the grain first
 * @param joins one for each table but the grain
 * @param missing fields that the sources do not have any more
 */
public record DatasetProfile(List<TableRows> tables, List<Join> joins, List<Field> fields, List<Missing> missing) {

    /** A field that cannot be read, and why. */
    public record Missing(String id, String reason) {}

    /** How many rows a table has. */
    public record TableRows(String id, int rows) {}

    /** How the join between two tables, by their ids, matches. */
    public record Join(String id, String from, String to, JoinMatch match) {}

    /**
     * A field at a glance.
     *
     * @param rows rows of its home table
     * @param blank rows without a value
     * @param distinct how many values it has
     * @param samples some of its values as printed, most frequent first
     */
    public record Field(String id, int rows, int blank, int distinct, List<String> samples) {}

    private static final int SAMPLES = 3;

    /** Profiles all of a dataset; reads every field of it. */
    public static DatasetProfile of(DatasetReader reader, DatasetModel dataset, LocalDate today) {
        ReadableRows readable = ReadableRows.of(reader, dataset, today);
        Star star = readable.star();
        List<TableRows> tables = new ArrayList<>();
        List<Join> joins = new ArrayList<>();
        for (int table = 0; table < dataset.tableCount(); table++) {
            tables.add(new TableRows(dataset.table(table).id(), star.sourceRows(table)));
            if (table != DatasetModel.GRAIN) {
                var join = dataset.join(table);
                joins.add(new Join(join.id(), join.from(), join.to(), JoinMatch.to(table, star)));
            }
        }
        List<Field> fields = dataset.rowNames().stream()
                .filter(field -> !readable.missing().containsKey(field))
                .map(field -> field(field, FieldColumn.of(star, dataset, field, today)))
                .toList();
        List<Missing> missing = readable.missing().entrySet().stream()
                .map(entry -> new Missing(entry.getKey(), entry.getValue()))
                .toList();
        return new DatasetProfile(tables, joins, fields, missing);
    }

    private static Field field(String id, FieldColumn column) {
        FieldProfile profile = FieldProfile.of(column.values(), column.rows());
        List<String> samples = profile.values().mostFrequent().stream()
                .limit(SAMPLES)
                .map(value -> column.labels().of(profile.values().values(), value))
                .toList();
        return new Field(id, profile.rows(), profile.blank(), profile.distinct(), samples);
    }
}
