package org.grammatus.sources;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.grammatus.core.Meaning;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Faults;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.document.Definitions;
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

/** What a source leaves out changes nothing: generated conditions keep the same rows, whether they are pushed or not. */
@Meaning(11)
class PushedRowsTest {

    private static final int CONDITIONS = 400;

    static final DatasetModel DATASET = DatasetModel.of(Definitions.readDataset("""
            {"format": "grammatus-dataset", "version": 1, "id": "d", "label": "D", "grain": "h",
             "tables": [{"id": "h", "table": "harvest", "key": ["id"], "noun": {"one": "h", "other": "hs"}},
                        {"id": "y", "table": "yard", "key": ["id"], "noun": {"one": "y", "other": "ys"}},
                        {"id": "k", "table": "keeper", "key": ["code"], "noun": {"one": "k", "other": "ks"}}],
             "joins": [{"id": "j", "from": "h", "to": "y", "columns": ["yard_id"]},
                       {"id": "l", "from": "y", "to": "k", "columns": ["keeper"]}],
             "fields": [
               {"id": "id", "table": "h", "column": "id", "label": "I", "type": "integer", "role": "identifier"},
               {"id": "n", "table": "h", "column": "n", "label": "N", "type": "integer", "role": "additive"},
               {"id": "d", "table": "h", "column": "d", "label": "D", "type": "decimal", "scale": 2, "role": "additive"},
               {"id": "t", "table": "h", "column": "t", "label": "T", "type": "text", "role": "descriptive"},
               {"id": "day", "table": "h", "column": "day", "label": "Day", "type": "date", "role": "descriptive"},
               {"id": "at", "table": "h", "column": "at", "label": "At", "type": "timestamp", "role": "descriptive"},
               {"id": "name", "table": "y", "column": "name", "label": "Y", "type": "text", "role": "descriptive"},
               {"id": "size", "table": "y", "column": "size", "label": "S", "type": "integer", "role": "additive"},
               {"id": "who", "table": "k", "column": "who", "label": "W", "type": "text", "role": "descriptive"}],
             "calculated": [{"id": "twice", "label": "Twice", "value": "n * 2", "role": "additive"},
                            {"id": "called", "label": "Called", "value": "t", "role": "descriptive"}]}"""));

    @TempDir
    Path folder;

    static TablePlan plan(String where) {
        return plan(where, "");
    }

    /** @param levels as JSON */
    static TablePlan plan(String where, String levels) {
        return Planner.plan(
                        Definitions.readReport("""
                        {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "d",
                         "locale": "en-GB", "prompts": [],
                         "filters": [{"id": "f", "kind": "expression", "where": "%s"}],
                         "blocks": [{"id": "b", "kind": "banded", "levels": [%s],
                           "columns": [{"id": "c1", "label": "I", "value": "id"}], "totals": [], "counts": [],
                           "highlights": [], "rows": {"shown": true, "order": []}}],
                         "page": {"paper": "A4", "orientation": "portrait",
                                  "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}""".formatted(where, levels)),
                        DATASET,
                        Answers.NONE,
                        new RunContext(LocalDate.of(2026, 11, 20), ZoneId.of("UTC")))
                .table();
    }

    /** All rows with every field that a condition may need, read once. */
    private static Star everything(StarReader reader) {
        TablePlan plan = plan("n = size AND d = n AND t = name AND day = CAST(at AS DATE) AND who = t");
        return reader.read(Reading.of(plan).ofAllRows(), ReadProgress.SILENT);
    }

    /** The keys of the rows that pass. */
    private static List<Long> kept(TablePlan plan, Star star) {
        long[] ids = ((Column.Longs) star.at(DatasetModel.GRAIN).field("id")).values();
        return Arrays.stream(KeptRows.of(plan, star, new Faults(), () -> false).rows())
                .mapToObj(row -> ids[row])
                .sorted()
                .toList();
    }

    static String condition(Random random, int depth) {
        if (depth > 0) {
            return switch (random.nextInt(4)) {
                case 0 -> "(" + condition(random, depth - 1) + " AND " + condition(random, depth - 1) + ")";
                case 1 -> "(" + condition(random, depth - 1) + " OR " + condition(random, depth - 1) + ")";
                case 2 -> "NOT (" + condition(random, depth - 1) + ")";
                default -> condition(random, 0);
            };
        }
        String operator = List.of("=", "<>", "<", "<=", ">", ">=").get(random.nextInt(6));
        String text = "'" + List.of("a", "A", "Ä", "ab ", "ab", "", "9", "z").get(random.nextInt(8)) + "'";
        String day = "DATE '2026-0" + (1 + random.nextInt(4)) + "-0" + (1 + random.nextInt(9)) + "'";
        String number = String.valueOf(random.nextInt(9) - 3);
        String pattern = "'"
                + List.of("a%", "%b", "%a%", "_", "a_", "%", "", "*", "[a]", "Ä%", "a?")
                        .get(random.nextInt(11)) + "'";
        return switch (random.nextInt(30)) {
            case 14 -> "n + d " + operator + " " + number;
            case 15 -> "n * d - 2 " + operator + " d * 1.5";
            case 16 -> "-n " + operator + " ABS(n - 3)";
            case 17 -> "t LIKE " + pattern;
            case 18 -> "t || 'b' LIKE " + pattern + " OR who LIKE '!%%' ESCAPE '!'";
            case 19 -> "CHAR_LENGTH(t) " + operator + " " + number;
            case 20 ->
                "SUBSTRING(t FROM " + (1 + random.nextInt(3)) + " FOR " + random.nextInt(3) + ") " + operator + " "
                        + text;
            case 21 -> "POSITION(" + text + " IN t) " + operator + " " + number;
            case 22 -> "TRIM(t) " + operator + " " + text;
            case 23 ->
                "EXTRACT(" + List.of("YEAR", "MONTH", "DAY", "QUARTER").get(random.nextInt(4)) + " FROM day) "
                        + operator + " " + number;
            case 24 ->
                "EXTRACT(" + List.of("DAY", "HOUR", "MINUTE").get(random.nextInt(3)) + " FROM at) " + operator + " 1"
                        + random.nextInt(4);
            case 25 -> "CAST(at AS DATE) " + operator + " day";
            case 26 -> "day + INTERVAL '" + random.nextInt(40) + "' DAY " + operator + " " + day;
            case 27 -> "day - " + day + " " + operator + " " + number;
            case 28 -> "n " + operator + " d";
            case 29 -> "n * n * 9000000000000000000 " + operator + " d";
            case 0 -> "n " + operator + " " + (random.nextInt(9) - 3);
            case 1 -> "d " + operator + " " + (random.nextInt(400) - 100) + ".5";
            case 2 -> "d " + operator + " 1.005";
            case 3 -> "t " + operator + " " + text;
            case 4 -> "day " + operator + " " + day;
            case 5 -> "at " + operator + " TIMESTAMP '2026-02-0" + (1 + random.nextInt(9)) + " 12:00:00'";
            case 6 -> "at " + operator + " " + day;
            case 7 -> "name " + operator + " " + text;
            case 8 -> "size IS NULL";
            case 9 -> "who " + operator + " " + text;
            case 10 -> "who IS NULL OR twice > 4";
            case 11 -> (random.nextInt(9) - 3) + " " + operator + " n";
            case 12 -> "called IN ('a', 'Ä') AND t LIKE '%a%'";
            default -> List.of("n", "d", "t", "day", "at", "name", "who").get(random.nextInt(7)) + " IS NOT NULL";
        };
    }

    private static void compare(Source source, int conditions) {
        StarReader reader = StarReader.over(source);
        Star all = everything(reader);
        Random random = new Random(5);
        long fewer = 0;
        for (int i = 0; i < conditions; i++) {
            String where = condition(random, random.nextInt(3));
            TablePlan plan = plan(where);
            Star some = reader.read(Reading.of(plan), ReadProgress.SILENT);
            assertThat(kept(plan, some)).as(where).isEqualTo(kept(plan, all));
            fewer += some.rowCount() < all.rowCount() ? 1 : 0;
        }
        assertThat(fewer).as("most conditions spare rows").isGreaterThan(conditions / 2);
    }

    static List<String> rows(boolean anything) {
        Random random = new Random(4);
        List<String> statements = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            statements.add("INSERT INTO keeper VALUES ('K" + i + "', " + text(random) + ")");
        }
        for (int i = 0; i < 30; i++) {
            String keeper = random.nextInt(5) == 0 ? "NULL" : "'K" + random.nextInt(15) + "'";
            String size = random.nextInt(4) == 0 ? "NULL" : String.valueOf(random.nextInt(9));
            statements.add("INSERT INTO yard VALUES (" + i + ", " + text(random) + ", " + size + ", " + keeper + ")");
        }
        for (int i = 0; i < 250; i++) {
            String n = random.nextInt(6) == 0 ? "NULL" : String.valueOf(random.nextInt(9) - 3);
            String d = random.nextInt(6) == 0 ? "NULL" : String.valueOf(random.nextInt(40000) - 10000);
            String day = random.nextInt(6) == 0
                    ? "NULL"
                    : "'2026-0" + (1 + random.nextInt(4)) + "-0" + (1 + random.nextInt(9)) + "'";
            String at = random.nextInt(6) == 0
                    ? "NULL"
                    : "'2026-02-0" + (1 + random.nextInt(9)) + " 1" + random.nextInt(4) + ":00:00'";
            if (anything && random.nextInt(5) == 0) {
                // What a dynamically typed cell may hold besides: read all the same, but compared otherwise.
                n = List.of("2.0", "'3'", "4.4").get(random.nextInt(3));
                d = List.of("1.005", "'-7.5'", "1e2").get(random.nextInt(3));
                day = List.of("'2026-02-03 23:00:00'", "'2026-03-01T00:00:00'").get(random.nextInt(2));
                at = List.of("'2026-02-03'", "'2026-02-03T12:00:00'", "'2026-02-03 12:00:00.5'")
                        .get(random.nextInt(3));
            }
            String yard = random.nextInt(6) == 0
                    ? "NULL"
                    : anything && random.nextInt(8) == 0 ? "'7'" : String.valueOf(random.nextInt(36));
            String t = anything && random.nextInt(8) == 0 ? "9" : text(random);
            statements.add("INSERT INTO harvest VALUES (" + String.join(", ", String.valueOf(i), n, d, t, day, at, yard)
                    + ")");
        }
        return statements;
    }

    private static String text(Random random) {
        return List.of("NULL", "'a'", "'A'", "'Ä'", "'ab '", "'ab'", "''", "'9'")
                .get(random.nextInt(8));
    }

    /** A file with rows whose texts are compared by orders of their own. */
    static SqliteSource file(Path file, boolean anything) throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement statement = connection.createStatement()) {
            statement.execute("CREATE TABLE keeper (code TEXT PRIMARY KEY, who TEXT COLLATE NOCASE)");
            statement.execute("CREATE TABLE yard (id INTEGER PRIMARY KEY, name TEXT COLLATE RTRIM, size, keeper)");
            statement.execute(
                    "CREATE TABLE harvest (id INTEGER PRIMARY KEY, n, d, t COLLATE NOCASE, day, at, yard_id)");
            for (String row : rows(anything)) {
                statement.execute(row);
            }
        }
        return new SqliteSource(file);
    }

    @Test
    void inAFileWhateverItsCellsHold() throws Exception {
        compare(file(folder.resolve("pushed.db"), true), CONDITIONS);
    }

    /** An analytical file, some of whose texts are compared by an order of their own. */
    static DuckDbSource analyticalFile(Path file, String... more) throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:duckdb:" + file);
                Statement statement = connection.createStatement()) {
            statement.execute("CREATE TABLE keeper (code VARCHAR PRIMARY KEY, who VARCHAR COLLATE NOCASE)");
            statement.execute(
                    "CREATE TABLE yard (id INTEGER PRIMARY KEY, name VARCHAR, size SMALLINT, keeper VARCHAR)");
            statement.execute(
                    "CREATE TABLE harvest (id INTEGER PRIMARY KEY, n BIGINT, d INTEGER, t VARCHAR COLLATE NOCASE,"
                            + " day DATE, \"at\" TIMESTAMP, yard_id BIGINT)");
            for (String row : rows(false)) {
                statement.execute(row);
            }
            for (String sql : more) {
                statement.execute(sql);
            }
        }
        return new DuckDbSource("Harvests", file, ReadLimits.DEFAULT, Drivers.own());
    }

    @Test
    void inAnAnalyticalFile() throws Exception {
        DuckDbSource source = analyticalFile(
                folder.resolve("pushed.duckdb"),
                "ALTER TABLE harvest ALTER d TYPE DECIMAL(9, 2) USING (d / 100.0)::DECIMAL(9, 2)");
        // What is open already is quickly opened once more.
        try (SourceView open = source.glance()) {
            compare(source, CONDITIONS / 4);
        }
    }

    @Test
    void onAServer() {
        try (PostgresServer server = new PostgresServer()) {
            server.execute(
                    "CREATE TABLE keeper (code text PRIMARY KEY, who char(3))",
                    "CREATE TABLE yard (id int PRIMARY KEY, name varchar(9), size smallint, keeper text)",
                    "CREATE TABLE harvest (id int PRIMARY KEY, n bigint, d int, t text, day date, at timestamp, yard_id bigint)");
            server.execute(rows(false).toArray(String[]::new));
            server.execute("GRANT SELECT ON ALL TABLES IN SCHEMA public TO " + PostgresServer.READER);
            // Each read connects anew, which takes its time.
            compare(server.source(), CONDITIONS / 4);
        }
    }

    @Test
    void valuesAreNeverPartOfAStatement() throws Exception {
        Path file = folder.resolve("bound.db");
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement statement = connection.createStatement()) {
            statement.execute("CREATE TABLE keeper (code, who)");
            statement.execute("CREATE TABLE yard (id, name, size, keeper)");
            statement.execute("CREATE TABLE harvest (id, n, d, t, day, at, yard_id)");
            statement.execute("INSERT INTO harvest (id, t) VALUES (1, ''' OR 1 = 1 --'), (2, 'x')");
        }
        TablePlan plan = plan("t = ''' OR 1 = 1 --'");
        Star read = StarReader.over(new SqliteSource(file)).read(Reading.of(plan), ReadProgress.SILENT);
        assertThat(kept(plan, read)).containsExactly(1L);
        assertThat(read.rowCount()).isEqualTo(1);
    }
}
