package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest.BodyPublishers;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import org.grammatus.demo.ScenarioDatabase;
import org.grammatus.demo.ScenarioSize;
import org.grammatus.demo.Starters;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Started again, a server keeps what users saved and marks what it could not finish. */
class RecordsSurviveTest {

    @TempDir
    Path folder;

    @Test
    void whatWasSavedIsThereAfterARestart() throws Exception {
        Path database = folder.resolve("demo.db");
        ScenarioDatabase.create(database, ScenarioSize.DEMO.withSalesOrders(10));
        ServerSettings settings = new ServerSettings(0, folder.resolve("data"), database, true);
        try (Server server = Server.start(settings)) {
            RunningServer.Browser author = new RunningServer.Browser(server.address());
            author.signIn("author", "author-demo");
            String mine = Starters.reportText("sales-by-fiscal-year").replaceFirst("sales-by-fiscal-year", "mine");
            assertThat(author.post("/api/reports", mine).statusCode()).isEqualTo(201);
            String dataset =
                    author.get("/api/datasets/sales-order-lines/editing").body();
            String changed = dataset.replace("\"Number of orders\"", "\"Orders in all\"")
                    .replaceFirst("\"revision\":0", "\"base\":0");
            assertThat(author.send(
                                    "PUT",
                                    "/api/datasets/sales-order-lines",
                                    "application/json",
                                    BodyPublishers.ofString(changed))
                            .statusCode())
                    .isEqualTo(200);
        }
        String records = "jdbc:sqlite:" + folder.resolve("data").resolve("records.db");
        try (Connection connection = DriverManager.getConnection(records);
                Statement statement = connection.createStatement()) {
            statement.execute(
                    "INSERT INTO run (id, report_id, account_id, answers, business_date, state, started_at)"
                            + " SELECT 'left', 'mine', id, '{}', '2026-11-20', 'READING', 1 FROM account WHERE name = 'author'");
        }
        try (Server server = Server.start(settings)) {
            RunningServer.Browser author = new RunningServer.Browser(server.address());
            author.signIn("author", "author-demo");
            assertThat(author.get("/api/reports").body()).contains("\"mine\"");
            assertThat(author.get("/api/datasets/sales-order-lines").body()).contains("\"Orders in all\"");
        }
        try (Connection connection = DriverManager.getConnection(records);
                Statement statement = connection.createStatement();
                ResultSet state = statement.executeQuery("SELECT state FROM run WHERE id = 'left'")) {
            assertThat(state.getString(1)).isEqualTo("INTERRUPTED");
        }
    }
}
