package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.Map;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.style.HouseStyles;
import org.grammatus.core.typography.Family;
import org.grammatus.core.typography.Weight;
import org.grammatus.demo.Starters;
import org.grammatus.server.RunningServer.Browser;
import tools.jackson.databind.JsonNode;

/** Requests as they should be, to whatever the interface offers. */
final class SoundRequests {

    /** A request as it should be. */
    record Sound(String method, String path, String body) {}

    private final Map<String, Sound> sound = new LinkedHashMap<>();

    private void sound(String method, String template, String path, String body) {
        sound.put(method + " " + template, new Sound(method, path, body));
    }

    private static String text(String plain) {
        return Browser.JSON.writeValueAsString(plain);
    }

    /**
     * A request to every address of the interface, by method and address, each of which is answered well; what they need is added before.
     *
     * @param database of the demo, to be a source once more
     */
    static Map<String, Sound> of(Browser admin, Path database) throws Exception {
        SoundRequests all = new SoundRequests();
        all.describe(admin, database);
        return all.sound;
    }

    private void describe(Browser admin, Path database) throws Exception {
        String report =
                Starters.reportText("sales-by-fiscal-year").replaceFirst("\"id\": \"[a-z-]+\"", "\"id\": \"mine\"");
        String dataset = Starters.datasetText("sales-order-lines");
        assertThat(admin.post("/api/reports", report).statusCode()).isEqualTo(201);
        String run = admin.run("{}").path("id").asString();
        String runs = "/api/runs/" + run;
        String year = Browser.JSON
                .readTree(admin.get(runs + "/outline").body())
                .get(0)
                .path("group")
                .asString();
        String session = "/api/previews/one";
        String source = "{\"label\": \"Hives\", \"kind\": \"SQLITE\", \"file\": " + text(database.toString()) + "}";
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
        sound("GET", "/api/runs/{id}/outline", runs + "/outline?below=sales", null);
        sound("GET", "/api/runs/{id}/file", runs + "/file?format=csv", null);
        sound("GET", "/api/runs/{id}/figure", runs + "/figure?figure=sales%23t-net", null);
        sound("GET", "/api/runs/{id}/order", runs + "/order?group=" + year, null);
        sound("GET", "/api/runs/{id}/rows", runs + "/rows?group=sales&offset=0&limit=10", null);
        sound("GET", "/api/runs/{id}/rows/file", runs + "/rows/file?group=sales", null);
        sound("GET", "/api/runs/{id}/path", runs + "/path?group=sales", null);
        sound("GET", "/api/runs/{id}/together", runs + "/together?figures=sales%23t-net", null);
        sound("GET", "/api/runs/{id}/find", runs + "/find?text=Lakeside", null);
        sound(
                "POST",
                "/api/previews/{session}",
                session,
                "{\"edit\": 1, \"page\": 1, \"answers\": {}, \"change\": {\"edit\": \"show-rows\", \"shown\": true},"
                        + " \"definition\": " + report + "}");
        sound(
                "POST",
                "/api/edits",
                "/api/edits",
                "{\"edit\": {\"edit\": \"add-level\", \"field\": \"depot\"}, \"definition\": " + report + "}");
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
        styles();
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
        sound("GET", "/api/runs/{id}/figure/at-source", runs + "/figure/at-source?figure=sales%23t-net", null);
        sound("GET", "/api/runs/{id}/dropped", runs + "/dropped?filter=f-not-cancelled", null);
        sound("GET", "/api/runs/{id}/dropped/file", runs + "/dropped/file?filter=f-not-cancelled", null);
        sound("GET", "/api/runs/{id}/absent", runs + "/absent?block=sales&field=order_number&value=S0106400", null);
        sound("GET", "/api/runs/{id}/uncounted", runs + "/uncounted?figure=sales%23t-net&rows=1,2", null);
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

    private void styles() {
        String style = Definitions.write(HouseStyles.FOUNDATION);
        sound("GET", "/api/styles", "/api/styles", null);
        sound("GET", "/api/styles/{id}", "/api/styles/ledger", null);
        sound("GET", "/api/styles/{id}/revisions/{number}", "/api/styles/ledger/revisions/0", null);
        sound(
                "POST",
                "/api/styles",
                "/api/styles",
                "{\"definition\": " + style.replace("\"standard\"", "\"new\"") + "}");
        String face = Base64.getEncoder().encodeToString(Family.THAI.bytes(Weight.REGULAR));
        sound("GET", "/api/faces", "/api/faces", null);
        sound(
                "POST",
                "/api/faces",
                "/api/faces",
                "{\"id\": \"mine\", \"name\": \"Mine\", \"licence\": \"OFL\", \"semibold\": \"\", \"regular\": \""
                        + face + "\"}");
        sound("DELETE", "/api/faces/{id}", "/api/faces/mine", null);
        sound("PUT", "/api/styles/{id}", "/api/styles/standard", "{\"base\": 0, \"definition\": " + style + "}");
    }
}
