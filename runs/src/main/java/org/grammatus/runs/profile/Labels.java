package org.grammatus.runs.profile;

import com.ibm.icu.util.ULocale;
import java.util.Optional;
import org.grammatus.core.band.ValueFormat;
import org.grammatus.core.table.Column;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** A field's values as its format prints them; times always with their time of day, which a format may leave out. */
final class Labels {

    private static final ULocale LOCALE = ULocale.forLanguageTag("en-GB");

    private final Type type;
    private final ValueFormat format;

    Labels(Type type, String pattern) {
        this.type = type;
        this.format = new ValueFormat(type, type.equals(Type.TIMESTAMP) ? "d MMM y HH:mm" : pattern, LOCALE);
    }

    String of(Column column, int row) {
        return format.format(column, row);
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
        return column.size() == 0 ? Optional.empty() : Optional.of(of(column, row));
    }
}
