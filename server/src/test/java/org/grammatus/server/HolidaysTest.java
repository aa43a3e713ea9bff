package org.grammatus.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import org.grammatus.core.Meaning;
import org.grammatus.server.RunningServer.Browser;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** The days on which nobody works. */
@Meaning(40)
class HolidaysTest {

    @RegisterExtension
    static final RunningServer SERVER = new RunningServer();

    private static JsonNode json(HttpResponse<String> answer) {
        return Browser.JSON.readTree(answer.body());
    }

    @Test
    void holidaysAreKeptByAdministratorsAndAreNoWorkingDays() throws Exception {
        Browser admin = SERVER.signedIn("admin");
        assertThat(SERVER.signedIn("author")
                        .put("/api/calendar/holidays", "{\"days\": []}")
                        .statusCode())
                .isEqualTo(403);
        HttpResponse<String> wrong = admin.put("/api/calendar/holidays", "{\"days\": [\"2026-11-31\", \"soon\"]}");
        assertThat(wrong.statusCode()).isEqualTo(422);
        assertThat(wrong.body()).contains("/days/0").contains("/days/1");
        assertThat(admin.put("/api/calendar/holidays", "{\"days\": [\"2026-11-19\"]}")
                        .statusCode())
                .isEqualTo(200);
        JsonNode echoed = json(SERVER.signedIn("reader")
                .post(
                        "/api/reports/sales-by-fiscal-year/answers",
                        "{\"answers\": {\"period\": \"previous working day\"}}"));
        assertThat(echoed.get(0).path("resolved").asString()).isEqualTo("2026-11-18/2026-11-18");
        admin.put("/api/calendar/holidays", "{\"days\": []}");
    }
}
