package org.grammatus.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.IntStream;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DatasetNames;
import org.grammatus.core.definition.Definitions;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.table.Column;
import org.grammatus.core.table.Star;
import org.grammatus.core.value.Type;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.Reading;
import org.junit.jupiter.api.Test;

/** Rows are read once as long as the source stays the same and nothing more is needed. */
class HeldRowsTest {

    private static final DatasetModel DATASET = dataset("d");
    private static final long LARGE = 1_000_000;

    private final DatasetReader reader = mock(DatasetReader.class);
    private final HeldRows held = new HeldRows(reader, LARGE, Clock.systemUTC());

    private static DatasetModel dataset(String id) {
        return DatasetModel.of(Definitions.readDataset("""
                {"format": "grammatus-dataset", "version": 1, "id": "%s", "label": "Lines",
                 "calendar": {"fiscalYearStart": 1}, "grain": "l",
                 "tables": [{"id": "l", "table": "line", "key": ["id"], "noun": {"one": "line", "other": "lines"}}],
                 "joins": [],
                 "fields": [
                   {"id": "a", "table": "l", "column": "a", "label": "A", "type": "integer", "role": "additive"},
                   {"id": "b", "table": "l", "column": "b", "label": "B", "type": "integer", "role": "additive"}]}
                """.formatted(id)));
    }

    private static Star star(DatasetModel dataset, int rows) {
        Column column = new Column.Longs(Type.INTEGER, new long[rows]);
        return new Star(dataset, List.of(new Star.Rows(rows, Map.of("a", column), List.of(column), new int[0])));
    }

    private static Reading of(DatasetModel dataset, String... fields) {
        return new Reading(dataset, Set.of(fields), Set.of());
    }

    private Star read(Reading reading) {
        return held.read(reading, ReadProgress.SILENT);
    }

    @Test
    void equalReadsShareOneLoad() throws Exception {
        when(reader.version(any())).thenReturn("1");
        when(reader.read(any(), any())).thenReturn(star(DATASET, 10));
        try (ExecutorService threads = Executors.newFixedThreadPool(4)) {
            List<java.util.concurrent.Future<Star>> reads = IntStream.range(0, 20)
                    .mapToObj(i -> threads.submit(() -> read(of(DATASET, "a"))))
                    .toList();
            for (var each : reads) {
                assertThat(each.get()).isSameAs(reads.getFirst().get());
            }
        }
        verify(reader, times(1)).read(any(), any());
    }

    @Test
    void aChangedSourceIsReadAgain() {
        when(reader.version(any())).thenReturn("1", "1", "2");
        when(reader.read(any(), any())).thenReturn(star(DATASET, 10));
        read(of(DATASET, "a"));
        read(of(DATASET, "a"));
        verify(reader, times(2)).read(any(), any());
    }

    @Test
    void anotherFieldIsReadTogetherWithTheKnownOnes() {
        when(reader.version(any())).thenReturn("1");
        when(reader.read(any(), any())).thenReturn(star(DATASET, 10));
        read(of(DATASET, "a"));
        read(of(DATASET, "b"));
        verify(reader).read(eq(of(DATASET, "a", "b")), any());
        read(of(DATASET, "a"));
        verify(reader, times(2)).read(any(), any());
    }

    @Test
    void whatWentUnusedTheLongestGivesWay() {
        DatasetModel other = dataset("e");
        when(reader.version(any())).thenReturn("1");
        // Each takes more than half of the budget.
        when(reader.read(any(), any())).thenReturn(star(DATASET, 40_000), star(other, 40_000), star(DATASET, 40_000));
        read(of(DATASET, "a"));
        read(of(other, "a"));
        read(of(other, "a"));
        read(of(DATASET, "a"));
        verify(reader, times(3)).read(any(), any());
    }

    @Test
    void whatFitsIsHeldWholeWhateverIsFiltered() {
        when(reader.version(any())).thenReturn("1");
        when(reader.read(any(), any())).thenReturn(star(DATASET, 10));
        read(filtered());
        read(of(DATASET, "a"));
        verify(reader, times(1)).read(eq(of(DATASET, "a")), any());
    }

    @Test
    void ofWhatDoesNotFitOnlyTheRowsThatMayPassAreRead() {
        when(reader.version(any())).thenReturn("1");
        when(reader.estimatedBytes(any())).thenReturn(LARGE + 1);
        when(reader.read(any(), any())).thenReturn(star(DATASET, 10));
        read(filtered());
        read(filtered());
        verify(reader, times(2)).read(eq(filtered()), any());
        held.readAhead(of(DATASET, "a"));
        verify(reader, times(2)).read(any(), any());
    }

    private static Reading filtered() {
        Typed positive = Typing.condition(
                ExpressionParser.parse("a > 0"), new DatasetNames(DATASET, LocalDate.EPOCH), Typing.Place.ROW);
        return new Reading(DATASET, Set.of("a"), Set.of(), List.of(positive));
    }

    @Test
    void rowsBeyondTheBudgetAreGivenButNotHeld() {
        when(reader.version(any())).thenReturn("1");
        when(reader.read(any(), any())).thenReturn(star(DATASET, 200_000));
        assertThat(read(of(DATASET, "a")).rowCount()).isEqualTo(200_000);
        read(of(DATASET, "a"));
        verify(reader, times(2)).read(any(), any());
    }
}
