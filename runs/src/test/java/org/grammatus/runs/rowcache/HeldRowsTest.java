package org.grammatus.runs.rowcache;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.grammatus.core.Meaning;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DatasetNames;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.value.Type;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.Reading;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Rows are read once as long as the source stays the same and nothing more is needed. */
@Meaning({2, 11})
class HeldRowsTest {

    private static final DatasetModel DATASET = dataset("d");
    private static final DatasetModel OTHER = dataset("e");
    private static final long LARGE = 1_000_000;

    @TempDir
    Path folder;

    private final DatasetReader reader = mock(DatasetReader.class);
    private HeldRows held;

    @BeforeEach
    void holding() {
        held = holding(100 * LARGE);
        when(reader.version(any())).thenReturn("1");
    }

    private HeldRows holding(long onDisk) {
        return new HeldRows(reader, LARGE, new SpillFolder(folder, onDisk), Clock.systemUTC(), RunContext.UTC);
    }

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
        return new Reading(dataset, Set.of(fields), Set.of()).in(RunContext.UTC);
    }

    private Star read(Reading reading) {
        return held.read(reading, ReadProgress.SILENT);
    }

    @Test
    void rowsReadInOneZoneDoNotServeAnother() {
        Star ofUtc = star(DATASET, 3);
        Star ofTheEast = star(DATASET, 3);
        Reading utc = of(DATASET, "a");
        Reading east = new Reading(DATASET, Set.of("a"), Set.of()).in(ZoneId.of("Asia/Tokyo"));
        when(reader.read(eq(utc), any())).thenReturn(ofUtc);
        when(reader.read(eq(east), any())).thenReturn(ofTheEast);
        for (int again = 0; again < 2; again++) {
            assertThat(read(utc)).isSameAs(ofUtc);
            assertThat(read(east)).isSameAs(ofTheEast);
        }
        verify(reader, times(2)).read(any(), any());
    }

    @Test
    void equalReadsShareOneLoad() throws Exception {
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
        when(reader.read(any(), any())).thenReturn(star(DATASET, 10));
        read(of(DATASET, "a"));
        read(of(DATASET, "b"));
        verify(reader).read(eq(of(DATASET, "a", "b")), any());
        read(of(DATASET, "a"));
        verify(reader, times(2)).read(any(), any());
    }

    /** Two datasets each of which takes more than half of the budget. */
    private void readBothInTurn(int times) {
        giving40000Rows();
        for (int i = 0; i < times; i++) {
            for (DatasetModel dataset : List.of(DATASET, OTHER)) {
                assertThat(read(of(dataset, "a")).dataset()).isSameAs(dataset);
                // No run uses them any more.
                System.gc();
            }
        }
    }

    private void giving40000Rows() {
        doAnswer(call -> star(((Reading) call.getArgument(0)).dataset(), 40_000))
                .when(reader)
                .read(any(), any());
    }

    @Test
    void whatWentUnusedTheLongestGivesWayAndComesBackFromItsFile() throws Exception {
        readBothInTurn(3);
        verify(reader, times(2)).read(any(), any());
        assertThat(files()).hasSize(2);
    }

    @Test
    void whatTheDiskHasNoRoomForIsReadAgain() throws Exception {
        held = holding(LARGE / 2);
        readBothInTurn(3);
        verify(reader, times(6)).read(any(), any());
        assertThat(files()).isEmpty();
    }

    @Test
    void filesThatGoUnusedTheLongestGiveWay() throws Exception {
        held = holding(LARGE);
        readBothInTurn(1);
        read(of(dataset("f"), "a"));
        assertThat(files()).hasSize(1);
    }

    @Test
    void aDamagedFileIsAsGoodAsNone() throws Exception {
        readBothInTurn(1);
        for (Path file : files()) {
            byte[] bytes = Files.readAllBytes(file);
            bytes[bytes.length / 2] ^= 1;
            Files.write(file, bytes);
        }
        readBothInTurn(1);
        verify(reader, times(3)).read(any(), any());
    }

    @Test
    void aFolderThatCannotBeWrittenHoldsUpNoRun() throws Exception {
        Path blocked = Files.writeString(folder.resolve("a file, not a folder"), "");
        held = new HeldRows(reader, LARGE, new SpillFolder(blocked, 100 * LARGE), Clock.systemUTC(), RunContext.UTC);
        readBothInTurn(2);
        verify(reader, times(4)).read(any(), any());
    }

    @Test
    void rowsThatARunStillUsesComeBackWithoutAFile() throws Exception {
        held = holding(0);
        giving40000Rows();
        Star inUse = read(of(DATASET, "a"));
        read(of(OTHER, "a"));
        assertThat(read(of(DATASET, "a"))).isSameAs(inUse);
    }

    @Test
    void filesOfChangedSourcesAndOfEarlierTimesAreDeleted() throws Exception {
        readBothInTurn(2);
        when(reader.version(any())).thenReturn("2");
        readBothInTurn(1);
        verify(reader, times(4)).read(any(), any());
        held.readAgain(DATASET);
        held.readAgain(OTHER);
        assertThat(files()).isEmpty();
        readBothInTurn(1);
        assertThat(files()).isNotEmpty();
        holding(LARGE);
        assertThat(files()).isEmpty();
    }

    private List<Path> files() throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(file -> file.toString().endsWith(".columns")).toList();
        }
    }

    @Test
    void whatFitsIsHeldWholeWhateverIsFiltered() {
        when(reader.read(any(), any())).thenReturn(star(DATASET, 10));
        read(filtered(0));
        read(of(DATASET, "a"));
        verify(reader, times(1)).read(eq(of(DATASET, "a").ofRowsLedTo()), any());
    }

    @Test
    void ofWhatDoesNotFitOnlyTheRowsThatMayPassAreRead() {
        when(reader.estimatedBytes(any())).thenReturn(LARGE + 1);
        when(reader.read(any(), any())).thenReturn(star(DATASET, 10));
        read(filtered(0));
        read(filtered(1));
        verify(reader, times(1)).read(eq(filtered(0)), any());
        verify(reader, times(1)).read(eq(filtered(1)), any());
        held.readAhead(of(DATASET, "a"));
        verify(reader, times(2)).read(any(), any());
    }

    @Test
    void equalConditionsShareWhatTheyLetThrough() {
        when(reader.estimatedBytes(any())).thenReturn(LARGE + 1);
        when(reader.read(any(), any())).thenReturn(star(DATASET, 10));
        assertThat(read(filtered(0))).isSameAs(read(filtered(0)));
        read(filtered(1));
        verify(reader, times(2)).read(any(), any());
        assertThat(held.readAt(filtered(0))).isPresent();
        assertThat(held.readAt(of(DATASET, "a"))).isEmpty();
    }

    private static Reading filtered(int above) {
        Typed positive = Typing.condition(
                ExpressionParser.parse("a > " + above), new DatasetNames(DATASET, LocalDate.EPOCH), Typing.Place.ROW);
        return new Reading(DATASET, Set.of("a"), Set.of(), List.of(positive), Optional.of(RunContext.UTC), false);
    }

    @Test
    void roomIsMadeBeforeRowsAreReadNotAfter() throws Exception {
        giving40000Rows();
        read(of(OTHER, "a"));
        when(reader.estimatedBytes(any())).thenReturn(LARGE / 2);
        doAnswer(call -> {
                    assertThat(files()).as("while it is read").hasSize(1);
                    return star(DATASET, 40_000);
                })
                .when(reader)
                .read(any(), any());
        read(of(DATASET, "a"));
        verify(reader, times(2)).read(any(), any());
    }

    @Test
    void rowsBeyondTheBudgetAreGivenAndKeptInAFileAlone() throws Exception {
        when(reader.read(any(), any())).thenReturn(star(DATASET, 200_000));
        assertThat(read(of(DATASET, "a")).rowCount()).isEqualTo(200_000);
        assertThat(files()).hasSize(1);
        System.gc();
        assertThat(read(of(DATASET, "a")).rowCount()).isEqualTo(200_000);
        verify(reader, times(1)).read(any(), any());
    }

    @Test
    void rowsThatNobodyLeadsToAreReadOnceTheyAreNeeded() {
        Star led = new Star(
                DATASET,
                List.of(new Star.Rows(
                        10,
                        Map.of("a", new Column.Longs(Type.INTEGER, new long[10])),
                        List.of(),
                        new int[0],
                        0,
                        false)));
        when(reader.read(any(), any())).thenReturn(led, star(DATASET, 10));
        read(of(DATASET, "a").ofRowsLedTo());
        read(of(DATASET, "a").ofRowsLedTo());
        verify(reader, times(1)).read(any(), any());
        read(of(DATASET, "a"));
        verify(reader, times(2)).read(any(), any());
        read(of(DATASET, "a").ofRowsLedTo());
        verify(reader, times(2)).read(any(), any());
    }
}
