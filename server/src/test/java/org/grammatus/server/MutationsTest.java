package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.style.HouseStyles;
import org.grammatus.demo.Starters;
import org.grammatus.server.RunningServer.Browser;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/**
 * Whatever is sent to whichever address, the server answers in words and is no worse for it. Every address of the description is first
 * asked as it should be, by whoever may, and succeeds; then it is asked in thousands of wrong ways.
 */
class MutationsTest {

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

    /** A request as it should be. */
    private record Sound(String method, String path, String body) {}

    private final Map<String, Sound> sound = new LinkedHashMap<>();

    private void sound(String method, String template, String path, String body) {
        sound.put(method + " " + template, new Sound(method, path, body));
    }

    private static String text(String plain) {
        return Browser.JSON.writeValueAsString(plain);
    }

    private void describe(Browser admin) throws Exception {
        String report =
                Starters.reportText("sales-by-fiscal-year").replaceFirst("\"id\": \"[a-z-]+\"", "\"id\": \"mine\"");
        String dataset = Starters.datasetText("sales-order-lines");
        assertThat(admin.post("/api/reports", report).statusCode()).isEqualTo(201);
        String run = admin.run("{}").path("id").asString();
        String runs = "/api/runs/" + run;
        String session = "/api/previews/one";
        String source = "{\"label\": \"Hives\", \"kind\": \"SQLITE\", \"file\": "
                + text(SERVER.database().toString()) + "}";
        String added = Browser.JSON
                .readTree(admin.post("/api/sources", source).body())
                .path("id")
                .asString();
        assertThat(added).isNotEmpty();
        sound("GET", "/api/session", "/api/session", null);
        sound("GET", "/api/reports", "/api/reports", null);
        sound("GET", "/api/reports/{id}", "/api/reports/mine", null);
        sound("GET", "/api/reports/{id}/definition", "/api/reports/mine/definition", null);
        sound("GET", "/api/reports/{id}/editing", "/api/reports/mine/editing", null);
        sound("POST", "/api/reports/{id}/answers", "/api/reports/mine/answers", "{\"answers\": {\"period\": \"all\"}}");
        sound(
                "PUT",
                "/api/reports/{id}/draft",
                "/api/reports/mine/draft",
                "{\"base\": 1, \"definition\": " + report + "}");
        sound("DELETE", "/api/reports/{id}/draft", "/api/reports/mine/draft", null);
        sound("POST", "/api/reports/{id}/copy", "/api/reports/mine/copy", "{\"title\": \"Another\"}");
        sound("PATCH", "/api/reports/{id}", "/api/reports/mine", "{\"folder\": \"Sales\", \"offered\": true}");
        sound(
                "POST",
                "/api/runs",
                "/api/runs",
                "{\"report\": \"mine\", \"answers\": {}, \"order\": [], \"only\": [], \"narrow\": [\"region:Coast\"]}");
        sound("GET", "/api/runs/{id}", runs, null);
        sound("GET", "/api/runs/{id}/pages/{number}", runs + "/pages/1", null);
        sound("GET", "/api/runs/{id}/strips", runs + "/strips", null);
        sound("GET", "/api/runs/{id}/strips/{number}", runs + "/strips/1", null);
        sound("GET", "/api/runs/{id}/outline", runs + "/outline?below=0", null);
        sound("GET", "/api/runs/{id}/file", runs + "/file?format=csv", null);
        sound("GET", "/api/runs/{id}/figure", runs + "/figure?place=1&total=t-net", null);
        sound("GET", "/api/runs/{id}/order", runs + "/order?place=1", null);
        sound("GET", "/api/runs/{id}/rows", runs + "/rows?place=1&offset=0&limit=10", null);
        sound("GET", "/api/runs/{id}/rows/file", runs + "/rows/file?place=1", null);
        sound("GET", "/api/runs/{id}/path", runs + "/path?place=1", null);
        sound("GET", "/api/runs/{id}/together", runs + "/together?figures=1:t-net", null);
        sound("GET", "/api/runs/{id}/find", runs + "/find?text=Lakeside", null);
        sound(
                "POST",
                "/api/previews/{session}",
                session,
                "{\"edit\": 1, \"page\": 1, \"answers\": {}, \"definition\": " + report + "}");
        sound("GET", "/api/previews/{session}", session, null);
        sound(
                "POST",
                "/api/previews/prompts",
                "/api/previews/prompts",
                "{\"answers\": {}, \"definition\": " + report + "}");
        sound(
                "POST",
                "/api/previews/choices",
                "/api/previews/choices",
                "{\"prompt\": \"period\", \"find\": \"2026\", \"answers\": {}, \"definition\": " + report + "}");
        sound("POST", "/api/runs/count", "/api/runs/count", "{\"report\": \"mine\", \"answers\": {}}");
        sound("GET", "/api/runs/{id}/marks", runs + "/marks", null);
        sound("GET", "/api/runs/{id}/fields", runs + "/fields", null);
        sound("GET", "/api/runs/{id}/fields/values", runs + "/fields/values?block=sales&field=region", null);
        sound("POST", "/api/previews/filters", "/api/previews/filters", "{\"definition\": " + report + "}");
        sound("GET", "/api/datasets", "/api/datasets", null);
        sound("GET", "/api/datasets/{id}", "/api/datasets/sales-order-lines", null);
        sound("GET", "/api/datasets/{id}/editing", "/api/datasets/sales-order-lines/editing", null);
        sound("GET", "/api/datasets/{id}/uses", "/api/datasets/sales-order-lines/uses?field=net_amount", null);
        sound(
                "POST",
                "/api/datasets/{id}/effect",
                "/api/datasets/sales-order-lines/effect",
                "{\"definition\": " + dataset + "}");
        sound(
                "POST",
                "/api/datasets/{id}/check",
                "/api/datasets/sales-order-lines/check",
                "{\"value\": \"order_count\", \"definition\": " + dataset + "}");
        sound(
                "PUT",
                "/api/datasets/{id}",
                "/api/datasets/sales-order-lines",
                "{\"base\": 0, \"definition\": " + dataset + "}");
        sound("GET", "/api/calendar", "/api/calendar", null);
        sound("GET", "/api/sources", "/api/sources", null);
        sound("GET", "/api/sources/{id}", "/api/sources/" + added, null);
        sound("POST", "/api/sources/trial", "/api/sources/trial", source);
        sound("PUT", "/api/sources/{id}", "/api/sources/" + added, source);
        sound("GET", "/api/records/unreadable", "/api/records/unreadable", null);
        sound("GET", "/api/calendar/sample", "/api/calendar/sample?start=10&name=BOTH", null);
        sound("GET", "/api/reports/{report}/kept-answers", "/api/reports/mine/kept-answers", null);
        sound(
                "POST",
                "/api/reports/{report}/kept-answers",
                "/api/reports/mine/kept-answers",
                "{\"name\": \"Usual\", \"forAll\": false, \"answers\": {\"period\": \"all\"}}");
        sound("DELETE", "/api/reports/{report}/kept-answers/{id}", "/api/reports/mine/kept-answers/1", null);
        sound("GET", "/api/calendar/holidays", "/api/calendar/holidays", null);
        sound("PUT", "/api/calendar/holidays", "/api/calendar/holidays", "{\"days\": [\"2026-12-25\"]}");
        sound("PUT", "/api/calendar", "/api/calendar", "{\"fiscalYearStart\": 10, \"yearName\": \"BOTH\"}");
        String style = Definitions.write(HouseStyles.FOUNDATION);
        sound("GET", "/api/styles", "/api/styles", null);
        sound("GET", "/api/styles/{id}", "/api/styles/ledger", null);
        sound("GET", "/api/styles/{id}/revisions/{number}", "/api/styles/ledger/revisions/0", null);
        sound(
                "POST",
                "/api/styles",
                "/api/styles",
                "{\"definition\": " + style.replace("\"standard\"", "\"new\"") + "}");
        sound("PUT", "/api/styles/{id}", "/api/styles/standard", "{\"base\": 0, \"definition\": " + style + "}");
        sound("GET", "/api/composing/columns", "/api/composing/columns?table=apiary", null);
        sound(
                "POST",
                "/api/composing/start",
                "/api/composing/start",
                "{\"id\": \"orders\", \"table\": \"sales_order\"}");
        String started = Browser.JSON
                .readTree(admin.post("/api/composing/start", "{\"id\": \"orders\", \"table\": \"sales_order\"}")
                        .body())
                .path("definition")
                .toString();
        sound("POST", "/api/composing/suggestions", "/api/composing/suggestions", "{\"definition\": " + started + "}");
        String join = Browser.JSON
                .readTree(admin.post("/api/composing/suggestions", "{\"definition\": " + started + "}")
                        .body())
                .path("joins")
                .get(0)
                .path("join")
                .toString();
        String joining = "{\"definition\": " + started + ", \"join\": " + join + "}";
        sound("POST", "/api/composing/trial", "/api/composing/trial", joining);
        sound("POST", "/api/composing/join", "/api/composing/join", joining);
        JsonNode joined = Browser.JSON
                .readTree(admin.post("/api/composing/join", joining).body())
                .path("definition");
        String last = joined.path("tables")
                .get(joined.path("tables").size() - 1)
                .path("id")
                .asString();
        sound(
                "POST",
                "/api/composing/removal",
                "/api/composing/removal",
                "{\"definition\": " + joined + ", \"table\": \"" + last + "\"}");
        sound("POST", "/api/composing/dataset", "/api/composing/dataset", "{\"definition\": " + started + "}");
        sound("GET", "/api/datasets/{id}/values", "/api/datasets/sales-order-lines/values?field=region", null);
        sound("GET", "/api/datasets/{id}/profile", "/api/datasets/sales-order-lines/profile", null);
        sound(
                "GET",
                "/api/datasets/{id}/fields/{field}/profile",
                "/api/datasets/sales-order-lines/fields/region/profile",
                null);
        sound("GET", "/api/datasets/{id}/rows", "/api/datasets/sales-order-lines/rows?field=region&value=Coast", null);
        sound("GET", "/api/datasets/{id}/find", "/api/datasets/sales-order-lines/find?text=Coast", null);
        sound("GET", "/api/datasets/{id}/reading", "/api/datasets/sales-order-lines/reading", null);
        sound("POST", "/api/datasets/{id}/reading", "/api/datasets/sales-order-lines/reading", "");
        String field =
                Browser.JSON.readTree(started).path("fields").get(1).path("id").asString();
        sound(
                "POST",
                "/api/datasets/{id}/renaming",
                "/api/datasets/orders/renaming",
                "{\"from\": \"" + field + "\", \"to\": \"another_name\", \"base\": 1}");
        sound("GET", "/api/runs/{id}/figure/at-source", runs + "/figure/at-source?place=1&total=t-net", null);
        sound("GET", "/api/runs/{id}/dropped", runs + "/dropped?filter=f-not-cancelled", null);
        sound("GET", "/api/runs/{id}/dropped/file", runs + "/dropped/file?filter=f-not-cancelled", null);
        sound("GET", "/api/runs/{id}/absent", runs + "/absent?block=sales&field=order_number&value=S0106400", null);
        sound("GET", "/api/runs/{id}/uncounted", runs + "/uncounted?place=1&total=t-net&rows=1,2", null);
        sound("PUT", "/api/reports/{id}", "/api/reports/mine", "{\"base\": 1, \"definition\": " + report + "}");
        sound("POST", "/api/sources/{id}/trial", "/api/sources/" + added + "/trial", source);
        sound(
                "POST",
                "/api/reports/{id}/choices",
                "/api/reports/expected-deliveries/choices",
                "{\"prompt\": \"depot\"}");
        sound("POST", "/api/reports", "/api/reports", report.replace("\"mine\"", "\"mine-too\""));
        sound("POST", "/api/sources", "/api/sources", source.replace("Hives", "More hives"));
        sound("GET", "/api/composing/tables", "/api/composing/tables?source=main", null);
    }

    @Test
    void noRequestIsAnsweredAsAFaultOfTheServers() throws Exception {
        Browser admin = SERVER.signedIn("admin");
        describe(admin);
        for (Sound each : sound.values()) {
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
        Sound known = sound.get(address);
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
            "place", "total", "offset", "limit", "format", "below", "field", "find", "prompt", "figures", "rows",
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

    private static BodyPublisher wrong(Sound known, Random random) {
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
