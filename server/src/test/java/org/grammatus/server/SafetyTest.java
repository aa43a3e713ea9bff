package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.Socket;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
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

    static JsonNode json(HttpResponse<String> response) {
        return Browser.JSON.readTree(response.body());
    }

    static ObjectNode report(String id, String title) {
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

    private static String raw(String request) throws Exception {
        try (Socket socket = SERVER.socket()) {
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
                Socket socket = SERVER.socket();
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
    void whatIsNotThereIsNoFaultOfTheServer() throws Exception {
        Browser author = SERVER.signedIn("author");
        assertThat(author.get("/error").statusCode()).isEqualTo(404);
        assertThat(author.get("/api/composing/tables?source=nope").statusCode()).isEqualTo(404);
        assertThat(author.get("/api/composing/columns?table=nope").statusCode()).isEqualTo(404);
        String run = json(author.post(
                        "/api/runs",
                        "{\"report\": \"sales-by-fiscal-year\", \"answers\": {}, \"order\": [], \"only\": [], \"except\": [],"
                                + " \"narrow\": [], \"widths\": [], \"whole\": [], \"markedOnly\": false}"))
                .path("id")
                .asString();
        SERVER.until(() ->
                json(author.get("/api/runs/" + run)).path("state").asString().equals("DONE"));
        HttpResponse<String> rows = author.get("/api/runs/" + run + "/rows?place=0&fields=nope");
        assertThat(rows.statusCode()).isEqualTo(422);
        assertThat(rows.body()).contains("the dataset has no field");
        String document = report("too-much", "Too much").toString();
        String classes = document.replaceFirst(
                "\"bucket\":\"fiscal-year\"", "\"classes\":[{\"upTo\":\"5\\\\n\"},{}]");
        assertThat(author.post("/api/reports", classes).statusCode())
                .isBetween(400, 499);
    }

    @Test
    void numbersAndDocumentsThatAreTooLargeAreRefusedAtOnce() throws Exception {
        Browser author = SERVER.signedIn("author");
        for (String number : List.of("1e1000000", "1e-999999999", "9".repeat(50_000))) {
            ObjectNode report = report("numbers", "Numbers");
            String prompt = "{\"id\":\"p-n\",\"name\":\"n\",\"type\":\"decimal\",\"label\":\"N\"}";
            String definition = report.toString().replaceFirst("\"prompts\":\\[", "\"prompts\":[" + prompt + ",");
            long start = System.nanoTime();
            HttpResponse<String> answer = author.post(
                    "/api/previews/numbers",
                    "{\"edit\": 1, \"page\": 1, \"answers\": {\"n\": \"" + number + "\"}, \"definition\": " + definition
                            + "}");
            assertThat(answer.statusCode()).isEqualTo(200);
            assertThat(answer.body()).contains("/answers/n");
            assertThat(Duration.ofNanos(System.nanoTime() - start)).isLessThan(Duration.ofSeconds(5));
        }
        String listed = IntStream.range(0, 40_000)
                .mapToObj(i -> "{\"value\":\"" + i + "\",\"label\":\"" + i + "\"}")
                .collect(Collectors.joining(","));
        String many = report("many", "Many")
                .toString()
                .replaceFirst(
                        "\"prompts\":\\[",
                        "\"prompts\":[{\"id\":\"p-m\",\"name\":\"m\",\"type\":\"choice\",\"label\":\"M\",\"listed\":["
                                + listed + "]},");
        HttpResponse<String> refused = author.post(
                "/api/previews/many", "{\"edit\": 1, \"page\": 1, \"answers\": {}, \"definition\": " + many + "}");
        assertThat(refused.body()).contains("more than 60,000 values and parts");
    }

    @Test
    void onePersonsSearchesLeaveTurnsToOthers() throws Exception {
        Browser busy = SERVER.signedIn("author");
        List<CompletableFuture<Integer>> searches = new ArrayList<>();
        try (ExecutorService all = Executors.newCachedThreadPool()) {
            for (int i = 0; i < 60; i++) {
                String text = "a" + i;
                searches.add(CompletableFuture.supplyAsync(
                        () -> {
                            try {
                                return busy.get("/api/datasets/sales-order-lines/find?text=" + text)
                                        .statusCode();
                            } catch (Exception e) {
                                throw new IllegalStateException(e);
                            }
                        },
                        all));
            }
            long start = System.nanoTime();
            assertThat(SERVER.signedIn("reader")
                            .get("/api/reports/sales-by-fiscal-year")
                            .statusCode())
                    .isEqualTo(200);
            assertThat(Duration.ofNanos(System.nanoTime() - start)).isLessThan(Duration.ofSeconds(8));
            List<Integer> answers = searches.stream().map(CompletableFuture::join).toList();
            assertThat(answers).as("some were asked to come later").contains(200).isSubsetOf(200, 429);
        }
    }

    @Test
    void aKnownBrowserSignsInWhateverOthersGuess() throws Exception {
        Browser known = SERVER.signedIn("reader");
        Browser guesser = SERVER.browser();
        for (int i = 0; i < 30; i++) {
            guesser.signIn("reader", "guess " + i);
        }
        assertThat(guesser.signIn("reader", "reader-demo").statusCode())
                .as("whoever guesses waits, right or wrong")
                .isEqualTo(429);
        assertThat(known.signIn("reader", "reader-demo").statusCode()).isEqualTo(204);
        // From the same address, an account that nobody has guessed at gets in at the first try.
        for (int i = 0; i < 50; i++) {
            SERVER.browser().signIn("nobody-" + i, "guess");
        }
        assertThat(SERVER.browser().signIn("admin", "admin-demo").statusCode()).isEqualTo(204);
    }

    @Test
    void filesAreTheirOwnersAlone() throws Exception {
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(SERVER.dataDir())))
                .isEqualTo("rwx------");
        try (var files = Files.walk(SERVER.dataDir())) {
            assertThat(files.filter(Files::isRegularFile).toList())
                    .isNotEmpty()
                    .allSatisfy(file -> assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)))
                            .as(file.toString())
                            .isEqualTo("rw-------"));
        }
    }

    @Test
    void theLaterOfTwoWindowsIsTold() throws Exception {
        Browser author = SERVER.signedIn("author");
        String report = report("two-windows", "Two windows").toString();
        assertThat(author.post("/api/reports", report).statusCode()).isEqualTo(201);
        String draft = "{\"base\": 1, \"seen\": %d, \"definition\": " + report + "}";
        long first = json(author.put("/api/reports/two-windows/draft", draft.formatted(0)))
                .path("updatedAt")
                .asLong();
        HttpResponse<String> later = author.put(
                "/api/reports/two-windows/draft", draft.formatted(0).replace("Two windows", "Another title"));
        assertThat(later.statusCode()).isEqualTo(409);
        assertThat(later.body()).contains("in another window");
        JsonNode editing = json(author.get("/api/reports/two-windows/editing"));
        assertThat(editing.at("/draft/definition/title").asString()).isEqualTo("Two windows");
        assertThat(author.put("/api/reports/two-windows/draft", draft.formatted(first))
                        .statusCode())
                .isEqualTo(200);
    }
}
