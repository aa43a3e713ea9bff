package org.grammatus.export;

import java.util.concurrent.CancellationException;
import org.grammatus.export.ReportWriter.WriteProgress;

/** Asks every so many lines whether a file is still wanted. Used once, for one file or one table of it. */
final class StillWanted {

    private static final int EVERY = 1024;

    private final WriteProgress progress;
    private int lines;

    StillWanted(WriteProgress progress) {
        this.progress = progress;
    }

    /**
     * Counts a line.
     *
     * @throws CancellationException if nobody waits for the file any more
     */
    void line() {
        if (lines++ % EVERY == 0 && !progress.pagesWritten(0)) {
            throw new CancellationException("The export was cancelled");
        }
    }
}
