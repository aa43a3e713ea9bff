package org.grammatus.sources;

import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;

/** Rows that stand in memory already: read without a source, and never anew. */
public record RowsInMemory(Star star) implements DatasetReader {

    @Override
    public Star read(Reading reading, ReadProgress progress) {
        return star;
    }

    @Override
    public void readAhead(Reading reading) {}

    @Override
    public long estimatedBytes(Reading reading) {
        return star.bytes();
    }

    @Override
    public String version(DatasetModel dataset) {
        return "1";
    }

    @Override
    public Map<String, String> missing(DatasetModel dataset) {
        return Map.of();
    }

    @Override
    public Optional<SourceFigure> figure(FigureQuestion question) {
        return Optional.empty();
    }

    @Override
    public Optional<Instant> readAt(Reading reading) {
        return Optional.empty();
    }

    @Override
    public void readAgain(DatasetModel dataset) {}
}
