package org.grammatus.export;

import java.io.IOException;
import java.io.OutputStream;

/** Writes a report in one file format. The same report gives the same bytes under the same build. */
public interface ReportWriter {

    /**
     * Writes the whole report; the stream stays open.
     *
     * @throws org.grammatus.core.problem.ProblemException if the format has pages and the report does not fit them
     * @param progress told the pages written so far, and asked whether to go on
     * @throws java.util.concurrent.CancellationException if it was not to go on
     */
    void write(Printout printout, OutputStream out, WriteProgress progress) throws IOException;

    /** Follows a writer. */
    interface WriteProgress {
        /** Nobody watches, nobody cancels. */
        WriteProgress SILENT = pages -> true;

        /** Returns whether to go on. */
        boolean pagesWritten(int pages);
    }
}
