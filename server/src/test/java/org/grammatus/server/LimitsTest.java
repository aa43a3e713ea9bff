package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.grammatus.server.RunningServer.Browser;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What a server refuses before it begins with it, whom it lets in first, and what it keeps for whom. */
class LimitsTest {

    @RegisterExtension
    static final RunningServer SERVER = new RunningServer();

    @Test
    void whatIsNotThereIsNoFaultOfTheServer() throws Exception {
        Browser author = SERVER.signedIn("author");
        assertThat(author.get("/error").statusCode()).isEqualTo(404);
        assertThat(author.get("/api/composing/tables?source=nope").statusCode()).isEqualTo(404);
        assertThat(author.get("/api/composing/columns?table=nope").statusCode()).isEqualTo(404);
        String run = SafetyTest.json(author.post(
                        "/api/runs",
                        "{\"report\": \"sales-by-fiscal-year\", \"answers\": {}, \"order\": [], \"only\": [], \"except\": [],"
                                + " \"narrow\": [], \"widths\": [], \"whole\": [], \"markedOnly\": false}"))
                .path("id")
                .asString();
        SERVER.until(() -> SafetyTest.json(author.get("/api/runs/" + run))
                .path("state")
                .asString()
                .equals("DONE"));
        HttpResponse<String> rows = author.get("/api/runs/" + run + "/rows?group=sales&fields=nope");
        assertThat(rows.statusCode()).isEqualTo(422);
        assertThat(rows.body()).contains("the dataset has no field");
        String document = SafetyTest.report("too-much", "Too much").toString();
        String classes = document.replaceFirst("\"bucket\":\"fiscal-year\"", "\"classes\":[{\"upTo\":\"5\\\\n\"},{}]");
        assertThat(author.post("/api/reports", classes).statusCode()).isBetween(400, 499);
    }

    @Test
    void numbersAndDocumentsThatAreTooLargeAreRefusedAtOnce() throws Exception {
        Browser author = SERVER.signedIn("author");
        for (String number : List.of("1e1000000", "1e-999999999", "9".repeat(50_000))) {
            ObjectNode report = SafetyTest.report("numbers", "Numbers");
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
        String many = SafetyTest.report("many", "Many")
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
            List<Integer> answers =
                    searches.stream().map(CompletableFuture::join).toList();
            assertThat(answers)
                    .as("some were asked to come later")
                    .contains(200)
                    .isSubsetOf(200, 429);
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
        String report = SafetyTest.report("two-windows", "Two windows").toString();
        assertThat(author.post("/api/reports", report).statusCode()).isEqualTo(201);
        String path = "/api/reports/two-windows/draft";
        String one = UUID.randomUUID().toString();
        String other = UUID.randomUUID().toString();
        long first = SafetyTest.json(author.put(path, draft(report, one, 0)))
                .path("updatedAt")
                .asLong();
        String changed = report.replace("Two windows", "Another title");
        HttpResponse<String> later = author.put(path, draft(changed, other, 0));
        assertThat(later.statusCode()).isEqualTo(409);
        assertThat(later.body()).contains("in another window");
        JsonNode editing = SafetyTest.json(author.get("/api/reports/two-windows/editing"));
        assertThat(editing.at("/draft/definition/title").asString()).isEqualTo("Two windows");
        assertThat(editing.at("/draft/window").asString()).isEqualTo(one);
        // What is the same is no news, a window that knows of the other's goes on, and none is in its own way.
        assertThat(author.put(path, draft(report, other, 0)).statusCode()).isEqualTo(200);
        assertThat(author.put(path, draft(changed, one, first)).statusCode()).isEqualTo(409);
        assertThat(author.put(path, draft(changed, other, 0)).statusCode()).isEqualTo(200);
        // Nor is it saved over what the other one has kept.
        assertThat(author.put("/api/reports/two-windows", draft(report, one, first))
                        .statusCode())
                .isEqualTo(409);
        long last = SafetyTest.json(author.get("/api/reports/two-windows/editing"))
                .at("/draft/updatedAt")
                .asLong();
        assertThat(author.put(path, draft(report, one, last)).statusCode()).isEqualTo(200);
    }

    private static String draft(String report, String window, long seen) {
        return "{\"base\": 1, \"window\": {\"id\": \"%s\", \"seen\": %d}, \"definition\": %s}"
                .formatted(window, seen, report);
    }
}
