package org.grammatus.sources.sql;

import java.sql.Connection;
import java.sql.DatabaseMetaData;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.ResultSetMetaData;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.grammatus.core.modelling.TableShape;
import org.grammatus.sources.FigureQuestion;
import org.grammatus.sources.PushedRows;
import org.grammatus.sources.ReadLimits;
import org.grammatus.sources.SourceException;
import org.grammatus.sources.SourceView;

/** A database as one read-only transaction sees it. Reads what standard metadata says and whole columns of tables, nothing else. */
public final class JdbcView implements SourceView {

    private static final int FETCH_SIZE = 10_000;
    private static final String[] KINDS = {
        "TABLE", "BASE TABLE", "VIEW", "MATERIALIZED VIEW", "FOREIGN TABLE", "PARTITIONED TABLE"
    };

    private final String name;
    private final Connection connection;
    private final Dialect dialect;
    private final ReadLimits limits;
    private final FailureWords failure;
    private final Map<String, Optional<Map<String, TableShape.Column>>> columns = new HashMap<>();
    private Map<String, Named> named;

    /** Says in words why a source failed. */
    public interface FailureWords {
        SourceException of(SQLException cause);
    }

    /** A table's name and the schema it stands in, if there are schemas. */
    private record Named(String schema, String table) {}

    /**
     * A view over an open connection, which is closed with it.
     *
     * @param name what the source is called
     * @param connection read-only, in a transaction
     */
    public JdbcView(String name, Connection connection, Dialect dialect, ReadLimits limits, FailureWords failure) {
        this.name = name;
        this.connection = connection;
        this.dialect = dialect;
        this.limits = limits;
        this.failure = failure;
    }

    @Override
    public List<String> tables() {
        return List.copyOf(named().keySet());
    }

    private Map<String, Named> named() {
        if (named == null) {
            Map<String, Named> found = new TreeMap<>();
            try (ResultSet tables = connection.getMetaData().getTables(null, null, "%", KINDS)) {
                while (tables.next()) {
                    Named table = new Named(tables.getString("TABLE_SCHEM"), tables.getString("TABLE_NAME"));
                    if (!dialect.isSystem(table.schema, table.table)) {
                        found.put(name(table.schema, table.table), table);
                    }
                }
            } catch (SQLException e) {
                throw failure.of(e);
            }
            named = found;
        }
        return named;
    }

    /** Tables outside the usual schema are told by their schema too. */
    private String name(String schema, String table) {
        return schema == null || schema.equals(dialect.usualSchema()) ? table : schema + "." + table;
    }

    @Override
    public Optional<Map<String, TableShape.Column>> columns(String table) {
        return columns.computeIfAbsent(
                table, name -> Optional.ofNullable(named().get(name)).map(this::columnsOf));
    }

    @Override
    public Optional<TableShape> table(String name) {
        return columns(name).map(found -> shape(name, List.copyOf(found.values())));
    }

    private TableShape shape(String name, List<TableShape.Column> found) {
        Named table = named().get(name);
        try {
            return new TableShape(name, found, key(table), unique(table), references(table), dialect.exactDecimals());
        } catch (SQLException e) {
            throw failure.of(e);
        }
    }

    private Map<String, TableShape.Column> columnsOf(Named table) {
        Map<String, TableShape.Column> found = new LinkedHashMap<>();
        try {
            DatabaseMetaData meta = connection.getMetaData();
            try (ResultSet row = meta.getColumns(null, pattern(table.schema, meta), pattern(table.table, meta), "%")) {
                while (row.next()) {
                    String name = row.getString("COLUMN_NAME");
                    String declared = row.getString("TYPE_NAME");
                    found.put(
                            name,
                            new TableShape.Column(
                                    name,
                                    dialect.type(declared, row.getInt("COLUMN_SIZE"), row.getInt("DECIMAL_DIGITS")),
                                    dialect.isBinary(declared),
                                    dialect.isComparable(declared, row.getInt("COLUMN_SIZE"))));
                }
            }
        } catch (SQLException e) {
            throw failure.of(e);
        }
        return found;
    }

    private static String pattern(String name, DatabaseMetaData meta) throws SQLException {
        String escape = meta.getSearchStringEscape();
        return name == null ? null : name.replace("_", escape + "_").replace("%", escape + "%");
    }

    private List<String> key(Named table) throws SQLException {
        Map<Integer, String> columns = new TreeMap<>();
        try (ResultSet key = connection.getMetaData().getPrimaryKeys(null, table.schema, table.table)) {
            while (key.next()) {
                columns.put(key.getInt("KEY_SEQ"), key.getString("COLUMN_NAME"));
            }
        }
        return List.copyOf(columns.values());
    }

    private List<List<String>> unique(Named table) throws SQLException {
        Map<String, List<String>> columns = new LinkedHashMap<>();
        try (ResultSet index = connection.getMetaData().getIndexInfo(null, table.schema, table.table, true, true)) {
            while (index.next()) {
                // An index over part of the rows tells only those apart.
                if (index.getString("COLUMN_NAME") != null && index.getString("FILTER_CONDITION") == null) {
                    columns.computeIfAbsent(index.getString("INDEX_NAME"), n -> new ArrayList<>())
                            .add(index.getString("COLUMN_NAME"));
                }
            }
        }
        return columns.values().stream().map(List::copyOf).toList();
    }

    private List<TableShape.Reference> references(Named table) throws SQLException {
        Map<String, TableShape.Reference> references = new LinkedHashMap<>();
        try (ResultSet key = connection.getMetaData().getImportedKeys(null, table.schema, table.table)) {
            String current = null;
            int count = 0;
            while (key.next()) {
                // The first column of a key begins the next reference: names of keys may be missing or the same.
                if (key.getInt("KEY_SEQ") <= 1 || current == null) {
                    current = String.valueOf(count++);
                    references.put(
                            current,
                            new TableShape.Reference(
                                    new ArrayList<>(),
                                    name(key.getString("PKTABLE_SCHEM"), key.getString("PKTABLE_NAME")),
                                    new ArrayList<>()));
                }
                references.get(current).columns().add(key.getString("FKCOLUMN_NAME"));
                references.get(current).key().add(key.getString("PKCOLUMN_NAME"));
            }
        }
        return List.copyOf(references.values());
    }

    @Override
    public void read(String table, List<String> columns, RowSink sink) {
        read(select(columns) + place(table), List.of(), columns.size(), 0, sink);
    }

    @Override
    public boolean readSome(int table, List<String> columns, PushedRows wanted, RowSink sink) {
        SqlConditions conditions = new SqlConditions(wanted, dialect, this::columns, this::place);
        Optional<String> from = conditions.from(table, wanted.conditions());
        from.ifPresent(rows -> read(select(columns) + rows, conditions.parameters(), columns.size(), 0, sink));
        return from.isPresent();
    }

    @Override
    public void sample(String table, List<String> columns, int rows, RowSink sink) {
        read(select(columns) + place(table), List.of(), columns.size(), rows, sink);
    }

    @Override
    public long count(String table) {
        return number(Sql.of("SELECT COUNT(*) FROM " + place(table)));
    }

    @Override
    public boolean hasMore(String table, long rows) {
        long most = rows + 1;
        return number(Sql.of("SELECT COUNT(*) FROM (SELECT 1 FROM " + place(table) + " LIMIT " + most + ") AS t"))
                == most;
    }

    @Override
    public Optional<Computed> figure(FigureQuestion question) {
        return SqlFigure.of(question, dialect, this::columns, this::place)
                .filter(figure -> figure.odd().map(this::number).orElse(0L) == 0)
                .flatMap(this::asked);
    }

    private Optional<Computed> asked(SqlFigure figure) {
        Object[] answer = new Object[2];
        read(figure.ask(), 2, values -> System.arraycopy(values, 0, answer, 0, 2));
        return figure.value(answer[0], ((Number) answer[1]).longValue())
                .map(value -> new Computed(figure.ask().inWords(), value));
    }

    private long number(Sql sql) {
        long[] number = new long[1];
        read(sql, 1, values -> number[0] = ((Number) values[0]).longValue());
        return number[0];
    }

    private void read(Sql sql, int columns, RowSink sink) {
        read(sql.text(), sql.parameters(), columns, 0, sink);
    }

    private static String select(List<String> columns) {
        return columns.stream().map(JdbcView::quoted).collect(Collectors.joining(", ", "SELECT ", " FROM "));
    }

    /** @param most rows that are read; 0 is all */
    private void read(String sql, List<Object> parameters, int columns, int most, RowSink sink) {
        try (PreparedStatement select = connection.prepareStatement(sql);
                StatementWatch watch = new StatementWatch(select, limits.longestStatement())) {
            try {
                read(select, parameters, columns, most, sink);
            } catch (SQLException e) {
                watch.explain(name, limits.longestStatement());
                throw e;
            }
        } catch (SQLException e) {
            throw failure.of(e);
        }
    }

    private void read(PreparedStatement select, List<Object> parameters, int columns, int most, RowSink sink)
            throws SQLException {
        for (int i = 0; i < parameters.size(); i++) {
            select.setObject(i + 1, parameters.get(i));
        }
        select.setFetchSize(FETCH_SIZE);
        select.setMaxRows(most);
        select.setQueryTimeout((int) limits.longestStatement().toSeconds());
        try (ResultSet result = select.executeQuery()) {
            Cell[] cells = cells(result.getMetaData(), columns);
            Object[] values = new Object[cells.length];
            while (result.next()) {
                for (int i = 0; i < values.length; i++) {
                    values[i] = cells[i].of(result, i + 1);
                }
                sink.row(values);
            }
        }
    }

    private String place(String name) {
        Named table = named().getOrDefault(name, new Named(null, name));
        return (table.schema == null ? "" : quoted(table.schema) + ".") + quoted(table.table);
    }

    /** How a cell of a column is taken from a row. */
    public interface Cell {
        Object of(ResultSet row, int column) throws SQLException;
    }

    private Cell[] cells(ResultSetMetaData meta, int count) throws SQLException {
        Cell[] cells = new Cell[count];
        for (int i = 0; i < count; i++) {
            cells[i] = dialect.cell(meta.getColumnTypeName(i + 1));
        }
        return cells;
    }

    public static String quoted(String name) {
        return '"' + name.replace("\"", "\"\"") + '"';
    }

    @Override
    public void close() {
        try {
            connection.close();
        } catch (SQLException e) {
            System.getLogger(JdbcView.class.getName())
                    .log(System.Logger.Level.DEBUG, "A connection could not be closed", e);
        }
    }
}
