package org.grammatus.core.profile;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.value.FoldedText;

/**
 * Finds where a text stands in a dataset's data, whatever field holds it, ignoring case and accents: which number is this apiary? A table
 * whose rows people tell apart by a code gives its rows, another its distinct values.
 */
public final class DataSearch {

    private final Star star;
    private final String sought;

    /**
     * A place where the text stands.
     *
     * @param table number of the table
     * @param field id of the field that holds it
     * @param row a row of the table that has it; the only one where the table has a code
     * @param grainRows rows of the dataset that lead there
     */
    public record Found(int table, String field, String text, int row, int grainRows) {}

    private DataSearch(Star star, String sought) {
        this.star = star;
        this.sought = FoldedText.of(sought);
    }

    /** All places: those that are the text first, then those that begin with it; then those that most rows lead to. */
    public static List<Found> of(String text, Star star) {
        DataSearch search = new DataSearch(star, text);
        List<Found> found = new ArrayList<>();
        if (!search.sought.isEmpty()) {
            for (int table = 0; table < star.dataset().tableCount(); table++) {
                found.addAll(search.in(table));
            }
        }
        found.sort(Comparator.comparingInt(search::likeness)
                .thenComparing(Comparator.comparingInt(Found::grainRows).reversed())
                .thenComparing(Found::text)
                .thenComparing(Found::table)
                .thenComparing(Found::row));
        return found;
    }

    private int likeness(Found found) {
        String text = FoldedText.of(found.text());
        return text.equals(sought) ? 0 : text.startsWith(sought) ? 1 : 2;
    }

    private List<Found> in(int table) {
        int rows = star.sourceRows(table);
        int[] leading = new int[star.table(table).size()];
        for (int row : star.path(DatasetModel.GRAIN, table)) {
            leading[row]++;
        }
        Optional<String> code = star.dataset().table(table).code();
        Map<Object, Found> found = new LinkedHashMap<>();
        fieldsOf(table).forEach((field, column) -> {
            Map<Integer, Boolean> fits = new HashMap<>();
            for (int row = 0; row < rows; row++) {
                if (!column.isNull(row)
                        && fits.computeIfAbsent(column.codes()[row], c -> fits(column.dictionary()[c]))) {
                    Found here = new Found(table, field, column.text(row), row, leading[row]);
                    if (code.isPresent()) {
                        found.putIfAbsent(row, here);
                    } else {
                        found.merge(List.of(field, column.text(row)), here, DataSearch::together);
                    }
                }
            }
        });
        return List.copyOf(found.values());
    }

    private boolean fits(String text) {
        return FoldedText.of(text).contains(sought);
    }

    private static Found together(Found first, Found other) {
        return new Found(
                first.table(), first.field(), first.text(), first.row(), first.grainRows() + other.grainRows());
    }

    /** The table's texts, the name that people call its rows by first. */
    private Map<String, Column.Texts> fieldsOf(int table) {
        Map<String, Column.Texts> fields = new LinkedHashMap<>();
        star.dataset().table(table).name().ifPresent(name -> putText(table, name, fields));
        star.table(table).fields().keySet().forEach(field -> putText(table, field, fields));
        return fields;
    }

    private void putText(int table, String field, Map<String, Column.Texts> fields) {
        if (star.table(table).fields().get(field) instanceof Column.Texts texts) {
            fields.putIfAbsent(field, texts);
        }
    }
}
