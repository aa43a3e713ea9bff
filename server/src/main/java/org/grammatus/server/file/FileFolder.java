package org.grammatus.server.file;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import java.util.stream.Stream;
import org.grammatus.runs.turns.TooManyException;
import org.grammatus.server.store.DataFolder;
import org.springframework.stereotype.Component;

/**
 * The files on their way, in a folder of their own: so many at once, so many of one person's, and no more bytes together than there is
 * room for. What a stopped server left is deleted when the next one starts. Thread-safe.
 */
@Component
class FileFolder {

    private static final int MOST = 100;
    private static final int MOST_OF_ONE = 4;
    private static final long MOST_BYTES = 4_000_000_000L;
    /** Of what is left of the disk, files take no more than this part. */
    private static final int PART_OF_DISK = 4;

    private static final Duration LATER = Duration.ofSeconds(10);

    private final Path folder;
    private final Map<String, Integer> byOwner = new HashMap<>();
    private int count;
    private long bytes;

    FileFolder(DataFolder data) {
        this.folder = data.exports();
        try {
            Files.createDirectories(folder);
            try (Stream<Path> left = Files.list(folder)) {
                for (Path file : left.toList()) {
                    Files.deleteIfExists(file);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException("The folder " + folder + " cannot be emptied", e);
        }
    }

    /**
     * A file that is to be made; closing gives its place back and deletes it.
     *
     * @throws TooManyException if the person has as many on their way as one may, or all together
     */
    synchronized Place place(String owner, String ending) throws IOException {
        if (byOwner.getOrDefault(owner, 0) >= MOST_OF_ONE) {
            throw new TooManyException(
                    MOST_OF_ONE + " of your files are on their way; wait until one of them is there", LATER);
        }
        if (count >= MOST || bytes > mostBytes()) {
            throw new TooManyException("Many files are on their way to others; try again in a moment", LATER);
        }
        Place place = new Place(owner, Files.createTempFile(folder, "file", ending));
        byOwner.merge(owner, 1, Integer::sum);
        count++;
        return place;
    }

    private long mostBytes() throws IOException {
        return Math.min(MOST_BYTES, folder.toFile().getUsableSpace() / PART_OF_DISK);
    }

    /** A file on its way. */
    final class Place implements AutoCloseable {

        private final String owner;
        private final Path path;
        private long size;
        private boolean closed;

        private Place(String owner, Path path) {
            this.owner = owner;
            this.path = path;
        }

        Path path() {
            return path;
        }

        /** Notes that the file is whole. */
        void made() throws IOException {
            synchronized (FileFolder.this) {
                size = Files.size(path);
                bytes += size;
            }
        }

        @Override
        public void close() {
            synchronized (FileFolder.this) {
                if (closed) {
                    return;
                }
                closed = true;
                count--;
                bytes -= size;
                byOwner.computeIfPresent(owner, (o, n) -> n > 1 ? n - 1 : null);
            }
            delete();
        }

        /** Deletes what was written after the place was given back. */
        void discardIfClosed() {
            synchronized (FileFolder.this) {
                if (!closed) {
                    return;
                }
            }
            delete();
        }

        private void delete() {
            try {
                Files.deleteIfExists(path);
            } catch (IOException e) {
                System.getLogger(FileFolder.class.getName())
                        .log(System.Logger.Level.WARNING, path + " could not be deleted", e);
            }
        }
    }
}
