package org.grammatus.sources;

import org.grammatus.core.table.Star;

/** Where a dataset's rows come from. */
public interface Source {

    /**
     * Reads rows and fields, all in one view of the source.
     *
     * @throws SourceException if they cannot be read
     */
    Star read(Reading reading, ReadProgress progress);

    /**
     * Tells the source's present contents from earlier ones: as long as it stays the same, reading again gives the same rows.
     *
     * @throws SourceException if the source is not there
     */
    String version();

    /** What the source is called on pages and in records: no secrets in it. */
    String name();
}
