package org.grammatus.runs;

import com.ibm.icu.util.ULocale;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.grammatus.core.band.ValueFormat;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.plan.Formats;
import org.grammatus.core.table.Column;
import org.grammatus.core.table.Scalars;
import org.grammatus.core.table.Star;
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
        ValueFormat format = new ValueFormat(info.type(), Formats.of(info), ULocale.forLanguageTag("en-GB"));
        Map<String, Value> values = new HashMap<>();
        for (int row = 0; row < column.size(); row++) {
            if (!column.isNull(row) && counts[row] > 0) {
                String text = ScalarText.write(Scalars.at(column, row));
                int rows = counts[row];
                Value known = values.get(text);
                values.put(
                        text,
                        new Value(
                                text,
                                known == null ? format.format(column, row) : known.label(),
                                known == null ? rows : known.rows() + rows));
            }
        }
        String sought = folded(find);
        List<Value> found = new ArrayList<>(values.values());
        found.removeIf(value -> !folded(value.label()).contains(sought)
                && !folded(value.value()).contains(sought));
        found.sort(Comparator.comparingInt(Value::rows).reversed().thenComparing(Value::value));
        return found.subList(0, Math.min(MOST, found.size()));
    }

    private static String folded(String text) {
        return Normalizer.normalize(text, Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT)
                .strip();
    }
}
