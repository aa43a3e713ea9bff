package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import org.grammatus.server.RunningServer.Browser;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Knowing the data over HTTP: how joins match, what fields hold, rows, and where a value stands. */
class DataTest {

    @RegisterExtension
    static final RunningServer SERVER = new RunningServer();

    private static final String SALES = "/api/datasets/sales-order-lines";

    private static JsonNode json(String path) throws Exception {
        HttpResponse<String> response = SERVER.signedIn("author").get(path);
        assertThat(response.statusCode()).as(response.body()).isEqualTo(200);
        return Browser.JSON.readTree(response.body());
    }

    private static JsonNode byId(JsonNode list, String id) {
        for (JsonNode node : list) {
            if (node.path("id").asString().equals(id)) {
                return node;
            }
        }
        throw new AssertionError("no " + id + " in " + list);
    }

    @Test
    void aDatasetIsSeenAtAGlance() throws Exception {
        JsonNode profile = json(SALES + "/profile");
        assertThat(profile.path("tables").get(0).path("rows").asInt()).isPositive();
        JsonNode join = byId(profile.path("joins"), "line-order");
        assertThat(join.path("match").path("rows").asInt())
                .isEqualTo(profile.path("tables").get(0).path("rows").asInt());
        assertThat(join.path("match").path("targets").asInt()).isPositive();
        JsonNode region = byId(profile.path("fields"), "region");
        assertThat(region.path("distinct").asInt()).isEqualTo(5);
        assertThat(region.path("samples")).hasSize(3);
    }

    @Test
    void aFieldTellsItsValues() throws Exception {
        JsonNode ordered = json(SALES + "/fields/ordered_at/profile");
        assertThat(ordered.path("largest").asString()).contains(" Nov 2026 ");
        int inBars = 0;
        for (JsonNode bar : ordered.path("bars")) {
            inBars += bar.path("rows").asInt();
        }
        assertThat(inBars)
                .isEqualTo(ordered.path("rows").asInt() - ordered.path("blank").asInt());
        assertThat(json(SALES + "/fields/region/profile").path("frequent")).hasSize(5);
    }

    @Test
    void aNumberIsFoundByItsNameAndLeadsToItsRows() throws Exception {
        JsonNode found = json(SALES + "/find?text=MEADOWCOMBE").path("places").get(0);
        assertThat(found.path("noun").asString()).isEqualTo("apiary");
        assertThat(found.path("name").asString()).contains("Meadowcombe");
        assertThat(found.path("by").asString()).isEqualTo("apiary_code");
        String key = found.path("key").asString();
        JsonNode rows = json(SALES + "/rows?field=apiary_code&limit=3&value=" + key);
        assertThat(rows.path("all").asInt()).isEqualTo(found.path("rows").asInt());
        assertThat(rows.path("rows")).hasSize(3);
        assertThat(rows.path("rows").get(0).toString()).contains("\"" + key + "\"");
    }

    @Test
    void pickersFollowAFieldsOwnOrder() throws Exception {
        List<String> picked = new ArrayList<>();
        json(SALES + "/values?field=status")
                .forEach(value -> picked.add(value.path("value").asString()));
        List<String> listed = new ArrayList<>(List.of("open", "part shipped", "shipped", "closed", "cancelled"));
        listed.retainAll(picked);
        assertThat(picked).hasSizeGreaterThan(2).isEqualTo(listed);
        JsonNode regions = json(SALES + "/values?field=region");
        assertThat(regions.get(0).path("rows").asInt())
                .isGreaterThanOrEqualTo(regions.get(1).path("rows").asInt());
    }

    @Test
    void rowsComeSomeAtATime() throws Exception {
        int all = json(SALES + "/rows?limit=0").path("all").asInt();
        JsonNode last = json(SALES + "/rows?offset=" + (all - 2) + "&limit=50");
        assertThat(last.path("rows")).hasSize(2);
        assertThat(json(SALES + "/rows?offset=-5&limit=100000").path("rows")).hasSize(200);
        assertThat(json(SALES + "/rows?offset=2147483647").path("rows")).isEmpty();
    }

    @Test
    void whatIsNotThereIsSaid() throws Exception {
        HttpResponse<String> none = SERVER.signedIn("author").get(SALES + "/fields/regoin/profile");
        assertThat(none.statusCode()).isEqualTo(404);
        assertThat(none.body()).contains("did you mean \\\"region\\\"?");
        assertThat(SERVER.signedIn("author").get("/api/datasets/none/profile").statusCode())
                .isEqualTo(404);
        assertThat(SERVER.signedIn("author").get(SALES + "/rows?field=none").statusCode())
                .isEqualTo(404);
        assertThat(SERVER.signedIn("reader").get(SALES + "/profile").statusCode())
                .isEqualTo(403);
    }
}
