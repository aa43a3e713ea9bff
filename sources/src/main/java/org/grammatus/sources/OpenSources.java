package org.grammatus.sources;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.grammatus.core.compose.TableShape;
import org.grammatus.core.problem.Suggestion;

/** The sources of one read, each opened once, when its first table is read. Used by one thread, closed when done. */
final class OpenSources implements AutoCloseable {

    private final Function<Optional<String>, Source> sources;
    private final Map<Optional<String>, Open> open = new LinkedHashMap<>();

    /** A source with one view of it. */
    record Open(Source source, SourceView view) {

        /**
         * A table's shape, with all the columns asked for.
         *
         * @param reader what asks for it, in words
         * @throws SourceException if the source does not have the table or a column
         */
        TableShape table(String name, Collection<String> columns, String reader) {
            TableShape shape = view.table(name)
                    .orElseThrow(() -> new SourceException(source.name() + " has no table " + name + ", which " + reader
                            + " reads" + Suggestion.inWords(name, view.tables()) + MEND));
            for (String column : columns) {
                if (shape.column(column).isEmpty()) {
                    List<String> present = shape.columns().stream()
                            .map(TableShape.Column::name)
                            .toList();
                    throw new SourceException(source.name() + ", table " + name + ", has no column " + column
                            + ", which " + reader + " reads" + Suggestion.inWords(column, present) + MEND);
                }
            }
            return shape;
        }
    }

    private static final String MEND = "; take a source of the same shape, or mend the dataset";

    OpenSources(Function<Optional<String>, Source> sources) {
        this.sources = sources;
    }

    /** The source that a table names. */
    Open source(Optional<String> id) {
        return open.computeIfAbsent(id, i -> {
            Source source = sources.apply(i);
            return new Open(source, source.open());
        });
    }

    @Override
    public void close() {
        open.values().forEach(opened -> opened.view().close());
    }
}
