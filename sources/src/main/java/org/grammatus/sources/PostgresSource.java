package org.grammatus.sources;

import java.net.ConnectException;
import java.net.SocketTimeoutException;
import java.net.UnknownHostException;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.time.ZoneId;
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
    private String seen;
    private long seenAt;

    /**
     * Where a database is and who reads it.
     *
     * @param name what the source is called
     */
    public record Address(String name, String host, int port, String database, String user) {}

    /**
     * A database that is read with a password.
     *
     */
    public PostgresSource(Address address, String password, ReadLimits limits) {
        this.address = address;
        this.password = password;
        this.limits = limits;
    }

    @Override
    public String name() {
        return address.name();
    }

    @Override
    public SourceView open(ZoneId zone) {
        try {
            return new JdbcView(connect(), new PostgresDialect(zone), limits, this::unreadable);
        } catch (SQLException e) {
            throw unreadable(e);
        }
    }

    /** Any writing transaction since makes another version. */
    @Override
    public synchronized String version() {
        long now = System.nanoTime();
        if (seen == null || now - seenAt > LOOKS_EVERY.toNanos()) {
            try (Connection connection = connect();
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
    private Connection connect() throws SQLException {
        PGSimpleDataSource database = new PGSimpleDataSource();
        database.setServerNames(new String[] {address.host()});
        database.setPortNumbers(new int[] {address.port()});
        database.setDatabaseName(address.database());
        database.setUser(address.user());
        database.setPassword(password);
        database.setApplicationName("Grammatus");
        database.setConnectTimeout(CONNECT_SECONDS);
        database.setLoginTimeout(CONNECT_SECONDS);
        database.setSocketTimeout((int) limits.longestSilence().toSeconds());
        database.setReadOnly(true);
        database.setOptions("-c default_transaction_read_only=on -c statement_timeout="
                + limits.longestStatement().toMillis());
        Connection connection = database.getConnection();
        connection.setReadOnly(true);
        connection.setTransactionIsolation(Connection.TRANSACTION_REPEATABLE_READ);
        // Rows come some at a time only inside a transaction.
        connection.setAutoCommit(false);
        return connection;
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
                "a table or column is no longer there (" + said + "); mend the dataset, or bring it back";
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
