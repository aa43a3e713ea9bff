package org.grammatus.core.modelling;

import java.util.List;
import java.util.Objects;
import java.util.function.Predicate;

/**
 * Some of a column's values, as texts; blank ones are left out.
 *
 * @param values in the order of the rows
 */
public record ColumnSample(List<String> values) {

    public static final ColumnSample NONE = new ColumnSample(List.of());

    /** How many rows tell enough of a column. */
    public static final int ROWS = 500;

    public ColumnSample {
        values = values.stream().filter(Objects::nonNull).toList();
    }

    /** Whether there are values and all of them are of a kind. */
    boolean all(Predicate<String> kind) {
        return !values.isEmpty() && values.stream().allMatch(kind);
    }
}
