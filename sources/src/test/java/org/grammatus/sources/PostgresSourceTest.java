package org.grammatus.sources;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.ServerSocket;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.TimeZone;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.modelling.TableShape;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;
import org.grammatus.sources.postgres.PostgresSource;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Rows from a real PostgreSQL database, and what is said where it refuses, stalls or breaks off. */
class PostgresSourceTest {

    private static final String DATASET = """
            {"format": "grammatus-dataset", "version": 1, "id": "d", "label": "Harvests", "grain": "h",
             "tables": [{"id": "h", "table": "harvest", "key": ["id"], "noun": {"one": "harvest", "other": "harvests"}},
                        {"id": "y", %s "table": "%s", "key": ["year", "place"],
                         "noun": {"one": "yard", "other": "yards"}}],
             "joins": [{"id": "j", "from": "h", "to": "y", "columns": ["year", "place"] %s}],
             "fields": [
               {"id": "weight", "table": "h", "column": "weight", "label": "Weight", "type": "decimal", "scale": 3,
                "role": "additive"},
               {"id": "rough", "table": "h", "column": "rough", "label": "Rough", "type": "decimal", "scale": 2,
                "role": "additive"},
               {"id": "day", "table": "h", "column": "day", "label": "Day", "type": "date", "role": "descriptive"},
               {"id": "at", "table": "h", "column": "at", "label": "At", "type": "timestamp", "role": "descriptive"},
               {"id": "clock", "table": "h", "column": "clock", "label": "Clock", "type": "timestamp",
                "role": "descriptive"},
               {"id": "ripe", "table": "h", "column": "ripe", "label": "Ripe", "type": "boolean", "role": "descriptive"},
               {"id": "name", "table": "y", "column": "na'me", "label": "Name", "type": "text", "role": "descriptive"}]}
            """;

    private static PostgresServer server;

    @BeforeAll
    static void startServer() {
        server = new PostgresServer();
        server.execute(
                "CREATE TABLE yard (year int, place bigint, \"na'me\" varchar(40), PRIMARY KEY (year, place))",
                "CREATE TABLE harvest (id bigserial PRIMARY KEY, year smallint, place numeric(10,0), weight numeric(38,3),"
                        + " rough float8, day date, at timestamptz, clock timestamp, ripe bool, note bytea)",
                "INSERT INTO yard VALUES (2026, 1, 'Fern''s \"Hollow\"; DROP TABLE yard'), (2026, 9000000000, 'Far')",
                "INSERT INTO harvest (year, place, weight, rough, day, at, clock, ripe) VALUES"
                        + " (2026, 1, 12345678901234567890123456789012345.678, 0.125, '2026-03-29',"
                        + "  '2026-03-29 00:30:00+00', '2026-03-29 02:30:00', true),"
                        + " (2026, 9000000000, -0.5, -2.005, '0001-01-01', '2026-03-29 01:30:00+00', NULL, false),"
                        + " (2026, 7, NULL, NULL, NULL, NULL, NULL, NULL), (NULL, 1, 1, 1, NULL, NULL, NULL, NULL)",
                "CREATE SCHEMA wax",
                "CREATE TABLE wax.candle (id int PRIMARY KEY, yard_year int, yard_place bigint, code text UNIQUE,"
                        + " FOREIGN KEY (yard_year, yard_place) REFERENCES yard (year, place))",
                "CREATE VIEW ripe_harvest AS SELECT * FROM harvest WHERE ripe",
                "CREATE TABLE secret (id int)",
                "GRANT USAGE ON SCHEMA wax TO " + PostgresServer.READER,
                "GRANT SELECT ON yard, harvest, ripe_harvest, wax.candle TO " + PostgresServer.READER);
    }

    @AfterAll
    static void stopServer() {
        server.close();
    }

    private static DatasetModel dataset(String yardSource, String yardTable, String keep) {
        return DatasetModel.of(Definitions.readDataset(DATASET.formatted(yardSource, yardTable, keep)));
    }

    private static Star read(Source source) {
        return StarReader.over(source)
                .read(Reading.all(dataset("", "yard", "")).in(ZoneId.of("Europe/Berlin")), ReadProgress.SILENT);
    }

    private static Scalar value(Star star, String field, int row) {
        return Scalars.at(star.at(DatasetModel.GRAIN).field(field), row);
    }

    @Test
    void everyTypeIsReadExactly() {
        Star star = read(server.source());
        assertThat(star.rowCount()).isEqualTo(4);
        assertThat(value(star, "weight", 0))
                .hasToString("Number[value=12345678901234567890123456789012345.678, type=decimal]");
        assertThat(value(star, "rough", 0)).hasToString("Number[value=0.13, type=decimal]");
        assertThat(value(star, "rough", 1)).hasToString("Number[value=-2.01, type=decimal]");
        assertThat(value(star, "day", 1)).isEqualTo(new Scalar.Date(LocalDate.of(1, 1, 1)));
        assertThat(value(star, "ripe", 0)).hasToString("Bool[value=true]");
        assertThat(value(star, "name", 0)).isEqualTo(new Scalar.Text("Fern's \"Hollow\"; DROP TABLE yard"));
        for (String field : List.of("weight", "rough", "day", "at", "clock", "ripe", "name")) {
            assertThat(value(star, field, 2)).as(field).isInstanceOf(Scalar.Null.class);
        }
    }

    @Test
    void theZoneIsTheReadingsWhateverTheMachineThinks() {
        TimeZone usual = TimeZone.getDefault();
        try {
            for (String machine : List.of("Pacific/Auckland", "America/New_York")) {
                TimeZone.setDefault(TimeZone.getTimeZone(machine));
                Star star = StarReader.over(server.source())
                        .read(Reading.all(dataset("", "yard", "")).in(ZoneId.of("Asia/Tokyo")), ReadProgress.SILENT);
                assertThat(value(star, "at", 0)).isEqualTo(new Scalar.Timestamp(LocalDateTime.of(2026, 3, 29, 9, 30)));
                assertThat(value(star, "clock", 0))
                        .isEqualTo(new Scalar.Timestamp(LocalDateTime.of(2026, 3, 29, 2, 30)));
                assertThat(value(star, "day", 1)).isEqualTo(new Scalar.Date(LocalDate.of(1, 1, 1)));
            }
        } finally {
            TimeZone.setDefault(usual);
        }
    }

    /** The clocks of the zone went from 2 to 3 that night. */
    @Test
    void momentsAreToldByTheZonesClockAndPlainTimesAreNotShifted() {
        Star star = read(server.source());
        assertThat(value(star, "at", 0)).isEqualTo(new Scalar.Timestamp(LocalDateTime.of(2026, 3, 29, 1, 30)));
        assertThat(value(star, "at", 1)).isEqualTo(new Scalar.Timestamp(LocalDateTime.of(2026, 3, 29, 3, 30)));
        assertThat(value(star, "clock", 0)).isEqualTo(new Scalar.Timestamp(LocalDateTime.of(2026, 3, 29, 2, 30)));
    }

    @Test
    void keysJoinByValueWhateverTypeOfNumberHoldsThem() {
        Star star = read(server.source());
        assertThat(value(star, "name", 1)).isEqualTo(new Scalar.Text("Far"));
        assertThat(value(star, "name", 3)).isInstanceOf(Scalar.Null.class);
    }

    @Test
    void tablesAreDescribedWithKeysTypesAndSchemas() {
        try (SourceView view = server.source().glance()) {
            assertThat(view.tables()).contains("harvest", "ripe_harvest", "wax.candle", "yard");
            TableShape harvest = view.table("harvest").orElseThrow();
            assertThat(harvest.key()).containsExactly("id");
            assertThat(harvest.column("weight").orElseThrow().type()).contains(Type.decimal(3));
            assertThat(harvest.column("rough").orElseThrow().binary()).isTrue();
            assertThat(harvest.column("note").orElseThrow().type()).isEmpty();
            TableShape candle = view.table("wax.candle").orElseThrow();
            assertThat(candle.unique()).contains(List.of("code"));
            assertThat(candle.references())
                    .containsExactly(new TableShape.Reference(
                            List.of("yard_year", "yard_place"), "yard", List.of("year", "place")));
            assertThat(view.table("nothing")).isEmpty();
        }
    }

    @Test
    void aDatasetJoinsTablesOfDifferentSources(@TempDir Path folder) throws Exception {
        Path file = folder.resolve("yards.db");
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement statement = connection.createStatement()) {
            statement.execute(
                    "CREATE TABLE yards (year INTEGER, place INTEGER, \"na'me\" TEXT, PRIMARY KEY (year, place))");
            statement.execute("INSERT INTO yards VALUES (2026, 1, 'From the file'), (2026, 9000000000, 'Too')");
        }
        StarReader reader = new StarReader(
                id -> id.equals(Optional.of("yards")) ? new SqliteSource(file) : server.source(), ReadLimits.DEFAULT);
        Star star = reader.read(Reading.all(dataset("\"source\": \"yards\",", "yards", "")), ReadProgress.SILENT);
        assertThat(value(star, "name", 0)).isEqualTo(new Scalar.Text("From the file"));
        assertThat(value(star, "name", 1)).isEqualTo(new Scalar.Text("Too"));
        assertThat(star.table(1).leftOut()).isZero();
    }

    @Test
    void anInnerJoinLeavesOutRowsWithoutAMatchAndCountsThem() {
        DatasetModel matched = dataset("", "yard", ", \"keep\": \"matched\"");
        // Even where no field of the table is asked for.
        Reading reading = new Reading(matched, java.util.Set.of("weight"), java.util.Set.of());
        Star star = StarReader.over(server.source()).read(reading, ReadProgress.SILENT);
        assertThat(star.rowCount()).isEqualTo(2);
        assertThat(star.table(1).leftOut()).isEqualTo(2);
        assertThat(value(star, "weight", 1)).hasToString("Number[value=-0.500, type=decimal]");
    }

    @Test
    void onlyReadingStatementsReachTheServerAndItWouldRefuseOthers() throws Exception {
        read(server.source());
        server.source().version();
        try (SourceView view = server.source().glance()) {
            view.tables().forEach(view::table);
        }
        assertThat(server.statementsOfReader())
                .isNotEmpty()
                .allMatch(
                        sql -> sql.strip().toUpperCase().matches("(?s)(SELECT|BEGIN|SET|SHOW|COMMIT|ROLLBACK)\\b.*"),
                        "reads");
        server.execute("GRANT ALL ON yard TO " + PostgresServer.READER);
        try (SourceView view = server.source().glance()) {
            assertThatThrownBy(() ->
                            view.read("yard\"; DELETE FROM yard; SELECT * FROM \"yard", List.of("year"), row -> {}))
                    .isInstanceOf(SourceException.class);
        }
        assertThat(read(server.source()).table(1).size()).isEqualTo(3);
    }

    @Test
    void itsVersionChangesWithItsContents() {
        PostgresSource source = server.source();
        String before = source.version();
        server.execute("CREATE TABLE IF NOT EXISTS other (i int)", "INSERT INTO other VALUES (1)");
        assertThat(source.version()).as("others write all the time").isEqualTo(before);
        source.lookAgain();
        assertThat(source.version()).isNotEqualTo(before);
    }

    @Test
    void whatStandsAgainstConnectingIsSaidWithWhatToDo() {
        assertThatThrownBy(() -> server.source(PostgresServer.READER, "guessed", "postgres", ReadLimits.DEFAULT)
                        .glance())
                .hasMessageContaining("refused the user \"hive_reader\" or the password; check both")
                .hasMessageNotContaining("guessed");
        assertThatThrownBy(() -> server.source(
                                PostgresServer.READER, PostgresServer.PASSWORD, "nowhere", ReadLimits.DEFAULT)
                        .glance())
                .hasMessageContaining("has no database \"nowhere\"");
        PostgresSource off = new PostgresSource(
                new PostgresSource.Address("Off", "localhost", 1, "postgres", "anyone"), "secret", ReadLimits.DEFAULT);
        assertThatThrownBy(off::glance)
                .hasMessageStartingWith("Off: there is no answer from localhost:1 (nothing takes connections there)")
                .hasMessageContaining("check host and port");
    }

    @Test
    void aTableThatIsGoneOrMayNotBeReadIsSaid() {
        DatasetModel gone = dataset("", "yards", "");
        assertThatThrownBy(() -> StarReader.over(server.source()).read(Reading.all(gone), ReadProgress.SILENT))
                .hasMessageContaining("Hive records has no table yards")
                .hasMessageContaining("did you mean \"yard\"?");
        try (SourceView view = server.source().glance()) {
            assertThatThrownBy(() -> view.read("secret", List.of("id"), row -> {}))
                    .hasMessageContaining("permission denied for table secret; ask for the right to read it");
        }
        server.execute("CREATE TABLE passing (id int)", "GRANT SELECT ON passing TO " + PostgresServer.READER);
        try (SourceView view = server.source().glance()) {
            assertThat(view.tables()).contains("passing");
            view.close();
        }
        try (SourceView view = server.source().glance()) {
            server.execute("DROP TABLE passing");
            assertThatThrownBy(() -> view.read("passing", List.of("id"), row -> {}))
                    .hasMessageContaining("no longer there");
        }
    }

    @Test
    void aStatementThatTakesTooLongIsEnded() {
        server.execute(
                "CREATE VIEW slow AS SELECT pg_sleep(30) IS NULL AS id",
                "GRANT SELECT ON slow TO " + PostgresServer.READER);
        ReadLimits hasty = new ReadLimits(100, Duration.ofSeconds(1), Duration.ofSeconds(20));
        try (SourceView view = server.source(PostgresServer.READER, PostgresServer.PASSWORD, "postgres", hasty)
                .glance()) {
            assertThatThrownBy(() -> view.read("slow", List.of("id"), row -> {}))
                    .hasMessageContaining("a statement took longer than 1 seconds");
        }
    }

    @Test
    void aServerThatSaysNothingIsGivenUp() throws Exception {
        try (ServerSocket silent = new ServerSocket(0)) {
            PostgresSource source = new PostgresSource(
                    new PostgresSource.Address("Silent", "localhost", silent.getLocalPort(), "d", "u"),
                    "p",
                    new ReadLimits(100, Duration.ofSeconds(1), Duration.ofSeconds(1)));
            assertThatThrownBy(source::glance)
                    .isInstanceOf(SourceException.class)
                    .hasMessageStartingWith("Silent: there is no answer from localhost");
        }
    }

    @Test
    void aConnectionThatBreaksOffIsNotTakenForTheEnd() {
        server.execute(
                "CREATE VIEW many AS SELECT i AS id FROM generate_series(1, 200000) i",
                "GRANT SELECT ON many TO " + PostgresServer.READER);
        try (SourceView view = server.source().glance()) {
            boolean[] cut = new boolean[1];
            assertThatThrownBy(() -> view.read("many", List.of("id"), row -> {
                        if (!cut[0]) {
                            cut[0] = true;
                            server.execute("SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE usename = '"
                                    + PostgresServer.READER + "'");
                        }
                    }))
                    .isInstanceOf(SourceException.class)
                    .hasMessageMatching("Hive records: (the connection to|the server shut down).*");
        }
    }

    @Test
    void moreRowsThanAreAllowedFailRatherThanEnd() {
        server.execute(
                "CREATE VIEW lots AS SELECT i AS id, 2026 AS year, 1 AS place FROM generate_series(1, 20000) i",
                "GRANT SELECT ON lots TO " + PostgresServer.READER);
        DatasetModel lots = DatasetModel.of(Definitions.readDataset("""
                {"format": "grammatus-dataset", "version": 1, "id": "d", "label": "Lots", "grain": "l",
                 "tables": [{"id": "l", "table": "lots", "key": ["id"], "noun": {"one": "lot", "other": "lots"}}],
                 "joins": [], "fields": [{"id": "year", "table": "l", "column": "year", "label": "Year",
                 "type": "integer", "role": "identifier"}]}"""));
        StarReader reader = new StarReader(
                id -> server.source(), new ReadLimits(10_000, Duration.ofMinutes(1), Duration.ofMinutes(1)));
        assertThatThrownBy(() -> reader.read(Reading.all(lots), ReadProgress.SILENT))
                .hasMessageContaining("Hive records has more than 10,000 rows, the most that are read at once");
    }
}
