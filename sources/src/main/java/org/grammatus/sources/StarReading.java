package org.grammatus.sources;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.CancellationException;
import java.util.stream.Collectors;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.table.Column;
import org.grammatus.core.table.Star;
import org.grammatus.core.value.Type;

/**
 * Reads the tables that are needed, each once, and links each row to the row it points to. Tables that are not needed stay
 * empty but for their missing row. Used once.
 */
final class StarReading {

    private static final int FETCH_SIZE = 10_000;
    private static final int REPORT_EVERY = 8_192;

    private final Reading reading;
    private final DatasetModel dataset;
    private final Connection connection;
    private final String source;
    private final ReadProgress progress;
    private final Set<Integer> needed = new LinkedHashSet<>();
    private long rowsRead;

    StarReading(Reading reading, Connection connection, String source, ReadProgress progress) {
        this.reading = reading;
        this.dataset = reading.dataset();
        this.connection = connection;
        this.source = source;
        this.progress = progress;
    }

    Star read() throws SQLException {
        need(DatasetModel.GRAIN);
        reading.fields().forEach(field -> need(dataset.field(field).table()));
        reading.tables().forEach(this::need);
        List<TableRows> read = new ArrayList<>();
        for (int table = 0; table < dataset.tableCount(); table++) {
            read.add(needed.contains(table) ? readTable(table) : null);
        }
        if (!progress.rowsRead(rowsRead)) {
            throw new CancellationException("The run was cancelled");
        }
        List<Star.Rows> tables = new ArrayList<>();
        for (int table = 0; table < dataset.tableCount(); table++) {
            tables.add(rows(table, read));
        }
        return new Star(dataset, tables);
    }

    private void need(int table) {
        for (int t = table; t >= 0; t = dataset.pointedFrom(t)) {
            needed.add(t);
        }
    }

    /** What was read of a table: fields, its own key, and for each table it points to the key it holds. */
    private static final class TableRows {
        private final Map<String, ColumnBuilder> fields = new LinkedHashMap<>();
        private final List<ColumnBuilder> keys = new ArrayList<>();
        private final KeyIndex index = new KeyIndex();
        private final Map<Integer, List<List<Object>>> pointers = new LinkedHashMap<>();
        private int size;
    }

    private TableRows readTable(int number) throws SQLException {
        Dataset.Table table = dataset.table(number);
        Set<String> columns = new LinkedHashSet<>(table.key());
        TableRows rows = new TableRows();
        Map<String, String> columnOfField = new LinkedHashMap<>();
        for (String id : new TreeSet<>(reading.fields())) {
            DatasetModel.FieldInfo field = dataset.field(id);
            if (field.table() == number) {
                columns.add(field.definition().column());
                columnOfField.put(id, field.definition().column());
                String where = source + ", table " + table.table() + ", column "
                        + field.definition().column();
                rows.fields.put(id, new ColumnBuilder(where, field.type()));
            }
        }
        Map<Integer, List<String>> pointerColumns = new LinkedHashMap<>();
        for (int to : needed) {
            if (dataset.pointedFrom(to) == number) {
                pointerColumns.put(to, dataset.join(to).columns());
                rows.pointers.put(to, new ArrayList<>());
                columns.addAll(dataset.join(to).columns());
            }
        }
        requireColumns(table.table(), columns);
        List<String> order = List.copyOf(columns);
        String sql = order.stream().map(StarReading::quoted).collect(Collectors.joining(", ", "SELECT ", " FROM "))
                + quoted(table.table());
        try (PreparedStatement select = connection.prepareStatement(sql)) {
            select.setFetchSize(FETCH_SIZE);
            try (ResultSet result = select.executeQuery()) {
                fill(number, table, rows, columnOfField, pointerColumns, order, result);
            }
        }
        return rows;
    }

    private void fill(
            int number,
            Dataset.Table table,
            TableRows rows,
            Map<String, String> columnOfField,
            Map<Integer, List<String>> pointerColumns,
            List<String> order,
            ResultSet result)
            throws SQLException {
        int[] keyAt = table.key().stream().mapToInt(order::indexOf).toArray();
        int[] fieldAt = columnOfField.values().stream().mapToInt(order::indexOf).toArray();
        ColumnBuilder[] fields = rows.fields.values().toArray(ColumnBuilder[]::new);
        List<int[]> pointerAt = pointerColumns.values().stream()
                .map(names -> names.stream().mapToInt(order::indexOf).toArray())
                .toList();
        List<List<List<Object>>> pointers = List.copyOf(rows.pointers.values());
        Object[] values = new Object[order.size()];
        while (result.next()) {
            for (int i = 0; i < values.length; i++) {
                values[i] = result.getObject(i + 1);
            }
            for (int i = 0; i < fields.length; i++) {
                fields[i].add(values[fieldAt[i]]);
            }
            List<Object> key = picked(values, keyAt);
            addKey(table, rows, key);
            if (number != DatasetModel.GRAIN && !rows.index.add(key, rows.size)) {
                throw new SourceException(source + ", table " + table.table() + ": two rows have the key " + key
                        + ", so a join to it would repeat rows; correct the rows, or the table's key in the dataset");
            }
            for (int i = 0; i < pointerAt.size(); i++) {
                pointers.get(i).add(picked(values, pointerAt.get(i)));
            }
            rows.size++;
            countRow();
        }
    }

    private void countRow() {
        rowsRead++;
        if (rowsRead % REPORT_EVERY == 0 && !progress.rowsRead(rowsRead)) {
            throw new CancellationException("The run was cancelled");
        }
    }

    /** Keys order rows that are equal in everything else; whole numbers by size, others as texts. */
    private void addKey(Dataset.Table table, TableRows rows, List<Object> key) {
        if (rows.keys.isEmpty()) {
            for (int i = 0; i < key.size(); i++) {
                boolean whole = key.get(i) == null || key.get(i) instanceof Number;
                String where = source + ", table " + table.table() + ", column "
                        + table.key().get(i);
                rows.keys.add(new ColumnBuilder(where, whole ? Type.INTEGER : Type.TEXT));
            }
        }
        for (int i = 0; i < key.size(); i++) {
            rows.keys.get(i).add(key.get(i));
        }
    }

    private static List<Object> picked(Object[] values, int[] at) {
        if (at.length == 1) {
            return Collections.singletonList(values[at[0]]);
        }
        List<Object> picked = new ArrayList<>(at.length);
        for (int i : at) {
            picked.add(values[i]);
        }
        return picked;
    }

    private Star.Rows rows(int table, List<TableRows> read) {
        TableRows rows = read.get(table);
        boolean grain = table == DatasetModel.GRAIN;
        int size = (rows == null ? 0 : rows.size) + (grain ? 0 : 1);
        Map<String, Column> fields = new LinkedHashMap<>();
        if (rows != null) {
            rows.fields.forEach((id, builder) -> {
                if (!grain) {
                    builder.add(null);
                }
                fields.put(id, builder.build());
            });
        }
        List<Column> keys = grain ? rows.keys.stream().map(ColumnBuilder::build).toList() : List.of();
        return new Star.Rows(size, fields, keys, grain ? new int[0] : links(table, read));
    }

    private int[] links(int table, List<TableRows> read) {
        TableRows from = read.get(dataset.pointedFrom(table));
        boolean fromGrain = dataset.pointedFrom(table) == DatasetModel.GRAIN;
        int fromSize = (from == null ? 0 : from.size) + (fromGrain ? 0 : 1);
        TableRows to = read.get(table);
        int missing = to == null ? 0 : to.size;
        int[] links = new int[fromSize];
        Arrays.fill(links, missing);
        if (from != null && to != null) {
            List<List<Object>> pointers = from.pointers.get(table);
            for (int row = 0; row < from.size; row++) {
                links[row] = to.index.find(pointers.get(row)).orElse(missing);
            }
        }
        return links;
    }

    private void requireColumns(String table, Set<String> columns) throws SQLException {
        Set<String> present = new LinkedHashSet<>();
        try (ResultSet result = connection.getMetaData().getColumns(null, null, escaped(table), "%")) {
            while (result.next()) {
                present.add(result.getString("COLUMN_NAME"));
            }
        }
        if (present.isEmpty()) {
            throw new SourceException(source + " has no table " + table + ", which the dataset \""
                    + dataset.definition().label() + "\" reads; take a database of the same shape");
        }
        for (String column : columns) {
            if (!present.contains(column)) {
                throw new SourceException(source + ", table " + table + ", has no column " + column
                        + ", which the dataset \"" + dataset.definition().label()
                        + "\" reads; take a database of the same"
                        + " shape");
            }
        }
    }

    private String escaped(String table) throws SQLException {
        String escape = connection.getMetaData().getSearchStringEscape();
        return table.replace("_", escape + "_").replace("%", escape + "%");
    }

    private static String quoted(String name) {
        return '"' + name.replace("\"", "\"\"") + '"';
    }
}
