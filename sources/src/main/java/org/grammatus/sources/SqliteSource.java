package org.grammatus.sources;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.Arrays;
import org.grammatus.core.plan.Plan;
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
    public Star read(Plan plan, ReadProgress progress) {
        requireDatabase();
        try (Connection connection = open()) {
            connection.setAutoCommit(false);
            return new StarReading(plan, connection, name(), progress).read();
        } catch (SQLException e) {
            throw new SourceException(
                    "The database " + file + " could not be read: " + inWords(e)
                            + ". Check the file, or take another with --database",
                    e);
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
