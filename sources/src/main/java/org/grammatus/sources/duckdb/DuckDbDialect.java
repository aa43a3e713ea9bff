package org.grammatus.sources.duckdb;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.sql.ResultSet;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;
import org.grammatus.sources.sql.JdbcView;
import org.grammatus.sources.sql.Sql;
import org.grammatus.sources.sql.TypedDialect;

/**
 * DuckDB. Its whole numbers have up to 128 bits and refuse to outgrow them, so what is computed is tried and becomes NULL where it does.
 * Decimals are seen as the engine sees them while they and their scale fit that.
 */
public final class DuckDbDialect extends TypedDialect {

    private static final Pattern DECIMAL = Pattern.compile("DECIMAL\\((\\d+),\\s*(\\d+)\\)");
    private static final int USUAL_SCALE = 6;
    /** With as many more for the scale of a field, they fit 38. */
    private static final int MOST_DIGITS = 18;

    public DuckDbDialect(ZoneId zone) {
        super(zone);
    }

    @Override
    public String usualSchema() {
        return "main";
    }

    @Override
    public Optional<Type> type(String declared, int digits, int scale) {
        Matcher decimal = DECIMAL.matcher(declared);
        if (decimal.matches()) {
            return Optional.of(Type.decimal(Integer.parseInt(decimal.group(2))));
        }
        return switch (declared) {
            case "TINYINT",
                    "SMALLINT",
                    "INTEGER",
                    "BIGINT",
                    "UTINYINT",
                    "USMALLINT",
                    "UINTEGER",
                    "UBIGINT",
                    "HUGEINT" -> Optional.of(Type.INTEGER);
            case "FLOAT", "DOUBLE" -> Optional.of(Type.decimal(USUAL_SCALE));
            case "DATE" -> Optional.of(Type.DATE);
            case "TIMESTAMP", "TIMESTAMP WITH TIME ZONE" -> Optional.of(Type.TIMESTAMP);
            case "BOOLEAN" -> Optional.of(Type.BOOLEAN);
            case "VARCHAR", "UUID" -> Optional.of(Type.TEXT);
            default -> declared.startsWith("ENUM") ? Optional.of(Type.TEXT) : Optional.empty();
        };
    }

    @Override
    public boolean isBinary(String declared) {
        return declared.equals("FLOAT") || declared.equals("DOUBLE");
    }

    @Override
    public boolean isComparable(String declared, int digits) {
        Matcher decimal = DECIMAL.matcher(declared);
        return switch (declared) {
            case "TINYINT", "SMALLINT", "INTEGER", "BIGINT", "DATE", "TIMESTAMP", "VARCHAR" -> true;
            default -> decimal.matches() && Integer.parseInt(decimal.group(1)) <= MOST_DIGITS;
        };
    }

    @Override
    public String wholeNumbers() {
        return "HUGEINT";
    }

    /** A column brings its own order of texts along, also into what is made of it. */
    @Override
    public String byCodePoint(String cell) {
        return "(" + cell + " COLLATE C)";
    }

    @Override
    public String units(String cell, Type held, Type field) {
        String number = held.equals(Type.INTEGER)
                ? cell
                : "CAST(" + cell + " AS DECIMAL(38, " + field.scale() + ")) * " + BigInteger.TEN.pow(field.scale());
        return "CAST(" + number + " AS HUGEINT)";
    }

    /** What does not fit 64 bits would be bound as a binary number. */
    @Override
    public Optional<Object> boundUnits(Scalar.Number number, int scale) {
        try {
            return Optional.of(number.value().movePointRight(scale).longValueExact());
        } catch (ArithmeticException e) {
            return Optional.empty();
        }
    }

    @Override
    public Optional<Bound> decimalComparison(
            String cell, Type held, Type field, String operator, Scalar.Number number) {
        return boundUnits(number, field.scale())
                .map(units -> new Bound(units(cell, held, field) + " " + operator + " ?", units));
    }

    @Override
    public Sql arithmetic(Sql left, String operator, Sql right) {
        return Sql.of("TRY(%s " + operator + " %s)", left, right);
    }

    @Override
    public Optional<Sql> outgrown(Sql left, String operator, Sql right) {
        return Optional.of(Sql.of(
                "%s IS NOT NULL AND %s IS NOT NULL AND %s IS NULL", left, right, arithmetic(left, operator, right)));
    }

    @Override
    public String sameKey(String pointer, String key, Type type) {
        return type.equals(Type.TEXT)
                ? super.sameKey(byCodePoint(pointer), byCodePoint(key), type)
                : super.sameKey(pointer, key, type);
    }

    @Override
    public JdbcView.Cell cell(String declared) {
        return switch (declared) {
            case "TINYINT", "SMALLINT", "INTEGER", "BIGINT" ->
                (row, column) -> {
                    long value = row.getLong(column);
                    return row.wasNull() ? null : value;
                };
            case "UTINYINT", "USMALLINT", "UINTEGER", "UBIGINT", "HUGEINT" ->
                (row, column) -> {
                    Object value = row.getObject(column);
                    return value == null ? null : new BigDecimal(value.toString());
                };
            case "DATE" -> (row, column) -> row.getObject(column, LocalDate.class);
            case "TIMESTAMP" -> (row, column) -> row.getObject(column, LocalDateTime.class);
            case "TIMESTAMP WITH TIME ZONE" -> this::local;
            case "FLOAT", "DOUBLE" ->
                (row, column) -> {
                    double value = row.getDouble(column);
                    return row.wasNull() ? null : value;
                };
            case "BOOLEAN" -> ResultSet::getObject;
            default -> declared.startsWith("DECIMAL") ? ResultSet::getBigDecimal : ResultSet::getString;
        };
    }
}
