package org.grammatus.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Collections;
import java.util.Optional;

/** The scenario as a SQLite database file. The same size gives the same bytes. */
public final class ScenarioDatabase {

    private static final DateTimeFormatter TIMESTAMP = DateTimeFormatter.ofPattern("uuuu-MM-dd HH:mm:ss");

    private ScenarioDatabase() {}

    /** Makes the database; a file that is there is replaced once the new one is whole. */
    public static void create(Path file, ScenarioSize size) {
        try {
            Path parent = file.toAbsolutePath().getParent();
            Files.createDirectories(parent);
            Path part = Files.createTempFile(parent, "scenario", ".part");
            try {
                // SQLite fills the empty file, which only its owner may read.
                fill(part, size);
                Files.move(part, file, StandardCopyOption.REPLACE_EXISTING);
            } finally {
                Files.deleteIfExists(part);
            }
        } catch (IOException e) {
            throw new UncheckedIOException("The demo data could not be written to " + file, e);
        } catch (SQLException e) {
            throw new IllegalStateException("The demo data could not be written to " + file, e);
        }
    }

    /** The last day of the data in a database made here, which counts as today; none in another database. */
    public static Optional<LocalDate> businessDate(Path file) {
        if (!Files.isRegularFile(file)) {
            return Optional.empty();
        }
        try (Connection connection =
                        DriverManager.getConnection("jdbc:sqlite:file:" + file.toAbsolutePath() + "?mode=ro");
                Statement statement = connection.createStatement();
                ResultSet result = statement.executeQuery("SELECT day FROM business_date")) {
            return result.next() ? Optional.of(LocalDate.parse(result.getString(1))) : Optional.empty();
        } catch (SQLException e) {
            return Optional.empty();
        }
    }

    private static void fill(Path file, ScenarioSize size) throws IOException, SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file.toAbsolutePath());
                Statement statement = connection.createStatement()) {
            statement.execute("PRAGMA journal_mode = OFF");
            statement.execute("PRAGMA synchronous = OFF");
            connection.setAutoCommit(false);
            for (String sql : schema().split(";")) {
                if (!sql.isBlank()) {
                    statement.execute(sql);
                }
            }
            try (DatabaseSink sink = new DatabaseSink(connection)) {
                Scenario.generate(size, sink);
                sink.flush();
            }
            statement.execute("INSERT INTO business_date VALUES ('" + size.lastDay() + "')");
            connection.commit();
        }
    }

    private static String schema() throws IOException {
        try (InputStream in = ScenarioDatabase.class.getResourceAsStream("schema.sql")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    /** Inserts each row as it comes, in batches. */
    private static final class DatabaseSink implements ScenarioSink, AutoCloseable {

        private static final int BATCH = 1_000;

        private final Inserts apiaries;
        private final Inserts products;
        private final Inserts suppliers;
        private final Inserts salesOrders;
        private final Inserts salesLines;
        private final Inserts purchaseOrders;
        private final Inserts purchaseLines;

        DatabaseSink(Connection connection) throws SQLException {
            apiaries = new Inserts(connection, "apiary", 7);
            products = new Inserts(connection, "product", 6);
            suppliers = new Inserts(connection, "supplier", 3);
            salesOrders = new Inserts(connection, "sales_order", 9);
            salesLines = new Inserts(connection, "sales_order_line", 10);
            purchaseOrders = new Inserts(connection, "purchase_order", 9);
            purchaseLines = new Inserts(connection, "purchase_order_line", 10);
        }

        @Override
        public void apiary(Rows.Apiary a) {
            apiaries.add(a.id(), a.code(), a.name(), a.region(), a.town(), a.type(), a.accountManager());
        }

        @Override
        public void product(Rows.Product p) {
            products.add(p.id(), p.code(), p.name(), p.category(), p.listPrice(), p.cost());
        }

        @Override
        public void supplier(Rows.Supplier s) {
            suppliers.add(s.id(), s.name(), s.contact());
        }

        @Override
        public void salesOrder(Rows.SalesOrder o) {
            salesOrders.add(
                    o.id(),
                    o.number(),
                    o.orderedAt(),
                    o.promised(),
                    o.apiary(),
                    o.depot(),
                    o.shipped(),
                    o.status(),
                    o.freight());
        }

        @Override
        public void salesLine(Rows.SalesLine l) {
            salesLines.add(
                    l.id(),
                    l.order(),
                    l.number(),
                    l.product(),
                    l.quantity(),
                    l.unit(),
                    l.unitPrice(),
                    l.discount(),
                    l.netAmount(),
                    l.shippedQuantity());
        }

        @Override
        public void purchaseOrder(Rows.PurchaseOrder o) {
            purchaseOrders.add(
                    o.id(),
                    o.number(),
                    o.revision(),
                    o.supplier(),
                    o.branch(),
                    o.depot(),
                    o.ordered(),
                    o.reference(),
                    o.status());
        }

        @Override
        public void purchaseLine(Rows.PurchaseLine l) {
            purchaseLines.add(
                    l.id(),
                    l.order(),
                    l.number(),
                    l.product(),
                    l.quantity(),
                    l.received(),
                    l.unitCost(),
                    l.expected(),
                    l.receipt(),
                    l.neededQuantity());
        }

        void flush() throws SQLException {
            for (Inserts inserts : all()) {
                inserts.statement.executeBatch();
            }
        }

        private Inserts[] all() {
            return new Inserts[] {apiaries, products, suppliers, salesOrders, salesLines, purchaseOrders, purchaseLines
            };
        }

        @Override
        public void close() throws SQLException {
            for (Inserts inserts : all()) {
                inserts.statement.close();
            }
        }

        private static final class Inserts {
            private final PreparedStatement statement;
            private int waiting;

            Inserts(Connection connection, String table, int columns) throws SQLException {
                String places = String.join(", ", Collections.nCopies(columns, "?"));
                statement = connection.prepareStatement("INSERT INTO " + table + " VALUES (" + places + ")");
            }

            void add(Object... values) {
                try {
                    for (int i = 0; i < values.length; i++) {
                        statement.setObject(i + 1, stored(values[i]));
                    }
                    statement.addBatch();
                    if (++waiting % BATCH == 0) {
                        statement.executeBatch();
                    }
                } catch (SQLException e) {
                    throw new IllegalStateException("The demo data could not be written", e);
                }
            }

            private static Object stored(Object value) {
                return switch (value) {
                    case Optional<?> o -> o.map(Inserts::stored).orElse(null);
                    case LocalDate d -> d.toString();
                    case LocalDateTime t -> TIMESTAMP.format(t);
                    default -> value;
                };
            }
        }
    }
}
