package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.InputStream;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.grammatus.demo.Starters;
import org.grammatus.server.RunningServer.Browser;
import org.grammatus.server.problem.CannotStartException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What a server withstands: guesses, dripping bodies, slow downloads, documents that turned bad, people who are not who they say. */
class SafetyTest {

    @RegisterExtension
    static final RunningServer SERVER = new RunningServer();

    private static JsonNode json(HttpResponse<String> response) {
        return Browser.JSON.readTree(response.body());
    }

    private static ObjectNode report(String id, String title) {
        ObjectNode report = (ObjectNode) Browser.JSON.readTree(Starters.reportText("sales-by-fiscal-year"));
        return report.put("id", id).put("title", title);
    }

    @Test
    void whoeverGuessesWaitsLongerEachTimeAndIsWrittenDown() throws Exception {
        Browser guesser = SERVER.browser();
        int refused = 0;
        for (int i = 0; i < 12; i++) {
            HttpResponse<String> answer = guesser.signIn("odile", "guess number " + i);
            assertThat(answer.statusCode()).isIn(401, 429);
            if (answer.statusCode() == 429) {
                refused++;
                assertThat(answer.headers().firstValue("Retry-After")).isPresent();
                assertThat(answer.body()).contains("Too many tries went wrong; try again in");
            }
        }
        assertThat(refused).isPositive();
        assertThat(SERVER.browser().signIn("reader", "reader-demo").statusCode())
                .as("others are not held up")
                .isEqualTo(204);
        String log = Files.readString(SERVER.dataDir().resolve("security.log"));
        assertThat(log)
                .contains("SIGN_IN_FAILED account=odile address=127.0.0.1")
                .contains("SIGN_IN_DELAYED account=odile")
                .contains("SIGNED_IN account=reader")
                .doesNotContain("guess number")
                .doesNotContain("reader-demo");
    }

    @Test
    void aNameThatThisServerDoesNotGoByIsRefused() throws Exception {
        for (String host : List.of("evil.example", "localhost.evil.example", "127.0.0.1.evil.example")) {
            assertThat(raw("GET /api/session HTTP/1.1\r\nHost: " + host + "\r\nConnection: close\r\n\r\n"))
                    .as(host)
                    .startsWith("HTTP/1.1 421");
        }
        assertThat(raw("GET /api/session HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\r\n"))
                .startsWith("HTTP/1.1 401")
                .contains("Referrer-Policy: same-origin");
    }

    private static Socket socket() throws Exception {
        URI address = URI.create(SERVER.address());
        return new Socket(address.getHost(), address.getPort());
    }

    private static String raw(String request) throws Exception {
        try (Socket socket = socket()) {
            socket.getOutputStream().write(request.getBytes(StandardCharsets.UTF_8));
            return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test
    void connectionsThatDripHoldUpNobody() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        List<Socket> dripping = new ArrayList<>();
        try {
            for (int i = 0; i < 250; i++) {
                Socket socket = socket();
                socket.getOutputStream()
                        .write(
                                "POST /api/session HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/x-www-form-urlencoded\r\nContent-Length: 400\r\n\r\nname="
                                        .getBytes(StandardCharsets.UTF_8));
                dripping.add(socket);
            }
            for (int i = 0; i < 20; i++) {
                long before = System.nanoTime();
                assertThat(reader.get("/api/reports").statusCode()).isEqualTo(200);
                assertThat(System.nanoTime() - before).isLessThan(TimeUnit.SECONDS.toNanos(3));
            }
        } finally {
            for (Socket socket : dripping) {
                socket.close();
            }
        }
        SERVER.until(() -> SERVER.browser().signIn("reader", "reader-demo").statusCode() == 204);
    }

    @Test
    void whoeverHasNotSignedInSendsLittle() throws Exception {
        Browser stranger = SERVER.browser();
        stranger.get("/");
        assertThat(stranger.send(
                                "POST",
                                "/api/session",
                                "application/x-www-form-urlencoded",
                                BodyPublishers.ofString("name=" + "x".repeat(40_000)))
                        .statusCode())
                .isEqualTo(413);
    }

    @Test
    void slowDownloadsHoldUpNobodyAndLeaveNothing() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        String run = reader.run("{}").path("id").asString();
        String cookie = reader.cookie("GRAMMATUS").orElseThrow();
        List<Socket> slow = new ArrayList<>();
        try {
            for (int i = 0; i < 60; i++) {
                Socket socket = socket();
                socket.setReceiveBufferSize(2_000);
                socket.getOutputStream()
                        .write(("GET /api/runs/" + run
                                        + "/file?format=json HTTP/1.1\r\nHost: localhost\r\nCookie: GRAMMATUS=" + cookie
                                        + "\r\n\r\n")
                                .getBytes(StandardCharsets.UTF_8));
                slow.add(socket);
            }
            for (int i = 0; i < 10; i++) {
                long before = System.nanoTime();
                assertThat(reader.get("/api/runs/" + run + "/pages/1").statusCode())
                        .isEqualTo(200);
                assertThat(System.nanoTime() - before).isLessThan(TimeUnit.SECONDS.toNanos(3));
            }
            Browser another = SERVER.signedIn("author");
            String own = another.run("{}").path("id").asString();
            assertThat(another.get("/api/runs/" + own + "/file?format=csv").statusCode())
                    .as("another person takes a file away meanwhile")
                    .isEqualTo(200);
            try (var files = Files.list(SERVER.dataDir().resolve("exports"))) {
                assertThat(files.count()).as("of one person").isLessThanOrEqualTo(4);
            }
        } finally {
            for (Socket socket : slow) {
                socket.close();
            }
        }
        SERVER.until(() -> {
            try (var left = Files.list(SERVER.dataDir().resolve("exports"))) {
                return left.findAny().isEmpty();
            }
        });
        assertThat(reader.get("/api/runs/" + run + "/file?format=json").statusCode())
                .isEqualTo(200);
    }

    @Test
    void aFileIsWholeHoweverSlowlyItIsTaken() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        String run = reader.run("{}").path("id").asString();
        byte[] whole = reader.bytes("/api/runs/" + run + "/file?format=json").body();
        try (Socket socket = socket()) {
            socket.getOutputStream()
                    .write(("GET /api/runs/" + run
                                    + "/file?format=json HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\nCookie: GRAMMATUS="
                                    + reader.cookie("GRAMMATUS").orElseThrow() + "\r\n\r\n")
                            .getBytes(StandardCharsets.UTF_8));
            InputStream in = socket.getInputStream();
            byte[] part = new byte[20_000];
            StringBuilder taken = new StringBuilder();
            for (int length = in.read(part); length >= 0; length = in.read(part)) {
                taken.append(new String(part, 0, length, StandardCharsets.ISO_8859_1));
                Thread.sleep(5);
            }
            String body = taken.substring(taken.indexOf("\r\n\r\n") + 4);
            assertThat(body.getBytes(StandardCharsets.ISO_8859_1)).isEqualTo(whole);
        }
    }

    @Test
    void formulasAreProtectedOverHttpUnlessAskedOff() throws Exception {
        Browser author = SERVER.signedIn("author");
        ObjectNode formula = report("formulas", "＝SUM(A1)");
        ((ObjectNode) formula.path("blocks").get(0).path("columns").get(0)).put("label", "＝1+1");
        assertThat(author.post("/api/reports", formula.toString()).statusCode()).isEqualTo(201);
        String id = json(author.post("/api/runs", "{\"report\": \"formulas\", \"answers\": {}}"))
                .path("id")
                .asString();
        author.get("/api/runs/" + id + "/events");
        String file = "/api/runs/" + id + "/file?format=csv";
        assertThat(author.get(file).body()).contains("'＝1+1");
        assertThat(author.get(file + "&protect=false").body()).contains("＝1+1").doesNotContain("'＝1+1");
    }

    @Test
    void whateverIsStoredCanBeLoaded() throws Exception {
        Browser author = SERVER.signedIn("author");
        assertThat(author.post("/api/reports", report("sound", "Sound").toString())
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
        assertThat(json(author.get("/api/datasets/sales-order-lines/uses?field=net_amount"))
                        .path("reports")
                        .toString())
                .contains("\"sound\"");
        ObjectNode dataset = (ObjectNode)
                json(author.get("/api/datasets/sales-order-lines/editing")).path("definition");
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
        assertThat(author.post("/api/reports", report("private-one", "Private").toString())
                        .statusCode())
                .isEqualTo(201);
        HttpResponse<String> same =
                admin.post("/api/reports", report("private-one", "Mine").toString());
        assertThat(same.statusCode()).isEqualTo(201);
        assertThat(json(same).path("id").asString()).isEqualTo("private-one-2");
        assertThat(author.post("/api/reports", report("private-one", "Again").toString())
                        .statusCode())
                .as("one's own is told")
                .isEqualTo(409);
        List<String> titles = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            titles.add(json(author.post("/api/reports/private-one/copy", "{\"title\": \"Private\"}"))
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
    void theServersOwnFilesAreNoSourceUnderWhateverName() throws Exception {
        Browser admin = SERVER.signedIn("admin");
        Path folder = SERVER.database().getParent();
        Path link = folder.resolve("innocent.db");
        Files.createSymbolicLink(link, SERVER.dataDir().resolve("records.db"));
        Path hard = folder.resolve("hard.db");
        Files.createLink(hard, SERVER.dataDir().resolve("records.db"));
        List<String> answers = new ArrayList<>();
        for (Path file : List.of(
                SERVER.dataDir().resolve("records.db"),
                SERVER.dataDir().resolve("security.log"),
                folder.resolve("kept-apart.key"),
                link,
                hard,
                Path.of("/etc/passwd"),
                Path.of("/etc/no-such-file"))) {
            HttpResponse<String> tried = admin.post(
                    "/api/sources/trial", "{\"label\": \"X\", \"kind\": \"SQLITE\", \"file\": \"" + file + "\"}");
            assertThat(tried.statusCode()).as(file.toString()).isEqualTo(422);
            answers.add(json(tried)
                    .path("problems")
                    .get(0)
                    .path("message")
                    .asString()
                    .replace(file.toString(), "FILE"));
        }
        assertThat(answers).as("what there is is not told").containsOnly(answers.getFirst());
    }

    @Test
    void screensAreAskedForAnewAndTheirFilesAreKept() throws Exception {
        HttpResponse<String> page = SERVER.browser().get("/");
        assertThat(page.headers().firstValue("Cache-Control").orElseThrow()).contains("no-cache");
        assertThat(SERVER.browser()
                        .get("/reports/x")
                        .headers()
                        .firstValue("Cache-Control")
                        .orElseThrow())
                .doesNotContain("max-age=31536000");
        String script = page.body().replaceAll("(?s).*src=\"(/assets/[^\"]+)\".*", "$1");
        assertThat(SERVER.browser()
                        .get(script)
                        .headers()
                        .firstValue("Cache-Control")
                        .orElseThrow())
                .contains("max-age=31536000");
    }

    @Test
    void aChangedPasswordEndsEverySession() throws Exception {
        Browser one = SERVER.signedIn("reader");
        Browser other = SERVER.signedIn("reader");
        for (String bad : List.of("short", "password1234", "aaaaaaaaaaaaaa", "i am the reader")) {
            HttpResponse<String> refused = one.send(
                    "PUT",
                    "/api/session/password",
                    "application/json",
                    BodyPublishers.ofString("{\"present\": \"reader-demo\", \"next\": \"" + bad + "\"}"));
            assertThat(refused.statusCode()).as(bad).isEqualTo(422);
        }
        String next = "four quiet hives hum";
        assertThat(one.send(
                                "PUT",
                                "/api/session/password",
                                "application/json",
                                BodyPublishers.ofString("{\"present\": \"wrong\", \"next\": \"" + next + "\"}"))
                        .statusCode())
                .isEqualTo(422);
        assertThat(one.send(
                                "PUT",
                                "/api/session/password",
                                "application/json",
                                BodyPublishers.ofString("{\"present\": \"reader-demo\", \"next\": \"" + next + "\"}"))
                        .statusCode())
                .isEqualTo(204);
        assertThat(one.get("/api/reports").statusCode()).isEqualTo(401);
        assertThat(other.get("/api/reports").statusCode()).isEqualTo(401);
        Browser again = SERVER.browser();
        assertThat(again.signIn("reader", next).statusCode()).isEqualTo(204);
        // Back to what the other tests sign in with; the rules do not hold for the demo's own.
        SERVER.resetDemoPasswords();
    }

    @Test
    void demoAndRealFoldersRefuseEachOther(@TempDir Path folder) throws Exception {
        Path demo = folder.resolve("demo");
        Server.start(new ServerSettings(0, demo, SERVER.database(), true)).close();
        assertThatThrownBy(() -> Server.start(new ServerSettings(0, demo, SERVER.database(), false)))
                .isInstanceOf(CannotStartException.class)
                .hasMessageContaining("holds the demo, whose passwords everybody knows");
        Path real = folder.resolve("real");
        try (Server server = Server.start(new ServerSettings(0, real, SERVER.database(), false))) {
            String setUp = server.setUpAddress().orElseThrow();
            assertThat(setUp).startsWith(server.address() + "/set-up#");
            Browser first = new Browser(server.address());
            first.get("/api/session");
            String secret = setUp.substring(setUp.indexOf('#') + 1);
            String body =
                    "{\"secret\": \"%s\", \"name\": \"isolde\", \"displayName\": \"Isolde Fennick\", \"password\": \"%s\"}";
            assertThat(first.post("/api/set-up", body.formatted("guess", "wax and honey and wax"))
                            .statusCode())
                    .isEqualTo(404);
            assertThat(first.post("/api/set-up", body.formatted(secret, "short"))
                            .statusCode())
                    .isEqualTo(422);
            assertThat(first.post("/api/set-up", body.formatted(secret, "wax and honey and wax"))
                            .statusCode())
                    .isEqualTo(204);
            assertThat(first.post("/api/set-up", body.formatted(secret, "wax and honey and wax"))
                            .statusCode())
                    .as("good once")
                    .isEqualTo(404);
            assertThat(server.setUpAddress()).isEmpty();
            assertThat(first.signIn("isolde", "wax and honey and wax").statusCode())
                    .isEqualTo(204);
            assertThat(json(first.get("/api/session")).path("role").asString()).isEqualTo("ADMINISTRATOR");
            assertThat(first.signIn("admin", "admin-demo").statusCode()).isEqualTo(401);
        }
        assertThatThrownBy(() -> Server.start(new ServerSettings(0, real, SERVER.database(), true)))
                .isInstanceOf(CannotStartException.class)
                .hasMessageContaining("holds records of real data");
    }

    @Test
    void oneBadDocumentNeverStopsAStartAndCanBeMended(@TempDir Path folder) throws Exception {
        ServerSettings settings = new ServerSettings(0, folder.resolve("data"), SERVER.database(), true);
        String dataset = Starters.datasetText("sales-order-lines");
        try (Server server = Server.start(settings)) {
            Browser author = new Browser(server.address());
            author.signIn("author", "author-demo");
            assertThat(author.post("/api/reports", report("mine", "Mine").toString())
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
            JsonNode unreadable = json(admin.get("/api/records/unreadable"));
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
                                            report("mine", "Mine").toString()))
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
            assertThat(author.post("/api/reports", report("kept", "Kept").toString())
                            .statusCode())
                    .isEqualTo(201);
            Records.limit(server);
            HttpResponse<String> full = null;
            for (int i = 0; i < 200 && (full == null || full.statusCode() == 201); i++) {
                full = author.post("/api/reports", report("more-" + i, "More").toString());
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
