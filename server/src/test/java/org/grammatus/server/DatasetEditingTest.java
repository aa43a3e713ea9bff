package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import org.grammatus.demo.Starters;
import org.grammatus.server.RunningServer.Browser;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Changing a dataset's dictionary over HTTP: checked as it is typed, its effect told before, conflicts refused. */
class DatasetEditingTest {

    @RegisterExtension
    static final RunningServer SERVER = new RunningServer();

    private static final String SALES = "/api/datasets/sales-order-lines";

    private static JsonNode json(HttpResponse<String> response) {
        assertThat(response.statusCode()).as(response.body()).isEqualTo(200);
        return Browser.JSON.readTree(response.body());
    }

    private static ObjectNode definition(Browser author) throws Exception {
        return (ObjectNode) json(author.get(SALES + "/editing")).path("definition");
    }

    private static long revision(Browser author) throws Exception {
        return json(author.get(SALES + "/editing")).path("revision").asLong();
    }

    private static void add(ObjectNode definition, String list, String id, String value) {
        ObjectNode added = ((ArrayNode) definition.withArray(list)).addObject();
        added.put("id", id).put("label", "The " + id).put("value", value);
        if (list.equals("calculated")) {
            added.put("role", "additive");
        }
    }

    private static HttpResponse<String> save(Browser author, ObjectNode definition, long base) throws Exception {
        String body = "{\"definition\": " + definition + ", \"base\": " + base + "}";
        return author.send("PUT", SALES, "application/json", BodyPublishers.ofString(body));
    }

    private static JsonNode check(Browser author, ObjectNode definition, String value) throws Exception {
        return json(
                author.post(SALES + "/check", "{\"definition\": " + definition + ", \"value\": \"" + value + "\"}"));
    }

    @Test
    void whatIsSavedServesEveryReportAtOnce() throws Exception {
        Browser author = SERVER.signedIn("author");
        ObjectNode definition = definition(author);
        add(definition, "calculated", "with_tax", "net_amount * 1.20");
        add(definition, "measures", "takings", "SUM(with_tax)");
        long base = revision(author);
        assertThat(json(save(author, definition, base)).path("revision").asLong())
                .isEqualTo(base + 1);
        assertThat(author.get(SALES).body()).contains("\"with_tax\"").contains("\"The takings\"");

        ObjectNode report = (ObjectNode) Browser.JSON.readTree(Starters.reportText("sales-by-fiscal-year"));
        report.put("id", "with-takings");
        ((ObjectNode) report.path("blocks").get(0).path("totals").get(1)).put("value", "takings");
        assertThat(author.post("/api/reports", report.toString()).statusCode()).isEqualTo(201);
    }

    @Test
    void aKeyIsFoundAndListedByItsName() throws Exception {
        Browser author = SERVER.signedIn("author");
        ObjectNode definition = definition(author);
        for (JsonNode field : definition.path("fields")) {
            if (field.path("id").asString().equals("product_code")) {
                ((ObjectNode) field).put("lookup", "product_name");
            }
        }
        assertThat(save(author, definition, revision(author)).statusCode()).isEqualTo(200);
        JsonNode found = json(author.get(SALES + "/values?field=product_code&find=ankle"));
        assertThat(found).hasSize(1);
        assertThat(found.get(0).path("value").asString()).matches("P\\d+");
        assertThat(found.get(0).path("label").asString())
                .isEqualTo("Ankle straps · " + found.get(0).path("value").asString());
        JsonNode code = json(author.get(SALES + "/values?field=product_code&find="
                + found.get(0).path("value").asString()));
        assertThat(code.get(0).path("label").asString()).startsWith("Ankle straps");

        ((ObjectNode) definition.path("fields").get(0)).put("lookup", "nothing_like_it");
        HttpResponse<String> refused = save(author, definition, revision(author));
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("/fields/0/lookup").contains("unknown field");
    }

    @Test
    void aNewerRevisionIsNotOverwritten() throws Exception {
        Browser author = SERVER.signedIn("author");
        ObjectNode definition = definition(author);
        long base = revision(author);
        assertThat(save(author, definition, base).statusCode()).isEqualTo(200);
        HttpResponse<String> late = save(author, definition, base);
        assertThat(late.statusCode()).isEqualTo(409);
        assertThat(late.body()).contains("saved revision " + (base + 1)).contains("Nothing was saved");
        assertThat(revision(author)).isEqualTo(base + 1);
    }

    @Test
    void anExpressionIsCheckedWithItsPlaceAndComputedOverTheRows() throws Exception {
        Browser author = SERVER.signedIn("author");
        ObjectNode wrong = definition(author);
        add(wrong, "calculated", "x", "net_amuont * 2");
        JsonNode problem = check(author, wrong, "x").path("problems").get(0);
        assertThat(problem.path("pointer").asString()).matches("/calculated/\\d+/value");
        assertThat(problem.path("position").asString()).isEqualTo("1:1");
        assertThat(problem.path("message").asString()).contains("did you mean \"net_amount\" (Net sales)?");

        ObjectNode right = definition(author);
        add(right, "calculated", "late", "ship_date > promised_date");
        JsonNode result = check(author, right, "late").path("result");
        assertThat(result.path("type").asString()).isEqualTo("BOOLEAN");
        assertThat(result.path("home").asString()).isEqualTo("order");
        assertThat(result.path("samples").toString()).isIn("[\"no\",\"yes\"]", "[\"yes\",\"no\"]");
        assertThat(result.path("blank").asInt()).isPositive();
        assertThat(result.has("advice")).isFalse();
        add(right, "calculated", "with_freight", "net_amount + freight");
        assertThat(check(author, right, "with_freight")
                        .path("result")
                        .path("advice")
                        .asString())
                .contains("\"Freight\" is one amount for each order");
    }

    @Test
    void aMeasureIsTheFigureThatAReportPrints() throws Exception {
        Browser author = SERVER.signedIn("author");
        ObjectNode definition = definition(author);
        add(definition, "measures", "lines_in_all", "COUNT(*)");
        int rows = json(author.get(SALES + "/rows?limit=0")).path("all").asInt();
        String figure = check(author, definition, "lines_in_all")
                .path("result")
                .path("samples")
                .get(0)
                .asString();
        assertThat(figure.replace(",", "")).isEqualTo(String.valueOf(rows));
    }

    @Test
    void theReportsAChangeWouldBreakAreNamedBefore() throws Exception {
        Browser author = SERVER.signedIn("author");
        ObjectNode definition = definition(author);
        assertThat(json(author.post(SALES + "/effect", "{\"definition\": " + definition + "}"))
                        .path("broken"))
                .isEmpty();
        ArrayNode fields = (ArrayNode) definition.path("fields");
        for (int i = 0; i < fields.size(); i++) {
            if (fields.get(i).path("id").asString().equals("depot")) {
                fields.remove(i);
            }
        }
        JsonNode effect = json(author.post(SALES + "/effect", "{\"definition\": " + definition + "}"));
        assertThat(effect.path("broken"))
                .extracting(report -> report.path("title").asString())
                .contains("Order book summary", "Sales by fiscal year, region and apiary");
        JsonNode broken = effect.path("broken")
                .valueStream()
                .filter(report -> report.path("id").asString().equals("sales-by-fiscal-year"))
                .findFirst()
                .orElseThrow();
        assertThat(broken.path("problems").get(0).path("pointer").asString()).matches("/blocks/0/columns/\\d+/value");
        assertThat(broken.path("problems").get(0).path("message").asString()).contains("unknown field \"depot\"");
    }

    @Test
    void nonsenseIsRefusedWithEveryFault() throws Exception {
        Browser author = SERVER.signedIn("author");
        long base = revision(author);
        ObjectNode other = definition(author);
        other.put("id", "another");
        assertThat(save(author, other, base).body()).contains("a dataset keeps its id");
        ObjectNode circle = definition(author);
        add(circle, "calculated", "a", "b");
        add(circle, "calculated", "b", "a");
        HttpResponse<String> refused = save(author, circle, base);
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("a circle: ").contains("2 things are wrong");
        for (String nonsense : new String[] {"", "[]", "{}", "{\"definition\": 7, \"base\": 0}", "\u0000\u0001"}) {
            HttpResponse<String> answer =
                    author.send("PUT", SALES, "application/json", BodyPublishers.ofString(nonsense));
            assertThat(answer.statusCode()).as(nonsense + answer.body()).isBetween(400, 499);
        }
        assertThat(revision(author)).isEqualTo(base);
    }

    @Test
    void readersMayNotAndADatasetThatIsNotThereIsSaid() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        assertThat(reader.get(SALES + "/editing").statusCode()).isEqualTo(403);
        assertThat(reader.post(SALES + "/check", "{}").statusCode()).isEqualTo(403);
        assertThat(reader.post(SALES + "/effect", "{}").statusCode()).isEqualTo(403);
        assertThat(save(reader, Browser.JSON.createObjectNode(), 0).statusCode())
                .isEqualTo(403);
        assertThat(SERVER.signedIn("author").get("/api/datasets/none/editing").statusCode())
                .isEqualTo(404);
    }

    @Test
    void theInstallationsCalendarHoldsWhereADatasetHasNoneOfItsOwn() throws Exception {
        Browser admin = SERVER.signedIn("admin");
        Browser author = SERVER.signedIn("author");
        assertThat(put(author, "/api/calendar", "{\"fiscalYearStart\": 4, \"yearName\": \"END\"}")
                        .statusCode())
                .isEqualTo(403);
        assertThat(put(admin, "/api/calendar", "{\"fiscalYearStart\": 13, \"yearName\": \"END\"}")
                        .body())
                .contains("expected a month from 1 to 12");
        JsonNode set = json(put(admin, "/api/calendar", "{\"fiscalYearStart\": 4, \"yearName\": \"END\"}"));
        assertThat(set.path("thisYear").asString()).isEqualTo("2027");
        assertThat(set.path("thisYearFrom").asString()).isEqualTo("2026-04-01");
        // The starter has one of its own, which goes before it.
        assertThat(firstYear(author)).matches("20\\d\\d/\\d\\d");
        ObjectNode own = definition(author);
        own.remove("calendar");
        json(save(author, own, revision(author)));
        assertThat(firstYear(author)).matches("20\\d\\d");
        own.putObject("calendar").put("fiscalYearStart", 7).put("yearName", "both");
        json(save(author, own, revision(author)));
        assertThat(firstYear(author)).matches("20\\d\\d/\\d\\d");
        own.remove("calendar");
        json(save(author, own, revision(author)));
        assertThat(firstYear(author)).matches("20\\d\\d");
        json(put(admin, "/api/calendar", "{\"fiscalYearStart\": 10, \"yearName\": \"BOTH\"}"));
        assertThat(json(author.get("/api/calendar")).path("fiscalYearStart").asInt())
                .isEqualTo(10);
        assertThat(firstYear(author)).matches("20\\d\\d/\\d\\d");
    }

    /** What the starter report calls its first fiscal year. */
    private static String firstYear(Browser author) throws Exception {
        HttpResponse<String> started =
                author.post("/api/runs", "{\"report\": \"sales-by-fiscal-year\", \"answers\": {}}");
        JsonNode run = Browser.JSON.readTree(started.body());
        String address = "/api/runs/" + run.path("id").asString();
        for (int i = 0;
                i < 200 && !json(author.get(address)).path("state").asString().equals("DONE");
                i++) {
            Thread.sleep(50);
        }
        String group =
                json(author.get(address + "/outline")).get(0).path("group").asString();
        return json(author.get(address + "/path?group=" + group))
                .get(0)
                .path("label")
                .asString();
    }

    private static HttpResponse<String> put(Browser browser, String address, String body) throws Exception {
        return browser.send("PUT", address, "application/json", BodyPublishers.ofString(body));
    }

    @Test
    void twoPeopleWhoChangeTheTablesAtOnceLoseNothing() throws Exception {
        Browser first = SERVER.signedIn("author");
        Browser second = SERVER.signedIn("admin");
        long base = revision(first);
        ObjectNode hers = definition(first);
        ObjectNode his = definition(second);
        table(hers, "products")
                .put("table", "product")
                .putObject("noun")
                .put("one", "good")
                .put("other", "goods");
        table(his, "apiaries").putObject("noun").put("one", "yard").put("other", "yards");
        json(save(first, hers, base));
        HttpResponse<String> late = save(second, his, base);
        assertThat(late.statusCode()).isEqualTo(409);
        assertThat(late.body()).contains("saved revision " + (base + 1)).contains("Nothing was saved");
        // Made again to the newest state, both changes stand.
        ObjectNode newest = definition(second);
        assertThat(table(newest, "products").path("noun").path("one").asString())
                .isEqualTo("good");
        table(newest, "apiaries").putObject("noun").put("one", "yard").put("other", "yards");
        json(save(second, newest, base + 1));
        ObjectNode both = definition(first);
        assertThat(table(both, "products").path("noun").path("one").asString()).isEqualTo("good");
        assertThat(table(both, "apiaries").path("noun").path("one").asString()).isEqualTo("yard");
    }

    private static ObjectNode table(ObjectNode definition, String id) {
        for (JsonNode table : definition.withArray("tables")) {
            if (table.path("id").asString().equals(id)) {
                return (ObjectNode) table;
            }
        }
        throw new AssertionError("No table " + id);
    }
}
