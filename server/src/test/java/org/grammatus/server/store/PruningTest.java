package org.grammatus.server.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Old records go by the stated rule; what the rule keeps, and every newest state, stays. */
class PruningTest {

    private static final Instant NOW = Instant.parse("2026-11-20T08:00:00Z");

    @TempDir
    Path path;

    private DataFolder folder;
    private Store store;

    @BeforeEach
    void open() {
        folder = DataFolder.open(path, false);
        store = new Store(folder);
        store.write()
                .execute("INSERT INTO account (id, name, display_name, role, password_hash, created_at)"
                        + " VALUES (7, 'tobin', 'Tobin', 'AUTHOR', 'x', 0)");
        for (String report : List.of("busy", "quiet")) {
            store.write()
                    .execute(
                            "INSERT INTO report (id, title, definition, starter, created_at, updated_at)"
                                    + " VALUES (?, 'T', '{}', 0, 0, 0)",
                            report);
        }
    }

    @AfterEach
    void close() {
        store.close();
        folder.close();
    }

    private static long ago(int days) {
        return NOW.minus(Duration.ofDays(days)).toEpochMilli();
    }

    private void saved(String report, int number, int daysAgo) {
        store.write()
                .execute(
                        "INSERT INTO revision (report_id, number, definition, account_id, saved_at)"
                                + " VALUES (?, ?, '{}', 7, ?)",
                        report,
                        number,
                        ago(daysAgo));
    }

    private void ran(String id, int daysAgo) {
        store.write()
                .execute(
                        "INSERT INTO run (id, report_id, account_id, answers, business_date, state, started_at)"
                                + " VALUES (?, 'busy', 7, '{}', '2026-11-20', 'DONE', ?)",
                        id,
                        ago(daysAgo));
    }

    private List<Integer> numbers(String report) {
        return store.write()
                .fetch("SELECT number FROM revision WHERE report_id = ? ORDER BY number", report)
                .getValues(0, Integer.class);
    }

    private void prune() {
        new Pruning(store, Clock.fixed(NOW, ZoneOffset.UTC)).prune();
    }

    @Test
    void ofSavedStatesTheNewestHundredStayAndThoseOfTheLastHalfYear() {
        for (int number = 1; number <= 130; number++) {
            saved("busy", number, number <= 20 ? 400 : number <= 25 ? 100 : 1);
        }
        for (int number = 1; number <= 60; number++) {
            saved("quiet", number, 1_000);
        }
        prune();
        assertThat(numbers("busy")).hasSize(110).startsWith(21).endsWith(130);
        assertThat(numbers("quiet")).as("few states, however old").hasSize(60);
    }

    @Test
    void ofADatasetsStatesTheSame() {
        for (int number = 1; number <= 102; number++) {
            store.write()
                    .execute(
                            "INSERT INTO dataset_revision (dataset_id, number, definition, account_id, saved_at)"
                                    + " VALUES ('lines', ?, '{}', 7, ?)",
                            number,
                            ago(200));
        }
        prune();
        assertThat(store.write()
                        .fetch("SELECT number FROM dataset_revision ORDER BY number")
                        .getValues(0, Integer.class))
                .hasSize(100)
                .startsWith(3);
    }

    @Test
    void runsAreForgottenAfterHalfAYear() {
        ran("old", 181);
        ran("new", 179);
        prune();
        assertThat(store.write().fetch("SELECT id FROM run").getValues(0, String.class))
                .containsExactly("new");
    }
}
