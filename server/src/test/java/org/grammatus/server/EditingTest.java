package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.grammatus.demo.Starters;
import org.grammatus.server.RunningServer.Browser;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Changing a report over HTTP: previews, drafts, revisions, conflicts, copies; nothing an author did is lost. */
class EditingTest {

    @RegisterExtension
    static final RunningServer SERVER = new RunningServer();

    private static JsonNode json(HttpResponse<String> response) {
        return Browser.JSON.readTree(response.body());
    }

    private static ObjectNode starter() {
        return (ObjectNode) Browser.JSON.readTree(Starters.reportText("sales-by-fiscal-year"));
    }

    private static ObjectNode block(ObjectNode report) {
        return (ObjectNode) report.path("blocks").get(0);
    }

    /** A report of the author's own. */
    private static String added(Browser author, String id) throws Exception {
        ObjectNode report = starter();
        report.put("id", id);
        assertThat(author.post("/api/reports", report.toString()).statusCode()).isEqualTo(201);
        return "/api/reports/" + id;
    }

    private static HttpResponse<String> send(Browser browser, String method, String path, String body)
            throws Exception {
        return browser.send(method, path, "application/json", BodyPublishers.ofString(body));
    }

    private static HttpResponse<String> save(Browser browser, String path, ObjectNode definition, long base)
            throws Exception {
        return send(browser, "PUT", path, "{\"definition\": " + definition + ", \"base\": " + base + "}");
    }

    private static JsonNode preview(Browser browser, ObjectNode definition, int edit) throws Exception {
        HttpResponse<String> response = browser.post(
                "/api/previews/" + UUID.randomUUID(),
                "{\"edit\": " + edit + ", \"answers\": {}, \"page\": 1, \"definition\": " + definition + "}");
        assertThat(response.statusCode()).isEqualTo(200);
        return json(response);
    }

    @Test
    void anEditIsSeenWithItsCountsAndItsFirstPage() throws Exception {
        JsonNode view = preview(SERVER.signedIn("author"), starter(), 1);
        assertThat(view.path("edit").asInt()).isEqualTo(1);
        assertThat(view.path("page").path("texts").toString()).contains("Sales by fiscal year");
        assertThat(view.path("filters").get(0).path("id").asString()).isEqualTo("f-not-cancelled");
        assertThat(view.path("filters").get(0).path("kept").asLong())
                .isEqualTo(view.path("run").path("rowsKept").asLong());
        assertThat(view.path("orders").get(1).path("words").asString())
                .isEqualTo("by Net sales, largest first, then by name");
    }

    @Test
    void nonsenseGivesItsProblemsAndNoPage() throws Exception {
        Browser author = SERVER.signedIn("author");
        ObjectNode wrong = starter();
        ((ObjectNode) block(wrong).path("columns").get(0)).put("value", "order_numbr");
        JsonNode view = preview(author, wrong, 1);
        assertThat(view.has("page")).isFalse();
        assertThat(view.path("problems").get(0).path("pointer").asString()).isEqualTo("/blocks/0/columns/0/value");
        for (String body : List.of("[]", "7", "\"x\"", "{\"blocks\": []}", "null")) {
            HttpResponse<String> response = author.post(
                    "/api/previews/odd", "{\"edit\": 1, \"answers\": {}, \"page\": 1, \"definition\": " + body + "}");
            assertThat(response.statusCode()).as(body).isLessThan(500);
        }
    }

    @Test
    void aLongTitleAndManyColumnsAreToldInWords() throws Exception {
        Browser author = SERVER.signedIn("author");
        ObjectNode titled = starter();
        titled.put("title", "x".repeat(10_000));
        assertThat(preview(author, titled, 1).path("problems").toString())
                .contains("found a text of 10000 characters, expected at most 500");
        ObjectNode wide = starter();
        ArrayNode columns = (ArrayNode) block(wide).path("columns");
        while (columns.size() < 300) {
            ObjectNode column = columns.addObject();
            column.put("id", "wide-" + columns.size()).put("label", "Net").put("value", "net_amount");
        }
        assertThat(preview(author, wide, 2).path("problems").toString()).contains("the columns do not fit the paper");
        columns.addObject().put("id", "one-more").put("label", "Net").put("value", "net_amount");
        assertThat(preview(author, wide, 3).path("problems").toString())
                .contains("found a list of 301, expected at most 300");
    }

    @Test
    void aLevelWithAGroupForEachRowIsShownLikeAnyOther() throws Exception {
        ObjectNode report = starter();
        ObjectNode level = (ObjectNode) block(report).path("levels").get(2);
        level.put("key", "order_number || '-' || apiary_code || '-' || product_code");
        level.remove("label");
        JsonNode view = preview(SERVER.signedIn("author"), report, 1);
        assertThat(view.path("run").path("groups").asInt()).isGreaterThan(1_000);
    }

    @Test
    void readersMayNeitherPreviewNorChange() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        String path = "/api/reports/sales-by-fiscal-year";
        assertThat(reader.post("/api/previews/x", "{}").statusCode()).isEqualTo(403);
        assertThat(reader.get("/api/datasets").statusCode()).isEqualTo(403);
        assertThat(reader.get(path + "/editing").statusCode()).isEqualTo(403);
        for (String method : List.of("PUT", "PATCH", "DELETE")) {
            assertThat(send(reader, method, path, "{}").statusCode()).as(method).isEqualTo(403);
        }
        assertThat(send(reader, "PUT", path + "/draft", "{}").statusCode()).isEqualTo(403);
        assertThat(reader.post(path + "/copy", "{}").statusCode()).isEqualTo(403);
    }

    @Test
    void aDraftIsKeptRightOrWrongUntilItIsSavedOrGivenUp() throws Exception {
        Browser author = SERVER.signedIn("author");
        String path = added(author, "drafted");
        String half = "{\"definition\": {\"title\": \"half\"}, \"base\": 1}";
        assertThat(send(author, "PUT", path + "/draft", half).statusCode()).isEqualTo(200);
        JsonNode editing = json(SERVER.signedIn("author").get(path + "/editing"));
        assertThat(editing.path("draft").path("definition").path("title").asString())
                .isEqualTo("half");
        assertThat(editing.path("definition").path("title").asString()).startsWith("Sales by");
        assertThat(author.get("/api/reports").body()).contains("\"drafted\":true");
        assertThat(send(author, "DELETE", path + "/draft", "").statusCode()).isEqualTo(204);
        assertThat(json(author.get(path + "/editing")).has("draft")).isFalse();
    }

    @Test
    void savingMakesARevisionAndAnOlderBaseIsAConflictThatKeepsBoth() throws Exception {
        Browser one = SERVER.signedIn("author");
        Browser two = SERVER.signedIn("author");
        String path = added(one, "contested");
        ObjectNode mine = starter().put("id", "contested").put("title", "Mine");
        ObjectNode theirs = starter().put("id", "contested").put("title", "Theirs");
        assertThat(json(save(one, path, mine, 1)).path("revision").asInt()).isEqualTo(2);
        HttpResponse<String> late = save(two, path, theirs, 1);
        assertThat(late.statusCode()).isEqualTo(409);
        assertThat(json(late).path("revision").asInt()).isEqualTo(2);
        assertThat(json(late).path("detail").asString()).startsWith("Odile Marrow saved revision 2 since you began");
        assertThat(json(one.get(path + "/editing"))
                        .path("definition")
                        .path("title")
                        .asString())
                .isEqualTo("Mine");
        JsonNode copy = json(two.post(path + "/copy", "{\"title\": \"Theirs\", \"definition\": " + theirs + "}"));
        assertThat(copy.path("id").asString()).isEqualTo("theirs");
        assertThat(json(save(two, path, theirs, 2)).path("revision").asInt()).isEqualTo(3);
    }

    @Test
    void ofTwoWhoSaveAtOnceOneIsTold() throws Exception {
        Browser author = SERVER.signedIn("author");
        String path = added(author, "raced");
        List<Callable<Integer>> savers = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            ObjectNode version = starter().put("id", "raced").put("title", "Version " + i);
            Browser browser = SERVER.signedIn("author");
            savers.add(() -> save(browser, path, version, 1).statusCode());
        }
        List<Integer> outcomes = new ArrayList<>();
        try (ExecutorService threads = Executors.newFixedThreadPool(6)) {
            for (Future<Integer> saved : threads.invokeAll(savers)) {
                outcomes.add(saved.get());
            }
        }
        assertThat(outcomes).containsOnlyOnce(200).contains(409).containsOnly(200, 409);
    }

    @Test
    void aWrongDefinitionIsNotSavedAndTheOldOneStays() throws Exception {
        Browser author = SERVER.signedIn("author");
        String path = added(author, "sound");
        ObjectNode wrong = starter().put("id", "sound");
        ((ObjectNode) block(wrong).path("totals").get(0)).put("value", "SUM(");
        assertThat(save(author, path, wrong, 1).statusCode()).isEqualTo(422);
        assertThat(json(author.get(path + "/editing")).path("revision").asInt()).isEqualTo(1);
    }

    @Test
    void whatComesWithTheProductIsChangedInACopy() throws Exception {
        Browser author = SERVER.signedIn("author");
        String path = "/api/reports/sales-by-fiscal-year";
        assertThat(json(author.get(path + "/editing")).path("editable").asBoolean())
                .isFalse();
        assertThat(save(author, path, starter(), 1).statusCode()).isEqualTo(409);
        assertThat(send(author, "DELETE", path, "").statusCode()).isEqualTo(404);
        assertThat(json(author.post(path + "/copy", "{\"title\": \"Own sales\"}"))
                        .path("id")
                        .asString())
                .isEqualTo("own-sales");
    }

    @Test
    void aReportIsRenamedDescribedFiledAndOffered() throws Exception {
        Browser author = SERVER.signedIn("author");
        Browser reader = SERVER.signedIn("reader");
        String path = added(author, "filed");
        assertThat(reader.get(path).statusCode()).isEqualTo(404);
        String change = "{\"title\": \"Årets salg\", \"description\": \"d\", \"folder\": \"North\", \"offered\": true}";
        assertThat(send(author, "PATCH", path, change).statusCode()).isEqualTo(204);
        String listed = reader.get("/api/reports").body();
        assertThat(listed)
                .contains("Årets salg")
                .contains("\"folder\":\"North\"")
                .contains("Odile Marrow");
        assertThat(json(reader.get(path)).path("title").asString()).isEqualTo("Årets salg");
        assertThat(send(author, "PATCH", path, "{\"offered\": false}").statusCode())
                .isEqualTo(204);
        assertThat(reader.get(path).statusCode()).isEqualTo(404);
        assertThat(author.get("/api/reports").body()).contains("\"folder\":\"North\"");
    }

    /** The texts of the first page of a run, as JSON. */
    private static String firstPage(Browser browser, String report) throws Exception {
        String run = json(browser.post("/api/runs", "{\"report\": \"" + report + "\", \"answers\": {}}"))
                .path("id")
                .asString();
        browser.get("/api/runs/" + run + "/events");
        return json(browser.get("/api/runs/" + run + "/pages/1")).path("texts").toString();
    }

    @Test
    void pagesAreMarkedAsADraftUntilTheReportIsOffered() throws Exception {
        Browser author = SERVER.signedIn("author");
        ObjectNode report = starter().put("id", "tried");
        ((ObjectNode) report.path("page")).put("draft", true).put("watermark", "Not checked");
        assertThat(author.post("/api/reports", report.toString()).statusCode()).isEqualTo(201);
        assertThat(firstPage(author, "tried")).contains("Not checked");
        send(author, "PATCH", "/api/reports/tried", "{\"offered\": true}");
        assertThat(firstPage(author, "tried")).doesNotContain("Not checked");
        assertThat(firstPage(SERVER.signedIn("reader"), "tried")).doesNotContain("Not checked");
        // On the bench it is what is being made.
        assertThat(preview(author, report, 1).path("page").path("texts").toString())
                .contains("Not checked");
        send(author, "PATCH", "/api/reports/tried", "{\"offered\": false}");
        assertThat(firstPage(author, "tried")).contains("Not checked");
    }

    @Test
    void aDraftFollowsARenaming() throws Exception {
        Browser author = SERVER.signedIn("author");
        String path = added(author, "renamed");
        ObjectNode draft = starter().put("id", "renamed").put("title", "Draft");
        send(author, "PUT", path + "/draft", "{\"definition\": " + draft + ", \"base\": 1}");
        send(author, "PATCH", path, "{\"title\": \"Other\"}");
        JsonNode editing = json(author.get(path + "/editing"));
        assertThat(editing.path("draft").path("base").asLong())
                .isEqualTo(editing.path("revision").asLong());
    }

    @Test
    void aDeletedReportCanBeRestoredAndItsEditorIsToldWhatToDo() throws Exception {
        Browser author = SERVER.signedIn("author");
        String path = added(author, "gone");
        assertThat(send(author, "DELETE", path, "").statusCode()).isEqualTo(204);
        assertThat(author.get("/api/reports").body()).doesNotContain("\"id\":\"gone\"");
        HttpResponse<String> saved = save(author, path, starter().put("id", "gone"), 1);
        assertThat(saved.statusCode()).isEqualTo(404);
        assertThat(json(saved).path("detail").asString())
                .contains("it was deleted")
                .contains("Save a copy");
        String copy = "{\"title\": \"Kept\", \"definition\": " + starter() + "}";
        assertThat(author.post(path + "/copy", copy).statusCode()).isEqualTo(201);
        assertThat(author.post(path + "/restore", "").statusCode()).isEqualTo(204);
        assertThat(author.get(path).statusCode()).isEqualTo(200);
    }

    @Test
    void aDatasetTellsWhatCanBeMadeOfItsFields() throws Exception {
        Browser author = SERVER.signedIn("author");
        JsonNode dataset = json(author.get("/api/datasets/sales-order-lines"));
        JsonNode apiary = field(dataset, "apiary_name");
        assertThat(apiary.path("offers").path("level").path("key").asString()).isEqualTo("apiary_code");
        assertThat(apiary.path("offers").path("level").path("label").asString()).isEqualTo("apiary_name");
        JsonNode price = field(dataset, "unit_price");
        assertThat(price.path("offers").has("usual")).isFalse();
        assertThat(price.path("offers").path("totals").get(0).path("advice").asString())
                .contains("does not add up");
        assertThat(field(dataset, "net_amount").path("offers").path("usual").asString())
                .isEqualTo("SUM(net_amount)");
        JsonNode values = json(author.get("/api/datasets/sales-order-lines/values?field=region&find=LAKE"));
        assertThat(values).hasSize(1);
        assertThat(values.get(0).path("value").asString()).isEqualTo("Lakeside");
        assertThat(author.get("/api/datasets/sales-order-lines/values?field=none")
                        .statusCode())
                .isEqualTo(404);
    }

    private static JsonNode field(JsonNode dataset, String id) {
        for (JsonNode field : dataset.path("fields")) {
            if (field.path("id").asString().equals(id)) {
                return field;
            }
        }
        throw new AssertionError("no field " + id);
    }

    @Test
    void aFiltersTypedFormIsItsOwn() throws Exception {
        ObjectNode report = starter();
        JsonNode texts =
                json(SERVER.signedIn("author").post("/api/previews/filters", "{\"definition\": " + report + "}"));
        assertThat(texts.get(1).path("text").asString()).isEqualTo("status <> 'cancelled' OR status IS NULL");
    }
}
