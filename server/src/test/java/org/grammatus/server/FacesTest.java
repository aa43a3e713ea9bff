package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.util.Base64;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.style.HouseStyles;
import org.grammatus.core.typography.Family;
import org.grammatus.core.typography.Weight;
import org.grammatus.server.RunningServer.Browser;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Faces of house styles: added with their licence, looked through, given to those alone who have signed in. */
class FacesTest {

    @RegisterExtension
    static final RunningServer SERVER = new RunningServer();

    private static JsonNode json(HttpResponse<String> answer) {
        return Browser.JSON.readTree(answer.body());
    }

    private static String face(String id, String licence, byte[] regular) {
        return "{\"id\": \"%s\", \"name\": \"House\", \"licence\": \"%s\", \"semibold\": \"\", \"regular\": \"%s\"}"
                .formatted(id, licence, Base64.getEncoder().encodeToString(regular));
    }

    private static HttpResponse<String> removed(Browser author) throws Exception {
        return author.send("DELETE", "/api/faces/house", "application/json", BodyPublishers.noBody());
    }

    /** The first page of a report that is looked at in a style. */
    private static JsonNode preview(Browser author, String face) throws Exception {
        JsonNode report = json(author.get("/api/reports/quiet-apiaries/definition"));
        String style = Definitions.write(HouseStyles.FOUNDATION).replace("\"source-sans\"", "\"" + face + "\"");
        return json(author.post(
                "/api/previews/" + face,
                "{\"edit\": 1, \"page\": 1, \"answers\": {}, \"style\": " + style + ", \"definition\": " + report
                        + "}"));
    }

    @Test
    void aFaceIsAddedUsedAndRemovedWhereNoStyleIsSetInIt() throws Exception {
        Browser author = SERVER.signedIn("author");
        byte[] noto = Family.THAI.bytes(Weight.REGULAR);
        HttpResponse<String> added = author.post("/api/faces", face("house", "OFL 1.1", noto));
        assertThat(added.statusCode()).as(added.body()).isEqualTo(201);
        JsonNode listed = json(author.get("/api/faces")).get(0);
        assertThat(listed.path("licence").asString()).isEqualTo("OFL 1.1");
        assertThat(listed.path("semibold").asBoolean()).isFalse();
        assertThat(author.post("/api/faces", face("house", "OFL 1.1", noto)).statusCode())
                .isEqualTo(409);
        // Its pages are measured on it, and drawn from the very file.
        assertThat(preview(author, "house")
                        .path("page")
                        .path("fonts")
                        .path("family")
                        .asString())
                .isEqualTo("house");
        assertThat(SERVER.signedIn("reader").get("/api/faces/house/regular").statusCode())
                .isEqualTo(200);
        String style = Definitions.write(HouseStyles.FOUNDATION)
                .replace("\"id\": \"standard\"", "\"id\": \"housed\"")
                .replace("\"source-sans\"", "\"house\"");
        assertThat(author.post("/api/styles", "{\"definition\": " + style + "}").statusCode())
                .isEqualTo(201);
        HttpResponse<String> kept = removed(author);
        assertThat(kept.statusCode()).isEqualTo(409);
        assertThat(kept.body()).contains("Standard");
        String back = style.replace("\"house\"", "\"noto-sans\"");
        assertThat(author.put("/api/styles/housed", "{\"base\": 1, \"definition\": " + back + "}")
                        .statusCode())
                .isEqualTo(200);
        assertThat(removed(author).statusCode()).isEqualTo(204);
        assertThat(removed(author).statusCode()).isEqualTo(404);
        assertThat(author.get("/api/faces/house/regular").statusCode()).isEqualTo(404);
        JsonNode without = preview(author, "house").path("page");
        assertThat(without.path("fonts").path("family").asString()).isEqualTo("base");
        HttpResponse<String> refused = author.put("/api/styles/housed", "{\"base\": 2, \"definition\": " + style + "}");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("/look/face");
    }

    @Test
    void whatCannotBeUsedIsToldAtItsFieldAndNotKept() throws Exception {
        Browser author = SERVER.signedIn("author");
        byte[] good = Family.THAI.bytes(Weight.REGULAR);
        for (String[] wrong : new String[][] {
            {face("Not An Id", "OFL", good), "/id", ""},
            {face("figures", " ", good), "/licence", ""},
            {face("figures", "OFL", new byte[] {0, 1, 0, 0, 0, 9}), "/regular", "damaged"},
            {face("figures", "OFL", "<svg/>".getBytes()), "/regular", "no TrueType"},
            {face("figures", "OFL", good).replace("\"semibold\": \"\"", "\"semibold\": \"%%%\""), "/semibold", "Base64"
            },
            {"{}", "/licence", ""}
        }) {
            HttpResponse<String> refused = author.post("/api/faces", wrong[0]);
            assertThat(refused.statusCode()).as(refused.body()).isEqualTo(422);
            assertThat(refused.body()).contains(wrong[1]).contains(wrong[2]);
        }
        // Those that come along keep their names.
        for (String id : new String[] {"source-sans", "hebrew"}) {
            assertThat(author.post("/api/faces", face(id, "OFL", good)).statusCode())
                    .isEqualTo(409);
        }
        assertThat(author.get("/api/faces").body()).doesNotContain("figures");
    }

    @Test
    void facesAreForThoseWhoHaveSignedIn() throws Exception {
        Browser reader = SERVER.signedIn("reader");
        assertThat(reader.get("/api/faces").statusCode()).isEqualTo(403);
        assertThat(reader.post("/api/faces", face("mine", "OFL", new byte[0])).statusCode())
                .isEqualTo(403);
        assertThat(SERVER.browser().get("/api/faces/noto-sans/regular").statusCode())
                .isEqualTo(401);
    }
}
