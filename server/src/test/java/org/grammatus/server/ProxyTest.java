package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.demo.ScenarioDatabase;
import org.grammatus.demo.ScenarioSize;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Behind TLS that another program ends: its word counts where it is trusted, and nowhere else. */
class ProxyTest {

    @TempDir
    static Path folder;

    private static Server trusting;
    private static Server alone;

    @BeforeAll
    static void start() {
        Path database = folder.resolve("demo.db");
        ScenarioDatabase.create(database, ScenarioSize.DEMO.withSalesOrders(50));
        trusting = server(
                database, "trusting", new Network("127.0.0.1", List.of("reports.example"), List.of("127.0.0.1")));
        alone = server(database, "alone", Network.LOCAL);
    }

    private static Server server(Path database, String name, Network network) {
        Path data = folder.resolve(name);
        return Server.start(new ServerSettings(
                0,
                network,
                data,
                database,
                true,
                folder.resolve(name + ".key"),
                new SourcePolicy(List.of(), List.of()),
                RunContext.UTC,
                1));
    }

    @AfterAll
    static void stop() {
        trusting.close();
        alone.close();
    }

    private static String asked(Server server, String host, String more) throws Exception {
        URI address = URI.create(server.address());
        try (Socket socket = new Socket(address.getHost(), address.getPort())) {
            String request = "GET /api/session HTTP/1.1\r\nHost: " + host + "\r\nConnection: close\r\n" + more + "\r\n";
            socket.getOutputStream().write(request.getBytes(StandardCharsets.UTF_8));
            return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test
    void whatATrustedProxySaysOfTlsMakesCookiesSecureAndTlsLasting() throws Exception {
        String answer = asked(trusting, "reports.example", "X-Forwarded-Proto: https\r\nX-Forwarded-For: 10.1.2.3\r\n");
        assertThat(answer)
                .contains("Strict-Transport-Security:")
                .containsPattern("Set-Cookie: XSRF-TOKEN=[^\r]+; Secure");
    }

    @Test
    void withoutTlsNeitherIsSaid() throws Exception {
        assertThat(asked(trusting, "reports.example", ""))
                .doesNotContain("Strict-Transport-Security:")
                .doesNotContain("; Secure");
    }

    @Test
    void anybodyElsesWordIsNotTaken() throws Exception {
        assertThat(asked(alone, "localhost", "X-Forwarded-Proto: https\r\n"))
                .doesNotContain("Strict-Transport-Security:")
                .doesNotContain("; Secure");
    }

    @Test
    void onlyItsOwnNamesLeadToAServer() throws Exception {
        assertThat(asked(trusting, "reports.example", "")).startsWith("HTTP/1.1 401");
        assertThat(asked(trusting, "evil.example", "")).startsWith("HTTP/1.1 421");
        assertThat(asked(alone, "reports.example", "")).startsWith("HTTP/1.1 421");
        assertThat(asked(alone, "127.0.0.1", "")).startsWith("HTTP/1.1 401");
    }
}
