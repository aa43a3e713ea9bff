package org.grammatus.sources.star;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.CancellationException;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.Dataset.Keep;
import org.grammatus.core.value.Type;
import org.grammatus.sources.PushedRows;
import org.grammatus.sources.ReadLimits;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.Reading;
import org.grammatus.sources.SourceException;
import org.grammatus.sources.SourceView;

/**
 * Reads the tables that are needed, each once, and links each row to the row it points to. Tables that are not needed stay
 * empty but for their missing row; of one that is large beside the rows that point to it, only the rows they lead to are read where that
 * serves. Used once.
 */
public final class StarReading {

    private static final int REPORT_EVERY = 8_192;

    /** Tables up to this many rows are read whole. */
    private static final int SMALL = 10_000;

    /** Others are, too, unless they have more than this many rows for each row that points to them. */
    private static final int LARGE_BESIDE = 2;

    private final Reading reading;
    private final DatasetModel dataset;
    private final OpenSources sources;
    private final ReadLimits limits;
    private final ReadProgress progress;
    private final Set<Integer> needed = new LinkedHashSet<>();
    private long rowsRead;

    public StarReading(Reading reading, OpenSources sources, ReadLimits limits, ReadProgress progress) {
        this.reading = reading;
        this.dataset = reading.dataset();
        this.sources = sources;
        this.limits = limits;
        this.progress = progress;
    }

    public Star read() {
        need(DatasetModel.GRAIN);
        reading.fields().forEach(field -> need(dataset.field(field).table()));
        reading.tables().forEach(this::need);
        for (int table = 1; table < dataset.tableCount(); table++) {
            if (keepsMatched(table)) {
                need(table);
            }
        }
        List<TableRows> read = new ArrayList<>();
        for (int table = 0; table < dataset.tableCount(); table++) {
            read.add(needed.contains(table) ? readTable(table, read) : null);
        }
        if (!progress.rowsRead(rowsRead)) {
            throw new CancellationException("The run was cancelled");
        }
        List<Star.Rows> tables = new ArrayList<>();
        for (int table = 0; table < dataset.tableCount(); table++) {
            tables.add(rows(table, read));
        }
        Star star = MatchedRows.of(new Star(dataset, tables), this::keepsMatched);
        return reading.conditions().isEmpty() ? star : star.partial();
    }

    /** Of the grain and what is needed of the tables it points to: each value, each link, and the grain's key. */
    public long estimatedBytes() {
        need(DatasetModel.GRAIN);
        reading.fields().forEach(field -> need(dataset.field(field).table()));
        reading.tables().forEach(this::need);
        long bytes = 0;
        for (int table : needed) {
            Dataset.Table definition = dataset.table(table);
            long width = definition.key().size() * (long) Long.BYTES;
            for (String id : reading.fields()) {
                if (dataset.field(id).table() == table) {
                    width += dataset.field(id).type().equals(Type.TEXT) ? Integer.BYTES : Long.BYTES;
                }
            }
            for (int to : needed) {
                width += dataset.pointedFrom(to) == table ? Integer.BYTES : 0;
            }
            bytes += width * estimatedRows(table);
        }
        return bytes;
    }

    /** No more rows of a table are needed than lead to it, unless all are. */
    private long estimatedRows(int number) {
        Dataset.Table table = dataset.table(number);
        OpenSources.Open source = sources.source(table.source());
        source.require(table.table(), List.of(), inWords());
        long rows = source.view().count(table.table());
        return number == DatasetModel.GRAIN || reading.wholeTables()
                ? rows
                : Math.min(rows, estimatedRows(dataset.pointedFrom(number)));
    }

    private String inWords() {
        return "the dataset \"" + dataset.definition().label() + "\"";
    }

    private void need(int table) {
        for (int t = table; t >= 0; t = dataset.pointedFrom(t)) {
            needed.add(t);
        }
    }

    private boolean keepsMatched(int table) {
        return dataset.join(table).keep().equals(Optional.of(Keep.MATCHED));
    }

    /** What was read of a table: fields, its own keys, and for each table it points to the keys it holds. */
    private static final class TableRows {
        private final Map<String, ColumnBuilder> fields = new LinkedHashMap<>();
        /** Of the grain, whose keys order its rows. */
        private List<ColumnBuilder> order = List.of();
        /** Of other tables, which are found by their keys. */
        private final KeyColumn keys = new KeyColumn();

        private final Map<Integer, KeyColumn> pointers = new LinkedHashMap<>();
        private int size;
        /** Whether nothing is missing for want of a row that leads to it. */
        private boolean whole;
    }

    private TableRows readTable(int number, List<TableRows> before) {
        Dataset.Table table = dataset.table(number);
        OpenSources.Open source = sources.source(table.source());
        boolean grain = number == DatasetModel.GRAIN;
        TableRows rows = new TableRows();
        List<String> columns = new ArrayList<>(table.key());
        List<ColumnBuilder> builders = new ArrayList<>();
        List<Integer> builderAt = new ArrayList<>();
        for (String id : new TreeSet<>(reading.fields())) {
            DatasetModel.FieldInfo field = dataset.field(id);
            if (field.table() == number) {
                String column = field.definition().column();
                ColumnBuilder builder = new ColumnBuilder(place(source, table, column), field.type());
                rows.fields.put(id, builder);
                builders.add(builder);
                builderAt.add(position(column, columns));
            }
        }
        List<KeyColumn> pointers = new ArrayList<>();
        List<int[]> pointerAt = new ArrayList<>();
        for (int to : needed) {
            if (dataset.pointedFrom(to) == number) {
                KeyColumn held = new KeyColumn();
                rows.pointers.put(to, held);
                pointers.add(held);
                pointerAt.add(dataset.join(to).columns().stream()
                        .mapToInt(column -> position(column, columns))
                        .toArray());
            }
        }
        source.require(table.table(), columns, inWords());
        int[] keyAt = table.key().stream()
                .mapToInt(column -> position(column, columns))
                .toArray();
        ColumnBuilder[] fields = builders.toArray(ColumnBuilder[]::new);
        int[] fieldAt = builderAt.stream().mapToInt(Integer::intValue).toArray();
        SourceView.RowSink sink = values -> {
            for (int i = 0; i < fields.length; i++) {
                fields[i].add(values[fieldAt[i]]);
            }
            if (grain) {
                addOrder(source, table, rows, values, keyAt);
            } else {
                rows.keys.add(values, keyAt);
            }
            for (int i = 0; i < pointerAt.size(); i++) {
                pointers.get(i).add(values, pointerAt.get(i));
            }
            rows.size++;
            countRow(source);
        };
        boolean some = grain ? !reading.conditions().isEmpty() : isLarge(number, before);
        PushedRows wanted = new PushedRows(dataset, reading.others(), reading.conditions());
        boolean all = !some || !source.view().readSome(number, columns, wanted, sink);
        if (all) {
            source.view().read(table.table(), columns, sink);
        }
        rows.whole = grain || all;
        return rows;
    }

    /** Whether a table has so many more rows than point to it that most of them would be read for nothing. */
    private boolean isLarge(int number, List<TableRows> before) {
        Dataset.Table table = dataset.table(number);
        long pointing = before.get(dataset.pointedFrom(number)).size;
        return !reading.wholeTables()
                && sources.source(table.source())
                        .view()
                        .hasMore(table.table(), Math.max(SMALL, LARGE_BESIDE * pointing));
    }

    /** Where a column stands among those that are read; it is added where it is not among them yet. */
    private static int position(String column, List<String> columns) {
        if (!columns.contains(column)) {
            columns.add(column);
        }
        return columns.indexOf(column);
    }

    private static String place(OpenSources.Open source, Dataset.Table table, String column) {
        return place(source, table) + ", column " + column;
    }

    private static String place(OpenSources.Open source, Dataset.Table table) {
        return source.source().name() + ", table " + table.table();
    }

    private void countRow(OpenSources.Open source) {
        rowsRead++;
        if (rowsRead % REPORT_EVERY == 0) {
            if (rowsRead > limits.mostRows()) {
                throw new SourceException(
                        "%s has more than %,d rows, the most that are read at once; take a smaller source, or views of it"
                                .formatted(source.source().name(), limits.mostRows()));
            }
            if (!progress.rowsRead(rowsRead)) {
                throw new CancellationException("The run was cancelled");
            }
        }
    }

    /** Keys order rows that are equal in everything else; whole numbers by size, others as texts. */
    private static void addOrder(
            OpenSources.Open source, Dataset.Table table, TableRows rows, Object[] values, int[] keyAt) {
        if (rows.order.isEmpty()) {
            rows.order = new ArrayList<>();
            for (int i = 0; i < keyAt.length; i++) {
                boolean whole = values[keyAt[i]] == null || values[keyAt[i]] instanceof Number;
                rows.order.add(
                        new ColumnBuilder(place(source, table, table.key().get(i)), whole ? Type.INTEGER : Type.TEXT));
            }
        }
        for (int i = 0; i < keyAt.length; i++) {
            rows.order.get(i).add(values[keyAt[i]]);
        }
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
        return new Star.Rows(
                size,
                fields,
                grain ? order(rows) : List.of(),
                grain ? new int[0] : links(table, read),
                0,
                rows == null || rows.whole);
    }

    /** Rows that came in the order of their key need no key to be ordered by, and it need not be held. */
    private static List<Column> order(TableRows rows) {
        List<Column> keys = rows.order.stream().map(ColumnBuilder::build).toList();
        return keys.size() == 1 && keys.getFirst() instanceof Column.Longs only && ascends(only.values())
                ? List.of()
                : keys;
    }

    private static boolean ascends(long[] values) {
        for (int i = 1; i < values.length; i++) {
            if (values[i - 1] >= values[i]) {
                return false;
            }
        }
        return true;
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
            KeyIndex index = index(table, to.keys);
            KeyColumn pointers = from.pointers.get(table);
            for (int row = 0; row < from.size; row++) {
                int found = index.find(pointers, row);
                links[row] = found < 0 ? missing : found;
            }
        }
        return links;
    }

    private KeyIndex index(int number, KeyColumn keys) {
        KeyIndex index = new KeyIndex(keys);
        OptionalInt repeated = index.repeated();
        if (repeated.isPresent()) {
            Dataset.Table table = dataset.table(number);
            throw new SourceException(place(sources.source(table.source()), table) + ": two rows have the key "
                    + keys.key(repeated.getAsInt())
                    + (index.repeats() == 1 ? "" : ", and %,d more repeat one".formatted(index.repeats() - 1))
                    + ", so a join to it would repeat rows; correct the rows, or the table's key in the dataset");
        }
        return index;
    }
}
