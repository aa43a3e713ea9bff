package org.grammatus.runs;

import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileAttribute;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Set;

/** Folders and files that only the account of the program may read (modes 0700 and 0600); elsewhere than on POSIX systems nothing is set. */
public final class OwnerOnly {

    private static final Set<PosixFilePermission> FOLDER = PosixFilePermissions.fromString("rwx------");
    private static final Set<PosixFilePermission> FILE = PosixFilePermissions.fromString("rw-------");
    private static final FileAttribute<?>[] NOTHING = {};

    private OwnerOnly() {}

    /** Makes a folder where it is missing, with the folders around it, and closes it to others. */
    public static void folder(Path path) throws IOException {
        if (!Files.isDirectory(path)) {
            Files.createDirectories(path, attributes(path, FOLDER));
        }
        set(path, FOLDER);
    }

    /** Makes an empty file where it is missing and closes it to others, so that whoever writes to it need not. */
    public static void file(Path path) throws IOException {
        try {
            Files.createFile(path, attributes(path, FILE));
        } catch (FileAlreadyExistsException e) {
            set(path, FILE);
        }
    }

    private static FileAttribute<?>[] attributes(Path path, Set<PosixFilePermission> mode) {
        return isPosix(path) ? new FileAttribute<?>[] {PosixFilePermissions.asFileAttribute(mode)} : NOTHING;
    }

    private static void set(Path path, Set<PosixFilePermission> mode) throws IOException {
        if (isPosix(path)) {
            Files.setPosixFilePermissions(path, mode);
        }
    }

    private static boolean isPosix(Path path) {
        return path.getFileSystem().supportedFileAttributeViews().contains("posix");
    }
}
