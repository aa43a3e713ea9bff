package org.grammatus.benchmarks;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.util.Set;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.demo.ScenarioDatabase;
import org.grammatus.demo.ScenarioSize;
import org.grammatus.demo.Starters;
import org.grammatus.runs.rowcache.HeldRows;
import org.grammatus.runs.rowcache.SpillFolder;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.Reading;
import org.grammatus.sources.Source;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;

/**
 * Reads order lines with their orders, apiaries and products from SQLite and from PostgreSQL into columns: ours beside merely fetching
 * the same joined rows through the same driver, which keeps nothing.
 */
final class ReadRows {

    private static final double LINES_OF_AN_ORDER = 3.7;
    private static final int FETCH_SIZE = 10_000;

    private static final Set<String> FIELDS = Set.of(
            "region", "apiary_name", "order_number", "ordered_at", "status", "product_name", "quantity", "net_amount");

    private static final String JOINED = """
            SELECT a.region, a.name, o.order_number, o.ordered_at, o.status, p.name, l.quantity, l.net_amount
            FROM sales_order_line l LEFT JOIN sales_order o USING (order_id) LEFT JOIN apiary a USING (apiary_id)
              LEFT JOIN product p USING (product_id)""";

    private static final int TEXTS = 6;

    private ReadRows() {}

    /** Opens a connection through the same driver. */
    private interface Connecting {
        Connection connect() throws SQLException;
    }

    static void run(int[] sizes) throws Exception {
        System.out.printf("%-26s %12s %12s %8s %14s%n", "read", "ours s", "fetch s", "ratio", "bytes a line");
        for (int size : sizes) {
            Path folder = Files.createTempDirectory("grammatus-bench");
            Path file = folder.resolve("lines.db");
            try {
                ScenarioDatabase.create(file, ScenarioSize.DEMO.withSalesOrders((int) (size / LINES_OF_AN_ORDER)));
                Connecting sqlite = () -> DriverManager.getConnection("jdbc:sqlite:" + file);
                compare("SQLite", new SqliteSource(file), sqlite);
                comeBack(new SqliteSource(file), folder.resolve("held"), sqlite);
                try (PostgresCopy copy = PostgresCopy.of(file)) {
                    compare("PostgreSQL", copy.source(), copy::connect);
                }
            } finally {
                Files.deleteIfExists(file);
                Files.delete(folder);
            }
        }
    }

    private static void compare(String name, Source source, Connecting connecting) throws Exception {
        Reading reading = reading();
        StarReader reader = StarReader.over(source);
        Star star = reader.read(reading, ReadProgress.SILENT);
        long fetched = fetch(connecting);
        if (fetched != star.rowCount()) {
            throw new IllegalStateException("Ours has " + star.rowCount() + " rows, theirs " + fetched);
        }
        Pairs pairs = Pairs.of(() -> reader.read(reading, ReadProgress.SILENT), () -> fetch(connecting));
        System.out.printf(
                "%-26s %12.3f %12.3f %7.2fx %14d%n",
                "%s, %,d lines".formatted(name, star.rowCount()),
                pairs.ours(),
                pairs.theirs(),
                pairs.ours() / pairs.theirs(),
                star.bytes() / star.rowCount());
    }

    /** Rows that gave way come back from their column file. */
    private static void comeBack(Source source, Path folder, Connecting connecting) throws Exception {
        HeldRows held = new HeldRows(
                StarReader.over(source), 0, new SpillFolder(folder, Long.MAX_VALUE), Clock.systemUTC(), RunContext.UTC);
        Reading reading = reading();
        int rows = held.read(reading, ReadProgress.SILENT).rowCount();
        Pairs pairs = Pairs.of(
                () -> {
                    // Nobody uses the rows any more that were read before.
                    System.gc();
                    held.read(reading, ReadProgress.SILENT);
                },
                () -> fetch(connecting));
        held.readAgain(reading.dataset());
        Files.delete(folder);
        System.out.printf(
                "%-26s %12.3f %12.3f %7.2fx%n",
                "its column file, %,d".formatted(rows), pairs.ours(), pairs.theirs(), pairs.ours() / pairs.theirs());
    }

    private static Reading reading() {
        return new Reading(DatasetModel.of(Starters.dataset("sales-order-lines").orElseThrow()), FIELDS, Set.of());
    }

    /** Every value of every row, each taken as what it is and forgotten. */
    private static long fetch(Connecting connecting) throws SQLException {
        long rows = 0;
        long characters = 0;
        try (Connection connection = connecting.connect()) {
            connection.setAutoCommit(false);
            try (PreparedStatement statement = connection.prepareStatement(JOINED)) {
                statement.setFetchSize(FETCH_SIZE);
                try (ResultSet result = statement.executeQuery()) {
                    while (result.next()) {
                        for (int column = 1; column <= TEXTS; column++) {
                            String text = result.getString(column);
                            characters += text == null ? 0 : text.length();
                        }
                        characters += result.getLong(TEXTS + 1) + result.getLong(TEXTS + 2);
                        rows++;
                    }
                }
            }
        }
        if (characters == 0 && rows > 0) {
            throw new IllegalStateException("Nothing was fetched");
        }
        return rows;
    }
}
