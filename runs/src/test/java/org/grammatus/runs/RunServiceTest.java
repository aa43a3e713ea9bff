package org.grammatus.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.grammatus.core.Meaning;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.value.Type;
import org.grammatus.runs.turns.TooManyException;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.ReadProgress;
import org.grammatus.sources.SourceException;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** A run as a job: followed, cancelled, failing in words. */
class RunServiceTest {

    static final DatasetModel DATASET = DatasetModel.of(Definitions.readDataset("""
            {"format": "grammatus-dataset", "version": 1, "id": "d", "label": "Lines",
             "calendar": {"fiscalYearStart": 1}, "grain": "l",
             "tables": [{"id": "l", "table": "line", "key": ["id"], "noun": {"one": "line", "other": "lines"}}],
             "joins": [],
             "fields": [{"id": "net", "table": "l", "column": "net", "label": "Net", "type": "integer", "role": "additive"}]}
            """));

    static final Star STAR = new Star(
            DATASET,
            List.of(new Star.Rows(
                    2,
                    Map.of("net", new Column.Longs(Type.INTEGER, new long[] {3, 4})),
                    List.of(new Column.Longs(Type.INTEGER, new long[] {1, 2})),
                    new int[0])));

    private final MovedClock clock = new MovedClock();
    private final RunService service =
            new RunService(new RunLimits(1_000, Duration.ofMinutes(1)), 1_300_000, clock, HeldMemory.NONE);

    static RunRequest request() {
        String report = """
                {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "d", "locale": "en-GB",
                 "prompts": [], "filters": [],
                 "blocks": [{"id": "b", "kind": "banded", "levels": [],
                   "columns": [{"id": "c", "label": "Net", "value": "net"}],
                   "totals": [{"id": "t", "column": "c", "value": "SUM(net)", "cells": [{"at": "report", "in": "footer"}]}],
                   "counts": [], "highlights": [], "rows": {"shown": true, "order": []}}],
                 "page": {"paper": "A4", "orientation": "portrait",
                          "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
                """;
        RunContext context = new RunContext(LocalDate.of(2026, 1, 1), ZoneId.of("UTC"));
        return new RunRequest(Definitions.readReport(report), DATASET, Answers.NONE, context);
    }

    @AfterEach
    void close() {
        service.close();
    }

    private Run finished(DatasetReader reader) throws Exception {
        Run run = service.prepare(request(), "reader");
        CompletableFuture<Run> over = new CompletableFuture<>();
        service.start(run, reader, over::complete);
        return over.get(20, TimeUnit.SECONDS);
    }

    private static DatasetReader giving(Star star) {
        DatasetReader reader = mock(DatasetReader.class);
        when(reader.read(any(), any())).thenReturn(star);
        return reader;
    }

    @Test
    void aRunEndsWithItsResult() throws Exception {
        Run run = finished(giving(STAR));
        assertThat(run.progress().state()).isEqualTo(RunState.DONE);
        assertThat(run.progress().rowsKept()).isEqualTo(2);
        assertThat(run.result().orElseThrow().grandTotals())
                .containsExactly(new RunResult.GrandTotal("b", "", "Grand total", "Net", "7"));
        assertThat(service.find(run.id())).containsSame(run);
    }

    @Test
    void aFailingSourceFailsTheRunInItsWords() throws Exception {
        DatasetReader reader = mock(DatasetReader.class);
        when(reader.read(any(), any())).thenThrow(new SourceException("The tarn froze over"));
        Run run = finished(reader);
        assertThat(run.progress().state()).isEqualTo(RunState.FAILED);
        assertThat(run.progress().problems()).extracting(Problem::message).containsExactly("The tarn froze over");
        assertThat(run.result()).isEmpty();
    }

    @Test
    void aFaultOfOurOwnFailsTheRunWithoutShowingItsInside() throws Exception {
        DatasetReader reader = mock(DatasetReader.class);
        when(reader.read(any(), any())).thenThrow(new IllegalStateException("secret"));
        Run run = finished(reader);
        assertThat(run.progress().state()).isEqualTo(RunState.FAILED);
        assertThat(run.progress().problems().getFirst().message())
                .contains("server's log")
                .doesNotContain("secret");
    }

    @Test
    @Meaning(12)
    void tooManyRowsFailTheRunRatherThanShowPartOfThem() throws Exception {
        DatasetReader reader = mock(DatasetReader.class);
        when(reader.read(any(), any())).thenAnswer(call -> {
            call.getArgument(1, ReadProgress.class).rowsRead(1_001);
            return STAR;
        });
        Run run = finished(reader);
        assertThat(run.progress().state()).isEqualTo(RunState.FAILED);
        assertThat(run.progress().problems().getFirst().message()).contains("more than 1,000 rows");
    }

    @Test
    void aRunIsCancelledWhileItReads() throws Exception {
        CountDownLatch reading = new CountDownLatch(1);
        CountDownLatch cancelled = new CountDownLatch(1);
        DatasetReader reader = mock(DatasetReader.class);
        when(reader.read(any(), any())).thenAnswer(call -> {
            reading.countDown();
            cancelled.await();
            if (!call.getArgument(1, ReadProgress.class).rowsRead(10)) {
                throw new java.util.concurrent.CancellationException();
            }
            return STAR;
        });
        Run run = service.prepare(request(), "reader");
        CompletableFuture<Run> over = new CompletableFuture<>();
        service.start(run, reader, over::complete);
        reading.await();
        run.cancel();
        cancelled.countDown();
        assertThat(over.get(20, TimeUnit.SECONDS).progress().state()).isEqualTo(RunState.CANCELLED);
    }

    @Test
    void aLateListenerHearsTheEnd() throws Exception {
        Run run = finished(giving(STAR));
        CompletableFuture<RunState> heard = new CompletableFuture<>();
        run.follow(progress -> heard.complete(progress.state()));
        assertThat(heard).isCompletedWithValue(RunState.DONE);
    }

    @Test
    void whateverIsThrownEndsARunAsFailed() throws Exception {
        DatasetReader reader = mock(DatasetReader.class);
        when(reader.read(any(), any())).thenThrow(new StackOverflowError());
        Run run = finished(reader);
        assertThat(run.progress().state()).isEqualTo(RunState.FAILED);
        assertThat(run.progress().problems().getFirst().message()).contains("server's log");
    }

    @Test
    void finishedRunsAreForgottenWhereMemoryIsShortButNoneThatWasLookedAtLately() throws Exception {
        Run first = finished(giving(large()));
        Run second = finished(giving(large()));
        assertThat(service.find(first.id())).as("both were looked at just now").isPresent();
        assertThat(service.find(second.id())).isPresent();
        clock.move(Duration.ofMinutes(4));
        service.find(second.id());
        clock.move(Duration.ofMinutes(2));
        Run third = finished(giving(large()));
        assertThat(service.find(first.id())).as("unseen the longest").isEmpty();
        assertThat(service.find(second.id())).isPresent();
        assertThat(service.find(third.id())).isPresent();
    }

    @Test
    void whatNobodyLooksAtIsForgottenInTheEnd() throws Exception {
        Run run = finished(giving(STAR));
        clock.move(Duration.ofHours(5));
        finished(giving(STAR));
        assertThat(service.find(run.id())).isEmpty();
    }

    @Test
    void aNewRunWaitsWhereMemoryIsFullOfRunsInUse() throws Exception {
        Run first = finished(giving(large()));
        Run second = finished(giving(large()));
        Run third = finished(giving(large()));
        CountDownLatch slow = new CountDownLatch(1);
        CountDownLatch reading = new CountDownLatch(1);
        DatasetReader reader = mock(DatasetReader.class);
        when(reader.read(any(), any())).thenAnswer(call -> {
            reading.countDown();
            slow.await();
            return STAR;
        });
        CompletableFuture<Run> going = new CompletableFuture<>();
        CompletableFuture<Run> waiting = new CompletableFuture<>();
        service.start(service.prepare(request(), "tobin"), reader, going::complete);
        assertThat(reading.await(20, TimeUnit.SECONDS)).isTrue();
        Run last = service.prepare(request(), "odile");
        service.start(last, giving(STAR), waiting::complete);
        // One run always goes on; beside it the last one waits for room, however long.
        assertThat(waiting).isNotDone();
        Thread.sleep(300);
        assertThat(last.progress().state()).isEqualTo(RunState.WAITING);
        assertThat(List.of(first, second, third))
                .as("all were looked at just now")
                .allSatisfy(run -> assertThat(run.result()).isPresent());
        clock.move(Duration.ofMinutes(6));
        service.prepare(request(), "reader");
        assertThat(waiting.get(20, TimeUnit.SECONDS).progress().state()).isEqualTo(RunState.DONE);
        slow.countDown();
        going.get(20, TimeUnit.SECONDS);
        assertThat(service.find(first.id())).as("unseen the longest").isEmpty();
        assertThat(service.find(last.id())).isPresent();
    }

    @Test
    void aSourceThatStallsHoldsUpNobodyElse() throws Exception {
        CountDownLatch forever = new CountDownLatch(1);
        DatasetReader stalled = mock(DatasetReader.class);
        when(stalled.read(any(), any())).thenAnswer(call -> {
            forever.await();
            return STAR;
        });
        List<Run> stuck = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            Run run = service.prepare(request(), "tobin");
            service.start(run, stalled, r -> {});
            stuck.add(run);
        }
        Run other = service.prepare(request(), "odile");
        CompletableFuture<Run> over = new CompletableFuture<>();
        service.start(other, giving(STAR), over::complete);
        assertThat(over.get(5, TimeUnit.SECONDS).progress().state()).isEqualTo(RunState.DONE);
        long before = System.nanoTime();
        stuck.forEach(Run::cancel);
        assertThat(stuck).allMatch(run -> run.progress().state() == RunState.CANCELLED);
        assertThat(Duration.ofNanos(System.nanoTime() - before)).isLessThan(Duration.ofSeconds(1));
    }

    @Test
    void aHugeExpressionIsCancelledWithinASecond() throws Exception {
        int size = 400_000;
        Column column = new Column.Longs(Type.INTEGER, new long[size]);
        Star star = new Star(DATASET, List.of(new Star.Rows(size, Map.of("net", column), List.of(), new int[0])));
        String many = "CASE WHEN net IN (" + "1, ".repeat(900) + "2) THEN net ELSE 0 END";
        RunRequest slow = new RunRequest(
                Definitions.readReport(
                        Definitions.write(request().report()).replace("\"SUM(net)\"", "\"SUM(" + many + ")\"")),
                DATASET,
                Answers.NONE,
                request().context());
        CountDownLatch grouping = new CountDownLatch(1);
        Run run = service.prepare(slow, "tobin");
        CompletableFuture<Run> over = new CompletableFuture<>();
        run.follow(progress -> {
            if (progress.state() == RunState.GROUPING) {
                grouping.countDown();
            }
        });
        service.start(run, giving(star), over::complete);
        assertThat(grouping.await(20, TimeUnit.SECONDS)).isTrue();
        run.cancel();
        assertThat(over.get(1, TimeUnit.SECONDS).progress().state()).isEqualTo(RunState.CANCELLED);
    }

    @Test
    void onePersonsRunsWaitInALineThatEnds() {
        DatasetReader stalled = mock(DatasetReader.class);
        when(stalled.read(any(), any())).thenAnswer(call -> {
            new CountDownLatch(1).await();
            return STAR;
        });
        assertThatThrownBy(() -> {
                    for (int i = 0; i < 100; i++) {
                        service.start(service.prepare(request(), "tobin"), stalled, r -> {});
                    }
                })
                .isInstanceOf(TooManyException.class)
                .hasMessageContaining("20 of your runs wait already");
        assertThat(service.prepare(request(), "odile")).isNotNull();
    }

    /** A third of what runs may use. */
    private static Star large() {
        Column column = new Column.Longs(Type.INTEGER, new long[8_000]);
        return new Star(DATASET, List.of(new Star.Rows(8_000, Map.of("net", column), List.of(), new int[0])));
    }
}
