package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.grammatus.export.Format;
import org.grammatus.server.RunningServer.Browser;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/**
 * Whatever is sent to whichever address, the server answers in words and is no worse for it. Every address of the description is first
 * asked as it should be, by whoever may, and succeeds; then it is asked in thousands of wrong ways.
 */
class MutationsTest {

    private static final Path DESCRIPTION = Path.of("../web/openapi.json");
    private static final int MUTATIONS = 5_000;
    private static final List<String> LEFT_OUT = List.of(
            "PUT /api/session/password",
            "POST /api/set-up",
            "GET /api/runs/{id}/events",
            "DELETE /api/runs/{id}",
            "DELETE /api/reports/{id}",
            "POST /api/reports/{id}/restore",
            "DELETE /api/sources/{id}",
            "DELETE /api/previews/{session}",
            "GET /api/records/unreadable/{kind}/{id}",
            "PUT /api/records/unreadable/{kind}/{id}");

    @RegisterExtension
    static final RunningServer SERVER = new RunningServer();

    private final Map<String, SoundRequests.Sound> sound = new LinkedHashMap<>();

    /** The web code takes the formats of files from the description. */
    @Test
    void theFormatsOfFilesAreDescribed() throws Exception {
        JsonNode file = Browser.JSON
                .readTree(SERVER.signedIn("reader").get("/api/openapi").body())
                .at("/paths/~1api~1runs~1{id}~1file/get");
        assertThat(file.path("parameters").valueStream())
                .filteredOn(parameter -> parameter.path("name").asString().equals("format"))
                .singleElement()
                .satisfies(parameter -> assertThat(parameter.at("/schema/enum").valueStream())
                        .extracting(JsonNode::asString)
                        .containsExactlyElementsOf(Format.words()));
    }

    @Test
    void theDescriptionInTheRepositoryIsTheServersOwn() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        JsonNode own = Browser.JSON.readTree(reader.get("/api/described").body());
        if (System.getProperty("grammatus.openapi", "").equals("write")) {
            Files.writeString(DESCRIPTION, own.toPrettyString() + "\n");
        }
        boolean isOwn = Browser.JSON.readTree(Files.readString(DESCRIPTION)).equals(own);
        assertThat(isOwn)
                .as("web/openapi.json is up to date; -Dgrammatus.openapi=write makes it anew")
                .isTrue();
        assertThat(Browser.JSON.readTree(reader.get("/api/openapi").body()).equals(own))
                .as("the server hands out the same")
                .isTrue();
    }

    @Test
    void noRequestIsAnsweredAsAFaultOfTheServers() throws Exception {
        Browser admin = SERVER.signedIn("admin");
        sound.putAll(SoundRequests.of(admin, SERVER.database()));
        for (SoundRequests.Sound each : sound.values()) {
            HttpResponse<String> response =
                    sent(admin, each.method(), each.path(), "application/json", body(each.body()));
            assertThat(response.statusCode())
                    .as(each.method() + " " + each.path() + " " + response.body())
                    .isBetween(200, 299);
        }
        JsonNode paths = Browser.JSON.readTree(admin.get("/api/openapi").body()).path("paths");
        List<String> addresses = new ArrayList<>();
        paths.properties()
                .forEach(path -> path.getValue()
                        .propertyNames()
                        .forEach(method ->
                                addresses.add(method.toUpperCase(java.util.Locale.ROOT) + " " + path.getKey())));
        // What ends the session, deletes what the others need or never ends has tests of its own; nothing else is left
        // out.
        addresses.removeIf(LEFT_OUT::contains);
        assertThat(addresses).allMatch(sound::containsKey);
        List<String> faults = new ArrayList<>();
        for (int seed = 0; seed < MUTATIONS && faults.size() < 20; seed++) {
            mutate(admin, addresses, new Random(seed), faults);
        }
        assertThat(faults).isEmpty();
        assertThat(admin.get("/api/reports/mine").statusCode())
                .as("nothing was harmed")
                .isEqualTo(200);
        assertThat(admin.get("/api/records/unreadable").body()).isEqualTo("[]");
    }

    private void mutate(Browser admin, List<String> addresses, Random random, List<String> faults) throws Exception {
        String address = addresses.get(random.nextInt(addresses.size()));
        SoundRequests.Sound known = sound.get(address);
        String method = address.substring(0, address.indexOf(' '));
        String path = known != null && random.nextInt(4) > 0
                ? known.path()
                : filled(address.substring(method.length() + 1), random);
        if (random.nextInt(3) == 0) {
            path = path.split("\\?")[0] + query(random);
        }
        String type = random.nextInt(6) == 0 ? type(random) : "application/json";
        BodyPublisher body =
                method.equals("GET") && random.nextInt(5) > 0 ? BodyPublishers.noBody() : wrong(known, random);
        if (path.contains("/events")) {
            return;
        }
        HttpResponse<String> response = sent(admin, method, path, type, body);
        // A source that cannot be reached is said to be so; that is no fault of this server.
        if (response.statusCode() >= 500 && response.statusCode() != 502) {
            faults.add(response.statusCode() + " " + method + " " + path + " " + type + " " + response.body());
        }
    }

    private static HttpResponse<String> sent(
            Browser browser, String method, String path, String type, BodyPublisher body) throws Exception {
        return browser.send(method, path, type, body);
    }

    private static BodyPublisher body(String text) {
        return text == null ? BodyPublishers.noBody() : BodyPublishers.ofString(text);
    }

    private static String filled(String template, Random random) {
        String[] values = {
            "1",
            "mine",
            "nothing",
            "-1",
            "99999999999999999999",
            "%00",
            "%F0%9F%90%9D",
            "a%2Fb",
            "x".repeat(300),
            "REPORT",
            "sales-order-lines"
        };
        String path = template;
        while (path.contains("{")) {
            path = path.replaceFirst("\\{[a-z]+}", values[random.nextInt(values.length)]);
        }
        return path;
    }

    private static String query(Random random) {
        String[] names = {
            "group", "figure", "offset", "limit", "format", "below", "field", "find", "prompt", "figures", "rows",
            "text", "protect", "source", "table"
        };
        String[] values = {
            "",
            "-1",
            "0",
            "1",
            "2147483648",
            "x",
            "%C3%28",
            "NaN",
            "null",
            "1,2,3",
            "t-net",
            "%27%22",
            "1e400",
            "x".repeat(2_000)
        };
        StringBuilder query = new StringBuilder("?");
        for (int i = random.nextInt(4); i >= 0; i--) {
            query.append(names[random.nextInt(names.length)])
                    .append('=')
                    .append(values[random.nextInt(values.length)])
                    .append('&');
        }
        return query.toString();
    }

    private static String type(Random random) {
        String[] types = {
            "*/*",
            "text/plain",
            "multipart/form-data",
            "multipart/form-data; boundary=",
            "application/xml",
            "nonsense",
            "application/json; charset=utf-16",
            "application/x-www-form-urlencoded"
        };
        return types[random.nextInt(types.length)];
    }

    private static BodyPublisher wrong(SoundRequests.Sound known, Random random) {
        String[] whole = {
            "{}",
            "null",
            "[null]",
            "[]",
            "7",
            "\"x\"",
            "",
            "{",
            "{\"a\":1,\"a\":2}",
            "[".repeat(3_000),
            "{\"definition\": null}",
            "{\"definition\": []}",
            "{\"answers\": {\"period\": null}}",
            "{\"base\": 1e400}",
            "{\"page\": 99999999999999999999}",
            "{\"report\": {\"x\": 1}}"
        };
        if (known == null || known.body() == null || known.body().isEmpty() || random.nextInt(3) == 0) {
            return BodyPublishers.ofString(whole[random.nextInt(whole.length)]);
        }
        byte[] bytes = known.body().getBytes(java.nio.charset.StandardCharsets.UTF_8);
        String text = known.body();
        return switch (random.nextInt(6)) {
            case 0 -> BodyPublishers.ofByteArray(broken(bytes, random));
            case 1 -> BodyPublishers.ofString(text.substring(0, random.nextInt(text.length())));
            case 2 ->
                BodyPublishers.ofString(replaced(
                        text,
                        ": \"[^\"]*\"",
                        List.of(
                                ": null",
                                ": 7",
                                ": []",
                                ": {}",
                                ": \"\"",
                                ": \"\\u0000\"",
                                ": \"" + "y".repeat(6_000) + "\"",
                                ": true"),
                        random));
            case 3 ->
                BodyPublishers.ofString(replaced(
                        text,
                        "\\[[^\\[\\]{}]*\\]",
                        List.of("null", "[null]", "{}", "[[]]", "[1, 2]", "\"x\""),
                        random));
            case 4 ->
                BodyPublishers.ofString(replaced(
                        text, "\"[a-zA-Z]+\":", List.of("\"other\":", "\"id\":", "\"\":", "\"definition\":"), random));
            default ->
                BodyPublishers.ofString(replaced(
                        text,
                        "\\b\\d+\\b",
                        List.of("-1", "1e400", "99999999999999999999", "0.5", "\"1\"", "null"),
                        random));
        };
    }

    private static byte[] broken(byte[] bytes, Random random) {
        byte[] broken = bytes.clone();
        for (int i = 0; i <= random.nextInt(3); i++) {
            broken[random.nextInt(broken.length)] = (byte) random.nextInt(256);
        }
        return broken;
    }

    /** One of the places that match, chosen by chance, becomes something else. */
    private static String replaced(String text, String pattern, List<String> instead, Random random) {
        var matches =
                java.util.regex.Pattern.compile(pattern).matcher(text).results().toList();
        if (matches.isEmpty()) {
            return text;
        }
        var match = matches.get(random.nextInt(matches.size()));
        return text.substring(0, match.start())
                + instead.get(random.nextInt(instead.size()))
                + text.substring(match.end());
    }
}
