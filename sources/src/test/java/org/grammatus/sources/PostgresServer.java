package org.grammatus.sources;

import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.stream.Stream;
import org.grammatus.sources.postgres.PostgresSource;

/** A real PostgreSQL for tests, with a user who may only read, and a log of every statement that reached it. */
public final class PostgresServer implements AutoCloseable {

    public static final String READER = "hive_reader";
    public static final String PASSWORD = "only reading: ' \" %";

    private final Path log;
    private final EmbeddedPostgres server;

    /** Starts it on a free port. */
    public PostgresServer() {
        try {
            log = Files.createTempFile("postgres", ".log");
            server = EmbeddedPostgres.builder()
                    .setServerConfig("log_statement", "all")
                    .setServerConfig("log_connections", "on")
                    .setServerConfig("log_line_prefix", "[%u] ")
                    .setServerConfig("max_connections", "20")
                    .setOutputRedirector(ProcessBuilder.Redirect.to(log.toFile()))
                    .setErrorRedirector(ProcessBuilder.Redirect.appendTo(log.toFile()))
                    .start();
            askForPasswords();
            execute("CREATE ROLE " + READER + " LOGIN PASSWORD '" + PASSWORD.replace("'", "''") + "'");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Local connections would need no password by themselves. */
    private void askForPasswords() throws IOException {
        Files.writeString(
                Path.of(asked("SHOW hba_file")), "host all postgres all trust\nhost all all all scram-sha-256\n");
        execute("SELECT pg_reload_conf()");
    }

    /** Has connections encrypted that ask for it, from now on. */
    public void encrypt(TestCertificate certificate) throws IOException {
        Path folder = Path.of(asked("SHOW data_directory"));
        certificate.write(folder.resolve("server.crt"), folder.resolve("server.key"));
        execute("ALTER SYSTEM SET ssl = on", "SELECT pg_reload_conf()");
    }

    /** Makes a user whose password the server wants as it is. */
    public void askInTheClear(String user) throws IOException {
        execute("CREATE ROLE " + user + " LOGIN PASSWORD '" + PASSWORD.replace("'", "''") + "'");
        Path file = Path.of(asked("SHOW hba_file"));
        Files.writeString(file, "host all " + user + " all password\n" + Files.readString(file));
        execute("SELECT pg_reload_conf()");
    }

    /** How many connections of readers were encrypted since the server started. */
    public int encryptedConnections() {
        return (int) linesOfLog()
                .filter(line -> line.contains("connection authorized"))
                .filter(line -> line.contains("SSL enabled"))
                .count();
    }

    private Stream<String> linesOfLog() {
        try {
            return Files.readAllLines(log).stream();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private String asked(String question) {
        try (Connection connection = server.getPostgresDatabase().getConnection();
                Statement statement = connection.createStatement();
                ResultSet answer = statement.executeQuery(question)) {
            answer.next();
            return answer.getString(1);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Runs statements as the server's owner. */
    public void execute(String... statements) {
        try (Connection connection = server.getPostgresDatabase().getConnection();
                Statement statement = connection.createStatement()) {
            for (String sql : statements) {
                statement.execute(sql);
            }
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    public int port() {
        return server.getPort();
    }

    public PostgresSource source() {
        return source(READER, PASSWORD, "postgres", ReadLimits.DEFAULT);
    }

    public PostgresSource source(String user, String password, String database, ReadLimits limits) {
        return new PostgresSource(
                new PostgresSource.Address("Hive records", "localhost", port(), database, user), password, limits);
    }

    /** Every statement that the reader sent since the server started. */
    public List<String> statementsOfReader() {
        return linesOfLog()
                .filter(line -> line.contains("statement: ") || line.contains("execute "))
                .filter(line -> line.startsWith("[" + READER + "]") && line.contains("LOG:"))
                .map(line -> line.replaceFirst("^.*?(statement|execute [^:]*): ", ""))
                .toList();
    }

    @Override
    public void close() {
        try {
            server.close();
            Files.deleteIfExists(log);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
