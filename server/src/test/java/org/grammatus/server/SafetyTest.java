package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.Socket;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import org.grammatus.demo.Starters;
import org.grammatus.server.RunningServer.Browser;
import org.grammatus.server.problem.CannotStartException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
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

    /** More connections than the server has threads, each of which sends a byte now and then. */
    private static void dripping(String head, Others others) throws Exception {
        List<Socket> sockets = new ArrayList<>();
        Thread drips = new Thread(() -> {
            while (!Thread.currentThread().isInterrupted()) {
                sockets.forEach(SafetyTest::drop);
                LockSupport.parkNanos(TimeUnit.SECONDS.toNanos(1));
            }
        });
        try {
            for (int i = 0; i < 400; i++) {
                Socket socket = SERVER.socket();
                socket.getOutputStream()
                        .write((head + "Content-Length: 1000\r\n\r\n{").getBytes(StandardCharsets.UTF_8));
                sockets.add(socket);
            }
            drips.start();
            others.meanwhile();
        } finally {
            drips.interrupt();
            drips.join();
            for (Socket socket : sockets) {
                socket.close();
            }
        }
    }

    private interface Others {
        void meanwhile() throws Exception;
    }

    private static void drop(Socket socket) {
        try {
            socket.getOutputStream().write(' ');
        } catch (IOException refused) {
            // It was closed, as it should be.
        }
    }

    private static void isAnsweredPromptly(Browser other) throws Exception {
        for (int i = 0; i < 20; i++) {
            long before = System.nanoTime();
            assertThat(other.get("/api/reports").statusCode()).isEqualTo(200);
            assertThat(System.nanoTime() - before).isLessThan(TimeUnit.SECONDS.toNanos(3));
        }
    }

    @Test
    @Timeout(60)
    void strangersWhoLetTheirBodiesDripHoldUpNobody() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        String form = "Content-Type: application/x-www-form-urlencoded\r\n";
        dripping("POST /api/session HTTP/1.1\r\nHost: localhost\r\n" + form, () -> isAnsweredPromptly(reader));
        dripping("POST /api/session HTTP/1.1\r\nHost: elsewhere.example\r\n" + form, () -> isAnsweredPromptly(reader));
        SERVER.until(() -> SERVER.browser().signIn("reader", "reader-demo").statusCode() == 204);
    }

    @Test
    @Timeout(60)
    void whoIsSignedInAndLetsBodiesDripHoldsUpNobodyElse() throws Exception {
        Browser author = SERVER.signedIn("author");
        Browser slow = SERVER.signedIn("reader");
        String head =
                "POST /api/runs HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\nCookie: GRAMMATUS="
                        + slow.cookie("GRAMMATUS").orElseThrow() + "\r\n";
        dripping(head, () -> {
            isAnsweredPromptly(author);
            assertThat(author.run("{}").path("state").asString()).isEqualTo("DONE");
        });
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
}
