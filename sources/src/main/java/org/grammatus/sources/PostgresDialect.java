package org.grammatus.sources;

import java.math.BigDecimal;
import java.sql.ResultSet;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.compose.TableShape;
import org.grammatus.core.expression.DatePart;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** PostgreSQL. Moments with a zone are read as what a clock showed then in one zone. */
final class PostgresDialect implements Dialect {

    /** Digits after the point that are read of a number whose column sets no bound. */
    private static final int USUAL_SCALE = 6;

    /** What the driver says of a number whose column sets no bound. */
    private static final int UNBOUNDED_DIGITS = 131_089;

    private final ZoneId zone;

    PostgresDialect(ZoneId zone) {
        this.zone = zone;
    }

    @Override
    public String usualSchema() {
        return "public";
    }

    @Override
    public boolean isSystem(String schema, String table) {
        return schema != null && (schema.startsWith("pg_") || schema.equals("information_schema"));
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
    public boolean exactDecimals() {
        return true;
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
    public Optional<Bound> comparison(
            String cell, TableShape.Column column, Type type, String operator, Scalar constant) {
        Optional<Type> held = column.type().filter(t -> column.comparable());
        if (held.isEmpty()) {
            return Optional.empty();
        }
        String compared = cell + " " + operator + " ?";
        return switch (constant) {
            // Whole numbers count in units of the field's last digit; decimals carry their own point.
            case Scalar.Number n
            when type.isNumber() && held.get().equals(Type.INTEGER) ->
                Optional.of(new Bound(compared, n.value().movePointRight(type.scale())));
            case Scalar.Number n
            when type.isNumber() && held.get().isNumber() && held.get().scale() <= type.scale() ->
                Optional.of(new Bound(compared, n.value()));
            case Scalar.Text t
            when type.equals(Type.TEXT) && held.get().equals(Type.TEXT) ->
                Optional.of(new Bound(cell + " COLLATE \"C\" " + operator + " ?", t.value()));
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

    @Override
    public Optional<Sql> value(String cell, TableShape.Column column, Type type) {
        Optional<Type> held = column.type().filter(t -> column.comparable());
        if (held.isEmpty()) {
            return Optional.empty();
        }
        Type kept = held.get();
        if (type.isNumber()) {
            // Whole numbers count in units of the field's last digit already.
            boolean units = kept.equals(Type.INTEGER);
            return units || kept.isNumber() && kept.scale() <= type.scale()
                    ? Optional.of(Sql.of("CAST(" + cell + " AS numeric)"
                                    + (units ? "" : " * " + BigDecimal.TEN.pow(type.scale()))))
                            .map(number -> Sql.of("(%s)", number))
                    : Optional.empty();
        }
        if (!kept.equals(type)) {
            return Optional.empty();
        }
        return switch (type.kind()) {
            case TEXT -> Optional.of(Sql.of("(" + cell + " COLLATE \"C\")"));
            case DATE, TIMESTAMP -> Optional.of(Sql.of(cell));
            default -> Optional.empty();
        };
    }

    @Override
    public Optional<String> odd(String cell, Type type) {
        return type.isTime() ? Optional.of(cell + " IS NOT NULL AND NOT isfinite(" + cell + ")") : Optional.empty();
    }

    @Override
    public Optional<Sql> tooLarge(Sql number) {
        return Optional.empty();
    }

    @Override
    public Optional<Object> bound(Scalar constant) {
        return switch (constant) {
            case Scalar.Number n ->
                Optional.of(n.value().movePointRight(n.type().scale()));
            case Scalar.Text t when t.value().indexOf('\0') < 0 -> Optional.of(t.value());
            case Scalar.Date d -> Optional.of(d.value());
            case Scalar.Timestamp t -> Optional.of(t.value());
            default -> Optional.empty();
        };
    }

    @Override
    public Sql compared(Sql left, String operator, Sql right, Kind kind) {
        return kind == Kind.TEXT
                ? Sql.of("%s COLLATE \"C\" " + operator + " %s", left, right)
                : Sql.of("%s " + operator + " %s", left, right);
    }

    @Override
    public Optional<Sql> call(Typed.Call call, List<Sql> arguments) {
        Sql first = arguments.getFirst();
        return switch (call.function()) {
            case CHAR_LENGTH -> Optional.of(Sql.of("CAST(char_length(%s) AS numeric)", first));
            case TRIM -> Optional.of(Sql.of("btrim(%s, ' ')", first));
            case POSITION -> Optional.of(Sql.of("CAST(position(%s IN %s) AS numeric)", first, arguments.get(1)));
            case SUBSTRING ->
                SqlText.substring(call)
                        .map(part -> Sql.of(
                                "substring(%s FROM " + part.from()
                                        + part.length().map(n -> " FOR " + n).orElse("") + ")",
                                first));
            case ABS -> Optional.of(Sql.of("abs(%s)", first));
            default -> Optional.empty();
        };
    }

    @Override
    public Optional<Sql> part(DatePart part, Sql time) {
        return Optional.of(
                part == DatePart.MINUTE || part == DatePart.HOUR
                        ? Sql.of("EXTRACT(" + part + " FROM CAST(%s AS timestamp))", time)
                        : Sql.of("EXTRACT(" + part + " FROM %s)", time));
    }

    @Override
    public Sql day(Sql timestamp) {
        return Sql.of("CAST(%s AS date)", timestamp);
    }

    @Override
    public Sql beginning(Sql day) {
        return Sql.of("CAST(%s AS timestamp)", day);
    }

    @Override
    public Sql plusDays(Sql date, long days) {
        return Sql.of("(CAST(%s AS date) + " + days + ")", date);
    }

    @Override
    public Sql daysBetween(Sql left, Sql right) {
        return Sql.of("CAST(CAST(%s AS date) - CAST(%s AS date) AS numeric)", left, right);
    }

    @Override
    public Sql like(Sql text, LikePattern pattern) {
        String escaped = pattern.written("%", "_", piece -> "%_!".contains(piece) ? "!" + piece : piece);
        return Sql.of("%s LIKE %s ESCAPE '!'", text, Sql.bound(escaped));
    }

    @Override
    public Optional<String> sameKey(
            String pointer, Optional<TableShape.Column> pointing, String key, Optional<TableShape.Column> pointed) {
        boolean fit = pointing.isPresent()
                && pointed.isPresent()
                && pointing.get().comparable()
                && pointed.get().comparable()
                && (pointing.get().type().equals(pointed.get().type())
                        || isNumber(pointing.get()) && isNumber(pointed.get()));
        return fit ? Optional.of(pointer + " = " + key) : Optional.empty();
    }

    private static boolean isNumber(TableShape.Column column) {
        return column.type().filter(Type::isNumber).isPresent();
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

    private Object local(ResultSet row, int column) throws java.sql.SQLException {
        OffsetDateTime moment = row.getObject(column, OffsetDateTime.class);
        if (moment == null) {
            return null;
        }
        // Moments without end have no place on a clock; their local time tells them from others all the same.
        boolean endless = moment.equals(OffsetDateTime.MAX) || moment.equals(OffsetDateTime.MIN);
        return endless
                ? moment.toLocalDateTime()
                : moment.atZoneSameInstant(zone).toLocalDateTime();
    }
}
