package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.grammatus.demo.Starters;
import org.grammatus.server.RunningServer.Browser;
import org.grammatus.server.problem.CannotStartException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** The HTTP interface as a browser meets it: who may do what, runs to their end, refusals in words. */
class HttpInterfaceTest {

    @RegisterExtension
    static final RunningServer SERVER = new RunningServer();

    private static JsonNode json(HttpResponse<String> response) {
        return Browser.JSON.readTree(response.body());
    }

    /** Every address of the description, and the description itself, asks for an account. */
    @Test
    void anUnsignedInCallToAnyAddressIsRefused() throws Exception {
        JsonNode paths = json(SERVER.signedIn("reader").get("/api/openapi")).path("paths");
        List<String> tried = new ArrayList<>();
        for (Map.Entry<String, JsonNode> path : paths.properties()) {
            for (String method : path.getValue().propertyNames()) {
                Browser stranger = SERVER.browser();
                stranger.get("/");
                String address = path.getKey().replaceAll("\\{[a-z]+}", "1");
                HttpResponse<String> response = stranger.send(
                        method.toUpperCase(java.util.Locale.ROOT),
                        address,
                        "application/json",
                        BodyPublishers.ofString("{}"));
                // The first account is made by whoever has the secret that was printed, and nobody has one here.
                assertThat(response.statusCode())
                        .as(method + " " + address)
                        .isEqualTo(address.equals("/api/set-up") ? 404 : 401);
                assertThat(response.headers().firstValue("Content-Type")).contains("application/problem+json");
                tried.add(address);
            }
        }
        assertThat(tried).hasSizeGreaterThan(10);
        assertThat(SERVER.browser().get("/api/openapi").statusCode()).isEqualTo(401);
        assertThat(SERVER.browser().get("/api/anything-else").statusCode()).isEqualTo(401);
    }

    @Test
    void aWrongPasswordSaysNotWhichPartIsWrong() throws Exception {
        HttpResponse<String> wrongPassword = SERVER.browser().signIn("reader", "guess");
        HttpResponse<String> wrongName = SERVER.browser().signIn("nobody", "guess");
        assertThat(wrongPassword.statusCode()).isEqualTo(401);
        assertThat(wrongPassword.body()).isEqualTo(wrongName.body()).contains("The name or the password is not right");
    }

    @Test
    void signingOutEndsTheSession() throws Exception {
        Browser browser = SERVER.signedIn("reader");
        assertThat(browser.post("/api/session/end", "").statusCode()).isEqualTo(204);
        assertThat(browser.get("/api/reports").statusCode()).isEqualTo(401);
    }

    @Test
    void aForgedRequestIsRefused() throws Exception {
        Browser browser = SERVER.signedIn("reader");
        browser.forgetToken();
        assertThat(browser.post("/api/runs", "{}").statusCode()).isEqualTo(403);
    }

    @Test
    void passwordsAreHashed() throws Exception {
        try (Connection connection = DriverManager.getConnection(
                        "jdbc:sqlite:" + SERVER.dataDir().resolve("records.db"));
                Statement statement = connection.createStatement();
                ResultSet result = statement.executeQuery("SELECT password_hash FROM account")) {
            while (result.next()) {
                assertThat(result.getString(1)).startsWith("{bcrypt}").doesNotContain("demo");
            }
        }
    }

    @Test
    void aReaderSeesNoDefinitionsAndAddsNone() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        assertThat(reader.get("/api/reports/sales-by-fiscal-year/definition").statusCode())
                .isEqualTo(403);
        assertThat(reader.post("/api/reports", "{}").statusCode()).isEqualTo(403);
        assertThat(json(SERVER.signedIn("author").get("/api/reports/sales-by-fiscal-year/definition")))
                .isEqualTo(Browser.JSON.readTree(Starters.reportText("sales-by-fiscal-year")));
    }

    @Test
    void anAuthorAddsAReportWhichIsPrivateToThem() throws Exception {
        String document = Starters.reportText("sales-by-fiscal-year")
                .replace("\"id\" : \"sales-by-fiscal-year\"", "\"id\": \"mine\"")
                .replace("\"id\": \"sales-by-fiscal-year\"", "\"id\": \"mine\"")
                .replace("Sales by fiscal year, region and apiary", "O'Brien <script>alert(1)</script>");
        Browser author = SERVER.signedIn("author");
        assertThat(author.post("/api/reports", document).statusCode()).isEqualTo(201);
        assertThat(author.post("/api/reports", document).statusCode()).isEqualTo(409);
        assertThat(author.get("/api/reports").body()).contains("O'Brien <script>alert(1)</script>");
        assertThat(SERVER.signedIn("reader").get("/api/reports").body()).doesNotContain("O'Brien");
        assertThat(SERVER.signedIn("reader").get("/api/reports/mine").statusCode())
                .isEqualTo(404);
    }

    @Test
    void aWrongDefinitionIsRefusedWithAllItsFaults() throws Exception {
        String document = Starters.reportText("sales-by-fiscal-year")
                .replace("SUM(freight)", "SUM(fright)")
                .replace("\"key\": \"region\"", "\"key\": \"regoin\"");
        HttpResponse<String> refused = SERVER.signedIn("author").post("/api/reports", document);
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(json(refused).path("problems")).hasSize(2);
        assertThat(refused.body())
                .contains("/blocks/0/levels/1/key")
                .contains("did you mean")
                .contains("region");
        assertThat(SERVER.signedIn("author").post("/api/reports", "nonsense").statusCode())
                .isEqualTo(422);
    }

    @Test
    void aBodyOfTenMegabytesIsRefused() throws Exception {
        Browser author = SERVER.signedIn("author");
        byte[] large = new byte[10_000_000];
        HttpResponse<String> stated =
                author.send("POST", "/api/reports", "application/json", BodyPublishers.ofByteArray(large));
        assertThat(stated.statusCode()).isEqualTo(413);
        HttpResponse<String> streamed = author.send(
                "POST",
                "/api/reports",
                "application/json",
                BodyPublishers.ofInputStream(() -> new java.io.ByteArrayInputStream(large)));
        assertThat(streamed.statusCode()).isEqualTo(413);
        assertThat(streamed.body()).contains("larger than 5 MB");
    }

    @Test
    void wrongAnswersAreToldAllAtOnceBeforeThereIsARun() throws Exception {
        HttpResponse<String> refused = SERVER.signedIn("reader")
                .post(
                        "/api/runs",
                        "{\"report\": \"sales-by-fiscal-year\", \"answers\": {\"period\": \"2026-02-01/2026-01-01\", \"x\": \"1\"}}");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body())
                .contains("/answers/period")
                .contains("is after its last")
                .contains("/answers/x");
    }

    @Test
    void whatIsWrongWithAnAnswerStandsBesideWhatTheOthersStandFor() throws Exception {
        JsonNode echoed = json(SERVER.signedIn("reader")
                .post(
                        "/api/reports/open-orders/answers",
                        "{\"answers\": {\"value\": \"many\", \"depots\": \"Kiln Yard\"}}"));
        assertThat(echoed.get(1).path("words").asString()).isEqualTo("Kiln Yard");
        assertThat(echoed.get(1).has("problem")).isFalse();
        assertThat(echoed.get(4).path("problem").asString()).contains("many");
    }

    @Test
    void anAnswerIsEchoedWithItsDates() throws Exception {
        HttpResponse<String> echoed = SERVER.signedIn("reader")
                .post("/api/reports/sales-by-fiscal-year/answers", "{\"answers\": {\"period\": \"previous month\"}}");
        assertThat(json(echoed).get(0).path("words").asString()).isEqualTo("1 October 2026 to 31 October 2026");
        assertThat(json(echoed).get(0).path("resolved").asString()).isEqualTo("2026-10-01/2026-10-31");
    }

    @Test
    void aRunIsFollowedToItsEndAndReadPageByPage() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        JsonNode done = reader.run("{}");
        assertThat(done.path("state").asString()).isEqualTo("DONE");
        String run = "/api/runs/" + done.path("id").asString();
        int pages = done.path("pages").asInt();
        assertThat(pages).isGreaterThan(3);
        JsonNode last = json(reader.get(run + "/pages/" + pages));
        assertThat(last.path("texts").toString())
                .contains("Grand total")
                .contains(done.path("grandTotals").get(1).path("figure").asString());
        assertThat(reader.get(run + "/pages/" + (pages + 1)).statusCode()).isEqualTo(404);
        assertThat(reader.get(run + "/pages/0").statusCode()).isEqualTo(404);
        assertThat(reader.get(run + "/pages/x").statusCode()).isEqualTo(400);
        JsonNode outline = json(reader.get(run + "/outline"));
        assertThat(outline.get(0).path("page").asInt()).isEqualTo(1);
        assertThat(json(reader.get(
                        run + "/outline?below=" + outline.get(0).path("group").asString())))
                .isNotEmpty();
        assertThat(json(reader.get("/api/reports")).valueStream())
                .filteredOn(report -> report.path("id").asString().equals("sales-by-fiscal-year"))
                .singleElement()
                .satisfies(
                        report -> assertThat(report.path("lastRunAt").asLong()).isPositive());
    }

    @Test
    void aRunIsTakenAwayAsPdf() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        JsonNode done = reader.run("{\"period\": \"previous fiscal year\"}");
        String address = "/api/runs/" + done.path("id").asString() + "/file?format=";
        HttpResponse<byte[]> file = reader.bytes(address + "pdf");
        assertThat(file.headers().firstValue("Content-Disposition").orElseThrow())
                .contains("Sales by fiscal year, region and apiary, 1 October 2025 to 30 September 2026.pdf");
        try (PDDocument document = Loader.loadPDF(file.body())) {
            assertThat(document.getNumberOfPages()).isEqualTo(done.path("pages").asInt());
        }
        assertThat(reader.get(address + "docx").statusCode()).isEqualTo(404);
        SERVER.until(() -> {
            try (var left = Files.list(SERVER.dataDir().resolve("exports"))) {
                return left.findAny().isEmpty();
            }
        });
    }

    @Test
    void aRunIsSeenByNobodyElse() throws Exception {
        String run =
                "/api/runs/" + SERVER.signedIn("reader").run("{}").path("id").asString();
        Browser author = SERVER.signedIn("author");
        for (String part : List.of("", "/pages/1", "/outline", "/file?format=pdf", "/events")) {
            assertThat(author.get(run + part).statusCode()).as(part).isEqualTo(404);
        }
        assertThat(author.send("DELETE", run, "application/json", BodyPublishers.noBody())
                        .statusCode())
                .isEqualTo(404);
    }

    @Test
    void aDatabaseThatIsGoneFailsTheRunInWords() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        Path away = SERVER.database().resolveSibling("away.db");
        Files.move(SERVER.database(), away);
        try {
            JsonNode failed = reader.run("{}");
            assertThat(failed.path("state").asString()).isEqualTo("FAILED");
            assertThat(failed.path("problems").get(0).path("message").asString())
                    .as("readers hear whom to tell")
                    .startsWith("The data cannot be read at the moment.");
            assertThat(SERVER.signedIn("author")
                            .run("{}")
                            .path("problems")
                            .get(0)
                            .path("message")
                            .asString())
                    .as("authors hear what it is, but not where")
                    .isEqualTo("There is no database at demo.db. Check the path, or make the demo data first");
        } finally {
            Files.move(away, SERVER.database());
        }
    }

    @Test
    void pagesMayLoadNothingFromElsewhere() throws Exception {
        HttpResponse<String> page = SERVER.browser().get("/");
        assertThat(page.statusCode()).isEqualTo(200);
        assertThat(page.headers().firstValue("Content-Security-Policy").orElseThrow())
                .contains("default-src 'self'")
                .contains("frame-ancestors 'none'");
        assertThat(SERVER.browser().get("/notices/server.txt").body()).contains("Caffeine", "OpenPDF", "Apache");
        assertThat(SERVER.browser().get("/notices/web.md").body()).contains("primevue", "MIT");
        assertThat(SERVER.browser().bytes("/faces/base-regular.ttf").body()).hasSizeGreaterThan(100_000);
        assertThat(SERVER.browser().get("/reports/sales-by-fiscal-year").body()).contains("<div id=\"app\">");
    }

    @Test
    void aSecondServerOnTheSameFolderOrPortIsRefused() {
        org.assertj.core.api.Assertions.assertThatThrownBy(
                        () -> Server.start(new ServerSettings(0, SERVER.dataDir(), SERVER.database(), true)))
                .isInstanceOf(CannotStartException.class)
                .hasMessageContaining("Another server uses");
    }
}
