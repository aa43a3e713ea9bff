package org.grammatus.sources;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.concurrent.TimeUnit;
import org.grammatus.core.table.Star;
import org.sqlite.SQLiteConfig;

/** A SQLite database file, opened for reading only. */
public final class SqliteSource implements Source {

    private static final byte[] SIGNATURE = "SQLite format 3\0".getBytes(StandardCharsets.US_ASCII);
    private static final int BUSY_MILLISECONDS = 5_000;

    private final Path file;

    public SqliteSource(Path file) {
        this.file = file;
    }

    @Override
    public String name() {
        return file.getFileName().toString();
    }

    @Override
    public Star read(Reading reading, ReadProgress progress) {
        requireDatabase();
        try (Connection connection = open()) {
            connection.setAutoCommit(false);
            return new StarReading(reading, connection, name(), progress).read();
        } catch (SQLException e) {
            throw new SourceException(
                    "The database " + file + " could not be read: " + inWords(e)
                            + ". Check the file, or take another with --database",
                    e);
        }
    }

    /** A writer changes the file's time or size, or that of its write-ahead log. */
    @Override
    public String version() {
        requireDatabase();
        return stamp(file) + " " + stamp(file.resolveSibling(file.getFileName() + "-wal"));
    }

    private static String stamp(Path path) {
        try {
            return Files.size(path) + "@" + Files.getLastModifiedTime(path).to(TimeUnit.NANOSECONDS);
        } catch (IOException e) {
            // No log is a state of its own.
            return "none";
        }
    }

    private Connection open() throws SQLException {
        SQLiteConfig config = new SQLiteConfig();
        config.setReadOnly(true);
        config.setBusyTimeout(BUSY_MILLISECONDS);
        return config.createConnection("jdbc:sqlite:" + file.toAbsolutePath());
    }

    /** Tells a missing or foreign file apart before the driver makes an empty database of it or speaks of its own matters. */
    private void requireDatabase() {
        if (!Files.isRegularFile(file)) {
            throw new SourceException(
                    "There is no database at " + file + ". Check the path, or make the demo data first");
        }
        try (InputStream in = Files.newInputStream(file)) {
            if (!Arrays.equals(in.readNBytes(SIGNATURE.length), SIGNATURE)) {
                throw new SourceException(file + " is not a SQLite database, or it is damaged. Restore it from a copy");
            }
        } catch (IOException e) {
            throw new SourceException(file + " could not be read: " + e.getMessage(), e);
        }
    }

    private static String inWords(SQLException e) {
        String message = String.valueOf(e.getMessage());
        if (message.contains("SQLITE_CORRUPT") || message.contains("SQLITE_NOTADB")) {
            return "the file is damaged";
        }
        return message;
    }
}
