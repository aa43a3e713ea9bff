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

    private static final String RECORDS = "records.db";
    private static final String DEMO = "demo";

    private final Path path;
    private final FileChannel lock;

    private DataFolder(Path path, FileChannel lock) {
        this.path = path;
        this.lock = lock;
    }

    /**
     * Makes the folder where it is missing and locks it.
     *
     * @param demo whether it is for the demo: everybody knows its passwords, so a folder is the demo's or it is not
     * @throws CannotStartException if another server has it, it cannot be written to, or it is of the other kind
     */
    public static DataFolder open(Path path, boolean demo) {
        DataFolder folder = locked(path);
        try {
            folder.requireKind(demo);
            return folder;
        } catch (IOException | CannotStartException e) {
            folder.close();
            throw e instanceof CannotStartException known ? known : unwritable(path, (IOException) e);
        }
    }

    /** The folder of an installation, to change its accounts while no server runs. */
    public static DataFolder openRecords(Path path) {
        if (!Files.exists(path.resolve(RECORDS))) {
            throw new CannotStartException("There are no records in " + path.toAbsolutePath()
                    + "; start the server over it once, or give its folder with --data-dir");
        }
        return locked(path);
    }

    /** A new folder takes the kind it is opened as; one from before kinds were noted is told by what is in it. */
    private void requireKind(boolean demo) throws IOException {
        Path kind = path.resolve("kind.txt");
        boolean known = Files.exists(kind) || Files.exists(records());
        boolean isDemo = Files.exists(kind)
                ? Files.readString(kind).strip().equals(DEMO)
                : Files.exists(path.resolve("demo").resolve("merrowdale.db"));
        if (known && isDemo != demo) {
            throw new CannotStartException(
                    demo
                            ? path.toAbsolutePath() + " holds records of real data, which the demo's accounts must not"
                                    + " open; give the demo another folder with --data-dir"
                            : path.toAbsolutePath() + " holds the demo, whose passwords everybody knows; give your own"
                                    + " data another folder with --data-dir");
        }
        Files.writeString(kind, demo ? DEMO : "real");
    }

    private static CannotStartException unwritable(Path path, IOException e) {
        return new CannotStartException("The data folder " + path.toAbsolutePath() + " cannot be written to: "
                + e.getMessage() + "; choose another --data-dir");
    }

    private static DataFolder locked(Path path) {
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
            throw unwritable(path, e);
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

    public Path path() {
        return path;
    }

    Path records() {
        return path.resolve(RECORDS);
    }

    public Path securityLog() {
        return path.resolve("security.log");
    }

    /** Where files are made before they are sent. */
    public Path exports() {
        return path.resolve("exports");
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
