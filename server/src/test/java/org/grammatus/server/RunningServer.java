package org.grammatus.server;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.Socket;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.demo.ScenarioDatabase;
import org.grammatus.demo.ScenarioSize;
import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Starts the application for a test class, on a free port with a data folder of its own; tests speak HTTP to it. */
public final class RunningServer implements BeforeAllCallback, AfterAllCallback {

    private Server server;
    private Path folder;

    @Override
    public void beforeAll(ExtensionContext context) throws IOException {
        folder = Files.createTempDirectory("grammatus-server");
        Path database = folder.resolve("demo.db");
        ScenarioDatabase.create(database, ScenarioSize.DEMO.withSalesOrders(400));
        Path data = folder.resolve("data");
        server = Server.start(new ServerSettings(
                0,
                Network.LOCAL,
                data,
                database,
                true,
                folder.resolve("kept-apart.key"),
                new SourcePolicy(List.of(folder), List.of("localhost")),
                RunContext.UTC,
                10));
    }

    @Override
    public void afterAll(ExtensionContext context) {
        server.close();
    }

    Path dataDir() {
        return server.settings().dataDir();
    }

    Path database() {
        return server.settings().database();
    }

    /** What a test waits for; it may fail meanwhile. */
    interface Condition {
        boolean holds() throws Exception;
    }

    /** Waits until something holds, ten seconds at most. */
    void until(Condition condition) throws Exception {
        for (int i = 0; i < 200 && !condition.holds(); i++) {
            Thread.sleep(50);
        }
        org.assertj.core.api.Assertions.assertThat(condition.holds()).isTrue();
    }

    void resetDemoPasswords() {
        Records.resetDemoPasswords(server);
    }

    String address() {
        return server.address();
    }

    /** A browser of its own, not signed in. */
    Browser browser() {
        return new Browser(server.address());
    }

    /** A connection to it on which whatever is wanted can be sent. */
    Socket socket() throws IOException {
        URI address = URI.create(address());
        return new Socket(address.getHost(), address.getPort());
    }

    Browser signedIn(String name) throws Exception {
        Browser browser = browser();
        browser.signIn(name, name + "-demo");
        return browser;
    }

    /** An HTTP client with cookies that sends the token against forged requests as a page would. */
    static final class Browser {

        static final JsonMapper JSON = new JsonMapper();

        private final String address;
        private final CookieManager cookies = new CookieManager();
        private final HttpClient client =
                HttpClient.newBuilder().cookieHandler(cookies).build();

        Browser(String address) {
            this.address = address;
        }

        HttpResponse<String> signIn(String name, String password) throws Exception {
            get("/api/session");
            String form = "name=" + URLEncoder.encode(name, StandardCharsets.UTF_8) + "&password="
                    + URLEncoder.encode(password, StandardCharsets.UTF_8);
            HttpResponse<String> response =
                    send("POST", "/api/session", "application/x-www-form-urlencoded", BodyPublishers.ofString(form));
            get("/api/session");
            return response;
        }

        HttpResponse<String> get(String path) throws Exception {
            return send("GET", path, "application/json", BodyPublishers.noBody());
        }

        HttpResponse<byte[]> bytes(String path) throws Exception {
            return client.send(
                    HttpRequest.newBuilder(URI.create(address + path)).build(), BodyHandlers.ofByteArray());
        }

        HttpResponse<String> post(String path, String json) throws Exception {
            return send("POST", path, "application/json", BodyPublishers.ofString(json));
        }

        HttpResponse<String> put(String path, String json) throws Exception {
            return send("PUT", path, "application/json", BodyPublishers.ofString(json));
        }

        HttpResponse<String> send(String method, String path, String type, BodyPublisher body) throws Exception {
            HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address + path))
                    .header("Content-Type", type)
                    .method(method, body);
            cookie("XSRF-TOKEN").ifPresent(token -> request.header("X-XSRF-TOKEN", token));
            return client.send(request.build(), BodyHandlers.ofString());
        }

        java.util.Optional<String> cookie(String name) {
            return cookies.getCookieStore().getCookies().stream()
                    .filter(cookie -> cookie.getName().equals(name))
                    .map(HttpCookie::getValue)
                    .findFirst();
        }

        void forgetToken() {
            cookies.getCookieStore().getCookies().stream()
                    .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                    .toList()
                    .forEach(cookie -> cookies.getCookieStore().remove(null, cookie));
        }

        /** Runs the starter report to its end and returns the run. */
        JsonNode run(String answers) throws Exception {
            HttpResponse<String> started =
                    post("/api/runs", "{\"report\": \"sales-by-fiscal-year\", \"answers\": " + answers + "}");
            String id = JSON.readTree(started.body()).path("id").asString();
            String events = get("/api/runs/" + id + "/events").body();
            String last = events.strip().substring(events.strip().lastIndexOf("data:") + "data:".length());
            return JSON.readTree(last);
        }
    }
}
