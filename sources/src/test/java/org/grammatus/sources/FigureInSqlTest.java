package org.grammatus.sources;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.grammatus.core.Meaning;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.group.GroupingStep;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.rows.KeptRows;
import org.grammatus.sources.duckdb.DuckDbSource;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A figure that a source is asked for in one statement is the engine's: generated conditions, aggregates of every home table. */
@Meaning(28)
class FigureInSqlTest {

    private static final int CONDITIONS = 60;

    private static final List<String> TOTALS = List.of(
            "SUM(n)",
            "SUM(n * d - 1)",
            "COUNT(*)",
            "COUNT(t)",
            "COUNT(DISTINCT n)",
            "AVG(d)",
            "MIN(n)",
            "MAX(d)",
            "SUM(size)",
            "SUM(size) FILTER (WHERE n > 1)",
            "COUNT(who)");

    @TempDir
    Path folder;

    private static TablePlan plan(String where) {
        String totals = IntStream.range(0, TOTALS.size())
                .mapToObj(i -> "{\"id\": \"t%d\", \"column\": \"c\", \"value\": \"%s\", \"cells\": []}"
                        .formatted(i, TOTALS.get(i)))
                .collect(Collectors.joining(","));
        return Planner.plan(
                        Definitions.readReport("""
                        {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "d",
                         "locale": "en-GB", "prompts": [],
                         "filters": [{"id": "f", "kind": "expression", "where": "%s"}],
                         "blocks": [{"id": "b", "kind": "banded", "levels": [], "columns": [{"id": "c", "label": "C"}],
                           "totals": [%s], "counts": [], "highlights": [], "rows": {"shown": false, "order": []}}],
                         "page": {"paper": "A4", "orientation": "portrait",
                                  "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}""".formatted(where, totals)),
                        PushedRowsTest.DATASET,
                        Answers.NONE,
                        new RunContext(LocalDate.of(2026, 11, 20), ZoneId.of("UTC")))
                .table();
    }

    /** How many figures the source was asked for; all of them are the engine's. */
    private static int compare(Source source, int conditions) {
        StarReader reader = StarReader.over(source);
        Random random = new Random(11);
        int asked = 0;
        for (int i = 0; i < conditions; i++) {
            String where = PushedRowsTest.condition(random, random.nextInt(3));
            TablePlan plan = plan(where);
            Star star = reader.read(Reading.of(plan).ofAllRows(), ReadProgress.SILENT);
            Faults faults = new Faults();
            KeptRows kept = KeptRows.of(plan, star, faults, () -> false);
            TableResult grouped =
                    GroupingStep.group(plan, star, kept, faults, () -> false).grouped();
            for (int t = 0; t < TOTALS.size(); t++) {
                Optional<SourceFigure> answer = reader.figure(new FigureQuestion(
                        plan.dataset(),
                        (Typed.Aggregate) plan.totals().get(t).value(),
                        plan.filters().stream().map(FilterPlan::condition).toList()));
                asked += answer.isPresent() ? 1 : 0;
                if (answer.isPresent()) {
                    assertThat(answer.get().value())
                            .as(
                                    "%s where %s: %s",
                                    TOTALS.get(t), where, answer.get().statement())
                            .isEqualTo(Scalars.at(grouped.figures().totals().get(t), 0));
                }
            }
        }
        return asked;
    }

    @Test
    void inAFile() throws Exception {
        assertThat(compare(file(false), CONDITIONS)).isGreaterThan(CONDITIONS * TOTALS.size() / 2);
    }

    @Test
    void notWhereCellsAreSeenDifferently() throws Exception {
        // Only figures of what is stored alike everywhere can be asked for.
        assertThat(compare(file(true), CONDITIONS)).isLessThan(CONDITIONS * TOTALS.size() / 4);
    }

    private SqliteSource file(boolean anything) throws Exception {
        return PushedRowsTest.file(folder.resolve("figure.db"), anything);
    }

    @Test
    void inAnAnalyticalFile() throws Exception {
        int few = CONDITIONS / 4;
        DuckDbSource source = PushedRowsTest.analyticalFile(folder.resolve("figure.duckdb"));
        try (SourceView open = source.glance()) {
            assertThat(compare(source, few)).isGreaterThan(few * TOTALS.size() / 2);
        }
    }

    @Test
    void onAServer() {
        try (PostgresServer server = new PostgresServer()) {
            server.execute(
                    "CREATE TABLE keeper (code text PRIMARY KEY, who text)",
                    "CREATE TABLE yard (id int PRIMARY KEY, name varchar(9), size smallint, keeper text)",
                    "CREATE TABLE harvest (id int PRIMARY KEY, n bigint, d int, t text, day date, at timestamp, yard_id bigint)");
            server.execute(PushedRowsTest.rows(false).toArray(String[]::new));
            server.execute("GRANT SELECT ON ALL TABLES IN SCHEMA public TO " + PostgresServer.READER);
            int few = CONDITIONS / 4;
            assertThat(compare(server.source(), few)).isGreaterThan(few * TOTALS.size() / 2);
        }
    }
}
