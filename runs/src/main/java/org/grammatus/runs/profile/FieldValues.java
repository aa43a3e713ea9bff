package org.grammatus.runs.profile;

import com.ibm.icu.util.ULocale;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.grammatus.core.choice.ChoiceOrder;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Dictionaries;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.profile.ValueCounts;
import org.grammatus.core.prompt.ChosenText;
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
     * @param rows how many of the dataset's rows have it; none where they are not counted
     * @param namesakes those who share it, where it is a name that several have
     */
    public record Value(String value, String label, Optional<Integer> rows, List<Namesakes.Namesake> namesakes) {}

    /**
     * Which values are wanted.
     *
     * @param find what they must contain, ignoring case and accents; empty for all
     * @param only those wanted alone, as they are written; none for all
     * @param conditions what the rows must meet that have them
     * @param blank whether rows without a value count as having {@link ChosenText#NONE}
     */
    public record Sought(
            String find,
            Optional<ChoiceOrder> order,
            Optional<Set<String>> only,
            List<Typed> conditions,
            boolean blank) {

        /** Whatever the rows have with a text in it. */
        public static Sought of(String find) {
            return new Sought(find, Optional.empty(), Optional.empty(), List.of(), false);
        }

        private int most() {
            return only.map(Set::size).orElse(MOST);
        }
    }

    /** A field's values, at most {@value #MOST} where none are named. */
    public static List<Value> of(
            DatasetReader reader, DatasetModel dataset, String field, Sought sought, LocalDate today) {
        return of(FieldColumn.read(reader, dataset, field, sought.conditions, today), dataset, field, sought);
    }

    /**
     * The same of rows that were read.
     *
     * @param rows numbers of the grain's rows that are counted
     */
    public static List<Value> of(
            Star star, int[] rows, DatasetModel dataset, String field, String find, LocalDate today) {
        Sought sought = new Sought(find, Optional.empty(), Optional.empty(), List.of(), true);
        return of(FieldColumn.of(star, dataset, field, today).of(rows), dataset, field, sought);
    }

    private static List<Value> of(FieldColumn column, DatasetModel dataset, String field, Sought sought) {
        int[] counts = new int[column.values().size()];
        for (int row : column.path()) {
            counts[row]++;
        }
        ValueCounts values = ValueCounts.of(column.values(), counts);
        Optional<Namesakes> namesakes = Namesakes.of(column.star(), dataset, field);
        String find = FoldedText.of(sought.find);
        List<Value> found = new ArrayList<>();
        for (int value : inOrder(values, column, sought.order)) {
            if (found.size() == sought.most()) {
                break;
            }
            Scalar scalar = Scalars.at(values.values(), value);
            String text = ScalarText.write(scalar);
            String label = column.labels().of(values.values(), value);
            if (isSought(sought, find, text, label)) {
                found.add(new Value(
                        text,
                        label,
                        Optional.of(values.counts()[value]),
                        namesakes.map(shared -> shared.of(scalar)).orElse(List.of())));
            }
        }
        if (sought.blank && values.blank() > 0 && isSought(sought, find, ChosenText.NONE, ChosenText.NONE)) {
            found.add(new Value(ChosenText.NONE, ChosenText.NONE, Optional.of(values.blank()), List.of()));
        }
        return found;
    }

    private static boolean isSought(Sought sought, String find, String text, String label) {
        return sought.only.map(only -> only.contains(text)).orElse(true)
                && (FoldedText.of(label).contains(find) || FoldedText.of(text).contains(find));
    }

    private static List<Integer> inOrder(ValueCounts values, FieldColumn column, Optional<ChoiceOrder> order) {
        if (order.isEmpty()) {
            return column.natural().isPresent() ? natural(values, column) : values.mostFrequent();
        }
        return switch (order.get()) {
            case FREQUENT -> values.mostFrequent();
            case NATURAL -> natural(values, column);
            case NEWEST -> natural(values, column).reversed();
        };
    }

    /** As the field lists its values, those it does not list after them; else texts by name, all others ascending. */
    private static List<Integer> natural(ValueCounts values, FieldColumn column) {
        List<Integer> ascending =
                IntStream.range(0, values.counts().length).boxed().toList();
        if (!(values.values() instanceof Column.Texts texts)) {
            return ascending;
        }
        if (column.natural().isPresent()) {
            List<String> listed = column.natural().get();
            return values.mostFrequent().stream()
                    .sorted(Comparator.comparingInt(value -> {
                        int place = listed.indexOf(texts.text(value));
                        return place < 0 ? listed.size() : place;
                    }))
                    .toList();
        }
        String[] names = ascending.stream()
                .map(value -> column.labels().of(texts, value))
                .toArray(String[]::new);
        int[] places = Dictionaries.collationRanks(names, ULocale.ENGLISH);
        return ascending.stream()
                .sorted(Comparator.comparingInt(value -> places[value]))
                .toList();
    }
}
