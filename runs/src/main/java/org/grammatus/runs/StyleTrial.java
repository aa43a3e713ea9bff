package org.grammatus.runs;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.definition.style.StyleParts;
import org.grammatus.core.page.Page;
import org.grammatus.core.plan.planner.ReaderView;
import org.grammatus.core.plan.style.HouseLook;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.value.Type;
import org.grammatus.export.Format;
import org.grammatus.export.ReportWriter.WriteProgress;
import org.grammatus.sources.RowsInMemory;

/** A small report printed in a style before that is saved: what no page could be printed with is not kept. */
public final class StyleTrial {

    private static final DatasetModel DATASET = DatasetModel.of(Definitions.readDataset("""
            {"format": "grammatus-dataset", "version": 1, "id": "trial", "label": "Trial", "grain": "rows",
             "calendar": {"fiscalYearStart": 1},
             "tables": [{"id": "rows", "table": "rows", "key": ["id"], "noun": {"one": "row", "other": "rows"}}],
             "joins": [],
             "fields": [
               {"id": "name", "table": "rows", "column": "name", "label": "Name", "type": "text", "role": "descriptive"},
               {"id": "amount", "table": "rows", "column": "amount", "label": "Amount", "type": "integer",
                "role": "additive"}]}
            """));

    private static final Report REPORT = Definitions.readReport("""
            {"format": "grammatus-report", "version": 1, "id": "trial", "title": "Trial", "dataset": "trial",
             "locale": "en-GB", "prompts": [], "filters": [],
             "blocks": [{"id": "table", "kind": "banded",
               "levels": [{"id": "group", "name": "Group", "key": "name", "order": [], "header": "heading",
                           "footer": "totals"}],
               "columns": [{"id": "name-column", "value": "name"}, {"id": "amount-column", "value": "amount"}],
               "totals": [{"id": "sum", "column": "amount-column", "value": "SUM(amount)", "cells": [
                 {"at": "group", "in": "footer"}, {"at": "report", "in": "footer"}]}],
               "counts": [], "highlights": [], "rows": {"shown": true, "order": []}}],
             "page": {"paper": "A4", "orientation": "portrait",
                      "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
            """);

    private static final RunContext CONTEXT = new RunContext(LocalDate.of(2026, 1, 31), RunContext.UTC);

    private StyleTrial() {}

    /**
     * Prints the small report in a style, as a PDF file that is not kept and as a page for the screen.
     *
     * @param own what a report says of its look over the style
     * @return its first page
     * @throws RuntimeException of whatever kind if it cannot be printed
     */
    public static Page page(HouseLook look, Optional<StyleParts> own) {
        RunRequest request = new RunRequest(
                REPORT.looking(own), ReportDatasets.of(DATASET), look, Answers.NONE, CONTEXT, ReaderView.PLAIN);
        RunResult result =
                new RunEngine(RunLimits.DEFAULT).run(request, new RowsInMemory(rows()), progress -> {}, () -> false);
        try {
            Format.PDF.writer().write(result, OutputStream.nullOutputStream(), WriteProgress.SILENT);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return result.pages().page(1);
    }

    /** The rows that are printed. */
    private static Star rows() {
        Column name = new Column.Texts(new int[] {0, 1}, new String[] {"One", "Two"});
        Column amount = new Column.Longs(Type.INTEGER, new long[] {1, -2});
        Column key = new Column.Longs(Type.INTEGER, new long[] {1, 2});
        return new Star(
                DATASET, List.of(new Star.Rows(2, Map.of("name", name, "amount", amount), List.of(key), new int[0])));
    }
}
