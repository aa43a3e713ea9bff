package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.grammatus.server.RunningServer.Browser;
import org.grammatus.sources.PostgresServer;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Sources over HTTP: who may add them and where, what becomes of passwords, and datasets made of their tables. */
class SourcesTest {

    @RegisterExtension
    static final RunningServer SERVER = new RunningServer();

    private static PostgresServer postgres;

    @BeforeAll
    static void startPostgres() {
        postgres = new PostgresServer();
        postgres.execute(
                "CREATE TABLE yard (id int PRIMARY KEY, code text UNIQUE NOT NULL, name text)",
                "INSERT INTO yard VALUES (1, 'Y1', 'Fernhollow'), (2, 'Y2', 'Fernhollow'), (3, 'Y3', 'Nettle Bank')",
                "CREATE TABLE harvest (id int PRIMARY KEY, yard_id int REFERENCES yard, code text, weight numeric(12,3))",
                "INSERT INTO harvest VALUES (1, 1, 'a', 1.5), (2, 1, 'a', 2.5), (3, 2, 'b', 4), (4, NULL, 'c', 8)",
                "CREATE TABLE jar (id int PRIMARY KEY, harvest_id int REFERENCES harvest, size int)",
                "INSERT INTO jar VALUES (1, 1, 500), (2, 1, 250)",
                "CREATE TABLE passing (id int PRIMARY KEY, weight int)",
                "INSERT INTO passing VALUES (1, 7)",
                "GRANT SELECT ON ALL TABLES IN SCHEMA public TO " + PostgresServer.READER);
    }

    @AfterAll
    static void stopPostgres() {
        postgres.close();
    }

    static JsonNode json(HttpResponse<String> response) {
        assertThat(response.statusCode()).as(response.body()).isBetween(200, 201);
        return Browser.JSON.readTree(response.body());
    }

    private static ObjectNode source(String label, String password) {
        return Browser.JSON
                .createObjectNode()
                .put("label", label)
                .put("kind", "POSTGRESQL")
                .put("host", "localhost")
                .put("port", postgres.port())
                .put("database", "postgres")
                .put("user", PostgresServer.READER)
                .put("password", password);
    }

    private static String added(String label) throws Exception {
        Browser admin = SERVER.signedIn("admin");
        return json(admin.post(
                        "/api/sources", source(label, PostgresServer.PASSWORD).toString()))
                .path("id")
                .asString();
    }

    private static HttpResponse<String> put(Browser browser, String path, JsonNode body) throws Exception {
        return browser.send("PUT", path, "application/json", BodyPublishers.ofString(body.toString()));
    }

    @Test
    void onlyAdministratorsAddSources() throws Exception {
        String body = source("Mine", "x").toString();
        for (String who : new String[] {"author", "reader"}) {
            Browser browser = SERVER.signedIn(who);
            assertThat(browser.post("/api/sources", body).statusCode()).isEqualTo(403);
            assertThat(browser.post("/api/sources/trial", body).statusCode()).isEqualTo(403);
            assertThat(browser.get("/api/sources/main").statusCode()).isEqualTo(403);
        }
        assertThat(SERVER.signedIn("author").get("/api/sources").body())
                .contains("demo.db")
                .doesNotContain("/");
        assertThat(SERVER.signedIn("reader").get("/api/sources").statusCode()).isEqualTo(403);
        assertThat(SERVER.signedIn("reader")
                        .get("/api/composing/tables?source=main")
                        .statusCode())
                .isEqualTo(403);
    }

    @Test
    void aPasswordIsNeitherReturnedNorKeptInTheClear() throws Exception {
        String id = added("Sealed hives");
        Browser admin = SERVER.signedIn("admin");
        assertThat(admin.get("/api/sources/" + id).body()
                        + admin.get("/api/sources").body())
                .contains("Sealed hives")
                .doesNotContain("only reading");
        try (Stream<Path> files = Files.list(SERVER.dataDir())) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                assertThat(Files.readString(file, StandardCharsets.ISO_8859_1))
                        .as(file.toString())
                        .doesNotContain("only reading");
            }
        }
        Path key = SERVER.dataDir().resolveSibling("kept-apart.key");
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(key)))
                .isEqualTo("rw-------");
    }

    @Test
    void aTrialTellsInWordsWhatStandsAgainstASource() throws Exception {
        Browser admin = SERVER.signedIn("admin");
        JsonNode good = json(admin.post(
                "/api/sources/trial", source("T", PostgresServer.PASSWORD).toString()));
        assertThat(good.path("ok").asBoolean()).isTrue();
        assertThat(good.path("verdict").asString()).startsWith("It answers and shows");
        JsonNode wrong =
                json(admin.post("/api/sources/trial", source("T", "guessed").toString()));
        assertThat(wrong.path("ok").asBoolean()).isFalse();
        assertThat(wrong.path("verdict").asString()).contains("or the password").doesNotContain("guessed");
        JsonNode off = json(
                admin.post("/api/sources/trial", source("T", "x").put("port", 1).toString()));
        assertThat(off.path("verdict").asString()).contains("there is no answer from localhost:1");
    }

    @Test
    void sourcesAreOnlyWhereTheServerAllowsThem(@org.junit.jupiter.api.io.TempDir Path elsewhere) throws Exception {
        Browser admin = SERVER.signedIn("admin");
        HttpResponse<String> host = admin.post(
                "/api/sources", source("Far", "x").put("host", "db.example").toString());
        assertThat(host.statusCode()).isEqualTo(422);
        assertThat(host.body())
                .contains("/host")
                .contains("not among the hosts")
                .contains("--source-host");

        Path outside = Files.copy(SERVER.database(), elsewhere.resolve("copy.db"));
        Path link = Files.createSymbolicLink(SERVER.dataDir().resolve("link.db"), outside);
        for (Path file : new Path[] {outside, link, SERVER.dataDir().resolve("../" + "nowhere.db")}) {
            ObjectNode body = Browser.JSON
                    .createObjectNode()
                    .put("label", "File")
                    .put("kind", "SQLITE")
                    .put("file", file.toString());
            assertThat(admin.post("/api/sources", body.toString()).statusCode())
                    .as(file.toString())
                    .isEqualTo(422);
        }
        ObjectNode nonsense = Browser.JSON
                .createObjectNode()
                .put("label", " ")
                .put("kind", "POSTGRESQL")
                .put("host", "a/b?x=y")
                .put("port", 0);
        JsonNode faults = Browser.JSON.readTree(
                admin.post("/api/sources", nonsense.toString()).body());
        assertThat(faults.path("problems").findValuesAsString("pointer"))
                .containsExactlyInAnyOrder("/label", "/database", "/user", "/port", "/host");
    }

    @Test
    void aPasswordOnRecordGoesToNoOtherPlace() throws Exception {
        String id = added("Kept");
        Browser admin = SERVER.signedIn("admin");
        ObjectNode renamed = source("Kept well", "");
        assertThat(put(admin, "/api/sources/" + id, renamed).statusCode()).isEqualTo(204);
        assertThat(json(admin.post("/api/sources/" + id + "/trial", renamed.toString()))
                        .path("ok")
                        .asBoolean())
                .as("a new name keeps the password")
                .isTrue();
        ObjectNode moved = renamed.deepCopy().put("user", "postgres2");
        assertThat(json(admin.post("/api/sources/" + id + "/trial", moved.toString()))
                        .path("verdict")
                        .asString())
                .contains("refused the user \"postgres2\"");
        assertThat(put(admin, "/api/sources/main", renamed).statusCode()).isEqualTo(409);
        assertThat(put(admin, "/api/sources/nothing", renamed).statusCode()).isEqualTo(404);
        HttpResponse<String> taken =
                admin.post("/api/sources", source("kept WELL", "x").toString());
        assertThat(taken.statusCode()).isEqualTo(409);
    }

    static ObjectNode started(Browser author, String source, String table, String id) throws Exception {
        ObjectNode body = Browser.JSON
                .createObjectNode()
                .put("id", id)
                .put("source", source)
                .put("table", table);
        return (ObjectNode)
                json(author.post("/api/composing/start", body.toString())).path("definition");
    }

    static ObjectNode asking(JsonNode definition) {
        ObjectNode body = Browser.JSON.createObjectNode();
        body.set("definition", definition);
        return body;
    }

    private static ObjectNode join(String from, String column, String source, String table, String key) {
        ObjectNode join = Browser.JSON
                .createObjectNode()
                .put("from", from)
                .put("source", source)
                .put("table", table);
        join.putArray("columns").add(column);
        join.putArray("key").add(key);
        return join;
    }

    @Test
    void aDatasetIsMadeOfItsTablesAndReportedOn() throws Exception {
        String source = added("Hives");
        Browser author = SERVER.signedIn("author");
        assertThat(json(author.get("/api/composing/tables?source=" + source)).toString())
                .contains("\"harvest\"", "\"yard\"");
        ObjectNode dataset = started(author, source, "harvest", "harvests-of-yards");

        ObjectNode suggest = asking(dataset);
        suggest.put("source", source);
        JsonNode found = json(author.post("/api/composing/suggestions", suggest.toString()));
        assertThat(found.path("joins").get(0).path("join").path("table").asString())
                .isEqualTo("yard");
        assertThat(found.path("joins").get(0).path("reason").asString()).isEqualTo("DECLARED");
        assertThat(found.path("many").toString()).contains("\"jar\"", "\"jars\"");

        JsonNode plan = found.path("joins").get(0).path("join");
        ObjectNode attempt = asking(dataset);
        attempt.set("join", plan);
        JsonNode trial = json(author.post("/api/composing/trial", attempt.toString()));
        assertThat(trial.toString()).isEqualTo("{\"rows\":4,\"without\":1,\"targets\":3,\"unused\":1,\"repeats\":0}");
        dataset = (ObjectNode)
                json(author.post("/api/composing/join", attempt.toString())).path("definition");

        ObjectNode wrong = asking(dataset);
        wrong.set("join", join("yards", "name", source, "harvest", "code"));
        HttpResponse<String> refused = author.post("/api/composing/join", wrong.toString());
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body())
                .contains("1 rows of harvest have the same code")
                .contains("would repeat rows");

        json(author.post("/api/composing/dataset", asking(dataset).toString()));
        assertThat(author.post("/api/composing/dataset", asking(dataset).toString())
                        .statusCode())
                .isEqualTo(409);
        JsonNode profile = json(author.get("/api/datasets/harvests-of-yards/profile"));
        assertThat(profile.path("tables").get(0).path("rows").asInt()).isEqualTo(4);
        assertThat(SERVER.signedIn("admin")
                        .send("DELETE", "/api/sources/" + source, "application/json", BodyPublishers.noBody())
                        .body())
                .contains("These datasets read it");
    }

    @Test
    void aWideTableWithSqlInItsNamesBecomesADatasetAllTheSame() throws Exception {
        String columns = IntStream.range(0, 300)
                .mapToObj(i -> "\"c" + i + "'; DROP TABLE yard; --\" int")
                .collect(Collectors.joining(", "));
        postgres.execute(
                "CREATE TABLE \"wide \"\"; DELETE FROM yard; --\" (" + columns
                        + ", PRIMARY KEY (\"c0'; DROP TABLE yard; --\"))",
                "INSERT INTO \"wide \"\"; DELETE FROM yard; --\" SELECT " + "7, ".repeat(299) + "7",
                "GRANT SELECT ON ALL TABLES IN SCHEMA public TO " + PostgresServer.READER);
        String source = added("Wide hives");
        Browser author = SERVER.signedIn("author");
        ObjectNode dataset = started(author, source, "wide \"; DELETE FROM yard; --", "wide-things");
        assertThat(dataset.path("fields")).hasSize(300);
        json(author.post("/api/composing/dataset", asking(dataset).toString()));
        JsonNode profile = json(author.get("/api/datasets/wide-things/profile"));
        assertThat(profile.path("fields")).hasSize(300);
        assertThat(profile.path("fields").get(299).path("samples").toString()).isEqualTo("[\"7\"]");
    }

    /** What is kept unless it is left out on purpose, over HTTP as in the engine. */
    @Test
    void rowsThatAnInnerJoinLeavesOutAreCounted() throws Exception {
        String source = added("Matched hives");
        Browser author = SERVER.signedIn("author");
        ObjectNode dataset = started(author, source, "harvest", "matched-harvests");
        ObjectNode made = asking(dataset);
        made.set("join", join(dataset.path("grain").asString(), "yard_id", source, "yard", "id"));
        made.put("keep", "MATCHED");
        dataset = (ObjectNode)
                json(author.post("/api/composing/join", made.toString())).path("definition");
        json(author.post("/api/composing/dataset", asking(dataset).toString()));
        JsonNode profile = json(author.get("/api/datasets/matched-harvests/profile"));
        assertThat(profile.path("tables").get(0).path("rows").asInt()).isEqualTo(3);
        assertThat(profile.path("joins").get(0).path("match").path("leftOut").asInt())
                .isEqualTo(1);
    }

    private static ObjectNode report(String id, String dataset, String column) {
        return (ObjectNode) Browser.JSON.readTree("""
                {"format": "grammatus-report", "version": 1, "id": "%s", "title": "%s", "dataset": "%s",
                 "locale": "en-GB", "prompts": [], "filters": [],
                 "blocks": [{"id": "b", "kind": "banded", "levels": [],
                   "columns": [{"id": "c", "label": "C", "value": "%s"}], "totals": [], "counts": [],
                   "highlights": [], "rows": {"shown": true, "order": []}}],
                 "page": {"paper": "A4", "orientation": "portrait",
                          "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}""".formatted(id, id, dataset, column));
    }

    private static JsonNode run(Browser browser, String report) throws Exception {
        String id = json(browser.post("/api/runs", "{\"report\": \"" + report + "\", \"answers\": {}}"))
                .path("id")
                .asString();
        String events = browser.get("/api/runs/" + id + "/events").body().strip();
        return Browser.JSON.readTree(events.substring(events.lastIndexOf("data:") + "data:".length()));
    }

    @Test
    void aColumnThatVanishedBreaksOnlyWhatNeedsIt() throws Exception {
        String source = added("Passing hives");
        Browser author = SERVER.signedIn("author");
        json(author.post(
                "/api/composing/dataset",
                asking(started(author, source, "passing", "passing-things")).toString()));
        json(author.post(
                "/api/reports",
                report("needs-weight", "passing-things", "weight").toString()));
        json(author.post(
                "/api/reports",
                report("needs-none", "passing-things", "passing_id").toString()));
        assertThat(run(author, "needs-weight").path("state").asString()).isEqualTo("DONE");
        postgres.execute("ALTER TABLE passing DROP COLUMN weight");
        author.post("/api/datasets/passing-things/reading", "");
        assertThat(run(author, "needs-none").path("state").asString()).isEqualTo("DONE");
        JsonNode failed = run(author, "needs-weight");
        assertThat(failed.path("state").asString()).isEqualTo("FAILED");
        assertThat(failed.toString()).contains("table passing, has no column weight");
        JsonNode profile = json(author.get("/api/datasets/passing-things/profile"));
        assertThat(profile.path("missing").get(0).path("id").asString()).isEqualTo("weight");
        assertThat(profile.path("fields")).hasSize(1);
        assertThat(json(author.get("/api/datasets/passing-things/rows"))
                        .path("rows")
                        .toString())
                .isEqualTo("[[\"1\",\"\"]]");
        postgres.execute("DROP TABLE passing");
        author.post("/api/datasets/passing-things/reading", "");
        assertThat(run(author, "needs-none").toString()).contains("has no table passing");
    }

    @Test
    void aNewNameIsFollowedByReportsAndByDatasetsBuiltOnIt() throws Exception {
        Browser author = SERVER.signedIn("author");
        ObjectNode base = started(author, "main", "product", "products-alone");
        json(author.post("/api/composing/dataset", asking(base).toString()));
        ObjectNode built = (ObjectNode) json(author.post(
                        "/api/composing/start", "{\"id\": \"products-and-more\", \"dataset\": \"products-alone\"}"))
                .path("definition");
        ((ArrayNode) built.withArray("calculated"))
                .addObject()
                .put("id", "shout")
                .put("label", "Shout")
                .put("value", "UPPER(product_name)")
                .put("role", "descriptive");
        json(author.post("/api/composing/dataset", asking(built).toString()));
        json(author.post(
                "/api/reports",
                report("on-base", "products-alone", "product_name").toString()));
        json(author.post(
                "/api/reports",
                report("on-built", "products-and-more", "shout || product_name").toString()));

        JsonNode uses = json(author.get("/api/datasets/products-alone/uses?field=product_name"));
        assertThat(uses.path("reports").findValuesAsString("id")).containsExactly("on-base", "on-built");
        HttpResponse<String> taken = author.post(
                "/api/datasets/products-alone/renaming",
                "{\"from\": \"product_name\", \"to\": \"product_code\", \"base\": 1}");
        assertThat(taken.statusCode()).as(taken.body()).isEqualTo(422);
        HttpResponse<String> late = author.post(
                "/api/datasets/products-alone/renaming",
                "{\"from\": \"product_name\", \"to\": \"called\", \"base\": 7}");
        assertThat(late.statusCode()).isEqualTo(409);
        json(author.post(
                "/api/datasets/products-alone/renaming",
                "{\"from\": \"product_name\", \"to\": \"called\", \"base\": 1}"));
        assertThat(author.get("/api/reports/on-built/definition").body()).contains("shout || called");
        assertThat(author.get("/api/datasets/products-and-more/editing").body()).contains("UPPER(called)");
        for (String report : new String[] {"on-base", "on-built"}) {
            assertThat(run(author, report).path("state").asString()).as(report).isEqualTo("DONE");
        }

        // What would break those built on it is told before it is saved.
        ObjectNode without = (ObjectNode)
                json(author.get("/api/datasets/products-alone/editing")).path("definition");
        ArrayNode fields = (ArrayNode) without.withArray("fields");
        for (int i = 0; i < fields.size(); i++) {
            if (fields.get(i).path("id").asString().equals("called")) {
                fields.remove(i);
            }
        }
        ((ObjectNode) without.path("tables").get(0)).remove("name");
        JsonNode effect = json(author.post(
                "/api/datasets/products-alone/effect", asking(without).toString()));
        assertThat(effect.path("datasets").get(0).path("id").asString()).isEqualTo("products-and-more");
        assertThat(effect.path("broken").findValuesAsString("id")).containsExactlyInAnyOrder("on-base", "on-built");

        // A circle is refused, and nothing is lost.
        ObjectNode circle = (ObjectNode)
                json(author.get("/api/datasets/products-alone/editing")).path("definition");
        circle.putArray("builtOn").add("products-and-more");
        ObjectNode body = asking(circle);
        body.put("base", 2);
        HttpResponse<String> refused = put(author, "/api/datasets/products-alone", body);
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("in a circle");
    }
}
