package org.grammatus.sources;

import java.sql.ResultSet;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.grammatus.core.value.Type;

/** SQLite: a column's declared type is a hint, read as SQLite's own rules of affinity read it, with dates and truth values besides. */
final class SqliteDialect implements Dialect {

    private static final Pattern SCALED = Pattern.compile("\\(\\s*\\d+\\s*,\\s*(\\d+)\\s*\\)");
    private static final int USUAL_SCALE = 2;

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

    @Override
    public JdbcView.Cell cell(String declared) {
        return ResultSet::getObject;
    }
}
