package org.grammatus.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.ReadProgress;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** The newest edit of a session wins. */
class PreviewsTest {

    private final RunService service = new RunService(
            new RunLimits(1_000, Duration.ofMinutes(1)), 100_000_000, Clock.systemUTC(), HeldMemory.NONE);
    private final DatasetReader reader = mock(DatasetReader.class);
    private final MovedClock clock = new MovedClock();
    private final Previews previews = new Previews(service, person -> reader, clock);

    @AfterEach
    void close() {
        service.close();
    }

    @Test
    void aPreviewIsARunThatCanBeAskedForItsPages() {
        when(reader.read(any(), any())).thenReturn(RunServiceTest.STAR);
        Run run = previews.preview("odile", "s", 1, RunServiceTest.request()).orElseThrow();
        assertThat(run.progress().state()).isEqualTo(RunState.DONE);
        assertThat(run.owner()).isEqualTo("odile");
        assertThat(service.find(run.id())).containsSame(run);
        assertThat(previews.newest("odile", "s")).containsSame(run);
        assertThat(previews.newest("tobin", "s")).isEmpty();
    }

    @Test
    void anEditFindsWhatTheOneBeforeItMade() {
        when(reader.read(any(), any())).thenReturn(RunServiceTest.STAR);
        Run first = previews.preview("odile", "s", 1, RunServiceTest.request()).orElseThrow();
        assertThat(first.result().orElseThrow().touched()).isEqualTo(new RunStages.Touched(2, 2));
        Run second = previews.preview("odile", "s", 2, RunServiceTest.request()).orElseThrow();
        assertThat(second.result().orElseThrow().touched()).isEqualTo(new RunStages.Touched(0, 0));
        // What it was found in is let go, since the newer one holds it now.
        assertThat(service.find(first.id())).isEmpty();
        previews.end("odile", "s");
        assertThat(service.find(second.id())).isEmpty();
    }

    @Test
    void anOlderEditIsNotRunAnyMore() {
        when(reader.read(any(), any())).thenReturn(RunServiceTest.STAR);
        previews.preview("odile", "s", 2, RunServiceTest.request());
        assertThat(previews.preview("odile", "s", 1, RunServiceTest.request())).isEmpty();
        assertThat(previews.preview("odile", "another", 1, RunServiceTest.request()))
                .isPresent();
    }

    @Test
    void aNewerEditCancelsTheOneThatIsGoingOn() throws Exception {
        CountDownLatch reading = new CountDownLatch(1);
        CountDownLatch newer = new CountDownLatch(1);
        when(reader.read(any(), any())).thenAnswer(call -> {
            if (reading.getCount() > 0) {
                reading.countDown();
                newer.await();
                if (!call.getArgument(1, ReadProgress.class).rowsRead(1)) {
                    throw new java.util.concurrent.CancellationException();
                }
            }
            return RunServiceTest.STAR;
        });
        CompletableFuture<Optional<Run>> first =
                CompletableFuture.supplyAsync(() -> previews.preview("odile", "s", 1, RunServiceTest.request()));
        reading.await();
        Run second = previews.preview("odile", "s", 2, RunServiceTest.request()).orElseThrow();
        newer.countDown();
        assertThat(first.get(20, TimeUnit.SECONDS).orElseThrow().progress().state())
                .isEqualTo(RunState.CANCELLED);
        assertThat(second.progress().state()).isEqualTo(RunState.DONE);
    }

    @Test
    void aSessionThatNobodyEditsInIsForgotten() {
        when(reader.read(any(), any())).thenReturn(RunServiceTest.STAR);
        Run run = previews.preview("odile", "s", 1, RunServiceTest.request()).orElseThrow();
        clock.move(Duration.ofMinutes(29));
        assertThat(previews.newest("odile", "s")).isPresent();
        clock.move(Duration.ofMinutes(31));
        assertThat(previews.sessions()).isZero();
        assertThat(service.find(run.id())).isEmpty();
    }

    @Test
    void aPersonHasFewSessionsAndClosedTabsGiveWay() {
        when(reader.read(any(), any())).thenReturn(RunServiceTest.STAR);
        for (int tab = 0; tab < 40; tab++) {
            previews.preview("odile", "tab " + tab, 1, RunServiceTest.request());
        }
        previews.preview("tobin", "s", 1, RunServiceTest.request());
        assertThat(previews.sessions()).isEqualTo(7);
        assertThat(previews.newest("odile", "tab 39")).isPresent();
        assertThat(previews.newest("odile", "tab 33")).isEmpty();
    }

    @Test
    void anEndedSessionIsForgotten() {
        when(reader.read(any(), any())).thenReturn(RunServiceTest.STAR);
        Run run = previews.preview("odile", "s", 1, RunServiceTest.request()).orElseThrow();
        previews.end("odile", "s");
        assertThat(previews.newest("odile", "s")).isEmpty();
        assertThat(service.find(run.id())).isEmpty();
    }
}
