package org.grammatus.sources.star;

import java.time.ZoneId;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.sources.Source;
import org.grammatus.sources.SourceException;
import org.grammatus.sources.SourceView;

/** The sources of one read, each opened once, when its first table is read. Used by one thread, closed when done. */
public final class OpenSources implements AutoCloseable {

    private final Function<Optional<String>, Source> sources;
    private final ZoneId zone;
    private final Map<Optional<String>, Open> open = new LinkedHashMap<>();

    /** A source with one view of it. */
    public record Open(Source source, SourceView view) {

        /**
         * Makes sure that a table has columns.
         *
         * @param reader what asks for them, in words
         * @throws SourceException if the source does not have the table or a column
         */
        void require(String table, Collection<String> columns, String reader) {
            Set<String> present = view.columns(table)
                    .orElseThrow(() -> new SourceException(source.name() + " has no table " + table + ", which "
                            + reader + " reads" + Suggestion.inWords(table, view.tables()) + MEND))
                    .keySet();
            for (String column : columns) {
                if (!present.contains(column)) {
                    throw new SourceException(source.name() + ", table " + table + ", has no column " + column
                            + ", which " + reader + " reads" + Suggestion.inWords(column, present) + MEND);
                }
            }
        }
    }

    private static final String MEND = "; take a source of the same shape, or fix the dataset";

    /** @param zone in which moments with a zone are told */
    public OpenSources(Function<Optional<String>, Source> sources, ZoneId zone) {
        this.sources = sources;
        this.zone = zone;
    }

    /** The source that a table names. */
    public Open source(Optional<String> id) {
        return open.computeIfAbsent(id, i -> {
            Source source = sources.apply(i);
            return new Open(source, source.open(zone));
        });
    }

    @Override
    public void close() {
        open.values().forEach(opened -> opened.view().close());
    }
}
