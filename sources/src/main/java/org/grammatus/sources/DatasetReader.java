package org.grammatus.sources;

import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;

/** Reads the rows of datasets, wherever their tables stand. Thread-safe. */
public interface DatasetReader {

    /**
     * Reads rows and fields; those of one source all in one view of it.
     *
     * @throws SourceException if they cannot be read
     */
    Star read(Reading reading, ReadProgress progress);

    /** Reads rows that will probably be asked for, where they can be held until they are. */
    void readAhead(Reading reading);

    /**
     * About how much memory all rows of a reading would take, in bytes.
     *
     * @throws SourceException if they cannot be counted
     */
    long estimatedBytes(Reading reading);

    /**
     * Tells the present contents of a dataset's sources from earlier ones: as long as it stays the same, reading again gives
     * the same rows.
     *
     * @throws SourceException if a source is not there
     */
    String version(DatasetModel dataset);

    /**
     * What a dataset's sources do not have any more, though the dataset reads it.
     *
     * @return by the id of each field that cannot be read, what is missing
     * @throws SourceException if a source is not there, or the table is missing whose rows are the dataset's
     */
    Map<String, String> missing(DatasetModel dataset);

    /**
     * A figure as the dataset's source itself computes it, from the rows that it has now.
     *
     * @return none where its tables stand in several sources, or the source may compute it differently than the engine
     * @throws SourceException if the source cannot be asked
     */
    Optional<SourceFigure> figure(FigureQuestion question);

    /** When the rows were read that are held for a reading; none where none are held. */
    Optional<Instant> readAt(Reading reading);

    /** From now on the rows are those that the sources have now or later, not ones held from before. */
    void readAgain(DatasetModel dataset);
}
