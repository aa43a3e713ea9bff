package org.grammatus.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Definitions;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.table.Column;
import org.grammatus.core.table.Star;
import org.grammatus.core.value.Type;
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

    private final RunService service = new RunService(
            new RunLimits(1_000, Duration.ofMinutes(1)), 240_000, Clock.fixed(Instant.EPOCH, ZoneOffset.UTC));

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
        assertThat(run.result().orElseThrow().grandTotals()).containsExactly(new RunResult.GrandTotal("Net", "7"));
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
    void theOldestFinishedRunsAreForgotten() throws Exception {
        Run first = finished(giving(STAR));
        for (int i = 0; i < 30; i++) {
            finished(giving(STAR));
        }
        assertThat(service.find(first.id())).isEmpty();
    }

    @Test
    void runsWhoseRowsTakeTooMuchMemoryAreForgottenSooner() throws Exception {
        Run first = finished(giving(large()));
        Run second = finished(giving(large()));
        assertThat(service.find(first.id())).isEmpty();
        assertThat(service.find(second.id())).as("somebody waits for it").isPresent();
        Star shared = large();
        Run third = finished(giving(shared));
        Run fourth = finished(giving(shared));
        assertThat(service.find(third.id()))
                .as("rows of several runs count once")
                .isPresent();
        assertThat(service.find(fourth.id())).isPresent();
    }

    /** More than half of what finished runs may use. */
    private static Star large() {
        Column column = new Column.Longs(Type.INTEGER, new long[8_000]);
        return new Star(DATASET, List.of(new Star.Rows(8_000, Map.of("net", column), List.of(), new int[0])));
    }
}
