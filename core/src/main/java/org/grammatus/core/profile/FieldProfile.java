package org.grammatus.core.profile;

import java.util.Arrays;
import java.util.List;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.value.Type;

/**
 * What the values of a field are like, each row of its home table counted once: an order's freight once an order, however many lines
 * it has.
 *
 * @param rows rows of the home table
 * @param emptyTexts rows whose value is the empty text, which is a value and not blank
 * @param values its distinct values with their rows
 * @param bars how they spread
 */
public record FieldProfile(int rows, int emptyTexts, ValueCounts values, List<Histogram.Bar> bars) {

    /**
     * Profiles a field.
     *
     * @param column its values at its home table
     * @param rows rows of the home table; what the column has beyond them is left out
     */
    public static FieldProfile of(Column column, int rows) {
        int[] once = new int[rows];
        Arrays.fill(once, 1);
        ValueCounts values = ValueCounts.of(column, once);
        return new FieldProfile(rows, emptyTexts(values), values, Histogram.of(values));
    }

    public int blank() {
        return values.blank();
    }

    public int distinct() {
        return values.counts().length;
    }

    private static int emptyTexts(ValueCounts values) {
        boolean first = values.values().type().equals(Type.TEXT)
                && values.counts().length > 0
                && ((Column.Texts) values.values()).text(0).isEmpty();
        return first ? values.counts()[0] : 0;
    }
}
