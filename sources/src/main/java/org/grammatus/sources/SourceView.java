package org.grammatus.sources;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.modelling.TableShape;
import org.grammatus.core.value.Scalar;

/** A source as it is at one moment: all that is read belongs together. Used by one thread, closed when done. */
public interface SourceView extends AutoCloseable {

    /** Takes the rows of a table one by one. */
    interface RowSink {

        /**
         * A row.
         *
         * @param values in the order of the columns asked for; the array is used again for the next row. Whole numbers are
         *     {@link Integer} or {@link Long}, others {@link java.math.BigDecimal} or {@link Double}, times {@link java.time.LocalDate}
         *     and {@link java.time.LocalDateTime} or ISO 8601 texts
         */
        void row(Object[] values);
    }

    /** The names of the tables that can be read, in alphabetical order. */
    List<String> tables();

    /** A table's columns by name, in their order; none where there is no such table. */
    Optional<Map<String, TableShape.Column>> columns(String table);

    /** All that is known of a table, with its keys; none where there is no such table. */
    Optional<TableShape> table(String name);

    /**
     * Reads all rows of a table.
     *
     * @param columns names of columns, at least one
     * @throws SourceException if there is no such table or column, or the source breaks off
     */
    void read(String table, List<String> columns, RowSink sink);

    /**
     * Reads rows of one of a dataset's tables: all that wanted rows of its grain lead to, and perhaps others.
     *
     * @param table its number in the dataset
     * @return whether the source can tell them from others; if not, none was read. It always can for the grain
     */
    boolean readSome(int table, List<String> columns, PushedRows wanted, RowSink sink);

    /**
     * A figure as the source itself computes it, in one plain statement; none where it may compute it differently than the engine.
     */
    Optional<Computed> figure(FigureQuestion question);

    /**
     * A figure that the source computed.
     *
     * @param statement that it was asked, as people read it
     */
    record Computed(String statement, Scalar value) {}

    /** How many rows a table has. */
    long count(String table);

    /** Whether a table has more rows than a number. */
    boolean hasMore(String table, long rows);

    /** Reads no more than some rows of a table, whichever come first. */
    void sample(String table, List<String> columns, int rows, RowSink sink);

    @Override
    void close();
}
