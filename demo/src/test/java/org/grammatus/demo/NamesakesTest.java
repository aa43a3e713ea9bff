package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.runs.profile.FieldValues;
import org.grammatus.runs.profile.Namesakes.Namesake;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Where values are listed, those who share a name are told apart, as plain SQL tells them apart. */
class NamesakesTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 20);

    private static Path database;
    private static DatasetModel dataset;
    private static DatasetReader reader;

    @BeforeAll
    static void open() {
        database = DemoData.database(ScenarioSize.DEMO);
        dataset = DatasetModel.of(Starters.dataset("sales-order-lines").orElseThrow());
        reader = StarReader.over(new SqliteSource(database));
    }

    private static List<FieldValues.Value> values(String field) {
        return FieldValues.of(reader, dataset, field, FieldValues.Sought.of(""), TODAY);
    }

    @Test
    void everyNameThatSeveralShareHasTheirCodes() throws Exception {
        Map<String, List<String>> shared = new TreeMap<>();
        for (FieldValues.Value value : values("apiary_name")) {
            if (!value.namesakes().isEmpty()) {
                assertThat(value.namesakes()).extracting(Namesake::field).containsOnly("apiary_code");
                shared.put(
                        value.value(),
                        value.namesakes().stream().map(Namesake::code).toList());
            }
        }
        Map<String, List<String>> bySql = new TreeMap<>();
        try (Connection sql = DriverManager.getConnection("jdbc:sqlite:" + database);
                ResultSet rows = sql.createStatement().executeQuery("""
                        SELECT name, group_concat(code, ' ') FROM (
                          SELECT DISTINCT a.name, a.code FROM apiary a
                          WHERE a.name IN (SELECT name FROM apiary GROUP BY name HAVING count(*) > 1)
                          ORDER BY a.name, a.code)
                        GROUP BY name
                        """)) {
            while (rows.next()) {
                bySql.put(rows.getString(1), List.of(rows.getString(2).split(" ")));
            }
        }
        assertThat(shared).isNotEmpty().isEqualTo(bySql);
    }

    @Test
    void whatDiffersBetweenThemIsSaid() {
        FieldValues.Value first = values("apiary_name").stream()
                .filter(value -> !value.namesakes().isEmpty())
                .findFirst()
                .orElseThrow();
        assertThat(first.namesakes()).extracting(Namesake::about).doesNotHaveDuplicates();
    }

    @Test
    void whatStandsForItselfHasNoNamesakes() {
        assertThat(values("region"))
                .allSatisfy(value -> assertThat(value.namesakes()).isEmpty());
        assertThat(values("apiary_code"))
                .allSatisfy(value -> assertThat(value.namesakes()).isEmpty());
    }
}
