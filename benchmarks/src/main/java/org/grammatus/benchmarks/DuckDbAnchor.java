package org.grammatus.benchmarks;

import java.io.IOException;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Properties;
import java.util.function.Consumer;
import org.duckdb.DuckDBAppender;
import org.duckdb.DuckDBConnection;

/** The anchor: DuckDB with the best SQL we know for the same question, on two threads, timed to its first row. */
final class DuckDbAnchor implements AutoCloseable {

    private final DuckDBConnection connection;
    private final String sql;

    /** @param question name of the file with its SQL */
    DuckDbAnchor(Lines lines, String question) throws SQLException, IOException {
        sql = OurEngine.resource(question);
        Properties properties = new Properties();
        properties.setProperty("jdbc_stream_results", "true");
        connection = (DuckDBConnection) DriverManager.getConnection("jdbc:duckdb:", properties);
        try (Statement statement = connection.createStatement()) {
            statement.execute("SET threads = 2");
            statement.execute("CREATE TABLE line (region VARCHAR, apiary VARCHAR, order_number VARCHAR, net BIGINT)");
        }
        try (DuckDBAppender appender = connection.createAppender("main", "line")) {
            for (int i = 0; i < lines.count(); i++) {
                appender.beginRow();
                appender.append(lines.regionNames()[lines.regions()[i]]);
                appender.append(lines.apiaryCodes()[lines.apiaries()[i]]);
                appender.append(lines.orderNumbers()[lines.orders()[i]]);
                appender.append(lines.net()[i]);
                appender.endRow();
            }
        }
    }

    /** Runs the query until its first row is there. */
    void firstRow() throws SQLException {
        try (Statement statement = connection.createStatement();
                ResultSet result = statement.executeQuery(sql)) {
            if (!result.next()) {
                throw new IllegalStateException("No rows");
            }
        }
    }

    /** Hands every row of the answer over in order. */
    void forEach(RowCheck check) throws SQLException {
        try (Statement statement = connection.createStatement();
                ResultSet result = statement.executeQuery(sql)) {
            while (result.next()) {
                check.row(result.getString(1), result.getString(2), result.getString(3), result.getLong(4));
            }
        }
    }

    /** Hands every row of the answer over in order, whatever its columns are. */
    void forEachRow(Consumer<List<String>> check) throws SQLException {
        try (Statement statement = connection.createStatement();
                ResultSet result = statement.executeQuery(sql)) {
            int columns = result.getMetaData().getColumnCount();
            while (result.next()) {
                List<String> row = new ArrayList<>();
                for (int i = 1; i <= columns; i++) {
                    row.add(result.getString(i));
                }
                check.accept(row);
            }
        }
    }

    interface RowCheck {
        void row(String region, String apiary, String order, long net);
    }

    @Override
    public void close() throws SQLException {
        connection.close();
    }
}
