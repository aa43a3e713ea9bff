package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.grammatus.server.RunningServer.Browser;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.node.ObjectNode;

/** Files that are taken slowly, whole, and safe to open. */
class DownloadsTest {

    @RegisterExtension
    static final RunningServer SERVER = new RunningServer();

    @Test
    void slowDownloadsHoldUpNobodyAndLeaveNothing() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        String run = reader.run("{}").path("id").asString();
        String cookie = reader.cookie("GRAMMATUS").orElseThrow();
        List<Socket> slow = new ArrayList<>();
        try {
            for (int i = 0; i < 60; i++) {
                Socket socket = SERVER.socket();
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
            assertThat(exported()).as("of one person").isLessThanOrEqualTo(4);
        } finally {
            for (Socket socket : slow) {
                socket.close();
            }
        }
        SERVER.until(() -> exported() == 0);
        assertThat(reader.get("/api/runs/" + run + "/file?format=json").statusCode())
                .isEqualTo(200);
    }

    @Test
    void whoeverLeavesBeforeAFileIsMadeGivesItsPlaceBack() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        String request = "GET /api/slow-file HTTP/1.1\r\nHost: localhost\r\nCookie: GRAMMATUS="
                + reader.cookie("GRAMMATUS").orElseThrow() + "\r\n\r\n";
        try (Socket socket = SERVER.socket()) {
            socket.getOutputStream().write(request.getBytes(StandardCharsets.UTF_8));
            SERVER.until(() -> exported() == 1);
            // Whoever stays, waits: for longer than it takes to look whether they do.
            Thread.sleep(TimeUnit.SECONDS.toMillis(3));
            assertThat(exported()).isEqualTo(1);
        }
        SERVER.until(() -> exported() == 0);
    }

    private static long exported() throws IOException {
        try (var files = Files.list(SERVER.dataDir().resolve("exports"))) {
            return files.count();
        }
    }

    @Test
    void aFileIsWholeHoweverSlowlyItIsTaken() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        String run = reader.run("{}").path("id").asString();
        byte[] whole = reader.bytes("/api/runs/" + run + "/file?format=json").body();
        try (Socket socket = SERVER.socket()) {
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
        ObjectNode formula = SafetyTest.report("formulas", "＝SUM(A1)");
        ((ObjectNode) formula.path("blocks").get(0).path("columns").get(0)).put("label", "＝1+1");
        assertThat(author.post("/api/reports", formula.toString()).statusCode()).isEqualTo(201);
        String id = SafetyTest.json(author.post("/api/runs", "{\"report\": \"formulas\", \"answers\": {}}"))
                .path("id")
                .asString();
        author.get("/api/runs/" + id + "/events");
        String file = "/api/runs/" + id + "/file?format=csv";
        assertThat(author.get(file).body()).contains("'＝1+1");
        assertThat(author.get(file + "&protect=false").body()).contains("＝1+1").doesNotContain("'＝1+1");
    }
}
