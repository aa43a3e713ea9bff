package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.grammatus.server.RunningServer.Browser;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What a reader does with a run over HTTP: asks why, narrows, orders, finds, reads one list, takes away a CSV. */
class ReadingTest {

    @RegisterExtension
    static final RunningServer SERVER = new RunningServer();

    private static JsonNode json(HttpResponse<String> response) {
        return Browser.JSON.readTree(response.body());
    }

    private static JsonNode run(Browser browser, String report, String view) throws Exception {
        HttpResponse<String> started =
                browser.post("/api/runs", "{\"report\": \"" + report + "\", \"answers\": {}" + view + "}");
        assertThat(started.statusCode()).as(started.body()).isEqualTo(201);
        String id = json(started).path("id").asString();
        String events = browser.get("/api/runs/" + id + "/events").body().strip();
        return Browser.JSON.readTree(events.substring(events.lastIndexOf("data:") + "data:".length()));
    }

    private static String address(JsonNode run) {
        return "/api/runs/" + run.path("id").asString();
    }

    /** The address of a group that begins on the first page of a run, by its number from the top; the whole report is 0. */
    private static String group(Browser browser, JsonNode run, int place) throws Exception {
        JsonNode page = json(browser.get(address(run) + "/pages/1"));
        return page.path("nodes")
                .valueStream()
                .filter(node -> node.path("place").asInt() == place)
                .map(node -> URLEncoder.encode(node.path("address").asString(), StandardCharsets.UTF_8))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aFigureAnOrderAndTheirRowsAreExplained() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        JsonNode run = run(reader, "sales-by-fiscal-year", "");
        JsonNode figure = json(reader.get(address(run) + "/figure?figure=sales%23t-freight"));
        assertThat(figure.path("formula").asString()).isEqualTo("sum of Freight");
        assertThat(figure.path("figure").asString())
                .isEqualTo(run.path("grandTotals").get(2).path("figure").asString());
        assertThat(figure.path("remarks").get(0).asString()).startsWith("Taken once per order");
        JsonNode order = json(reader.get(address(run) + "/order?group=" + group(reader, run, 1)));
        assertThat(order.path("rule").asString()).startsWith("in the whole report by Net sales, largest first");
        JsonNode rows = json(reader.get(address(run) + "/rows?limit=7&group=" + group(reader, run, 1)));
        assertThat(rows.path("rows")).hasSize(7);
        assertThat(reader.get(address(run) + "/figure?figure=sales%23none").statusCode())
                .isEqualTo(404);
        assertThat(reader.get(address(run) + "/rows?group=sales/fiscal-year:never")
                        .statusCode())
                .isEqualTo(404);
        assertThat(reader.get(address(run) + "/order?group=sales").statusCode()).isEqualTo(404);
        assertThat(SERVER.signedIn("author")
                        .get(address(run) + "/rows?group=" + group(reader, run, 1))
                        .statusCode())
                .isEqualTo(404);
    }

    @Test
    void figuresAreAddedUpByTheirAddressesAndWhatIsNoneIsRefused() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        JsonNode run = run(reader, "sales-by-fiscal-year", "");
        String first = group(reader, run, 1);
        JsonNode one = json(reader.get(address(run) + "/figure?figure=" + first + "%23t-net"));
        JsonNode together =
                json(reader.get(address(run) + "/together?figures=" + first + "%23t-net,sales/nowhere%23t-net"));
        assertThat(together.path("count").asInt()).isEqualTo(1);
        assertThat(together.path("sum")).isEqualTo(one.path("figure"));
        HttpResponse<String> none = reader.get(address(run) + "/figure?figure=1:t-net");
        assertThat(none.statusCode()).isEqualTo(422);
        assertThat(json(none).path("problems").get(0).path("pointer").asString())
                .isEqualTo("/figure");
    }

    @Test
    void narrowingToAPathKeepsItsFiguresAndToAValueKeepsThemAll() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        JsonNode whole = run(reader, "sales-by-fiscal-year", "");
        String group = group(reader, whole, 2);
        JsonNode path = json(reader.get(address(whole) + "/path?group=" + group));
        assertThat(path).hasSize(2);
        String year = path.get(0).path("level").asString() + ":"
                + path.get(0).path("key").asString();
        String region = path.get(1).path("level").asString() + ":"
                + path.get(1).path("key").asString();
        JsonNode figure = json(reader.get(address(whole) + "/figure?figure=" + group + "%23t-net"));
        JsonNode here = run(reader, "sales-by-fiscal-year", ", \"only\": [\"" + year + "\", \"" + region + "\"]");
        assertThat(here.path("grandTotals").get(1).path("figure").asString())
                .isEqualTo(figure.path("figure").asString());
        JsonNode everywhere = run(reader, "sales-by-fiscal-year", ", \"only\": [\"" + region + "\"]");
        assertThat(everywhere.path("rowsKept").asLong())
                .isGreaterThan(here.path("rowsKept").asLong());
        HttpResponse<String> wrong = reader.post(
                "/api/runs", "{\"report\": \"sales-by-fiscal-year\", \"answers\": {}, \"only\": [\"nowhere:x\"]}");
        assertThat(wrong.statusCode()).isEqualTo(422);
    }

    @Test
    void itIsToldHowManyRowsARunWouldKeepOnceItsRowsAreHeld() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        JsonNode run = run(reader, "order-book", "");
        JsonNode count = json(reader.post("/api/runs/count", "{\"report\": \"order-book\", \"answers\": {}}"))
                .path("count");
        assertThat(count.path("rows").asInt()).isEqualTo(run.path("rowsKept").asInt());
        assertThat(count.path("noun").asString()).isEqualTo("lines");
        HttpResponse<String> none = reader.post(
                "/api/runs/count",
                "{\"report\": \"order-book\", \"answers\": {\"period\": \"1999-01-01/1999-01-02\"}}");
        assertThat(json(none).path("count").path("rows").isNumber()).isTrue();
        assertThat(json(none).path("count").path("rows").asInt()).isZero();
        assertThat(reader.post("/api/runs/count", "{\"report\": \"order-book\", \"answers\": {\"period\": \"never\"}}")
                        .statusCode())
                .isEqualTo(422);
        // What looks for rows of other datasets is not counted beforehand.
        run(reader, "quiet-apiaries", "");
        assertThat(json(reader.post("/api/runs/count", "{\"report\": \"quiet-apiaries\", \"answers\": {}}"))
                        .path("count")
                        .isObject())
                .isFalse();
    }

    @Test
    void whatIsTickedOfAPrintedFieldIsCountedBeforehandAndNothingElseIsTold() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        JsonNode whole = run(reader, "order-book", "");
        JsonNode fields = json(reader.get(address(whole) + "/fields")).path("fields");
        assertThat(fields.get(0).path("field").asString()).isEqualTo("region");
        assertThat(fields.get(0).path("beside").asBoolean()).isTrue();
        assertThat(fields.get(1).path("field").asString()).isEqualTo("depot");
        JsonNode depots = json(reader.get(address(whole) + "/fields/values?block=depots&field=depot"));
        JsonNode first = depots.get(0);
        JsonNode second = depots.get(1);
        JsonNode narrowed = run(
                reader,
                "order-book",
                ", \"narrow\": [\"depot:" + first.path("value").asString() + ", "
                        + second.path("value").asString() + "\"]");
        assertThat(narrowed.path("rowsKept").asInt())
                .isEqualTo(first.path("rows").asInt() + second.path("rows").asInt());
        JsonNode again = json(reader.get(address(narrowed) + "/fields"));
        assertThat(again.path("narrowed").get(0).path("answer").path("words").asString())
                .isEqualTo(first.path("label").asString() + ", "
                        + second.path("label").asString());
        // What is ticked leaves the counts of its own field as they are.
        assertThat(json(reader.get(address(narrowed) + "/fields/values?block=depots&field=depot")))
                .isEqualTo(depots);
        assertThat(reader.get(address(whole) + "/fields/values?block=depots&field=unit_price")
                        .statusCode())
                .isEqualTo(404);
        HttpResponse<String> hidden = reader.post(
                "/api/runs", "{\"report\": \"order-book\", \"answers\": {}, \"narrow\": [\"unit_price:1..2\"]}");
        assertThat(hidden.statusCode()).isEqualTo(422);
        assertThat(json(hidden).path("problems").get(0).path("pointer").asString())
                .isEqualTo("/view/narrow/unit_price");
    }

    @Test
    void theRecordOfARunHasAllThatItDependsOn() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        JsonNode run = run(reader, "order-book", ", \"narrow\": [\"region:Lakeside\"]");
        JsonNode inputs = inputs(run.path("id").asString());
        assertThat(inputs.path("report").asInt()).isEqualTo(1);
        assertThat(inputs.path("datasets").path("sales-order-lines").asInt(-1)).isZero();
        assertThat(inputs.path("style").asString()).isEqualTo("standard");
        assertThat(inputs.path("styleRevision").asInt(-1)).isZero();
        assertThat(inputs.path("view").path("narrow").get(0).path("field").asString())
                .isEqualTo("region");
        assertThat(inputs.path("zone").asString()).isEqualTo("UTC");
        assertThat(inputs.path("holidays").isArray()).isTrue();
    }

    private static JsonNode inputs(String run) throws Exception {
        String records = "jdbc:sqlite:" + SERVER.dataDir().resolve("records.db");
        try (Connection connection = DriverManager.getConnection(records);
                PreparedStatement query = connection.prepareStatement("SELECT inputs FROM run WHERE id = ?")) {
            query.setString(1, run);
            try (ResultSet found = query.executeQuery()) {
                assertThat(found.next()).isTrue();
                return JsonMapper.shared().readTree(found.getString(1));
            }
        }
    }

    @Test
    void theRowsBehindAFigureAreAFileWithAllTheirDigits() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        JsonNode run = run(reader, "sales-by-fiscal-year", "");
        String group = group(reader, run, 3);
        JsonNode rows = json(reader.get(address(run) + "/rows?group=" + group));
        String csv = new String(
                reader.bytes(address(run) + "/rows/file?group=" + group).body(), StandardCharsets.UTF_8);
        List<CSVRecord> records;
        try (CSVParser parser = CSVParser.parse(csv, CSVFormat.RFC4180)) {
            records = parser.getRecords();
        }
        assertThat(records).hasSize(rows.path("all").asInt() + 1);
        List<String> fields = new ArrayList<>();
        rows.path("fields").forEach(field -> fields.add(field.asString()));
        assertThat(records.getFirst().toList()).isEqualTo(fields);
        int net = fields.indexOf("Quantity");
        assertThat(records.get(1).get(net))
                .isEqualTo(rows.path("rows").get(0).path(net).asString());
        assertThat(reader.get(address(run) + "/rows/file?group=nowhere").statusCode())
                .isEqualTo(404);
    }

    @Test
    void aTextIsFoundAcrossPagesIgnoringCaseAndAccents() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        JsonNode run = run(reader, "sales-by-fiscal-year", "");
        JsonNode hits = json(
                reader.get(address(run) + "/find?text=" + URLEncoder.encode("DE L'ETANG", StandardCharsets.UTF_8)));
        assertThat(hits).isNotEmpty();
        assertThat(hits.get(0).path("text").asString()).isEqualTo("Rucher de l'Étang");
        int page = hits.get(0).path("page").asInt();
        assertThat(reader.get(address(run) + "/pages/" + page).body()).contains("Rucher de l'Étang");
        int strip = hits.get(0).path("strip").asInt();
        assertThat(reader.get(address(run) + "/strips/" + strip).body()).contains("Rucher de l'Étang");
        assertThat(json(reader.get(address(run) + "/find?text=zzzz"))).isEmpty();
    }

    @Test
    void theContinuousListHoldsEveryOrderOnce() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        JsonNode run = run(reader, "sales-by-fiscal-year", "");
        int strips = json(reader.get(address(run) + "/strips")).path("heights").size();
        Set<String> onStrips = new HashSet<>();
        for (int strip = 1; strip <= strips; strip++) {
            json(reader.get(address(run) + "/strips/" + strip))
                    .path("texts")
                    .forEach(text -> onStrips.add(text.asString()));
        }
        Set<String> onPages = new HashSet<>();
        for (int page = 1; page <= run.path("pages").asInt(); page++) {
            json(reader.get(address(run) + "/pages/" + page))
                    .path("texts")
                    .forEach(text -> onPages.add(text.asString()));
        }
        onPages.removeIf(text -> !text.matches("S\\d{7}"));
        onStrips.removeIf(text -> !text.matches("S\\d{7}"));
        assertThat(onStrips).isEqualTo(onPages).hasSizeGreaterThan(300);
        assertThat(reader.get(address(run) + "/strips/0").statusCode()).isEqualTo(404);
    }

    @Test
    void theCsvHasGroupKeysInEveryRowAndProtectsFormulasWhereAsked() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        JsonNode run = run(reader, "sales-by-fiscal-year", "");
        String exact = new String(
                reader.bytes(address(run) + "/file?format=csv&protect=false").body(), StandardCharsets.UTF_8);
        String[] lines = exact.split("\r\n");
        assertThat(lines[0]).startsWith("Fiscal year,Region,Apiary,Order,Order 2,Ordered,Depot,Status,Quantity");
        assertThat(lines[1]).matches("\\d{4}/\\d{2},[A-Z]\\w+,[^,]+,S\\d{7},S\\d{7},\\d{4}-\\d{2}-\\d{2} .*");
        String protecting =
                new String(reader.bytes(address(run) + "/file?format=csv").body(), StandardCharsets.UTF_8);
        assertThat(protecting).doesNotContain("\n=").doesNotContain(",=");
    }

    @Test
    void aChoiceIsOfferedFromTheData() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        JsonNode depots = json(reader.post("/api/reports/expected-deliveries/choices", "{\"prompt\": \"depot\"}"));
        assertThat(depots).hasSize(4);
        assertThat(depots.get(0).path("rows").asInt()).isPositive();
        assertThat(reader.post("/api/reports/expected-deliveries/choices", "{\"prompt\": \"period\"}")
                        .statusCode())
                .isEqualTo(404);
        JsonNode run = run(reader, "expected-deliveries", "");
        assertThat(run.path("state").asString()).isEqualTo("DONE");
    }

    @Test
    void aRunSaysWhenItsRowsWereReadAndTheyAreReadAnewWhenAsked() throws Exception {
        Browser author = SERVER.signedIn("author");
        Instant first = readAt(run(author, "sales-by-fiscal-year", ""));
        assertThat(readAt(run(author, "sales-by-fiscal-year", ""))).as("held").isEqualTo(first);
        assertThat(author.post("/api/datasets/sales-order-lines/reading", "").statusCode())
                .isEqualTo(204);
        assertThat(readAt(run(author, "sales-by-fiscal-year", ""))).isAfter(first);
    }

    private static Instant readAt(JsonNode run) {
        return Instant.parse(run.path("reads").path(0).path("at").asString());
    }
}
