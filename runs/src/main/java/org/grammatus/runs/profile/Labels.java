package org.grammatus.runs.profile;

import com.ibm.icu.util.ULocale;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.band.ValueFormat;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/**
 * A field's values as its format prints them, a key after what it is called; times always with their time of day, which a format may leave
 * out.
 */
final class Labels {

    private static final ULocale LOCALE = ULocale.forLanguageTag("en-GB");

    private final Type type;
    private final ValueFormat format;
    private final Map<Scalar, String> names;

    Labels(Type type, String pattern) {
        this(type, new ValueFormat(type, type.equals(Type.TIMESTAMP) ? "d MMM y HH:mm" : pattern, LOCALE), Map.of());
    }

    private Labels(Type type, ValueFormat format, Map<Scalar, String> names) {
        this.type = type;
        this.format = format;
        this.names = names;
    }

    /**
     * The same values by their names.
     *
     * @param keys values of the field
     * @param called the name of each
     */
    Labels named(Column keys, Column called, Labels texts) {
        Map<Scalar, String> known = new HashMap<>();
        for (int row = 0; row < keys.size(); row++) {
            if (!keys.isNull(row) && !called.isNull(row)) {
                known.putIfAbsent(Scalars.at(keys, row), texts.of(called, row));
            }
        }
        return new Labels(type, format, known);
    }

    String of(Column column, int row) {
        String value = format.format(column, row);
        String name = names.isEmpty() || column.isNull(row) ? null : names.get(Scalars.at(column, row));
        return name == null || name.equals(value) ? value : name + " · " + value;
    }

    /** A value that stands for itself, such as a class's edge; a timestamp's day prints as a day. */
    String of(Scalar value) {
        boolean isFields = value.type().equals(type);
        return isFields ? format.format(value) : new ValueFormat(value.type(), "d MMM y", LOCALE).format(value);
    }

    /** The last value of a column, where it has one. */
    Optional<String> last(Column column) {
        return at(column, column.size() - 1);
    }

    /** The first value of a column, where it has one. */
    Optional<String> first(Column column) {
        return at(column, 0);
    }

    private Optional<String> at(Column column, int row) {
        return column.size() == 0 ? Optional.empty() : Optional.of(format.format(column, row));
    }
}
