package org.grammatus.sources.star;

import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.FigureQuestion;
import org.grammatus.sources.ReadLimits;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.Reading;
import org.grammatus.sources.Source;
import org.grammatus.sources.SourceException;
import org.grammatus.sources.SourceFigure;

/** Reads datasets as stars: each table once, from whatever source it stands in. */
public final class StarReader implements DatasetReader {

    private final Function<Optional<String>, Source> sources;
    private final ReadLimits limits;

    /**
     * A reader of datasets over several sources.
     *
     * @param sources finds a source by the id that tables name, or the usual one for those that name none; throws a
     *     {@link SourceException} where there is none
     */
    public StarReader(Function<Optional<String>, Source> sources, ReadLimits limits) {
        this.sources = sources;
        this.limits = limits;
    }

    /** A reader of datasets whose tables all stand in one source. */
    public static StarReader over(Source source) {
        return new StarReader(
                id -> {
                    if (id.isPresent()) {
                        throw new SourceException("There is no source \"" + id.get() + "\" here, only " + source.name()
                                + "; leave the table's source out of the dataset");
                    }
                    return source;
                },
                ReadLimits.DEFAULT);
    }

    @Override
    public Star read(Reading reading, ReadProgress progress) {
        try (OpenSources open = new OpenSources(sources, reading.zone().orElse(RunContext.UTC))) {
            return new StarReading(reading, open, limits, progress).read();
        }
    }

    /** It holds nothing. */
    @Override
    public void readAhead(Reading reading) {}

    @Override
    public long estimatedBytes(Reading reading) {
        try (OpenSources open = new OpenSources(sources, reading.zone().orElse(RunContext.UTC))) {
            return new StarReading(reading, open, limits, ReadProgress.SILENT).estimatedBytes();
        }
    }

    @Override
    public String version(DatasetModel dataset) {
        return ids(dataset).stream()
                .map(id -> id + " " + sources.apply(named(id)).version())
                .collect(Collectors.joining("; "));
    }

    @Override
    public Map<String, String> missing(DatasetModel dataset) {
        try (OpenSources open = new OpenSources(sources, RunContext.UTC)) {
            return new MissingFields(dataset, open).find();
        }
    }

    @Override
    public Optional<SourceFigure> figure(FigureQuestion question) {
        try (OpenSources open = new OpenSources(sources, RunContext.UTC)) {
            OpenSources.Open source =
                    open.source(question.dataset().table(DatasetModel.GRAIN).source());
            return source.view()
                    .figure(question)
                    .map(computed -> new SourceFigure(source.source().name(), computed.statement(), computed.value()));
        }
    }

    @Override
    public Optional<Instant> readAt(Reading reading) {
        return Optional.empty();
    }

    @Override
    public void readAgain(DatasetModel dataset) {
        ids(dataset).forEach(id -> sources.apply(named(id)).lookAgain());
    }

    /** The ids of a dataset's sources; the usual one has the empty id. */
    private static Set<String> ids(DatasetModel dataset) {
        Set<String> ids = new TreeSet<>();
        for (int table = 0; table < dataset.tableCount(); table++) {
            ids.add(dataset.table(table).source().orElse(""));
        }
        return ids;
    }

    private static Optional<String> named(String id) {
        return id.isEmpty() ? Optional.empty() : Optional.of(id);
    }
}
