package org.grammatus.sources;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.RelatedKeys;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.rows.KeptRows;
import org.grammatus.sources.duckdb.DuckDbSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Rows that a source leaves out because others belong to them, or none, are none that the engine would keep. */
class PushedRelatedTest {

    private static final int CONDITIONS = 300;

    /** Harvests, told by the yard that they are of. */
    private static final DatasetModel HARVESTS =
            DatasetModel.of(Definitions.readDataset(Definitions.write(PushedRowsTest.DATASET.definition())
                    .replaceFirst("\"id\"\\s*:\\s*\"d\"", "\"id\": \"harvests\"")
                    .replaceFirst(
                            "\"fields\"\\s*:\\s*\\[",
                            "\"fields\": [{\"id\": \"yard\", \"table\": \"h\", \"column\": \"yard_id\", \"label\": \"Yard\","
                                    + " \"type\": \"integer\", \"role\": \"identifier\"},")));

    private static final DatasetModel YARDS = DatasetModel.of(Definitions.readDataset("""
            {"format": "grammatus-dataset", "version": 1, "id": "yards", "label": "Yards", "grain": "place",
             "tables": [{"id": "place", "table": "yard", "key": ["id"], "noun": {"one": "yard", "other": "yards"}},
                        {"id": "keeper", "table": "keeper", "key": ["code"], "noun": {"one": "k", "other": "ks"}}],
             "joins": [{"id": "l", "from": "place", "to": "keeper", "columns": ["keeper"]}],
             "fields": [
               {"id": "yid", "table": "place", "column": "id", "label": "I", "type": "integer", "role": "identifier"},
               {"id": "yname", "table": "place", "column": "name", "label": "N", "type": "text", "role": "descriptive"},
               {"id": "ysize", "table": "place", "column": "size", "label": "S", "type": "integer", "role": "additive"},
               {"id": "ywho", "table": "keeper", "column": "who", "label": "W", "type": "text",
                "role": "descriptive"}]}"""));

    @TempDir
    Path folder;

    private static Plan plan(String where) {
        return Planner.plan(
                Definitions.readReport("""
                        {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "yards",
                         "locale": "en-GB", "prompts": [],
                         "filters": [{"id": "f", "kind": "expression", "where": "%s"}],
                         "blocks": [{"id": "b", "kind": "banded", "levels": [],
                           "columns": [{"id": "c1", "label": "I", "value": "yid"}], "totals": [], "counts": [],
                           "highlights": [], "rows": {"shown": true, "order": []}}],
                         "page": {"paper": "A4", "orientation": "portrait",
                                  "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}""".formatted(where)),
                new ReportDatasets(YARDS, Map.of("harvests", HARVESTS)),
                Answers.NONE,
                new RunContext(LocalDate.of(2026, 11, 20), ZoneId.of("UTC")));
    }

    /** All rows with every field that a condition may need, read once. */
    private static Star everything(StarReader reader) {
        Plan plan = plan("yname = ywho AND ysize = yid");
        return reader.read(Reading.of(plan, YARDS).ofAllRows(), ReadProgress.SILENT);
    }

    private static Star everyHarvest(StarReader reader) {
        Plan plan = plan("EXISTS (SELECT * FROM harvests WHERE yard = place.yid AND n = size AND d = n AND t = name"
                + " AND day = CAST(at AS DATE) AND who = t AND id = n)");
        return reader.read(Reading.of(plan, HARVESTS).ofAllRows(), ReadProgress.SILENT);
    }

    private static String looking(Random random) {
        String keys = List.of(
                        "yard = place.yid",
                        "t = place.yname",
                        "who = place.ywho",
                        "yard = place.yid AND t = place.yname",
                        "n = place.ysize")
                .get(random.nextInt(5));
        String inside =
                random.nextInt(4) == 0 ? "" : " AND (" + PushedRowsTest.condition(random, random.nextInt(2)) + ")";
        String many = List.of("", "", " HAVING COUNT(*) >= 3", " HAVING COUNT(DISTINCT n) >= 2")
                .get(random.nextInt(4));
        return "EXISTS (SELECT * FROM harvests WHERE " + keys + inside + many + ")";
    }

    private static String condition(Random random) {
        return switch (random.nextInt(5)) {
            case 0 -> "NOT " + looking(random);
            case 1 -> looking(random) + " OR ysize > 3";
            case 2 -> "NOT (" + looking(random) + " AND yname IS NOT NULL)";
            case 3 -> looking(random) + " AND NOT " + looking(random);
            default -> looking(random);
        };
    }

    /** The keys of the rows that pass. */
    private static List<Long> kept(Plan plan, Star star, Star others) {
        Map<Typed.SemiJoin, RelatedKeys> related = new HashMap<>();
        for (Typed.SemiJoin has : plan.looks()) {
            int[] meeting = KeptRows.meeting(has.condition().stream().toList(), others);
            related.put(has, RelatedKeys.of(has, others, meeting));
        }
        Star all = star.with(related);
        long[] ids = ((Column.Longs) all.at(DatasetModel.GRAIN).field("yid")).values();
        return Arrays.stream(KeptRows.of(plan.table(), all, new Faults(), () -> false)
                        .rows())
                .mapToObj(row -> ids[row])
                .sorted()
                .toList();
    }

    private static void compare(Source source, int conditions) {
        StarReader reader = StarReader.over(source);
        Star all = everything(reader);
        Star allOthers = everyHarvest(reader);
        Random random = new Random(7);
        int fewer = 0;
        for (int i = 0; i < conditions; i++) {
            String where = condition(random);
            Plan plan = plan(where);
            Star some = reader.read(Reading.of(plan, YARDS), ReadProgress.SILENT);
            Star others = reader.read(Reading.of(plan, HARVESTS), ReadProgress.SILENT);
            assertThat(kept(plan, some, others)).as(where).isEqualTo(kept(plan, all, allOthers));
            fewer += some.rowCount() < all.rowCount() ? 1 : 0;
        }
        assertThat(fewer).as("many conditions spare rows").isGreaterThan(conditions / 4);
    }

    @Test
    void inAFileWhateverItsCellsHold() throws Exception {
        StarReader odd = StarReader.over(PushedRowsTest.file(folder.resolve("odd.db"), true));
        Star all = everything(odd);
        Star allOthers = everyHarvest(odd);
        Random random = new Random(9);
        for (int i = 0; i < CONDITIONS; i++) {
            String where = condition(random);
            Plan plan = plan(where);
            Star some = odd.read(Reading.of(plan, YARDS), ReadProgress.SILENT);
            Star others = odd.read(Reading.of(plan, HARVESTS), ReadProgress.SILENT);
            assertThat(kept(plan, some, others)).as(where).isEqualTo(kept(plan, all, allOthers));
        }
    }

    @Test
    void inAFileOfPlainCells() throws Exception {
        compare(PushedRowsTest.file(folder.resolve("plain.db"), false), CONDITIONS);
    }

    @Test
    void inAnAnalyticalFile() throws Exception {
        DuckDbSource source = PushedRowsTest.analyticalFile(
                folder.resolve("related.duckdb"),
                "ALTER TABLE harvest ALTER d TYPE DECIMAL(9, 2) USING (d / 100.0)::DECIMAL(9, 2)");
        // What is open already is quickly opened once more.
        try (SourceView open = source.glance()) {
            compare(source, CONDITIONS / 4);
        }
    }
}
