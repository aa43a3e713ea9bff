package org.grammatus.sources.sql;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.expression.DatePart;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.modelling.TableShape;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.LikePattern;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** How one kind of database differs from the others in what is read. */
public interface Dialect {

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

    /** Whether values of a column are compared by the database just as they are read. */
    boolean isComparable(String declared, int digits);

    /**
     * A comparison with its parameter.
     *
     * @param sql with one ? in it
     */
    record Bound(String sql, Object parameter) {}

    /**
     * A field compared with a constant: NULL wherever the database may see it differently than the engine.
     *
     * @param cell the column as SQL has it
     * @param type of the field
     * @return none where it may always see it differently
     */
    Optional<Bound> comparison(String cell, TableShape.Column column, Type type, String operator, Scalar constant);

    /**
     * A cell's value as {@link SqlExpressions} counts on it where no cell is {@link #odd}: numbers in units of their type's last digit,
     * texts compared by code points.
     *
     * @param cell the column as SQL has it
     * @return none where it may always see it differently
     */
    Optional<Sql> value(String cell, TableShape.Column column, Type type);

    /** The condition that a cell meets which the database may see differently than the engine; none where there is no such cell. */
    Optional<String> odd(String cell, Type type);

    /** Two numbers added, taken from each other or multiplied. */
    default Sql arithmetic(Sql left, String operator, Sql right) {
        return Sql.of("(%s " + operator + " %s)", left, right);
    }

    /** The condition under which {@link #arithmetic} gives nothing though both numbers are there; none where it never does. */
    default Optional<Sql> outgrown(Sql left, String operator, Sql right) {
        return Optional.empty();
    }

    /** The condition that a number meets which outgrew what the database holds exactly; none where there is no such bound. */
    Optional<Sql> tooLarge(Sql number);

    /** A constant as it is bound where {@link #value}s are; none where the database has no such value. */
    Optional<Object> bound(Scalar constant);

    /**
     * A comparison of two values.
     *
     * @param kind of both; of numbers always {@link Kind#DECIMAL}
     */
    Sql compared(Sql left, String operator, Sql right, Kind kind);

    /** A function of values; none where the database computes it differently than the engine. */
    Optional<Sql> call(Typed.Call call, List<Sql> arguments);

    /** A part of a date or timestamp. */
    Optional<Sql> part(DatePart part, Sql time);

    /** The day of a timestamp. */
    Sql day(Sql timestamp);

    /** The timestamp at which a day begins. */
    Sql beginning(Sql day);

    /** The date some days later. */
    Sql plusDays(Sql date, long days);

    /** The whole days from the right date to the left one. */
    Sql daysBetween(Sql left, Sql right);

    /** Whether a text is like a pattern, by code points. */
    Sql like(Sql text, LikePattern pattern);

    /** Whether two keys are equal, by value; none where the database may see it differently than the engine. */
    Optional<String> sameKey(
            String pointer, Optional<TableShape.Column> pointing, String key, Optional<TableShape.Column> pointed);

    /** How a cell of a column of this type is taken from a row. */
    JdbcView.Cell cell(String declared);
}
