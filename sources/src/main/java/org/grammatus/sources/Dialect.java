package org.grammatus.sources;

import java.util.Optional;
import org.grammatus.core.value.Type;

/** How one kind of database differs from the others in what is read. */
interface Dialect {

    /** The schema whose tables go by their names alone; null where there are no schemas. */
    String usualSchema();

    /** Whether a table belongs to the database system itself. */
    boolean isSystem(String schema, String table);

    /**
     * The type that a field of a column has.
     *
     * @param declared the column's type as the database calls it
     * @param digits of a number
     * @param scale digits after the point
     * @return none where no field can hold such values
     */
    Optional<Type> type(String declared, int digits, int scale);

    /** Whether there are exact decimals. */
    boolean exactDecimals();

    /** Whether a column's numbers are binary floating point. */
    boolean isBinary(String declared);

    /** How a cell of a column of this type is taken from a row. */
    JdbcView.Cell cell(String declared);
}
