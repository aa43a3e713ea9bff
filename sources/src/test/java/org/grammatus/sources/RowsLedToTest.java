package org.grammatus.sources;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.grammatus.core.Meaning;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.value.Scalar;
import org.grammatus.sources.duckdb.DuckDbSource;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Of tables that are large beside the rows that point to them, only the rows they lead to are read; nothing else is different. */
@Meaning(11)
class RowsLedToTest {

    private static final int MANY = 12_000;
    private static final Set<String> FIELDS = Set.of("id", "n", "name", "size", "who");

    /** The same tables with one key of two columns. */
    private static final DatasetModel BY_TWO = DatasetModel.of(Definitions.readDataset("""
            {"format": "grammatus-dataset", "version": 1, "id": "d", "label": "D", "grain": "h",
             "tables": [{"id": "h", "table": "harvest", "key": ["id"], "noun": {"one": "h", "other": "hs"}},
                        {"id": "y", "table": "yard", "key": ["id", "size"], "noun": {"one": "y", "other": "ys"}}],
             "joins": [{"id": "j", "from": "h", "to": "y", "columns": ["yard_id", "n"]}],
             "fields": [
               {"id": "id", "table": "h", "column": "id", "label": "I", "type": "integer", "role": "identifier"},
               {"id": "name", "table": "y", "column": "name", "label": "Y", "type": "text", "role": "descriptive"}]}"""));

    @TempDir
    Path folder;

    /** Yards and keepers that no harvest leads to, one harvest's value apart. */
    private static List<String> others(String numbers) {
        return List.of(
                "INSERT INTO yard SELECT i + 1000, 'far', 1, NULL FROM " + numbers,
                "INSERT INTO keeper SELECT 'X' || i, 'none' FROM " + numbers);
    }

    private SqliteSource file() throws SQLException {
        Path file = folder.resolve("led.db");
        SqliteSource source = PushedRowsTest.file(file, true);
        change(
                file,
                others("(WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < " + MANY
                                + ") SELECT i FROM n)")
                        .toArray(String[]::new));
        return source;
    }

    private static void change(Path file, String... statements) throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement statement = connection.createStatement()) {
            for (String sql : statements) {
                statement.execute(sql);
            }
        }
    }

    private static List<List<Scalar>> rows(Star star, Set<String> fields) {
        List<Column> columns =
                fields.stream().sorted().map(star.at(DatasetModel.GRAIN)::field).toList();
        List<List<Scalar>> rows = new ArrayList<>();
        for (int row = 0; row < star.rowCount(); row++) {
            int at = row;
            rows.add(columns.stream().map(column -> Scalars.at(column, at)).toList());
        }
        return rows;
    }

    private static void compare(Source source, int conditions) {
        StarReader reader = StarReader.over(source);
        Random random = new Random(9);
        for (int i = 0; i < conditions; i++) {
            String where = PushedRowsTest.condition(random, 1);
            Reading some = Reading.of(PushedRowsTest.plan(where))
                    .ofFields(new Reading(PushedRowsTest.DATASET, FIELDS, Set.of()));
            Star led = reader.read(some, ReadProgress.SILENT);
            Star whole = reader.read(some.ofWholeTables(), ReadProgress.SILENT);
            assertThat(rows(led, FIELDS)).as(where).isEqualTo(rows(whole, FIELDS));
            assertThat(whole.sourceRows(1)).isGreaterThan(MANY);
            assertThat(led.sourceRows(1)).isLessThanOrEqualTo(whole.rowCount());
            assertThat(led.sourceRows(2)).isLessThanOrEqualTo(led.sourceRows(1));
            assertThat(List.of(led.isWhole(), whole.isWhole())).containsExactly(false, true);
        }
    }

    @Test
    void inAFileWhateverItsCellsHold() throws Exception {
        compare(file(), 60);
    }

    @Test
    void inAnAnalyticalFile() throws Exception {
        String[] others = others("range(1, " + (MANY + 1) + ") AS n(i)").toArray(String[]::new);
        DuckDbSource source = PushedRowsTest.analyticalFile(folder.resolve("led.duckdb"), others);
        try (SourceView open = source.glance()) {
            compare(source, 20);
        }
    }

    @Test
    void onAServer() {
        try (PostgresServer server = new PostgresServer()) {
            server.execute(
                    "CREATE TABLE keeper (code text PRIMARY KEY, who char(4))",
                    "CREATE TABLE yard (id int PRIMARY KEY, name varchar(9), size smallint, keeper text)",
                    "CREATE TABLE harvest (id int PRIMARY KEY, n bigint, d int, t text, day date, at timestamp, yard_id bigint)");
            server.execute(PushedRowsTest.rows(false).toArray(String[]::new));
            server.execute(others("generate_series(1, " + MANY + ") AS n(i)").toArray(String[]::new));
            server.execute("GRANT SELECT ON ALL TABLES IN SCHEMA public TO " + PostgresServer.READER);
            compare(server.source(), 20);
        }
    }

    @Test
    void keysOfSeveralColumns() throws Exception {
        StarReader reader = StarReader.over(file());
        Reading led = new Reading(BY_TWO, Set.of("id", "name"), Set.of()).ofRowsLedTo();
        Star some = reader.read(led, ReadProgress.SILENT);
        assertThat(rows(some, led.fields()))
                .isEqualTo(rows(reader.read(led.ofWholeTables(), ReadProgress.SILENT), led.fields()))
                .anySatisfy(row -> assertThat(row.get(1)).isInstanceOf(Scalar.Text.class));
        assertThat(some.sourceRows(1)).isLessThan(some.rowCount());
    }

    @Test
    void groupsWithoutRowsNeedWholeTables() {
        assertThat(Reading.of(PushedRowsTest.plan("n > 1")).wholeTables()).isFalse();
        TablePlan listed = PushedRowsTest.plan("n > 1", """
                {"id": "y", "name": "Y", "key": "name", "listed": ["far"], "empty": "zero", "order": [],
                 "header": "heading", "footer": "none"}""");
        assertThat(Reading.of(listed).wholeTables()).isTrue();
        assertThat(Reading.of(listed).conditions())
                .as("rows may be left out all the same")
                .hasSize(1);
    }

    @Test
    void smallTablesAreReadWhole() throws Exception {
        StarReader reader = StarReader.over(PushedRowsTest.file(folder.resolve("small.db"), false));
        Star star =
                reader.read(new Reading(PushedRowsTest.DATASET, FIELDS, Set.of()).ofRowsLedTo(), ReadProgress.SILENT);
        assertThat(star.isWhole()).isTrue();
        assertThat(star.sourceRows(1)).isEqualTo(30);
    }

    @Test
    void aRepeatedKeyIsSaidWhereARowLeadsToIt() throws Exception {
        SqliteSource source = file();
        change(
                folder.resolve("led.db"),
                "CREATE TABLE twice AS SELECT * FROM yard",
                "DROP TABLE yard",
                "ALTER TABLE twice RENAME TO yard",
                "INSERT INTO yard SELECT * FROM yard WHERE id IN (3, 1007)");
        Reading led = new Reading(PushedRowsTest.DATASET, FIELDS, Set.of()).ofRowsLedTo();
        assertThatThrownBy(() -> StarReader.over(source).read(led, ReadProgress.SILENT))
                .isInstanceOf(SourceException.class)
                .hasMessageContaining("two rows have the key 3");
        change(folder.resolve("led.db"), "DELETE FROM yard WHERE id = 3");
        assertThat(StarReader.over(source).read(led, ReadProgress.SILENT).sourceRows(1))
                .isPositive();
    }
}
