package org.grammatus.sources.postgres;

import java.io.IOException;
import java.net.ConnectException;
import java.net.SocketTimeoutException;
import java.net.UnknownHostException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.cert.CertificateException;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.time.ZoneId;
import java.util.Optional;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.sources.ReadLimits;
import org.grammatus.sources.Source;
import org.grammatus.sources.SourceException;
import org.grammatus.sources.SourceView;
import org.grammatus.sources.sql.JdbcView;
import org.postgresql.ds.PGSimpleDataSource;
import org.postgresql.util.PSQLException;
import org.postgresql.util.ServerErrorMessage;

/** A PostgreSQL database, connected to for reading only. */
public final class PostgresSource implements Source {

    private static final int CONNECT_SECONDS = 10;

    /** How long the database's contents pass for the same without being looked at: others write to it all the time. */
    private static final Duration LOOKS_EVERY = Duration.ofMinutes(5);

    private final Address address;
    private final String password;
    private final ReadLimits limits;
    private final Encryption encryption;
    private String seen;
    private long seenAt;

    /**
     * Where a database is and who reads it.
     *
     * @param name what the source is called
     */
    public record Address(String name, String host, int port, String database, String user) {}

    /** A database that is read with a password over a connection that is not encrypted. */
    public PostgresSource(Address address, String password, ReadLimits limits) {
        this(address, password, Encryption.NONE, limits);
    }

    public PostgresSource(Address address, String password, Encryption encryption, ReadLimits limits) {
        this.encryption = encryption;
        this.address = address;
        this.password = password;
        this.limits = limits;
    }

    @Override
    public String name() {
        return address.name();
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
        try {
            return new JdbcView(address.name(), connect(within), new PostgresDialect(zone), within, this::unreadable);
        } catch (SQLException e) {
            throw unreadable(e);
        }
    }

    /** Any writing transaction since makes another version. */
    @Override
    public synchronized String version() {
        long now = System.nanoTime();
        if (seen == null || now - seenAt > LOOKS_EVERY.toNanos()) {
            try (Connection connection = connect(limits.glancing());
                    Statement statement = connection.createStatement();
                    ResultSet result = statement.executeQuery("SELECT pg_current_snapshot()::text")) {
                result.next();
                seen = result.getString(1);
                seenAt = now;
            } catch (SQLException e) {
                throw unreadable(e);
            }
        }
        return seen;
    }

    @Override
    public synchronized void lookAgain() {
        seen = null;
    }

    /** A connection in one read-only transaction, that refuses to write by itself. */
    private Connection connect(ReadLimits within) throws SQLException {
        PGSimpleDataSource database = new PGSimpleDataSource();
        database.setServerNames(new String[] {address.host()});
        database.setPortNumbers(new int[] {address.port()});
        database.setDatabaseName(address.database());
        database.setUser(address.user());
        database.setPassword(password);
        database.setApplicationName("Grammatus");
        database.setConnectTimeout(CONNECT_SECONDS);
        database.setLoginTimeout(CONNECT_SECONDS);
        database.setSocketTimeout((int) within.longestSilence().toSeconds());
        database.setReadOnly(true);
        database.setOptions("-c default_transaction_read_only=on -c statement_timeout="
                + within.longestStatement().toMillis());
        Connection connection = encrypted(database);
        connection.setReadOnly(true);
        connection.setTransactionIsolation(Connection.TRANSACTION_REPEATABLE_READ);
        // Rows come some at a time only inside a transaction.
        connection.setAutoCommit(false);
        return connection;
    }

    private Connection encrypted(PGSimpleDataSource database) throws SQLException {
        switch (encryption.level()) {
            case OFF -> {
                database.setSslMode("disable");
                if (!encryption.clearPassword()) {
                    database.setAuthenticationPluginClassName(HiddenPassword.class.getName());
                }
            }
            case REQUIRE -> database.setSslMode("require");
            case VERIFY -> database.setSslMode("verify-full");
        }
        if (encryption.level() != Encryption.Level.VERIFY) {
            return database.getConnection();
        }
        if (encryption.authorities().isEmpty()) {
            database.setSslfactory("org.postgresql.ssl.DefaultJavaSSLFactory");
            return database.getConnection();
        }
        Path authorities = null;
        try {
            authorities = Files.createTempFile("grammatus", ".pem");
            Files.writeString(authorities, encryption.authorities().get());
            database.setSslRootCert(authorities.toString());
            return database.getConnection();
        } catch (IOException e) {
            throw new SQLException("the certificates could not be written for the connection", e);
        } finally {
            delete(authorities);
        }
    }

    private static void delete(Path file) {
        try {
            if (file != null) {
                Files.deleteIfExists(file);
            }
        } catch (IOException e) {
            System.getLogger(PostgresSource.class.getName())
                    .log(System.Logger.Level.WARNING, file + " could not be deleted", e);
        }
    }

    private SourceException unreadable(SQLException cause) {
        return new SourceException(address.name() + ": " + inWords(cause), cause);
    }

    /** What went wrong and what to do, by the standard's states. The server's own words carry no password. */
    private String inWords(SQLException cause) {
        String where = address.host() + ":" + address.port();
        String state = String.valueOf(cause.getSQLState());
        String said = cause instanceof PSQLException p && p.getServerErrorMessage() instanceof ServerErrorMessage m
                ? m.getMessage()
                : String.valueOf(cause.getMessage());
        if (said.contains(HiddenPassword.REFUSED)) {
            return "the server at " + where
                    + " asks for the password in the clear, where everybody on the way could read it;"
                    + " encrypt the connection, have the server ask in another way, or allow it for this source";
        }
        Optional<String> certificate = ofCertificate(cause);
        if (certificate.isPresent()) {
            return "the server at " + where + " " + certificate.get();
        }
        boolean unasked = password.isEmpty() && said.contains("password");
        return switch (unasked ? "28P01" : state) {
            case "28P01", "28000" ->
                "the server at " + where + " refused the user \"" + address.user()
                        + "\" or the password; check both, and that the user may connect from here";
            case "3D000" ->
                "the server at " + where + " has no database \"" + address.database() + "\"; check its name";
            case "08001", "08004" ->
                "there is no answer from " + where + " (" + reason(cause, said)
                        + "); check host and port, and that the server runs and lets this machine in";
            case "57014" ->
                "a statement took longer than " + words(limits.longestStatement())
                        + "; read fewer rows, or ask for an index or a view";
            case "42P01", "42703" ->
                "a table or column is no longer there (" + said + "); fix the dataset, or bring it back";
            case "42501" -> said + "; ask for the right to read it";
            case "57P01", "57P02", "57P03" -> "the server shut down or is starting (" + said + "); try again later";
            default ->
                state.startsWith("08")
                        ? "the connection to " + where + " broke off, or said nothing for "
                                + words(limits.longestSilence())
                                + "; nothing was taken for whole, try again"
                        : said;
        };
    }

    /** What kept a connection from being encrypted as it should be. */
    private Optional<String> ofCertificate(Throwable cause) {
        if (encryption.level() == Encryption.Level.OFF) {
            return Optional.empty();
        }
        String said = String.valueOf(cause.getMessage());
        if (said.contains("does not support SSL")) {
            return Optional.of(
                    "cannot encrypt the connection; switch its TLS on, or connect without where that is safe");
        }
        for (Throwable t = cause; t != null; t = t.getCause()) {
            if (t instanceof CertificateException
                    || String.valueOf(t.getMessage()).contains("hostname")) {
                return Optional.of("did not prove to be the one that was asked for (" + t.getMessage()
                        + "); check its name, and the certificates that it must lead to");
            }
        }
        return Optional.empty();
    }

    /** Why there is no connection; what the driver says of it is about matters of its own. */
    private static String reason(Throwable cause, String said) {
        for (Throwable t = cause; t != null; t = t.getCause()) {
            switch (t) {
                case UnknownHostException e -> {
                    return "no host of that name is known";
                }
                case ConnectException e -> {
                    return "nothing takes connections there";
                }
                case SocketTimeoutException e -> {
                    return "it said nothing in time";
                }
                default -> {}
            }
        }
        return said;
    }

    private static String words(Duration time) {
        return time.toMinutes() > 1 ? time.toMinutes() + " minutes" : time.toSeconds() + " seconds";
    }
}
