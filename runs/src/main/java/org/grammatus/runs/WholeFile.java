package org.grammatus.runs;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/** Writes a file whole or not at all. */
public final class WholeFile {

    private WholeFile() {}

    /** Writes what a file has in it. */
    @FunctionalInterface
    public interface Content {
        void write(OutputStream out) throws IOException;
    }

    /**
     * Writes the file beside its place and moves it there once it is whole.
     *
     * @throws IOException if it cannot be written; what was there before is still there, and nothing half-written is
     */
    public static void write(Path file, Content content) throws IOException {
        Path target = file.toAbsolutePath();
        Path part = Files.createTempFile(target.getParent(), ".grammatus", ".part");
        try {
            try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(part))) {
                content.write(out);
            }
            Files.move(part, target, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(part);
        }
    }
}
