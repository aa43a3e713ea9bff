package org.grammatus.runs.profile;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.profile.DataSearch;
import org.grammatus.core.value.ScalarText;
import org.grammatus.sources.DatasetReader;

/**
 * Where a text stands in a dataset's data.
 *
 * @param all how many places there are
 * @param places the first of them
 */
public record FoundData(int all, List<Place> places) {

    /** The most places given. */
    public static final int MOST = 50;

    /**
     * A row that has the text, or where its table has no code, a value that contains it.
     *
     * @param noun what the row is
     * @param name what people call it
     * @param field id of the field that holds the text
     * @param value that field's value
     * @param by id of the field that tells the row apart: its code, else the field itself
     * @param key the value that tells it apart
     * @param rows rows of the dataset that lead there
     */
    public record Place(String noun, String name, String field, String value, String by, String key, int rows) {}

    public static FoundData of(DatasetReader reader, DatasetModel dataset, String text, LocalDate today) {
        Star star = ReadableRows.of(reader, dataset, today).star();
        List<DataSearch.Found> found = DataSearch.of(text, star);
        return new FoundData(
                found.size(),
                found.stream().limit(MOST).map(place -> place(place, star)).toList());
    }

    private static Place place(DataSearch.Found found, Star star) {
        var table = star.dataset().table(found.table());
        Optional<String> code = table.code();
        String by = code.orElse(found.field());
        return new Place(
                table.noun().one(),
                table.name().map(name -> value(star, name, found.row())).orElse(found.text()),
                found.field(),
                found.text(),
                by,
                value(star, by, found.row()),
                found.grainRows());
    }

    private static String value(Star star, String field, int row) {
        Column column = star.table(star.dataset().field(field).table()).fields().get(field);
        return ScalarText.write(Scalars.at(column, row));
    }
}
