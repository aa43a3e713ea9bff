package org.grammatus.sources;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.concurrent.CancellationException;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.value.Scalar;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Rows from a real SQLite file, and what is said where the file or its values are not what they should be. */
class SqliteSourceTest {

    private static final String DATASET = """
            {"format": "grammatus-dataset", "version": 1, "id": "d", "label": "Lines",
             "calendar": {"fiscalYearStart": 1}, "grain": "l",
             "tables": [{"id": "l", "table": "line", "key": ["id"], "noun": {"one": "line", "other": "lines"}},
                        {"id": "o", "table": "an \\"order\\"", "key": ["a", "b"],
                         "noun": {"one": "order", "other": "orders"}}],
             "joins": [{"id": "j", "from": "l", "to": "o", "columns": ["oa", "ob"]}],
             "fields": [
               {"id": "net", "table": "l", "column": "net", "label": "Net", "type": "decimal", "scale": 2,
                "role": "additive"},
               {"id": "name", "table": "o", "column": "name", "label": "Name", "type": "text", "role": "descriptive"},
               {"id": "day", "table": "o", "column": "day", "label": "Day", "type": "date", "role": "descriptive"}]}
            """;

    private static final String REPORT = """
            {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "d", "locale": "en-GB",
             "prompts": [], "filters": [],
             "blocks": [{"id": "b", "kind": "banded", "levels": [],
               "columns": [{"id": "c1", "label": "Name", "value": "name"}, {"id": "c2", "label": "Net", "value": "net"},
                           {"id": "c3", "label": "Day", "value": "day"}],
               "totals": [], "counts": [], "highlights": [], "rows": {"shown": true, "order": []}}],
             "page": {"paper": "A4", "orientation": "portrait",
                      "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
            """;

    @TempDir
    Path folder;

    private Path database(String... rows) throws Exception {
        Path file = folder.resolve("test.db");
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement statement = connection.createStatement()) {
            statement.execute("CREATE TABLE line (id INTEGER PRIMARY KEY, oa, ob, net)");
            statement.execute("CREATE TABLE \"an \"\"order\"\"\" (a, b, name, day)");
            for (String row : rows) {
                statement.execute(row);
            }
        }
        return file;
    }

    private static TablePlan plan() {
        return Planner.plan(
                        Definitions.readReport(REPORT),
                        DatasetModel.of(Definitions.readDataset(DATASET)),
                        Answers.NONE,
                        new RunContext(LocalDate.of(2026, 1, 1), ZoneId.of("UTC")))
                .table();
    }

    private static Star read(Path file) {
        return StarReader.over(new SqliteSource(file)).read(Reading.of(plan()), ReadProgress.SILENT);
    }

    private static Scalar value(Star star, String field, int line) {
        Column column = star.at(0).field(field);
        return Scalars.at(column, line);
    }

    @Test
    void readsEachTableOnceAndLinksRowsByTheirWholeKey() throws Exception {
        Star star = read(
                database(
                        "INSERT INTO \"an \"\"order\"\"\" VALUES (1, 'x', 'O''Brien <b>', '2026-02-28'), (1, 'y', NULL, NULL)",
                        "INSERT INTO line VALUES (1, 1, 'y', 100), (2, 1, 'x', NULL), (3, 2, 'x', -5), (4, NULL, 'x', 12.345)"));
        assertThat(star.rowCount()).isEqualTo(4);
        assertThat(value(star, "name", 1)).isEqualTo(new Scalar.Text("O'Brien <b>"));
        assertThat(value(star, "day", 1)).isEqualTo(new Scalar.Date(LocalDate.of(2026, 2, 28)));
        for (int without : new int[] {0, 2, 3}) {
            assertThat(value(star, "name", without)).isInstanceOf(Scalar.Null.class);
        }
        // Whole numbers are hundredths; a binary number becomes a decimal of the field's scale.
        assertThat(value(star, "net", 0)).hasToString("Number[value=1.00, type=decimal]");
        assertThat(value(star, "net", 3)).hasToString("Number[value=12.35, type=decimal]");
    }

    @Test
    void aKeyThatTwoRowsShareIsSaid() throws Exception {
        Path file = database("INSERT INTO \"an \"\"order\"\"\" VALUES (1, 'x', 'a', NULL), (1, 'x', 'b', NULL)");
        assertThatThrownBy(() -> read(file))
                .isInstanceOf(SourceException.class)
                .hasMessageContaining("two rows have the key [1, x], so a join to it would repeat rows");
    }

    @Test
    void aValueThatDoesNotFitIsSaidWithItsRowAndColumn() throws Exception {
        Path file = database("INSERT INTO line VALUES (1, 1, 'x', 5), (2, 1, 'x', 'five')");
        assertThatThrownBy(() -> read(file))
                .hasMessage(
                        "test.db, table line, column net, row 2: found \"five\", expected a number; correct the value, or"
                                + " the field's type in the dataset");
    }

    @Test
    void aTableOrColumnThatIsNotThereIsSaid() throws Exception {
        Path noColumn = database("ALTER TABLE line DROP COLUMN net");
        assertThatThrownBy(() -> read(noColumn)).hasMessageContaining("table line, has no column net");
        Files.delete(noColumn);
        Path noTable = database("DROP TABLE line");
        assertThatThrownBy(() -> read(noTable)).hasMessageContaining("has no table line");
    }

    @Test
    void aMissingOrDamagedFileIsSaidAndNotMade() throws Exception {
        Path missing = folder.resolve("nowhere.db");
        assertThatThrownBy(() -> read(missing)).hasMessageStartingWith("There is no database at " + missing);
        assertThat(missing).doesNotExist();
        Path foreign = Files.writeString(folder.resolve("notes.db"), "not a database at all");
        assertThatThrownBy(() -> read(foreign)).hasMessageContaining("is not a SQLite database, or it is damaged");
        Path damaged = database("INSERT INTO line VALUES (1, 1, 'x', 5)");
        byte[] bytes = Files.readAllBytes(damaged);
        java.util.Arrays.fill(bytes, 100, bytes.length, (byte) 7);
        Files.write(damaged, bytes);
        assertThatThrownBy(() -> read(damaged))
                .isInstanceOf(SourceException.class)
                .hasMessageContaining("damaged");
    }

    @Test
    void aReadIsCancelledBetweenRows() throws Exception {
        Path file = database("WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 20000)"
                + " INSERT INTO line SELECT i, 1, 'x', i FROM n");
        assertThatThrownBy(() -> StarReader.over(new SqliteSource(file)).read(Reading.of(plan()), rows -> false))
                .isInstanceOf(CancellationException.class);
    }

    @Test
    void nothingIsWrittenToASource() throws Exception {
        Path file = database("INSERT INTO line VALUES (1, 1, 'x', 5)");
        byte[] before = Files.readAllBytes(file);
        read(file);
        assertThat(Files.readAllBytes(file)).isEqualTo(before);
    }
}
