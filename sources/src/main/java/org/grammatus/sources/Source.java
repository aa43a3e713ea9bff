package org.grammatus.sources;

/** A place with tables, such as a database. It is only ever read. Thread-safe. */
public interface Source {

    /** What the source is called on pages, in records and in problems: no secrets in it. */
    String name();

    /**
     * Tells the source's present contents from earlier ones: as long as it stays the same, reading again gives the same rows. A
     * source that others write to all the time may take some minutes to notice.
     *
     * @throws SourceException if the source is not there
     */
    String version();

    /** Makes {@link #version} look anew. */
    void lookAgain();

    /**
     * Opens the source for reading.
     *
     * @throws SourceException if the source is not there or refuses
     */
    SourceView open();
}
