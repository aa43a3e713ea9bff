package org.grammatus.runs.profile;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.profile.ValueCounts;
import org.grammatus.core.table.Column;
import org.grammatus.core.table.Scalars;
import org.grammatus.core.table.Star;
import org.grammatus.core.value.FoldedText;
import org.grammatus.core.value.ScalarText;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.Reading;
import org.grammatus.sources.Source;

/** The values a field has, counted over the dataset's rows. */
public final class FieldValues {

    /** The most values given at once; a longer list is searched. */
    public static final int MOST = 200;

    private FieldValues() {}

    /**
     * A value.
     *
     * @param value as it is written in conditions and answers
     * @param label as it is printed
     * @param rows how many of the dataset's rows have it
     */
    public record Value(String value, String label, int rows) {}

    /**
     * A field's values but blank, most frequent first, at most {@value #MOST}.
     *
     * @param find what they must contain, ignoring case and accents; empty for all
     */
    public static List<Value> of(Source source, DatasetModel dataset, String field, String find) {
        Star star = source.read(new Reading(dataset, Set.of(field), Set.of()), ReadProgress.SILENT);
        DatasetModel.FieldInfo info = dataset.field(field);
        Column column = star.table(info.table()).fields().get(field);
        int[] counts = new int[column.size()];
        for (int row : star.path(DatasetModel.GRAIN, info.table())) {
            counts[row]++;
        }
        Labels labels = new Labels(info);
        ValueCounts values = ValueCounts.of(column, counts);
        String sought = FoldedText.of(find);
        List<Value> found = new ArrayList<>();
        for (int value : values.mostFrequent()) {
            String text = ScalarText.write(Scalars.at(values.values(), value));
            String label = labels.of(values.values(), value);
            if (FoldedText.of(label).contains(sought) || FoldedText.of(text).contains(sought)) {
                found.add(new Value(text, label, values.counts()[value]));
            }
        }
        return found.subList(0, Math.min(MOST, found.size()));
    }
}
