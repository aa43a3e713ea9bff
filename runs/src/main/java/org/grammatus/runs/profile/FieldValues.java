package org.grammatus.runs.profile;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.profile.ValueCounts;
import org.grammatus.core.table.Column;
import org.grammatus.core.table.Scalars;
import org.grammatus.core.value.FoldedText;
import org.grammatus.core.value.ScalarText;
import org.grammatus.sources.DatasetReader;

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
     * A field's values but blank, in their natural order or most frequent first, at most {@value #MOST}.
     *
     * @param find what they must contain, ignoring case and accents; empty for all
     */
    public static List<Value> of(
            DatasetReader reader, DatasetModel dataset, String field, String find, LocalDate today) {
        FieldColumn column = FieldColumn.read(reader, dataset, field, today);
        Labels labels = column.labels();
        int[] counts = new int[column.values().size()];
        for (int row : column.path()) {
            counts[row]++;
        }
        ValueCounts values = ValueCounts.of(column.values(), counts);
        String sought = FoldedText.of(find);
        List<Value> found = new ArrayList<>();
        for (int value : inOrder(values, column.natural())) {
            String text = ScalarText.write(Scalars.at(values.values(), value));
            String label = labels.of(values.values(), value);
            if (FoldedText.of(label).contains(sought) || FoldedText.of(text).contains(sought)) {
                found.add(new Value(text, label, values.counts()[value]));
            }
        }
        return found.subList(0, Math.min(MOST, found.size()));
    }

    /** As the field lists its values, those it does not list after them; else the most frequent first. */
    private static List<Integer> inOrder(ValueCounts values, Optional<List<String>> natural) {
        List<Integer> frequent = values.mostFrequent();
        if (natural.isEmpty() || !(values.values() instanceof Column.Texts texts)) {
            return frequent;
        }
        List<String> listed = natural.get();
        return frequent.stream()
                .sorted(Comparator.comparingInt(value -> {
                    int place = listed.indexOf(texts.text(value));
                    return place < 0 ? listed.size() : place;
                }))
                .toList();
    }
}
