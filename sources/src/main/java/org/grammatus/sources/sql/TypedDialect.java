package org.grammatus.sources.sql;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.expression.DatePart;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.modelling.TableShape;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.LikePattern;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** What databases have in common whose columns hold values of one type each, and which know the functions of the SQL standard. */
public abstract class TypedDialect implements Dialect {

    private final ZoneId zone;

    /** @param zone in which moments with a zone are told */
    public TypedDialect(ZoneId zone) {
        this.zone = zone;
    }

    /** A moment with a zone as what a clock showed then in the zone of this reading. */
    public Object local(ResultSet row, int column) throws SQLException {
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

    /** The type in which whole numbers are counted. */
    public abstract String wholeNumbers();

    /** A column's texts as they are compared by code points. */
    public abstract String byCodePoint(String cell);

    /** A column's numbers in units of a field's last digit, which it has no more digits than. */
    public abstract String units(String cell, Type held, Type field);

    /** A number as it is bound; none where the database has no such value. */
    public abstract Optional<Object> boundUnits(Scalar.Number number, int scale);

    /** A column of decimals compared with a number. */
    public abstract Optional<Bound> decimalComparison(
            String cell, Type held, Type field, String operator, Scalar.Number number);

    @Override
    public boolean isSystem(String schema, String table) {
        return schema != null && (schema.startsWith("pg_") || schema.equals("information_schema"));
    }

    @Override
    public boolean exactDecimals() {
        return true;
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
            // Whole numbers count in units of the field's last digit.
            case Scalar.Number n
            when type.isNumber() && held.get().equals(Type.INTEGER) ->
                boundUnits(n, type.scale()).map(units -> new Bound(compared, units));
            case Scalar.Number n
            when type.isNumber() && held.get().isNumber() && held.get().scale() <= type.scale() ->
                decimalComparison(cell, held.get(), type, operator, n);
            case Scalar.Text t
            when type.equals(Type.TEXT) && held.get().equals(Type.TEXT) ->
                Optional.of(new Bound(byCodePoint(cell) + " " + operator + " ?", t.value()));
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
            boolean fits = kept.equals(Type.INTEGER) || kept.isNumber() && kept.scale() <= type.scale();
            return fits ? Optional.of(Sql.of(units(cell, kept, type))) : Optional.empty();
        }
        if (!kept.equals(type)) {
            return Optional.empty();
        }
        return switch (type.kind()) {
            case TEXT -> Optional.of(Sql.of(byCodePoint(cell)));
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
            case Scalar.Number n -> boundUnits(n, n.type().scale());
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
            case CHAR_LENGTH -> Optional.of(whole("char_length(%s)", first));
            case TRIM -> Optional.of(Sql.of("TRIM(BOTH ' ' FROM %s)", first));
            case POSITION -> Optional.of(whole("position(%s IN %s)", first, arguments.get(1)));
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

    private Sql whole(String template, Sql... parts) {
        return Sql.of("CAST(" + template + " AS " + wholeNumbers() + ")", parts);
    }

    @Override
    public Optional<Sql> part(DatePart part, Sql time) {
        return Optional.of(whole("EXTRACT(" + part + " FROM CAST(%s AS timestamp))", time));
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
        return Sql.of("(CAST(%s AS date) + CAST(" + days + " AS integer))", date);
    }

    @Override
    public Sql daysBetween(Sql left, Sql right) {
        return whole("CAST(%s AS date) - CAST(%s AS date)", left, right);
    }

    @Override
    public Sql like(Sql text, LikePattern pattern) {
        String escaped = pattern.written("%", "_", piece -> "%_!".contains(piece) ? "!" + piece : piece);
        return Sql.of("%s LIKE %s ESCAPE '!'", text, Sql.bound(escaped));
    }

    @Override
    public Optional<String> sameKey(
            String pointer, Optional<TableShape.Column> pointing, String key, Optional<TableShape.Column> pointed) {
        Optional<Type> from = pointing.filter(TableShape.Column::comparable).flatMap(TableShape.Column::type);
        Optional<Type> to = pointed.filter(TableShape.Column::comparable).flatMap(TableShape.Column::type);
        boolean numbers = from.filter(Type::isNumber).isPresent()
                && to.filter(Type::isNumber).isPresent();
        return from.isPresent() && (from.equals(to) || numbers)
                ? Optional.of(sameKey(pointer, key, from.get()))
                : Optional.empty();
    }

    /** Whether two keys of one type are equal. */
    public String sameKey(String pointer, String key, Type type) {
        return pointer + " = " + key;
    }
}
