package org.grammatus.sources.duckdb;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.ZoneId;
import java.util.Properties;
import java.util.concurrent.TimeUnit;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.sources.Drivers;
import org.grammatus.sources.ReadLimits;
import org.grammatus.sources.Source;
import org.grammatus.sources.SourceException;
import org.grammatus.sources.SourceView;
import org.grammatus.sources.sql.JdbcView;

/** A DuckDB database file, opened for reading only and kept from reading anything else. */
public final class DuckDbSource implements Source {

    private final String name;
    private final Path file;
    private final ReadLimits limits;
    private final Drivers drivers;

    /**
     * A file of DuckDB's.
     *
     * @param name what the source is called
     * @param drivers among which its own is
     */
    public DuckDbSource(String name, Path file, ReadLimits limits, Drivers drivers) {
        this.drivers = drivers;
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
        requireFile();
        Properties settings = new Properties();
        settings.setProperty("duckdb.read_only", "true");
        settings.setProperty("enable_external_access", "false");
        settings.setProperty("jdbc_stream_results", "true");
        try {
            String url = "jdbc:duckdb:" + file.toAbsolutePath();
            Connection connection = drivers.require(url, "DuckDB").connect(url, settings);
            connection.setAutoCommit(false);
            return new JdbcView(name, connection, new DuckDbDialect(zone), within, this::unreadable);
        } catch (SQLException e) {
            throw unreadable(e);
        }
    }

    /** A writer changes the file's time or size. */
    @Override
    public String version() {
        requireFile();
        try {
            return Files.size(file) + "@" + Files.getLastModifiedTime(file).to(TimeUnit.NANOSECONDS);
        } catch (IOException e) {
            throw new SourceException(name + " could not be read: " + e.getMessage(), e);
        }
    }

    /** It always looks. */
    @Override
    public void lookAgain() {}

    private void requireFile() {
        if (!Files.isRegularFile(file)) {
            throw new SourceException("There is no database at " + name + ". Check the path");
        }
    }

    private SourceException unreadable(SQLException cause) {
        return new SourceException(
                "The database " + name + " could not be read: "
                        + String.valueOf(cause.getMessage())
                                .lines()
                                .findFirst()
                                .orElse("")
                                // Where files are on the server is not told.
                                .replaceAll("\"[^\"]*/[^\"]*\"", "…"),
                cause);
    }
}
