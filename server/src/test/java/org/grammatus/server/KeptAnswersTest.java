package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import org.grammatus.core.Meaning;
import org.grammatus.server.RunningServer.Browser;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Answers under a name, and prompts that begin with what the same person answered last. */
@Meaning(41)
class KeptAnswersTest {

    @RegisterExtension
    static final RunningServer SERVER = new RunningServer();

    private static final String KEPT = "/api/reports/open-orders/kept-answers";
    /** Of a report that no other test keeps any of. */
    private static final String FULL = "/api/reports/order-book/kept-answers";

    private static JsonNode json(HttpResponse<String> answer) {
        return Browser.JSON.readTree(answer.body());
    }

    private static String body(String name, boolean forAll, String depots) {
        return "{\"name\": \"%s\", \"forAll\": %b, \"answers\": {\"depots\": \"%s\"}}".formatted(name, forAll, depots);
    }

    @Test
    void whatOnePersonKeepsIsNobodyElsesUnlessItIsForAll() throws Exception {
        Browser author = SERVER.signedIn("author");
        Browser reader = SERVER.signedIn("reader");
        author.post(KEPT, body("Mine", false, "Kiln Yard"));
        author.post(KEPT, body("Everybody's", true, "Finch Lane"));
        reader.post(KEPT, body("Mine", false, "Alder Quay"));
        JsonNode seen = json(reader.get(KEPT));
        assertThat(seen.valueStream()
                        .map(one -> one.path("answers").path("depots").asString()))
                .containsExactly("Finch Lane", "Alder Quay");
        assertThat(seen.get(0).path("mine").asBoolean()).isFalse();
        reader.post(KEPT, body("Mine", false, "Tarn Street"));
        assertThat(json(reader.get(KEPT))).as("the same name gives way").hasSize(2);
        String everybodys = KEPT + "/" + seen.get(0).path("id").asString();
        assertThat(reader.send("DELETE", everybodys, "application/json", BodyPublishers.noBody())
                        .statusCode())
                .isEqualTo(404);
        assertThat(author.send("DELETE", everybodys, "application/json", BodyPublishers.noBody())
                        .statusCode())
                .isEqualTo(204);
        assertThat(json(reader.get(KEPT))).hasSize(1);
    }

    @Test
    void whatIsKeptForAllTakesNobodysOwnRoom() throws Exception {
        Browser author = SERVER.signedIn("author");
        for (int i = 0; i < 200; i++) {
            author.post(FULL, body("For all " + i, true, ""));
        }
        assertThat(author.post(FULL, body("One too many", true, "")).body()).contains("no room");
        assertThat(author.post(FULL, body("For all 7", true, "Kiln Yard")).statusCode())
                .as("the same name gives way")
                .isEqualTo(200);
        assertThat(SERVER.signedIn("reader")
                        .post(FULL, body("My own", false, ""))
                        .statusCode())
                .isEqualTo(200);
    }

    @Test
    void wrongOnesAreRefusedInWords() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        assertThat(reader.post(KEPT, body(" ", false, "")).body()).contains("/name");
        assertThat(reader.post(KEPT, body("For all", true, "")).body()).contains("only authors");
        assertThat(reader.post(KEPT, body("Large", false, "x".repeat(100_001))).body())
                .contains("no room");
        assertThat(reader.get("/api/reports/no-such/kept-answers").statusCode()).isEqualTo(404);
    }

    @Test
    void aPromptBeginsWithWhatTheSamePersonAnsweredLast() throws Exception {
        Browser author = SERVER.signedIn("author");
        ObjectNode definition = (ObjectNode) json(author.get("/api/reports/open-orders/definition"));
        definition.put("id", "remembering").put("title", "Remembering");
        ((ObjectNode) definition.path("prompts").get(1)).put("default", "last answer");
        String remembering = definition.toString();
        assertThat(author.post("/api/reports", remembering).statusCode()).isEqualTo(201);
        JsonNode first = json(author.get("/api/reports/remembering"));
        assertThat(first.path("prompts").get(1).path("asked").asString()).isEmpty();
        author.post("/api/runs", "{\"report\": \"remembering\", \"answers\": {\"depots\": \"Kiln Yard\"}}");
        JsonNode second = json(author.get("/api/reports/remembering"));
        assertThat(second.path("prompts").get(1).path("asked").asString()).isEqualTo("Kiln Yard");
        assertThat(second.path("prompts").get(1).path("answer").path("words").asString())
                .isEqualTo("Kiln Yard");
    }

    @Test
    void aPromptBeginsWithWhatIsSaidOfThePerson() throws Exception {
        Browser author = SERVER.signedIn("author");
        ObjectNode definition = (ObjectNode) json(author.get("/api/reports/open-orders/definition"));
        definition.put("id", "of-my-depot").put("title", "Of my depot");
        ((ObjectNode) definition.path("prompts").get(1)).put("default", "my depot");
        assertThat(author.post("/api/reports", definition.toString()).statusCode())
                .isEqualTo(201);
        author.send(
                "PATCH",
                "/api/reports/of-my-depot",
                "application/json",
                HttpRequest.BodyPublishers.ofString("{\"offered\": true}"));
        Browser reader = SERVER.signedIn("reader");
        JsonNode asked = json(reader.get("/api/reports/of-my-depot"));
        assertThat(asked.path("prompts").get(1).path("asked").asString()).isEqualTo("Finch Lane");
        // Of the author nothing is said: theirs stays open, whoever else has one.
        JsonNode open = json(author.get("/api/reports/of-my-depot"));
        assertThat(open.path("prompts").get(1).path("asked").asString()).isEmpty();
        assertThat(open.path("prompts").get(1).path("answer").path("words").asString())
                .isEqualTo("all");
        assertThat(reader.post("/api/runs", "{\"report\": \"of-my-depot\", \"answers\": {}}")
                        .statusCode())
                .isEqualTo(201);
        // What does not fit is told at its prompt; the report opens all the same.
        definition.put("id", "worth-my-depot").put("title", "Worth my depot");
        ((ObjectNode) definition.path("prompts").get(4)).put("default", "my depot");
        assertThat(author.post("/api/reports", definition.toString()).statusCode())
                .isEqualTo(201);
        author.send(
                "PATCH",
                "/api/reports/worth-my-depot",
                "application/json",
                HttpRequest.BodyPublishers.ofString("{\"offered\": true}"));
        JsonNode wrong = json(reader.get("/api/reports/worth-my-depot"));
        assertThat(wrong.path("prompts").get(4).path("answer").path("problem").asString())
                .contains("expected a number such as");
    }
}
