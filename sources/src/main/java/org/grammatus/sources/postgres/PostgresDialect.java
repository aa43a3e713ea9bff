package org.grammatus.sources.postgres;

import java.math.BigDecimal;
import java.sql.ResultSet;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.Optional;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;
import org.grammatus.sources.sql.JdbcView;
import org.grammatus.sources.sql.Sql;
import org.grammatus.sources.sql.TypedDialect;

/** PostgreSQL. Moments with a zone are read as what a clock showed then in one zone. */
public final class PostgresDialect extends TypedDialect {

    /** Digits after the point that are read of a number whose column sets no bound. */
    private static final int USUAL_SCALE = 6;

    /** What the driver says of a number whose column sets no bound. */
    private static final int UNBOUNDED_DIGITS = 131_089;

    public PostgresDialect(ZoneId zone) {
        super(zone);
    }

    @Override
    public String usualSchema() {
        return "public";
    }

    @Override
    public Optional<Type> type(String declared, int digits, int scale) {
        return switch (declared) {
            case "int2", "int4", "int8", "serial", "bigserial", "smallserial", "oid" -> Optional.of(Type.INTEGER);
            case "numeric" ->
                Optional.of(Type.decimal(
                        digits == 0 || digits >= UNBOUNDED_DIGITS
                                ? USUAL_SCALE
                                : Math.clamp(scale, 0, Type.MOST_SCALE)));
            case "float4", "float8" -> Optional.of(Type.decimal(USUAL_SCALE));
            case "date" -> Optional.of(Type.DATE);
            case "timestamp", "timestamptz" -> Optional.of(Type.TIMESTAMP);
            case "bool" -> Optional.of(Type.BOOLEAN);
            case "bytea" -> Optional.empty();
            default -> Optional.of(Type.TEXT);
        };
    }

    @Override
    public boolean isBinary(String declared) {
        return declared.equals("float4") || declared.equals("float8");
    }

    /** Texts padded with blanks, numbers that are rounded and moments with a zone are read as something else. */
    @Override
    public boolean isComparable(String declared, int digits) {
        return switch (declared) {
            case "int2", "int4", "int8", "serial", "bigserial", "smallserial", "date", "timestamp", "text", "varchar" ->
                true;
            case "numeric" -> digits > 0 && digits < UNBOUNDED_DIGITS;
            default -> false;
        };
    }

    @Override
    public String wholeNumbers() {
        return "numeric";
    }

    @Override
    public String byCodePoint(String cell) {
        return "(" + cell + " COLLATE \"C\")";
    }

    @Override
    public String units(String cell, Type held, Type field) {
        String number = "CAST(" + cell + " AS numeric)";
        return held.equals(Type.INTEGER) ? number : "(" + number + " * " + BigDecimal.TEN.pow(field.scale()) + ")";
    }

    @Override
    public Optional<Object> boundUnits(Scalar.Number number, int scale) {
        return Optional.of(number.value().movePointRight(scale));
    }

    /** Decimals carry their own point. */
    @Override
    public Optional<Bound> decimalComparison(
            String cell, Type held, Type field, String operator, Scalar.Number number) {
        return Optional.of(new Bound(cell + " " + operator + " ?", number.value()));
    }

    @Override
    public Sql compared(Sql left, String operator, Sql right, Kind kind) {
        return super.compared(kind == Kind.TEXT ? Sql.of("%s COLLATE \"C\"", left) : left, operator, right, kind);
    }

    @Override
    public JdbcView.Cell cell(String declared) {
        return switch (declared) {
            case "int2", "int4", "int8", "serial", "bigserial", "smallserial", "oid" ->
                (row, column) -> {
                    long value = row.getLong(column);
                    return row.wasNull() ? null : value;
                };
            case "numeric" -> (row, column) -> row.getObject(column, BigDecimal.class);
            case "float4", "float8" ->
                (row, column) -> {
                    double value = row.getDouble(column);
                    return row.wasNull() ? null : value;
                };
            case "date" -> (row, column) -> row.getObject(column, LocalDate.class);
            case "timestamp" -> (row, column) -> row.getObject(column, LocalDateTime.class);
            case "timestamptz" -> this::local;
            case "bool" -> ResultSet::getObject;
            case "bytea" -> ResultSet::getBytes;
            default -> ResultSet::getString;
        };
    }
}
