package org.grammatus.benchmarks;

import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import org.grammatus.sources.ReadLimits;
import org.grammatus.sources.Source;
import org.grammatus.sources.postgres.PostgresSource;
import org.postgresql.PGConnection;
import org.postgresql.copy.CopyIn;

/** A PostgreSQL of one's own with the tables of a SQLite file in it. */
final class PostgresCopy implements AutoCloseable {

    private static final List<String> TABLES = List.of("apiary", "product", "sales_order", "sales_order_line");

    private final EmbeddedPostgres server;

    private PostgresCopy(EmbeddedPostgres server) {
        this.server = server;
    }

    static PostgresCopy of(Path file) throws IOException, SQLException {
        PostgresCopy copy = new PostgresCopy(EmbeddedPostgres.builder().start());
        try (Connection from = DriverManager.getConnection("jdbc:sqlite:" + file);
                Connection to = copy.connect()) {
            for (String table : TABLES) {
                create(table, from, to);
                fill(table, from, to);
            }
            to.createStatement().execute("ANALYZE");
        }
        return copy;
    }

    private static void create(String table, Connection from, Connection to) throws SQLException {
        try (ResultSet sql = from.createStatement()
                .executeQuery("SELECT sql FROM sqlite_schema WHERE type = 'table' AND name = '" + table + "'")) {
            sql.next();
            to.createStatement().execute(sql.getString(1));
        }
    }

    private static void fill(String table, Connection from, Connection to) throws SQLException {
        CopyIn copy = to.unwrap(PGConnection.class).getCopyAPI().copyIn("COPY " + table + " FROM STDIN");
        try (Statement statement = from.createStatement();
                ResultSet rows = statement.executeQuery("SELECT * FROM " + table)) {
            int columns = rows.getMetaData().getColumnCount();
            while (rows.next()) {
                List<String> values = new ArrayList<>();
                for (int column = 1; column <= columns; column++) {
                    String value = rows.getString(column);
                    values.add(value == null ? "\\N" : value.replace("\\", "\\\\"));
                }
                byte[] line = (String.join("\t", values) + "\n").getBytes(StandardCharsets.UTF_8);
                copy.writeToCopy(line, 0, line.length);
            }
        }
        copy.endCopy();
    }

    Source source() {
        return new PostgresSource(
                new PostgresSource.Address("bench", "localhost", server.getPort(), "postgres", "postgres"),
                "",
                ReadLimits.DEFAULT);
    }

    Connection connect() throws SQLException {
        return server.getPostgresDatabase().getConnection();
    }

    @Override
    public void close() throws IOException {
        server.close();
    }
}
