package org.grammatus.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.address.GroupAddress;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.explain.RowFields;
import org.grammatus.core.explain.RowsBehind;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.value.Type;
import org.grammatus.export.Cells;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.Reading;
import org.junit.jupiter.api.Test;

/** The rows behind a figure with fields that the report itself does not read. */
class RowsBehindARunTest {

    private static final DatasetModel DATASET = DatasetModel.of(Definitions.readDataset("""
            {"format": "grammatus-dataset", "version": 1, "id": "d", "label": "Lines", "grain": "l",
             "tables": [{"id": "l", "table": "line", "key": ["id"], "noun": {"one": "line", "other": "lines"}}],
             "joins": [],
             "fields": [
               {"id": "number", "table": "l", "column": "number", "label": "Line", "type": "integer", "role": "identifier"},
               {"id": "net", "table": "l", "column": "net", "label": "Net", "type": "integer", "role": "additive"},
               {"id": "cost", "table": "l", "column": "cost", "label": "Cost", "type": "integer", "role": "not-additive"},
               {"id": "key", "table": "l", "column": "key", "label": "Key", "type": "integer", "role": "identifier",
                "hidden": true}],
             "calculated": [{"id": "margin", "label": "Margin", "value": "net - cost", "role": "additive"}]}
            """));

    private static final String REPORT = """
            {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "d", "locale": "en-GB",
             "prompts": [], "filters": [],
             "blocks": [{"id": "b", "kind": "banded", "levels": [], "columns": [{"id": "c", "label": "Net", "value": "net"}],
               "totals": [], "counts": [], "highlights": [], "rows": {"shown": true, "order": []}}],
             "page": {"paper": "A4", "orientation": "portrait",
                      "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
            """;

    private static final Map<String, long[]> VALUES = Map.of(
            "number", new long[] {1, 2}, "net", new long[] {30, 40}, "cost", new long[] {10, 50}, "key", new long[] {
                7, 8
            });

    /** A source that gives each reading the fields that it asks for. */
    private static DatasetReader source(Map<String, long[]> values) {
        DatasetReader reader = mock(DatasetReader.class);
        when(reader.read(any(), any())).thenAnswer(call -> {
            Map<String, Column> fields = new HashMap<>();
            Reading reading = call.getArgument(0);
            reading.fields().forEach(id -> fields.put(id, new Column.Longs(Type.INTEGER, values.get(id))));
            return new Star(
                    DATASET,
                    List.of(new Star.Rows(
                            2, fields, List.of(new Column.Longs(Type.INTEGER, new long[] {1, 2})), new int[0])));
        });
        return reader;
    }

    private static final GroupAddress WHOLE = GroupAddress.parse("b");

    private static Explanations ofARun() {
        RunRequest request = new RunRequest(
                Definitions.readReport(REPORT), DATASET, Answers.NONE, RunContext.on(LocalDate.of(2026, 1, 1)));
        RunEngine engine = new RunEngine(new RunLimits(1_000, Duration.ofMinutes(1)));
        return new Explanations(engine.run(request, source(VALUES), progress -> {}, () -> false));
    }

    private static RowsBehind rows(Optional<List<String>> fields, DatasetReader reader) {
        return ofARun().rows(WHOLE, 0, 10, fields, reader).orElseThrow();
    }

    @Test
    void usuallyWhatTheReportReadsAndWhatTellsTheRowsApart() {
        RowsBehind rows = rows(Optional.empty(), source(VALUES));
        assertThat(rows.ids()).containsExactly("number", "net");
        assertThat(rows.rows()).containsExactly(List.of("1", "30"), List.of("2", "40"));
        assertThat(rows.changed()).isFalse();
    }

    @Test
    void everyFieldAndCalculatedFieldIsOfferedThatIsNotHidden() {
        RowsBehind rows = rows(Optional.of(List.of("margin", "cost", "key")), source(VALUES));
        assertThat(rows.offered())
                .extracting(RowFields.Offered::label)
                .containsExactly("Line", "Net", "Cost", "Margin");
        assertThat(rows.fields()).containsExactly("Cost", "Margin");
        assertThat(rows.rows()).containsExactly(List.of("10", "20"), List.of("50", "-10"));
    }

    @Test
    void otherFieldsOfRowsThatHaveChangedSinceAreNotMixedWithThem() {
        Map<String, long[]> changed = new HashMap<>(VALUES);
        changed.put("net", new long[] {30, 41});
        RowsBehind rows = rows(Optional.of(List.of("net", "cost")), source(changed));
        assertThat(rows.changed()).isTrue();
        assertThat(rows.fields()).containsExactly("Net");
        assertThat(rows.rows()).containsExactly(List.of("30"), List.of("40"));
    }

    @Test
    void aFileHasTheSameFields() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ofARun().rowsFile(WHOLE, Optional.of(List.of("margin", "number")), source(VALUES), Cells.EXACT)
                .orElseThrow()
                .write(out, () -> true);
        assertThat(out.toString(StandardCharsets.UTF_8)).isEqualTo("Line,Margin\r\n1,20\r\n2,-10\r\n");
    }
}
