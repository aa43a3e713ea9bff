package org.grammatus.sources;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.sql.ResultSet;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.grammatus.core.compose.TableShape;
import org.grammatus.core.expression.DatePart;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/**
 * DuckDB. Its whole numbers have up to 128 bits and refuse to outgrow them, so what is computed is tried and becomes NULL where it does.
 * Decimals are seen as the engine sees them while they and their scale fit that.
 */
final class DuckDbDialect implements Dialect {

    private static final Pattern DECIMAL = Pattern.compile("DECIMAL\\((\\d+),\\s*(\\d+)\\)");
    private static final int USUAL_SCALE = 6;
    /** With as many more for the scale of a field, they fit 38. */
    private static final int MOST_DIGITS = 18;

    @Override
    public String usualSchema() {
        return "main";
    }

    @Override
    public boolean isSystem(String schema, String table) {
        return schema != null && (schema.startsWith("pg_") || schema.equals("information_schema"));
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
            case "TIMESTAMP" -> Optional.of(Type.TIMESTAMP);
            case "BOOLEAN" -> Optional.of(Type.BOOLEAN);
            case "VARCHAR", "UUID" -> Optional.of(Type.TEXT);
            default -> declared.startsWith("ENUM") ? Optional.of(Type.TEXT) : Optional.empty();
        };
    }

    @Override
    public boolean exactDecimals() {
        return true;
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
    public Optional<Bound> comparison(
            String cell, TableShape.Column column, Type type, String operator, Scalar constant) {
        Optional<Type> held = column.type().filter(t -> column.comparable());
        if (held.isEmpty()) {
            return Optional.empty();
        }
        String compared = cell + " " + operator + " ?";
        return switch (constant) {
            case Scalar.Number n
            when type.isNumber() && held.get().equals(Type.INTEGER) ->
                units(n.value(), type.scale()).map(units -> new Bound(compared, units));
            case Scalar.Number n
            when type.isNumber() && held.get().isNumber() && held.get().scale() == type.scale() ->
                units(n.value(), type.scale())
                        .map(units -> new Bound(units(cell, type.scale()) + " " + operator + " ?", units));
            case Scalar.Text t
            when type.equals(Type.TEXT) && held.get().equals(Type.TEXT) ->
                Optional.of(new Bound(text(cell) + " " + operator + " ?", t.value()));
            case Scalar.Date d
            when type.equals(Type.DATE) && held.get().equals(Type.DATE) -> Optional.of(new Bound(compared, d.value()));
            case Scalar.Timestamp t
            when type.equals(Type.TIMESTAMP) && held.get().equals(Type.TIMESTAMP) ->
                Optional.of(new Bound(compared, t.value()));
            case Scalar.Date d
            when type.equals(Type.TIMESTAMP) && held.get().equals(Type.TIMESTAMP) ->
                Optional.of(new Bound(compared, d.value().atStartOfDay()));
            default -> Optional.empty();
        };
    }

    /** A number in units of a scale; none where it has more digits, or does not fit 64 bits. */
    private static Optional<Object> units(BigDecimal value, int scale) {
        try {
            return Optional.of(value.movePointRight(scale).longValueExact());
        } catch (ArithmeticException e) {
            return Optional.empty();
        }
    }

    private static String units(String decimal, int scale) {
        return "CAST(CAST(" + decimal + " AS DECIMAL(38, " + scale + ")) * " + BigInteger.TEN.pow(scale)
                + " AS HUGEINT)";
    }

    /** A column brings its own order of texts along, also into what is made of it. */
    private static String text(String cell) {
        return "(" + cell + " COLLATE C)";
    }

    @Override
    public Optional<Sql> value(String cell, TableShape.Column column, Type type) {
        Optional<Type> held = column.type().filter(t -> column.comparable());
        if (held.isEmpty()) {
            return Optional.empty();
        }
        Type kept = held.get();
        if (type.isNumber()) {
            if (kept.equals(Type.INTEGER)) {
                // Whole numbers count in units of the field's last digit already.
                return Optional.of(Sql.of("CAST(" + cell + " AS HUGEINT)"));
            }
            return kept.isNumber() && kept.scale() <= type.scale()
                    ? Optional.of(Sql.of(units(cell, type.scale())))
                    : Optional.empty();
        }
        if (!kept.equals(type)) {
            return Optional.empty();
        }
        return switch (type.kind()) {
            case TEXT -> Optional.of(Sql.of(text(cell)));
            case DATE, TIMESTAMP -> Optional.of(Sql.of(cell));
            default -> Optional.empty();
        };
    }

    @Override
    public Optional<String> odd(String cell, Type type) {
        return type.isTime() ? Optional.of(cell + " IS NOT NULL AND NOT isfinite(" + cell + ")") : Optional.empty();
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
    public Optional<Sql> tooLarge(Sql number) {
        return Optional.empty();
    }

    @Override
    public Optional<Object> bound(Scalar constant) {
        return switch (constant) {
            case Scalar.Number n -> units(n.value(), n.type().scale());
            case Scalar.Text t when t.value().indexOf('\0') < 0 -> Optional.of(t.value());
            case Scalar.Date d -> Optional.of(d.value());
            case Scalar.Timestamp t -> Optional.of(t.value());
            default -> Optional.empty();
        };
    }

    @Override
    public Sql compared(Sql left, String operator, Sql right, Kind kind) {
        return Sql.of("%s " + operator + " %s", left, right);
    }

    @Override
    public Optional<Sql> call(Typed.Call call, List<Sql> arguments) {
        Sql first = arguments.getFirst();
        return switch (call.function()) {
            case CHAR_LENGTH -> Optional.of(Sql.of("CAST(length(%s) AS HUGEINT)", first));
            case TRIM -> Optional.of(Sql.of("trim(%s, ' ')", first));
            case POSITION -> Optional.of(Sql.of("CAST(strpos(%s, %s) AS HUGEINT)", arguments.get(1), first));
            case SUBSTRING ->
                SqlText.substring(call)
                        .map(part -> Sql.of(
                                "substring(%s, " + part.from()
                                        + part.length().map(n -> ", " + n).orElse("") + ")",
                                first));
            case ABS -> Optional.of(Sql.of("abs(%s)", first));
            default -> Optional.empty();
        };
    }

    @Override
    public Optional<Sql> part(DatePart part, Sql time) {
        return Optional.of(Sql.of("CAST(EXTRACT(" + part + " FROM CAST(%s AS TIMESTAMP)) AS HUGEINT)", time));
    }

    @Override
    public Sql day(Sql timestamp) {
        return Sql.of("CAST(%s AS DATE)", timestamp);
    }

    @Override
    public Sql beginning(Sql day) {
        return Sql.of("CAST(%s AS TIMESTAMP)", day);
    }

    @Override
    public Sql plusDays(Sql date, long days) {
        return Sql.of("(CAST(%s AS DATE) + CAST(" + days + " AS INTEGER))", date);
    }

    @Override
    public Sql daysBetween(Sql left, Sql right) {
        return Sql.of("CAST(CAST(%s AS DATE) - CAST(%s AS DATE) AS HUGEINT)", left, right);
    }

    @Override
    public Sql like(Sql text, LikePattern pattern) {
        String escaped = pattern.written("%", "_", piece -> "%_!".contains(piece) ? "!" + piece : piece);
        return Sql.of("%s LIKE %s ESCAPE '!'", text, Sql.bound(escaped));
    }

    @Override
    public Optional<String> sameKey(
            String pointer, Optional<TableShape.Column> pointing, String key, Optional<TableShape.Column> pointed) {
        Optional<Type> held = pointing.filter(TableShape.Column::comparable).flatMap(TableShape.Column::type);
        boolean same = held.isPresent()
                && pointed.filter(TableShape.Column::comparable)
                        .flatMap(TableShape.Column::type)
                        .equals(held);
        boolean texts = held.equals(Optional.of(Type.TEXT));
        return same ? Optional.of(texts ? text(pointer) + " = " + text(key) : pointer + " = " + key) : Optional.empty();
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
