package org.grammatus.runs.profile;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.profile.FieldProfile;
import org.grammatus.core.profile.ValueCounts;
import org.grammatus.core.value.ScalarText;
import org.grammatus.sources.DatasetReader;

/**
 * All that is known of one field's values, each row of its home table counted once.
 *
 * @param rows rows of the home table
 * @param blank rows without a value
 * @param emptyTexts rows whose value is the empty text
 * @param distinct how many values it has
 * @param smallest as printed, texts by code point
 * @param frequent its most frequent values
 * @param bars how numbers and dates spread; empty for others
 */
public record FieldDetail(
        String id,
        int rows,
        int blank,
        int emptyTexts,
        int distinct,
        Optional<String> smallest,
        Optional<String> largest,
        List<FieldValues.Value> frequent,
        List<Bar> bars) {

    /** A class of values, its edges as printed. */
    public record Bar(String from, String below, int rows) {}

    private static final int FREQUENT = 12;

    public static FieldDetail of(DatasetReader reader, DatasetModel dataset, String field, LocalDate today) {
        FieldColumn column = FieldColumn.read(reader, dataset, field, today);
        FieldProfile profile = FieldProfile.of(column.values(), column.rows());
        ValueCounts values = profile.values();
        Labels labels = column.labels();
        return new FieldDetail(
                field,
                profile.rows(),
                profile.blank(),
                profile.emptyTexts(),
                profile.distinct(),
                labels.first(values.values()),
                labels.last(values.values()),
                values.mostFrequent().stream()
                        .limit(FREQUENT)
                        .map(value -> new FieldValues.Value(
                                ScalarText.write(Scalars.at(values.values(), value)),
                                labels.of(values.values(), value),
                                Optional.of(values.counts()[value]),
                                List.of()))
                        .toList(),
                profile.bars().stream()
                        .map(bar -> new Bar(labels.of(bar.from()), labels.of(bar.below()), bar.rows()))
                        .toList());
    }
}
