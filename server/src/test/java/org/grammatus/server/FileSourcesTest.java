package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.grammatus.server.RunningServer.Browser;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.node.ObjectNode;

/** Files as sources: analytical ones, and tables of very many columns. */
class FileSourcesTest {

    @RegisterExtension
    static final RunningServer SERVER = new RunningServer();

    @Test
    void anAnalyticalFileIsASourceToo() throws Exception {
        Path file = SERVER.database().resolveSibling("hives.duckdb");
        try (Connection connection = DriverManager.getConnection("jdbc:duckdb:" + file);
                Statement statement = connection.createStatement()) {
            statement.execute("CREATE TABLE yard AS SELECT range AS id, 'Yard ' || range AS name FROM range(3)");
        }
        ObjectNode body = Browser.JSON
                .createObjectNode()
                .put("label", "Hive analysis")
                .put("kind", "DUCKDB")
                .put("file", file.toString());
        Browser admin = SERVER.signedIn("admin");
        assertThat(SourcesTest.json(admin.post("/api/sources/trial", body.toString()))
                        .path("verdict")
                        .asString())
                .startsWith("It answers and shows 1 table");
        String id = SourcesTest.json(admin.post("/api/sources", body.toString()))
                .path("id")
                .asString();
        assertThat(SourcesTest.json(SERVER.signedIn("author").get("/api/composing/tables?source=" + id))
                        .toString())
                .contains("yard");
    }

    /** A file with one table of so many columns. */
    private static String widePlace(int columns) throws Exception {
        Path file = SERVER.database().resolveSibling("wide" + columns + ".duckdb");
        String every =
                IntStream.range(0, columns).mapToObj(i -> "7 AS column" + i).collect(Collectors.joining(", "));
        try (Connection connection = DriverManager.getConnection("jdbc:duckdb:" + file);
                Statement statement = connection.createStatement()) {
            statement.execute("CREATE TABLE wide AS SELECT " + every);
        }
        ObjectNode body = Browser.JSON
                .createObjectNode()
                .put("label", "Wide " + columns)
                .put("kind", "DUCKDB")
                .put("file", file.toString());
        return SourcesTest.json(SERVER.signedIn("admin").post("/api/sources", body.toString()))
                .path("id")
                .asString();
    }

    @Test
    void aTableOfTwoThousandColumnsIsADatasetAndOneOfMoreIsToldSo() throws Exception {
        Browser author = SERVER.signedIn("author");
        ObjectNode dataset = SourcesTest.started(author, widePlace(2_000), "wide", "two-thousand");
        assertThat(dataset.path("fields")).hasSize(2_000);
        SourcesTest.json(author.post(
                "/api/composing/dataset", SourcesTest.asking(dataset).toString()));
        assertThat(SourcesTest.json(author.get("/api/datasets/two-thousand/profile"))
                        .path("fields"))
                .hasSize(2_000);

        ObjectNode grain = Browser.JSON.createObjectNode().put("id", "more").put("table", "wide");
        grain.put("source", widePlace(2_001));
        HttpResponse<String> refused = author.post("/api/composing/start", grain.toString());
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("2,001 columns", "2,000", "view");
    }
}
