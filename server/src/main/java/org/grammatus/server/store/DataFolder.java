package org.grammatus.server.store;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import org.grammatus.server.problem.CannotStartException;

/** The folder in which a server keeps its records, locked while the server runs. */
public final class DataFolder implements AutoCloseable {

    private final Path path;
    private final FileChannel lock;

    private DataFolder(Path path, FileChannel lock) {
        this.path = path;
        this.lock = lock;
    }

    /**
     * Makes the folder where it is missing and locks it.
     *
     * @throws CannotStartException if another server has it, or it cannot be written to
     */
    public static DataFolder open(Path path) {
        try {
            Files.createDirectories(path);
            FileChannel channel = FileChannel.open(
                    path.resolve("grammatus.lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
            if (!locked(channel)) {
                channel.close();
                throw new CannotStartException(
                        "Another server uses " + path.toAbsolutePath() + "; stop it, or choose another --data-dir");
            }
            return new DataFolder(path, channel);
        } catch (IOException e) {
            throw new CannotStartException("The data folder " + path.toAbsolutePath() + " cannot be written to: "
                    + e.getMessage() + "; choose another --data-dir");
        }
    }

    private static boolean locked(FileChannel channel) throws IOException {
        try {
            FileLock lock = channel.tryLock();
            return lock != null;
        } catch (OverlappingFileLockException e) {
            return false;
        }
    }

    Path records() {
        return path.resolve("records.db");
    }

    /** Where exports are made before they are sent; emptied of what a killed server left. */
    public Path exports() throws IOException {
        return Files.createDirectories(path.resolve("exports"));
    }

    @Override
    public void close() {
        try {
            lock.close();
        } catch (IOException e) {
            System.getLogger(DataFolder.class.getName())
                    .log(System.Logger.Level.WARNING, "The data folder's lock could not be given back", e);
        }
    }
}
