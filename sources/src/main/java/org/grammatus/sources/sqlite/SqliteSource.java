package org.grammatus.sources.sqlite;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.concurrent.TimeUnit;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.sources.ReadLimits;
import org.grammatus.sources.Source;
import org.grammatus.sources.SourceException;
import org.grammatus.sources.SourceView;
import org.grammatus.sources.sql.JdbcView;
import org.sqlite.SQLiteConfig;

/** A SQLite database file, opened for reading only. */
public final class SqliteSource implements Source {

    private static final byte[] SIGNATURE = "SQLite format 3\0".getBytes(StandardCharsets.US_ASCII);
    private static final int BUSY_MILLISECONDS = 5_000;

    private final String name;
    /** What the database is called in problems: its path for whoever gave it. */
    private final String shown;

    private final Path file;
    private final ReadLimits limits;

    /** A file that goes by its own name. */
    public SqliteSource(Path file) {
        this(file.getFileName().toString(), file.toString(), file, ReadLimits.DEFAULT);
    }

    /** @param name what the source is called, also where its file is not to be told */
    public SqliteSource(String name, Path file, ReadLimits limits) {
        this(name, name, file, limits);
    }

    private SqliteSource(String name, String shown, Path file, ReadLimits limits) {
        this.shown = shown;
        this.name = name;
        this.file = file;
        this.limits = limits;
    }

    @Override
    public String name() {
        return name;
    }

    @Override
    public SourceView glance() {
        return open(RunContext.UTC, limits.glancing());
    }

    @Override
    public SourceView open(ZoneId zone) {
        return open(zone, limits);
    }

    private SourceView open(ZoneId zone, ReadLimits within) {
        requireDatabase();
        try {
            SQLiteConfig config = new SQLiteConfig();
            config.setReadOnly(true);
            config.setBusyTimeout(BUSY_MILLISECONDS);
            Connection connection = config.createConnection("jdbc:sqlite:" + file.toAbsolutePath());
            connection.setAutoCommit(false);
            return new JdbcView(name, connection, new SqliteDialect(), within, this::unreadable);
        } catch (SQLException e) {
            throw unreadable(e);
        }
    }

    /** A writer changes the file's time or size, or that of its write-ahead log. */
    @Override
    public String version() {
        requireDatabase();
        return stamp(file) + " " + stamp(file.resolveSibling(file.getFileName() + "-wal"));
    }

    /** It always looks. */
    @Override
    public void lookAgain() {}

    private static String stamp(Path path) {
        try {
            return Files.size(path) + "@" + Files.getLastModifiedTime(path).to(TimeUnit.NANOSECONDS);
        } catch (IOException e) {
            // No log is a state of its own.
            return "none";
        }
    }

    /** Tells a missing or foreign file apart before the driver makes an empty database of it or speaks of its own matters. */
    private void requireDatabase() {
        if (!Files.isRegularFile(file)) {
            throw new SourceException(
                    "There is no database at " + shown + ". Check the path, or make the demo data first");
        }
        try (InputStream in = Files.newInputStream(file)) {
            if (!Arrays.equals(in.readNBytes(SIGNATURE.length), SIGNATURE)) {
                throw new SourceException(
                        shown + " is not a SQLite database, or it is damaged. Restore it from a copy");
            }
        } catch (IOException e) {
            throw new SourceException(shown + " could not be read: " + e.getMessage(), e);
        }
    }

    private SourceException unreadable(SQLException cause) {
        return new SourceException(
                "The database " + shown + " could not be read: " + inWords(cause)
                        + ". Check the file, or take another with --database",
                cause);
    }

    private static String inWords(SQLException e) {
        String message = String.valueOf(e.getMessage());
        if (message.contains("SQLITE_CORRUPT") || message.contains("SQLITE_NOTADB")) {
            return "the file is damaged";
        }
        if (message.contains("SQLITE_INTERRUPT")) {
            return "it took longer than is allowed for one statement";
        }
        return message;
    }
}
