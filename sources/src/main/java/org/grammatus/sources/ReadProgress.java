package org.grammatus.sources;

/** Follows a read and can end it. Called from the reading thread, every few thousand rows. */
public interface ReadProgress {

    /** Nobody watches, nobody cancels. */
    ReadProgress SILENT = rows -> true;

    /**
     * Told how many rows have been read so far, over all tables.
     *
     * @return whether to go on; a read that is not to go on ends with a {@link java.util.concurrent.CancellationException}
     */
    boolean rowsRead(long rows);
}
