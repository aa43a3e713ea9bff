package org.grammatus.runs.rowcache;

import java.io.IOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicLong;
import org.grammatus.core.columnar.Star;
import org.grammatus.runs.OwnerOnly;
import org.grammatus.sources.Reading;

/**
 * The folder that takes rows which memory has no room for. It serves one run of the program: it is empty at its start, and a file that
 * cannot be written or read is as good as none, since its rows can be read from their source again. Thread-safe.
 */
public final class SpillFolder {

    private static final System.Logger LOG = System.getLogger(SpillFolder.class.getName());
    private static final String ENDING = ".columns";
    /** Others write to the disk, too: as much again as a file takes must be free. */
    private static final long ROOM_LEFT = 2;

    private final Path folder;
    private final long mostBytes;
    private final AtomicLong numbers = new AtomicLong();

    /**
     * A folder of its own.
     *
     * @param folder made where it is not there; what an earlier run of the program left in it is deleted
     * @param mostBytes that its files may take together
     */
    public SpillFolder(Path folder, long mostBytes) {
        this.folder = folder;
        this.mostBytes = mostBytes;
        clear();
    }

    private void clear() {
        if (!Files.isDirectory(folder)) {
            return;
        }
        try (DirectoryStream<Path> left = Files.newDirectoryStream(folder, "*" + ENDING + "*")) {
            for (Path file : left) {
                Files.delete(file);
            }
        } catch (IOException e) {
            LOG.log(System.Logger.Level.WARNING, "Rows left from before could not be deleted from " + folder, e);
        }
    }

    /** The most that its files may take together. */
    long mostBytes() {
        return mostBytes;
    }

    /** Writes rows; none where they could not be written. */
    Optional<Path> write(Star star) {
        Path file = folder.resolve(numbers.incrementAndGet() + ENDING);
        try {
            OwnerOnly.folder(folder);
            if (folder.toFile().getUsableSpace() < ROOM_LEFT * star.bytes()) {
                LOG.log(System.Logger.Level.WARNING, "The disk has too little room to keep rows in " + folder);
                return Optional.empty();
            }
            OwnerOnly.file(file);
            ColumnFileWriter.write(star, file);
            return Optional.of(file);
        } catch (IOException e) {
            LOG.log(System.Logger.Level.WARNING, "Rows could not be kept in " + file, e);
            return Optional.empty();
        }
    }

    /** Reads rows that were written; none where they cannot be read any more. */
    Optional<Star> read(Path file, Reading wanted) {
        try {
            return Optional.of(ColumnFileReader.read(file, wanted.dataset(), wanted.fields()));
        } catch (IOException e) {
            LOG.log(
                    System.Logger.Level.WARNING,
                    "Rows that were kept in " + file + " are read from their source again",
                    e);
            return Optional.empty();
        }
    }

    void delete(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException e) {
            LOG.log(System.Logger.Level.WARNING, "Rows that nobody needs could not be deleted: " + file, e);
        }
    }
}
