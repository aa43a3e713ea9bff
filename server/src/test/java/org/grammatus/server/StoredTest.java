package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.grammatus.demo.Starters;
import org.grammatus.server.RunningServer.Browser;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Whatever is stored can be loaded, one bad document stops nothing, and a full disk loses nothing. */
class StoredTest {

    @RegisterExtension
    static final RunningServer SERVER = new RunningServer();

    @Test
    void whateverIsStoredCanBeLoaded() throws Exception {
        Browser author = SERVER.signedIn("author");
        assertThat(author.post(
                                "/api/reports",
                                SafetyTest.report("sound", "Sound").toString())
                        .statusCode())
                .isEqualTo(201);
        for (String title : List.of("", "x".repeat(501))) {
            assertThat(author.send(
                                    "PATCH",
                                    "/api/reports/sound",
                                    "application/json",
                                    BodyPublishers.ofString("{\"title\": \"" + title + "\"}"))
                            .statusCode())
                    .isEqualTo(422);
        }
        assertThat(author.post("/api/reports/sound/copy", "{\"title\": \"" + "x".repeat(501) + "\"}")
                        .statusCode())
                .isEqualTo(422);
        assertThat(author.send(
                                "PATCH",
                                "/api/reports/sound",
                                "application/json",
                                BodyPublishers.ofString("{\"folder\": \"" + "f".repeat(201) + "\"}"))
                        .statusCode())
                .isEqualTo(422);
        assertThat(SafetyTest.json(author.get("/api/datasets/sales-order-lines/uses?field=net_amount"))
                        .path("reports")
                        .toString())
                .contains("\"sound\"");
        ObjectNode dataset = (ObjectNode) SafetyTest.json(author.get("/api/datasets/sales-order-lines/editing"))
                .path("definition");
        var calculated = dataset.withArray("calculated");
        for (int i = 0; i < 4; i++) {
            calculated
                    .addObject()
                    .put("id", "deep" + i)
                    .put("label", "Deep " + i)
                    .put("role", "additive")
                    .put("value", (i == 0 ? "quantity" : "deep" + (i - 1)) + " + 1".repeat(240));
        }
        HttpResponse<String> refused = author.send(
                "PUT",
                "/api/datasets/sales-order-lines",
                "application/json",
                BodyPublishers.ofString("{\"base\": 0, \"definition\": " + dataset + "}"));
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("steps one after the other once all that it uses is written out");
    }

    @Test
    void copiesMadeAtOnceHaveTitlesOfTheirOwnAndPrivateIdsAreNotTold() throws Exception {
        Browser author = SERVER.signedIn("author");
        Browser admin = SERVER.signedIn("admin");
        assertThat(author.post(
                                "/api/reports",
                                SafetyTest.report("private-one", "Private").toString())
                        .statusCode())
                .isEqualTo(201);
        HttpResponse<String> same = admin.post(
                "/api/reports", SafetyTest.report("private-one", "Mine").toString());
        assertThat(same.statusCode()).isEqualTo(201);
        assertThat(SafetyTest.json(same).path("id").asString()).isEqualTo("private-one-2");
        assertThat(author.post(
                                "/api/reports",
                                SafetyTest.report("private-one", "Again").toString())
                        .statusCode())
                .as("one's own is told")
                .isEqualTo(409);
        List<String> titles = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            titles.add(SafetyTest.json(author.post("/api/reports/private-one/copy", "{\"title\": \"Private\"}"))
                    .path("title")
                    .asString());
        }
        assertThat(titles).containsExactly("Private (2)", "Private (3)", "Private (4)");
        author.send(
                "PATCH",
                "/api/reports/private-one",
                "application/json",
                BodyPublishers.ofString("{\"offered\": true}"));
        assertThat(admin.send(
                                "PATCH",
                                "/api/reports/private-one",
                                "application/json",
                                BodyPublishers.ofString("{\"folder\": \"Kept\"}"))
                        .statusCode())
                .as("administrators may")
                .isEqualTo(204);
        admin.send(
                "PATCH",
                "/api/reports/private-one-2",
                "application/json",
                BodyPublishers.ofString("{\"offered\": true}"));
        assertThat(author.send(
                                "PATCH",
                                "/api/reports/private-one-2",
                                "application/json",
                                BodyPublishers.ofString("{\"offered\": false}"))
                        .statusCode())
                .isEqualTo(409);
    }

    @Test
    void oneBadDocumentNeverStopsAStartAndCanBeMended(@TempDir Path folder) throws Exception {
        ServerSettings settings = new ServerSettings(0, folder.resolve("data"), SERVER.database(), true);
        String dataset = Starters.datasetText("sales-order-lines");
        try (Server server = Server.start(settings)) {
            Browser author = new Browser(server.address());
            author.signIn("author", "author-demo");
            assertThat(author.post(
                                    "/api/reports",
                                    SafetyTest.report("mine", "Mine").toString())
                            .statusCode())
                    .isEqualTo(201);
            assertThat(author.send(
                                    "PUT",
                                    "/api/datasets/sales-order-lines",
                                    "application/json",
                                    BodyPublishers.ofString("{\"base\": 0, \"definition\": " + dataset + "}"))
                            .statusCode())
                    .isEqualTo(200);
        }
        try (var records = java.sql.DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("data/records.db"));
                var statement = records.createStatement()) {
            statement.execute("UPDATE dataset_revision SET definition = '{\"id\": 7'");
            statement.execute("UPDATE report SET definition = '{}' WHERE id = 'mine'");
        }
        try (Server server = Server.start(settings)) {
            Browser admin = new Browser(server.address());
            admin.signIn("admin", "admin-demo");
            JsonNode unreadable = SafetyTest.json(admin.get("/api/records/unreadable"));
            assertThat(unreadable.toString()).contains("\"DATASET\"", "sales-order-lines");
            assertThat(admin.get("/api/records/unreadable/DATASET/sales-order-lines")
                            .body())
                    .isEqualTo("{\"id\": 7");
            assertThat(admin.get("/api/datasets/purchase-order-lines/uses?field=quantity")
                            .statusCode())
                    .as("others go on")
                    .isEqualTo(200);
            HttpResponse<String> run =
                    admin.post("/api/runs", "{\"report\": \"sales-by-fiscal-year\", \"answers\": {}}");
            assertThat(run.statusCode()).isEqualTo(422);
            assertThat(run.body()).contains("was set aside, because its document cannot be read");
            assertThat(admin.send(
                                    "PUT",
                                    "/api/records/unreadable/DATASET/sales-order-lines",
                                    "text/plain",
                                    BodyPublishers.ofString("{}"))
                            .statusCode())
                    .isEqualTo(422);
            assertThat(admin.send(
                                    "PUT",
                                    "/api/records/unreadable/DATASET/sales-order-lines",
                                    "text/plain",
                                    BodyPublishers.ofString(dataset))
                            .statusCode())
                    .isEqualTo(204);
            assertThat(admin.send(
                                    "PUT",
                                    "/api/records/unreadable/REPORT/mine",
                                    "text/plain",
                                    BodyPublishers.ofString(
                                            SafetyTest.report("mine", "Mine").toString()))
                            .statusCode())
                    .isEqualTo(204);
            assertThat(admin.get("/api/records/unreadable").body()).isEqualTo("[]");
            assertThat(admin.run("{}").path("state").asString()).isEqualTo("DONE");
        }
    }

    @Test
    void aFullDiskIsSaidAndLosesNothing(@TempDir Path folder) throws Exception {
        ServerSettings settings = new ServerSettings(0, folder.resolve("data"), SERVER.database(), true);
        try (Server server = Server.start(settings)) {
            Browser author = new Browser(server.address());
            author.signIn("author", "author-demo");
            assertThat(author.post(
                                    "/api/reports",
                                    SafetyTest.report("kept", "Kept").toString())
                            .statusCode())
                    .isEqualTo(201);
            Records.limit(server);
            HttpResponse<String> full = null;
            for (int i = 0; i < 200 && (full == null || full.statusCode() == 201); i++) {
                full = author.post(
                        "/api/reports", SafetyTest.report("more-" + i, "More").toString());
            }
            assertThat(full.statusCode()).isEqualTo(507);
            assertThat(full.headers().firstValue("Content-Type").orElseThrow()).contains("problem+json");
            assertThat(full.body()).contains("disk is full").contains("nothing saved before was lost");
            assertThat(author.get("/api/reports/kept").statusCode()).isEqualTo(200);
        }
        try (Server server = Server.start(settings)) {
            Browser author = new Browser(server.address());
            author.signIn("author", "author-demo");
            assertThat(author.get("/api/reports/kept").statusCode()).isEqualTo(200);
        }
    }
}
