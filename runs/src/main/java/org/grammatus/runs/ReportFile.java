package org.grammatus.runs;

import java.io.IOException;
import java.nio.file.Path;
import org.grammatus.export.ReportWriter;
import org.grammatus.export.ReportWriter.WriteProgress;

/** Writes a run's result into a file, whole or not at all. */
public final class ReportFile {

    private ReportFile() {}

    /**
     * Writes the file beside its place and moves it there once it is whole.
     *
     * @throws IOException if it cannot be written; what was there before is still there, and nothing half-written is
     */
    public static void write(RunResult result, ReportWriter writer, Path file, WriteProgress progress)
            throws IOException {
        WholeFile.write(file, out -> writer.write(result, out, progress));
    }
}
