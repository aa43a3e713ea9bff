package org.grammatus.sources;

import java.time.ZoneId;

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
     * @param zone in which moments with a zone are told: as what a clock showed there then
     * @throws SourceException if the source is not there or refuses
     */
    SourceView open(ZoneId zone);

    /** Opens the source to look at its tables and some of their rows, moments told in UTC: whatever takes long there is given up. */
    SourceView glance();
}
