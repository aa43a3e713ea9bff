package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.List;
import java.util.Map;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.style.HouseStyles;
import org.grammatus.server.RunningServer.Browser;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** House styles: shared by all reports, kept in revisions, checked before they are saved. */
class StylesTest {

    @RegisterExtension
    static final RunningServer SERVER = new RunningServer();

    private static final String STANDARD = Definitions.write(HouseStyles.FOUNDATION);

    private static JsonNode json(HttpResponse<String> answer) {
        return Browser.JSON.readTree(answer.body());
    }

    private static String changed(String document, long base) {
        return "{\"base\": " + base + ", \"definition\": " + document + "}";
    }

    /** The ink of the title on the first page of a report. */
    private static String titleInk(Browser browser, String report) throws Exception {
        JsonNode run = json(browser.post("/api/runs", "{\"report\": \"" + report + "\", \"answers\": {}}"));
        String address = "/api/runs/" + run.path("id").asString();
        while (!json(browser.get(address)).path("state").asString().equals("DONE")) {
            Thread.sleep(50);
        }
        JsonNode page = json(browser.get(address + "/pages/1"));
        // The page's header is empty on the first page, so that the title is the largest text of all.
        return page.path("fonts")
                .path("styles")
                .valueStream()
                .max((a, b) -> a.path("size").asInt() - b.path("size").asInt())
                .orElseThrow()
                .path("ink")
                .asString();
    }

    @Test
    void oneChangeRestylesEveryReportThatNamesNoOther() throws Exception {
        Browser author = SERVER.signedIn("author");
        Browser reader = SERVER.signedIn("reader");
        List<String> reports = List.of("expected-deliveries", "order-counts", "quiet-apiaries");
        for (String report : reports) {
            assertThat(titleInk(reader, report)).as(report).isEqualTo("#161616");
        }
        long before = json(author.get("/api/styles/standard")).path("revision").asLong();
        String blue = STANDARD.replace("\"text\": \"#161616\"", "\"text\": \"#123456\"");
        JsonNode saved = json(author.put("/api/styles/standard", changed(blue, before)));
        assertThat(saved.path("revision").asLong()).isEqualTo(before + 1);
        for (String report : reports) {
            assertThat(titleInk(reader, report)).as(report).isEqualTo("#123456");
        }
        // Somebody who began earlier loses nothing, and is told.
        HttpResponse<String> late = author.put("/api/styles/standard", changed(STANDARD, before));
        assertThat(late.statusCode()).isEqualTo(409);
        JsonNode editing = json(author.get("/api/styles/standard"));
        assertThat(editing.path("revisions").get(0).path("author").asString()).isEqualTo("Odile Marrow");
        // What it was can be had again.
        JsonNode first = json(author.get("/api/styles/standard/revisions/0"));
        assertThat(json(author.put("/api/styles/standard", changed(first.toString(), before + 1)))
                        .path("revision")
                        .asLong())
                .isEqualTo(before + 2);
        assertThat(titleInk(reader, reports.getFirst())).isEqualTo("#161616");
    }

    @Test
    void whatCannotBeReadIsRefusedWithItsPlaceAndNothingIsSaved() throws Exception {
        Browser author = SERVER.signedIn("author");
        long before = json(author.get("/api/styles/ledger")).path("revision").asLong();
        String ledger = Definitions.write(HouseStyles.SHIPPED.get(1));
        for (Map.Entry<String, String> wrong : Map.of(
                        ledger.replace("#1c2321", "#dddddd"),
                        "/look/texts",
                        ledger.replace("#1c2321", "red"),
                        "/look/inks/text",
                        ledger.replace("\"size\": 18", "\"size\": 4000"),
                        "/look/texts/0/size",
                        ledger.replace("\"id\": \"ledger\"", "\"id\": \"other\""),
                        "/id",
                        "null",
                        "")
                .entrySet()) {
            HttpResponse<String> refused = author.put("/api/styles/ledger", changed(wrong.getKey(), before));
            assertThat(refused.statusCode()).as(refused.body()).isEqualTo(422);
            assertThat(refused.body()).contains(wrong.getValue());
        }
        assertThat(json(author.get("/api/styles/ledger")).path("revision").asLong())
                .isEqualTo(before);
        assertThat(author.get("/api/styles/nowhere").statusCode()).isEqualTo(404);
        assertThat(author.get("/api/styles/ledger/revisions/99").statusCode()).isEqualTo(404);
    }

    @Test
    void stylesAreMadeByAuthorsAlone() throws Exception {
        Browser author = SERVER.signedIn("author");
        String mine = STANDARD.replace("\"id\": \"standard\"", "\"id\": \"mine\"");
        HttpResponse<String> made = author.post("/api/styles", "{\"definition\": " + mine + "}");
        assertThat(made.statusCode()).isEqualTo(201);
        assertThat(author.post("/api/styles", "{\"definition\": " + mine + "}").statusCode())
                .isEqualTo(409);
        assertThat(author.get("/api/styles").body()).contains("\"mine\"");
        Browser reader = SERVER.signedIn("reader");
        assertThat(reader.get("/api/styles").statusCode()).isEqualTo(403);
        assertThat(reader.put("/api/styles/mine", changed(mine, 1)).statusCode())
                .isEqualTo(403);
    }
}
