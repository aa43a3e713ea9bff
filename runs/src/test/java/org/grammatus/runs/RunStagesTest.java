package org.grammatus.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.planner.ReaderView;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.value.Type;
import org.grammatus.runs.RunStages.Touched;
import org.grammatus.sources.DatasetReader;
import org.junit.jupiter.api.Test;

/** Which rows a run goes through where another has gone before it, counted on a report of a million lines. */
class RunStagesTest {

    private static final int LINES = 1_000_000;

    private static final DatasetModel DATASET = DatasetModel.of(Definitions.readDataset("""
            {"format": "grammatus-dataset", "version": 1, "id": "d", "label": "Lines",
             "calendar": {"fiscalYearStart": 1}, "grain": "l",
             "tables": [{"id": "l", "table": "line", "key": ["id"], "noun": {"one": "line", "other": "lines"}}],
             "joins": [],
             "fields": [
               {"id": "net", "table": "l", "column": "net", "label": "Net", "type": "integer", "role": "additive"},
               {"id": "bay", "table": "l", "column": "bay", "label": "Bay", "type": "integer", "role": "identifier"}]}
            """));

    private static final String REPORT = """
            {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "d", "locale": "en-GB",
             "prompts": [], "filters": [{"id": "f", "kind": "expression", "where": "net >= 0"}],
             "blocks": [{"id": "b", "kind": "banded",
               "levels": [{"id": "by-bay", "name": "Bay", "key": "bay", "header": "line", "footer": "none",
                 "order": [{"id": "o", "by": "bay", "direction": "ascending"}]}],
               "columns": [{"id": "c", "label": "Net", "value": "net"}],
               "totals": [{"id": "t", "column": "c", "value": "SUM(net)",
                 "cells": [{"at": "by-bay", "in": "header"}, {"at": "report", "in": "footer"}]}],
               "counts": [], "highlights": [], "rows": {"shown": false, "order": []}}],
             "page": {"paper": "A4", "orientation": "portrait",
                      "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
            """;

    private final RunEngine engine = new RunEngine(RunLimits.DEFAULT);
    private final DatasetReader held = mock(DatasetReader.class);

    RunStagesTest() {
        when(held.read(any(), any())).thenReturn(star());
    }

    private static Star star() {
        Random random = new Random(11);
        long[] net = random.longs(LINES, 0, 5_000).toArray();
        long[] bay = random.longs(LINES, 0, 300).toArray();
        long[] ids = new long[LINES];
        Arrays.setAll(ids, i -> i);
        return new Star(
                DATASET,
                List.of(new Star.Rows(
                        LINES,
                        Map.of("net", new Column.Longs(Type.INTEGER, net), "bay", new Column.Longs(Type.INTEGER, bay)),
                        List.of(new Column.Longs(Type.INTEGER, ids)),
                        new int[0])));
    }

    private RunResult run(String report, String zone, ReaderView view) {
        RunContext context = new RunContext(LocalDate.of(2026, 1, 1), ZoneId.of(zone));
        RunRequest request = new RunRequest(Definitions.readReport(report), DATASET, Answers.NONE, context, view);
        return engine.run(request, held, progress -> {}, () -> false);
    }

    private RunResult run(String report) {
        return run(report, "UTC", ReaderView.PLAIN);
    }

    @Test
    void restylingGroupsNothing() {
        RunResult first = run(REPORT);
        assertThat(first.touched()).isEqualTo(new Touched(LINES, LINES));
        String restyled = REPORT.replace("\"title\": \"R\"", "\"title\": \"Another\"")
                .replace("\"label\": \"Net\"", "\"label\": \"Net sales\", \"format\": \"#,##0.0\", \"width\": 90")
                .replace(
                        "\"paper\": \"A4\", \"orientation\": \"portrait\"",
                        "\"paper\": \"Letter\", \"orientation\": \"landscape\"");
        RunResult second = run(restyled);
        assertThat(second.touched()).isEqualTo(new Touched(0, 0));
        assertThat(second.grandTotals().getFirst().label()).isEqualTo("Net sales");
        assertThat(second.grandTotals().getFirst().figure())
                .isEqualTo(first.grandTotals().getFirst().figure() + ".0");
        assertThat(second.pages().page(1).texts()).contains("Another").doesNotContain("R");
    }

    /** What a note says of all rows is a figure, its words are not. */
    @Test
    void theWordsOfANoteGroupNothingAndItsFiguresDo() {
        run(REPORT);
        String noted = REPORT.replace("\"levels\"", "\"note\": \"{COUNT(*)} lines\", \"levels\"");
        RunResult first = run(noted);
        assertThat(first.touched()).isEqualTo(new Touched(0, LINES));
        assertThat(first.pages().page(1).texts()).contains("1,000,000 lines");
        RunResult reworded = run(noted.replace("lines\"", "lines in all\""));
        assertThat(reworded.touched()).isEqualTo(new Touched(0, 0));
        assertThat(reworded.pages().page(1).texts()).contains("1,000,000 lines in all");
    }

    @Test
    void anotherOrderTriesNoConditionAgainAndWhatWasThereBeforeIsThereStill() {
        RunResult up = run(REPORT);
        String down = REPORT.replace("\"direction\": \"ascending\"", "\"direction\": \"descending\"");
        RunResult other = run(down);
        assertThat(other.touched()).isEqualTo(new Touched(0, LINES));
        assertThat(run(REPORT).touched()).isEqualTo(new Touched(0, 0));
        assertThat(run(down).touched()).isEqualTo(new Touched(0, 0));
        assertThat(up.grouped().tree().nodeAt(1))
                .isNotEqualTo(other.grouped().tree().nodeAt(1));
    }

    @Test
    void anotherConditionZoneOrSnapshotSharesNothing() {
        RunResult first = run(REPORT);
        RunResult fewer = run(REPORT.replace("net >= 0", "net >= 100"));
        assertThat(fewer.touched()).isEqualTo(new Touched(LINES, fewer.grouped().rowsKept()));
        assertThat(run(REPORT, "Asia/Tokyo", ReaderView.PLAIN).touched()).isEqualTo(new Touched(LINES, LINES));
        when(held.read(any(), any())).thenReturn(star());
        RunResult again = run(REPORT);
        assertThat(again.touched()).isEqualTo(new Touched(LINES, LINES));
        assertThat(again.grandTotals()).isEqualTo(first.grandTotals());
    }
}
