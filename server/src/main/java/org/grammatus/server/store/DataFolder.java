package org.grammatus.server.store;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import org.grammatus.runs.OwnerOnly;
import org.grammatus.server.problem.CannotStartException;

/** The folder in which a server keeps its records, locked while the server runs. */
public final class DataFolder implements AutoCloseable {

    private static final String RECORDS = "records.db";
    private static final String KIND = "kind.txt";
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
        requireFitting(path, demo);
        DataFolder folder = locked(path);
        try {
            requireFitting(path, demo);
            OwnerOnly.file(folder.path.resolve(KIND));
            Files.writeString(folder.path.resolve(KIND), demo ? DEMO : "real");
            OwnerOnly.file(folder.records());
            OwnerOnly.file(folder.securityLog());
            OwnerOnly.folder(folder.exports());
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

    /**
     * Refuses a folder that the demo, or anything but the demo, must not open; changes nothing in it. A new folder takes the kind it is
     * opened as; one from before kinds were noted is told by what is in it.
     *
     * @throws CannotStartException if it is of the other kind, or cannot be looked into
     */
    public static void requireFitting(Path path, boolean demo) {
        Path kind = path.resolve(KIND);
        boolean noted = Files.exists(kind);
        boolean known = noted || Files.exists(path.resolve(RECORDS));
        boolean isDemo;
        try {
            isDemo = noted
                    ? Files.readString(kind).strip().equals(DEMO)
                    : Files.exists(path.resolve("demo").resolve("merrowdale.db"));
        } catch (IOException e) {
            throw unwritable(path, e);
        }
        if (known && isDemo != demo) {
            throw new CannotStartException(
                    demo
                            ? path.toAbsolutePath() + " holds records of real data, which the demo's accounts must not"
                                    + " open; give the demo another folder with --data-dir"
                            : path.toAbsolutePath() + " holds the demo, whose passwords everybody knows; give your own"
                                    + " data another folder with --data-dir");
        }
    }

    private static CannotStartException unwritable(Path path, IOException e) {
        return new CannotStartException("The data folder " + path.toAbsolutePath() + " cannot be written to: "
                + e.getMessage() + "; choose another --data-dir");
    }

    private static DataFolder locked(Path path) {
        try {
            OwnerOnly.folder(path);
            Path lock = path.resolve("grammatus.lock");
            OwnerOnly.file(lock);
            FileChannel channel = FileChannel.open(lock, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
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

    /** The key by which browsers are known again. */
    public Path deviceKey() {
        return path.resolve("devices.key");
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
