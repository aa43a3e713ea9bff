package org.grammatus.sources.sqlite;

import java.math.BigDecimal;
import java.sql.ResultSet;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.grammatus.core.expression.DatePart;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.modelling.TableShape;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.LikePattern;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;
import org.grammatus.sources.sql.Dialect;
import org.grammatus.sources.sql.JdbcView;
import org.grammatus.sources.sql.Sql;
import org.grammatus.sources.sql.SqlText;

/** SQLite: a column's declared type is a hint, read as SQLite's own rules of affinity read it, with dates and truth values besides. */
public final class SqliteDialect implements Dialect {

    private static final Pattern SCALED = Pattern.compile("\\(\\s*\\d+\\s*,\\s*(\\d+)\\s*\\)");
    private static final int USUAL_SCALE = 2;
    private static final String DAY_GLOB = "[0-9][0-9][0-9][0-9]-[0-9][0-9]-[0-9][0-9]";
    private static final String SECOND_GLOB = DAY_GLOB + " [0-9][0-9]:[0-9][0-9]:[0-9][0-9]";
    private static final int DAY_LENGTH = 10;
    private static final int SECOND_LENGTH = 19;
    private static final DateTimeFormatter SECONDS = DateTimeFormatter.ofPattern("uuuu-MM-dd HH:mm:ss");

    @Override
    public String usualSchema() {
        return null;
    }

    @Override
    public boolean isSystem(String schema, String table) {
        return table.startsWith("sqlite_");
    }

    @Override
    public Optional<Type> type(String declared, int digits, int scale) {
        String type = declared == null ? "" : declared.toUpperCase(Locale.ROOT);
        if (type.contains("INT")) {
            return Optional.of(Type.INTEGER);
        }
        if (type.contains("CHAR") || type.contains("CLOB") || type.contains("TEXT")) {
            return Optional.of(Type.TEXT);
        }
        if (type.contains("BLOB")) {
            return Optional.empty();
        }
        if (type.contains("DATETIME") || type.contains("TIMESTAMP")) {
            return Optional.of(Type.TIMESTAMP);
        }
        if (type.contains("DATE")) {
            return Optional.of(Type.DATE);
        }
        if (type.contains("BOOL")) {
            return Optional.of(Type.BOOLEAN);
        }
        if (type.isEmpty()) {
            return Optional.of(Type.TEXT);
        }
        Matcher scaled = SCALED.matcher(type);
        return Optional.of(Type.decimal(scaled.find() ? Integer.parseInt(scaled.group(1)) : USUAL_SCALE));
    }

    @Override
    public boolean exactDecimals() {
        return false;
    }

    @Override
    public boolean isBinary(String declared) {
        String type = declared == null ? "" : declared.toUpperCase(Locale.ROOT);
        return type.contains("REAL") || type.contains("FLOA") || type.contains("DOUB");
    }

    /** Any cell may hold anything; each comparison looks for itself. */
    @Override
    public boolean isComparable(String declared, int digits) {
        return true;
    }

    @Override
    public Optional<Bound> comparison(
            String cell, TableShape.Column column, Type type, String operator, Scalar constant) {
        return switch (constant) {
            case Scalar.Number n
            when type.isNumber() ->
                unscaled(n.value(), type)
                        .map(value -> new Bound(
                                "CASE typeof(" + cell + ") WHEN 'integer' THEN " + cell + " " + operator + " ? END",
                                value));
            case Scalar.Text t
            when type.equals(Type.TEXT) ->
                Optional.of(new Bound(
                        "CASE typeof(" + cell + ") WHEN 'text' THEN " + cell + " COLLATE BINARY " + operator + " ? END",
                        t.value()));
            case Scalar.Date d
            when type.equals(Type.DATE) ->
                time(cell, DAY_GLOB, operator, d.value().toString());
            case Scalar.Timestamp t
            when type.equals(Type.TIMESTAMP) && t.value().getNano() == 0 ->
                time(cell, SECOND_GLOB, operator, SECONDS.format(t.value()));
            case Scalar.Date d
            when type.equals(Type.TIMESTAMP) ->
                time(cell, SECOND_GLOB, operator, SECONDS.format(d.value().atStartOfDay()));
            default -> Optional.empty();
        };
    }

    /** Written as ISO 8601 has it, times of one length stand in the order of their texts. */
    private static Optional<Bound> time(String cell, String glob, String operator, String value) {
        return value.length() != DAY_LENGTH && value.length() != SECOND_LENGTH
                ? Optional.empty()
                : Optional.of(new Bound(
                        "CASE WHEN typeof(" + cell + ") = 'text' AND " + cell + " GLOB '" + glob + "' THEN " + cell
                                + " " + operator + " ? END",
                        value));
    }

    /** A number as a cell of the type's scale holds it; none where it has more digits. */
    private static Optional<Long> unscaled(BigDecimal value, Type type) {
        try {
            return Optional.of(value.movePointRight(type.scale()).longValueExact());
        } catch (ArithmeticException e) {
            return Optional.empty();
        }
    }

    @Override
    public Optional<Sql> value(String cell, TableShape.Column column, Type type) {
        // A column brings its own order of texts along, a text made of it none.
        return shape(cell, type).map(shape -> Sql.of(type.equals(Type.TEXT) ? "(" + cell + " || '')" : cell));
    }

    @Override
    public Optional<String> odd(String cell, Type type) {
        return shape(cell, type).map(shape -> cell + " IS NOT NULL AND NOT (" + shape + ")");
    }

    /** Whole numbers that outgrow 64 bits go on as floating ones, which are told by their type. */
    @Override
    public Optional<Sql> tooLarge(Sql number) {
        return Optional.of(Sql.of("typeof(%s) = 'real'", number));
    }

    /** What a cell must look like to be seen as the engine reads it. Text functions end at a character of number 0. */
    private static Optional<String> shape(String cell, Type type) {
        return switch (type.kind()) {
            case INTEGER, DECIMAL -> Optional.of("typeof(" + cell + ") = 'integer'");
            case TEXT -> Optional.of("typeof(" + cell + ") = 'text' AND instr(" + cell + ", char(0)) = 0");
            case DATE -> Optional.of(written(cell, DAY_GLOB));
            case TIMESTAMP -> Optional.of(written(cell, SECOND_GLOB));
            case BOOLEAN -> Optional.empty();
        };
    }

    private static String written(String cell, String glob) {
        return "typeof(" + cell + ") = 'text' AND " + cell + " GLOB '" + glob + "'";
    }

    @Override
    public Optional<Object> bound(Scalar constant) {
        return switch (constant) {
            case Scalar.Number n -> unscaled(n.value(), n.type()).map(Object.class::cast);
            case Scalar.Text t when t.value().indexOf('\0') < 0 -> Optional.of(t.value());
            case Scalar.Date d
            when d.value().toString().length() == DAY_LENGTH ->
                Optional.of(d.value().toString());
            case Scalar.Timestamp t
            when t.value().getNano() == 0 ->
                Optional.of(SECONDS.format(t.value()))
                        .filter(text -> text.length() == SECOND_LENGTH)
                        .map(Object.class::cast);
            default -> Optional.empty();
        };
    }

    @Override
    public Sql compared(Sql left, String operator, Sql right, Kind kind) {
        String collated = kind == Kind.DECIMAL ? "" : " COLLATE BINARY";
        return Sql.of("%s " + operator + " %s" + collated, left, right);
    }

    @Override
    public Optional<Sql> call(Typed.Call call, List<Sql> arguments) {
        Sql first = arguments.getFirst();
        return switch (call.function()) {
            case CHAR_LENGTH -> Optional.of(Sql.of("length(%s)", first));
            case TRIM -> Optional.of(Sql.of("trim(%s)", first));
            case POSITION -> Optional.of(Sql.of("instr(%s, %s)", arguments.get(1), first));
            case SUBSTRING ->
                SqlText.substring(call)
                        .map(part -> Sql.of(
                                "substr(%s, " + part.from()
                                        + part.length().map(n -> ", " + n).orElse("") + ")",
                                first));
            case ABS -> Optional.of(Sql.of("CASE WHEN %s < 0 THEN -%s ELSE %s END", first, first, first));
            default -> Optional.empty();
        };
    }

    @Override
    public Optional<Sql> part(DatePart part, Sql time) {
        return Optional.of(
                switch (part) {
                    case YEAR -> digits(time, 1, 4);
                    case MONTH -> digits(time, 6, 2);
                    case QUARTER -> Sql.of("((%s + 2) / 3)", digits(time, 6, 2));
                    case DAY -> digits(time, 9, 2);
                    case HOUR -> digits(time, 12, 2);
                    case MINUTE -> digits(time, 15, 2);
                });
    }

    private static Sql digits(Sql time, int from, int length) {
        return Sql.of("CAST(substr(%s, " + from + ", " + length + ") AS INTEGER)", time);
    }

    @Override
    public Sql day(Sql timestamp) {
        return Sql.of("substr(%s, 1, " + DAY_LENGTH + ")", timestamp);
    }

    @Override
    public Sql beginning(Sql day) {
        return Sql.of("(%s || ' 00:00:00')", day);
    }

    @Override
    public Sql plusDays(Sql date, long days) {
        return Sql.of("date(%s, '" + days + " days')", date);
    }

    @Override
    public Sql daysBetween(Sql left, Sql right) {
        return Sql.of("CAST(julianday(%s) - julianday(%s) AS INTEGER)", left, right);
    }

    /** GLOB tells cases apart, which LIKE does not here. */
    @Override
    public Sql like(Sql text, LikePattern pattern) {
        String glob = pattern.written("*", "?", piece -> "*?[".contains(piece) ? "[" + piece + "]" : piece);
        return Sql.of("%s GLOB %s", text, Sql.bound(glob));
    }

    /** Numbers are never texts, whatever SQLite would make of them. */
    @Override
    public Optional<String> sameKey(
            String pointer, Optional<TableShape.Column> pointing, String key, Optional<TableShape.Column> pointed) {
        return Optional.of(
                "(" + pointer + " = " + key + " COLLATE BINARY AND typeof(" + pointer + ") = typeof(" + key + "))");
    }

    @Override
    public JdbcView.Cell cell(String declared) {
        return ResultSet::getObject;
    }
}
