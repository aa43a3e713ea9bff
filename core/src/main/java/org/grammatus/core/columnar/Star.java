package org.grammatus.core.columnar;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.Typed;

/**
 * A dataset's rows: the grain's, and once each the rows of the tables it points to.
 *
 * <p>Every table but the grain's has one row more than the source: the <em>missing row</em>, last, in which every field is NULL.
 * It stands for what a row points to where it points to nothing. Immutable by convention.
 */
public final class Star {

    private final DatasetModel dataset;
    private final List<Rows> tables;
    private final int[][] fromGrain;
    /** By what looks for rows of another dataset, the keys that have them. */
    private final Map<Typed.SemiJoin, RelatedKeys> related;
    /** Whether no row was left out that fails a condition. */
    private final boolean complete;

    private volatile long bytes = -1;

    /**
     * The rows of one table.
     *
     * @param size number of rows, the missing row included
     * @param fields columns by field id
     * @param keys the columns of the grain's key, which order rows that are equal in everything else; none where the rows stand
     *     in the order of their key, and for other tables
     * @param links for each row of the table that points here, the row of this table; empty for the grain
     * @param leftOut grain rows dropped by an inner join to this table
     * @param whole whether rows are here, too, that no row of the grain leads to
     */
    public record Rows(
            int size, Map<String, Column> fields, List<Column> keys, int[] links, int leftOut, boolean whole) {

        /** All rows of a table, for which nothing was left out. */
        public Rows(int size, Map<String, Column> fields, List<Column> keys, int[] links) {
            this(size, fields, keys, links, 0, true);
        }
    }

    public Star(DatasetModel dataset, List<Rows> tables) {
        this(dataset, tables, Map.of(), true);
    }

    private Star(DatasetModel dataset, List<Rows> tables, Map<Typed.SemiJoin, RelatedKeys> related, boolean complete) {
        this.dataset = dataset;
        this.tables = List.copyOf(tables);
        this.fromGrain = new int[tables.size()][];
        this.related = Map.copyOf(related);
        this.complete = complete;
    }

    /** A copy with the matches of semi-joins ({@code EXISTS}) attached. */
    public Star with(Map<Typed.SemiJoin, RelatedKeys> others) {
        return new Star(dataset, tables, others, complete);
    }

    /** The same rows, beside which is known what is known beside others. */
    public Star relatedAs(Star other) {
        return new Star(dataset, tables, other.related, complete);
    }

    /** The same rows, of which it is known that others were left out because they fail a condition. */
    public Star partial() {
        return complete ? new Star(dataset, tables, related, false) : this;
    }

    /** Whether all rows of the grain are here, those among them that conditions do not keep. */
    public boolean isComplete() {
        return complete;
    }

    /** The same with the rows of one table in the place of others. */
    public Star with(int number, Rows rows) {
        List<Rows> others = new ArrayList<>(tables);
        others.set(number, rows);
        return new Star(dataset, others, related, complete);
    }

    public DatasetModel dataset() {
        return dataset;
    }

    /** Rows at the grain. */
    public int rowCount() {
        return tables.get(DatasetModel.GRAIN).size();
    }

    public Rows table(int number) {
        return tables.get(number);
    }

    /** Whether every table is whole. */
    public boolean isWhole() {
        return tables.stream().allMatch(Rows::whole);
    }

    /** Rows that a table has in its source: the missing row is none. */
    public int sourceRows(int table) {
        return tables.get(table).size() - (table == DatasetModel.GRAIN ? 0 : 1);
    }

    /** Whether a row stands for nothing. */
    public boolean isMissing(int table, int row) {
        return table != DatasetModel.GRAIN && row == tables.get(table).size() - 1;
    }

    /**
     * For each row of one table the row of another that it leads to.
     *
     * @throws IllegalArgumentException if the first table does not reach the second
     */
    public int[] path(int from, int to) {
        if (from == DatasetModel.GRAIN) {
            return pathFromGrain(to);
        }
        if (!dataset.reaches(from, to)) {
            throw new IllegalArgumentException("Table " + from + " does not reach table " + to);
        }
        return walk(from, to);
    }

    private synchronized int[] pathFromGrain(int to) {
        if (fromGrain[to] == null) {
            fromGrain[to] = walk(DatasetModel.GRAIN, to);
        }
        return fromGrain[to];
    }

    private int[] walk(int from, int to) {
        if (from == to) {
            int[] itself = new int[tables.get(from).size()];
            for (int i = 0; i < itself.length; i++) {
                itself[i] = i;
            }
            return itself;
        }
        int before = dataset.pointedFrom(to);
        int[] links = tables.get(to).links();
        if (before == from) {
            return links;
        }
        int[] path = walk(from, before).clone();
        for (int i = 0; i < path.length; i++) {
            path[i] = links[path[i]];
        }
        return path;
    }

    /** About how much memory the rows take, in bytes. */
    public long bytes() {
        if (bytes < 0) {
            bytes = countBytes();
        }
        return bytes;
    }

    private long countBytes() {
        long count = 0;
        for (Rows rows : tables) {
            count += 4L * rows.links().length;
            for (Column column : rows.fields().values()) {
                count += column.bytes();
            }
            for (Column column : rows.keys()) {
                count += column.bytes();
            }
        }
        return count;
    }

    /** The fields as seen from one table's rows. */
    public EvaluationContext at(int table) {
        return new EvaluationContext() {
            @Override
            public int size() {
                return tables.get(table).size();
            }

            @Override
            public Column has(Typed.SemiJoin has, List<Column> keys) {
                RelatedKeys found = related.get(has);
                return found == null ? EvaluationContext.super.has(has, keys) : found.among(keys);
            }

            @Override
            public Column field(String id) {
                int home = dataset.field(id).table();
                Column column = tables.get(home).fields().get(id);
                return home == table ? column : column.gather(path(table, home));
            }
        };
    }
}
