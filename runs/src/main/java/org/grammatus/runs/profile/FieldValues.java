package org.grammatus.runs.profile;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.profile.ValueCounts;
import org.grammatus.core.value.FoldedText;
import org.grammatus.core.value.Scalar;
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
     * @param namesakes those who share it, where it is a name that several have
     */
    public record Value(String value, String label, int rows, List<Namesakes.Namesake> namesakes) {}

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
        Optional<Namesakes> namesakes = Namesakes.of(column.star(), dataset, field);
        String sought = FoldedText.of(find);
        List<Value> found = new ArrayList<>();
        for (int value : inOrder(values, column.natural())) {
            if (found.size() == MOST) {
                break;
            }
            Scalar scalar = Scalars.at(values.values(), value);
            String text = ScalarText.write(scalar);
            String label = labels.of(values.values(), value);
            if (FoldedText.of(label).contains(sought) || FoldedText.of(text).contains(sought)) {
                found.add(new Value(
                        text,
                        label,
                        values.counts()[value],
                        namesakes.map(shared -> shared.of(scalar)).orElse(List.of())));
            }
        }
        return found;
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
