package org.grammatus.core.modelling;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.value.Type;

/**
 * The columns and keys of a table as its source describes them.
 *
 * @param name by which it is read
 * @param key columns of its primary key; empty where it declares none
 * @param unique further sets of columns that are declared to tell rows apart
 * @param references what its foreign keys point to
 * @param exactDecimals whether its source has exact decimals; one without mostly holds money as whole hundredths
 */
public record TableShape(
        String name,
        List<Column> columns,
        List<String> key,
        List<List<String>> unique,
        List<Reference> references,
        boolean exactDecimals) {

    /**
     * A column.
     *
     * @param type of its values; none where it holds what no field can: binary data, for one
     * @param binary whether its numbers are binary floating point, which are rounded when they are read
     * @param comparable whether the source compares its values just as they are read
     */
    public record Column(String name, Optional<Type> type, boolean binary, boolean comparable) {}

    /**
     * A foreign key.
     *
     * @param columns that hold the key
     * @param table that is pointed to
     * @param key its columns, in the same order
     */
    public record Reference(List<String> columns, String table, List<String> key) {}

    public TableShape {
        columns = List.copyOf(columns);
        key = List.copyOf(key);
        unique = List.copyOf(unique);
        references = List.copyOf(references);
    }

    public Optional<Column> column(String name) {
        return columns.stream().filter(column -> column.name().equals(name)).findFirst();
    }
}
