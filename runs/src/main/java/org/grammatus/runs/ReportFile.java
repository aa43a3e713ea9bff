package org.grammatus.runs;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
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
        Path target = file.toAbsolutePath();
        Path part = Files.createTempFile(target.getParent(), ".grammatus", ".part");
        try {
            try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(part))) {
                writer.write(result, out, progress);
            }
            Files.move(part, target, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(part);
        }
    }
}
