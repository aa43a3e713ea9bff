package org.grammatus.sources.sql;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.Dataset.Keep;
import org.grammatus.core.modelling.TableShape;

/** A dataset's tables and joins as SQL; each table goes by its number. */
public final class SqlJoins {

    private final DatasetModel dataset;
    private final Dialect dialect;
    private final Function<String, Optional<Map<String, TableShape.Column>>> columns;
    private final Function<String, String> places;

    public SqlJoins(
            DatasetModel dataset,
            Dialect dialect,
            Function<String, Optional<Map<String, TableShape.Column>>> columns,
            Function<String, String> places) {
        this.dataset = dataset;
        this.dialect = dialect;
        this.columns = columns;
        this.places = places;
    }

    /** A table with its name. */
    public String place(int table) {
        return places.apply(dataset.table(table).table()) + " t" + table;
    }

    /** The columns of a table's key; in brackets where they are several. */
    public String key(int table) {
        List<String> key = dataset.table(table).key();
        String cells = cells(table, key);
        return key.size() == 1 ? cells : "(" + cells + ")";
    }

    /** The columns that hold the key of a row of a table, in the table that points to it. */
    public String pointers(int table) {
        return cells(dataset.pointedFrom(table), dataset.join(table).columns());
    }

    private static String cells(int table, List<String> columns) {
        return columns.stream()
                .map(column -> SqlExpressions.cell(table, column))
                .collect(Collectors.joining(", "));
    }

    /**
     * When a row of a table is the one that a row of the table that points to it leads to; none where the source may see that
     * differently, or the table stands in another source.
     */
    public Optional<String> on(int table) {
        Dataset.Table to = dataset.table(table);
        int pointing = dataset.pointedFrom(table);
        List<String> pointers = dataset.join(table).columns();
        Optional<Map<String, TableShape.Column>> held =
                columns.apply(dataset.table(pointing).table());
        Optional<Map<String, TableShape.Column>> keys = columns.apply(to.table());
        if (held.isEmpty()
                || keys.isEmpty()
                || !to.source().equals(dataset.table(DatasetModel.GRAIN).source())) {
            return Optional.empty();
        }
        List<Optional<String>> equal = IntStream.range(0, pointers.size())
                .mapToObj(i -> dialect.sameKey(
                        SqlExpressions.cell(pointing, pointers.get(i)),
                        Optional.ofNullable(held.get().get(pointers.get(i))),
                        SqlExpressions.cell(table, to.key().get(i)),
                        Optional.ofNullable(keys.get().get(to.key().get(i)))))
                .toList();
        return equal.stream().allMatch(Optional::isPresent)
                ? Optional.of(equal.stream().map(Optional::get).collect(Collectors.joining(" AND ")))
                : Optional.empty();
    }

    /**
     * The grain's table with those that are needed and the ones on the way to them, joined as the dataset joins them; none where the source
     * may see that differently.
     */
    public Optional<String> from(Set<Integer> needed) {
        Set<Integer> all = new TreeSet<>();
        IntStream.range(1, dataset.tableCount())
                .filter(table -> needed.contains(table) || keepsMatched(table))
                .forEach(table -> {
                    for (int t = table; t != DatasetModel.GRAIN; t = dataset.pointedFrom(t)) {
                        all.add(t);
                    }
                });
        StringBuilder from = new StringBuilder(place(DatasetModel.GRAIN));
        Set<Integer> joined = new TreeSet<>(Set.of(DatasetModel.GRAIN));
        while (joined.size() <= all.size()) {
            int next = all.stream()
                    .filter(table -> !joined.contains(table) && joined.contains(dataset.pointedFrom(table)))
                    .findFirst()
                    .orElseThrow();
            Optional<String> on = on(next);
            if (on.isEmpty()) {
                return Optional.empty();
            }
            from.append(keepsMatched(next) ? " JOIN " : " LEFT JOIN ")
                    .append(place(next))
                    .append(" ON ")
                    .append(on.get());
            joined.add(next);
        }
        return Optional.of(from.toString());
    }

    private boolean keepsMatched(int table) {
        return dataset.join(table).keep().equals(Optional.of(Keep.MATCHED));
    }

    /** Number of the table that a field stands in. */
    int tableOf(String field) {
        return dataset.field(field).table();
    }
}
