package org.grammatus.sources;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.modelling.TableShape;
import org.grammatus.core.value.Type;
import org.grammatus.sources.duckdb.DuckDbSource;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** An analytical file: its tables, keys and types, and what is said where it cannot be read. */
class DuckDbSourceTest {

    @TempDir
    Path folder;

    private Path file;

    @BeforeEach
    void fill() throws SQLException {
        file = folder.resolve("hives.duckdb");
        change(
                "CREATE TABLE yard (id INTEGER PRIMARY KEY, name VARCHAR)",
                "CREATE TABLE \"a \"\"lot\"\"\" (id BIGINT PRIMARY KEY, yard_id INTEGER REFERENCES yard (id), small TINYINT,"
                        + " wide HUGEINT, price DECIMAL(12, 3), rate DOUBLE, day DATE, seen TIMESTAMP, open BOOLEAN,"
                        + " note VARCHAR, raw BLOB, tags VARCHAR[])",
                "CREATE VIEW open_lot AS SELECT id, price FROM \"a \"\"lot\"\"\" WHERE open",
                "CREATE SCHEMA wax",
                "CREATE TABLE wax.candle (id INTEGER)",
                "INSERT INTO yard VALUES (1, 'O''Brien <b>')",
                "INSERT INTO \"a \"\"lot\"\"\" VALUES (7, 1, -3, 170141183460469231731687303715884105727, 1.005, 0.5,"
                        + " DATE '2026-02-28', TIMESTAMP '2026-02-28 23:30:00', true, 'Ä', NULL, NULL),"
                        + " (8, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL)");
    }

    private void change(String... statements) throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:duckdb:" + file);
                Statement statement = connection.createStatement()) {
            for (String sql : statements) {
                statement.execute(sql);
            }
        }
    }

    private DuckDbSource source() {
        return new DuckDbSource("Hives", file, ReadLimits.DEFAULT, Drivers.own());
    }

    @Test
    void showsTablesAndViewsWithTheirKeys() {
        try (SourceView view = source().glance()) {
            assertThat(view.tables()).containsExactly("a \"lot\"", "open_lot", "wax.candle", "yard");
            TableShape lot = view.table("a \"lot\"").orElseThrow();
            assertThat(lot.key()).containsExactly("id");
            assertThat(lot.references())
                    .containsExactly(new TableShape.Reference(List.of("yard_id"), "yard", List.of("id")));
            assertThat(view.count("yard")).isEqualTo(1);
            assertThat(List.of(view.hasMore("yard", 0), view.hasMore("yard", 1)))
                    .containsExactly(true, false);
        }
    }

    @Test
    void columnsBecomeFieldsOfTheirType() {
        try (SourceView view = source().glance()) {
            Map<String, TableShape.Column> columns = view.columns("a \"lot\"").orElseThrow();
            assertThat(columns.values().stream()
                            .map(column -> column.type()
                                    .map(Type::kind)
                                    .map(Object::toString)
                                    .orElse("none")))
                    .containsExactly(
                            "INTEGER",
                            "INTEGER",
                            "INTEGER",
                            "INTEGER",
                            "DECIMAL",
                            "DECIMAL",
                            "DATE",
                            "TIMESTAMP",
                            "BOOLEAN",
                            "TEXT",
                            "none",
                            "none");
            assertThat(columns.get("price").type()).isEqualTo(Optional.of(Type.decimal(3)));
            assertThat(view.columns("nothing")).isEmpty();
        }
    }

    @Test
    void readsEveryKindOfValueAsItIs() {
        List<String> rows = new ArrayList<>();
        try (SourceView view = source().glance()) {
            List<String> columns = List.of("id", "small", "wide", "price", "rate", "day", "seen", "open", "note");
            view.read("a \"lot\"", columns, values -> rows.add(Arrays.toString(values)));
        }
        assertThat(rows)
                .containsExactly(
                        "[7, -3, 170141183460469231731687303715884105727, 1.005, 0.5, 2026-02-28, 2026-02-28T23:30, true, Ä]",
                        "[8, null, null, null, null, null, null, null, null]");
    }

    @Test
    void readsNothingButItsOwnTables() throws Exception {
        Path secret = Files.writeString(folder.resolve("secret.csv"), "a\n1\n");
        change("CREATE VIEW outside AS SELECT * FROM read_csv('" + secret + "')");
        try (SourceView view = source().glance()) {
            assertThatThrownBy(() -> view.read("outside", List.of("a"), values -> {}))
                    .isInstanceOf(SourceException.class)
                    .hasMessageContaining(
                            "The database Hives could not be read: Permission Error: Cannot access file … -")
                    .hasMessageContaining("disabled");
        }
    }

    @Test
    void isNotWrittenTo() throws Exception {
        byte[] before = Files.readAllBytes(file);
        readsEveryKindOfValueAsItIs();
        assertThat(Files.readAllBytes(file)).isEqualTo(before);
    }

    @Test
    void aChangeIsNoticed() throws Exception {
        String before = source().version();
        assertThat(source().version()).isEqualTo(before);
        change("CREATE TABLE further AS SELECT * FROM range(100000)");
        assertThat(source().version()).isNotEqualTo(before);
    }

    @Test
    void whatIsNoDatabaseIsSaid() throws Exception {
        DuckDbSource missing =
                new DuckDbSource("M", folder.resolve("nowhere.duckdb"), ReadLimits.DEFAULT, Drivers.own());
        assertThatThrownBy(missing::glance).hasMessageStartingWith("There is no database at ");
        assertThatThrownBy(missing::version).hasMessageStartingWith("There is no database at ");
        assertThat(folder.resolve("nowhere.duckdb")).doesNotExist();
        Path notes = Files.writeString(folder.resolve("notes.duckdb"), "not a database at all".repeat(1_000));
        assertThatThrownBy(new DuckDbSource("N", notes, ReadLimits.DEFAULT, Drivers.own())::glance)
                .isInstanceOf(SourceException.class)
                .hasMessageContaining("The database N could not be read: IO Error: The file … exists");
    }
}
