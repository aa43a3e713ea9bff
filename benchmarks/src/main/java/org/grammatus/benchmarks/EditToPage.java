package org.grammatus.benchmarks;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.page.Page;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunResult;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.RowsInMemory;

/**
 * From an edit on the bench to the page that shows it, on rows that are held: the document is read, planned, grouped and broken into pages,
 * and the page in view is made.
 */
final class EditToPage {

    /** So many edits go before those that are timed: a program that has just been started is slow. */
    private static final int BEFORE = 20;

    private static final int COUNT = 15;
    private static final String REPORT = """
            {"format": "grammatus-report", "version": 1, "id": "edit", "title": "Edited %d", "dataset": "lines",
             "locale": "en-GB", "prompts": [], "filters": [{"id": "f", "kind": "expression", "where": "net >= %d"}],
             "blocks": [{"id": "b", "kind": "banded",
               "levels": [
                 {"id": "region", "name": "Region", "key": "region", "header": "heading", "footer": "totals",
                  "order": [{"id": "o1", "by": "SUM(net)", "direction": "descending"}]},
                 {"id": "apiary", "name": "Apiary", "key": "apiary", "header": "heading", "footer": "totals",
                  "order": [{"id": "o2", "by": "SUM(net) + %d", "direction": "%s"}]},
                 {"id": "order", "name": "Order", "key": "order_number", "header": "line", "footer": "none",
                  "order": [{"id": "o3", "by": "SUM(net)", "direction": "descending"}]}],
               "columns": [{"id": "c", "label": "Net", "value": "net"}],
               "totals": [{"id": "t", "column": "c", "value": "SUM(net) + %d", "cells": [
                 {"at": "report", "in": "footer"}, {"at": "region", "in": "footer"},
                 {"at": "apiary", "in": "footer"}, {"at": "order", "in": "header"}]}],
               "counts": ["lines"], "highlights": [], "rows": {"shown": false, "order": []}}],
             "page": {"paper": "A4", "orientation": "portrait",
                      "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
            """;

    /** What an edit changes, from one to the next. */
    private enum Edit {
        RESTYLE,
        REORDER,
        TOTAL,
        FILTER;

        String document(int number) {
            return REPORT.formatted(
                    this == RESTYLE ? number : 0,
                    this == FILTER ? number : 0,
                    this == REORDER ? number : 0,
                    number % 2 == 1 && this == REORDER ? "ascending" : "descending",
                    this == TOTAL ? number : 0);
        }
    }

    private EditToPage() {}

    static void run(int[] sizes) throws Exception {
        System.out.printf("%-34s %12s%n", "edit to page", "milliseconds");
        for (int size : sizes) {
            OurEngine engine = new OurEngine(Lines.generate(size));
            for (Edit edit : Edit.values()) {
                System.out.printf(
                        "%-34s %12.1f%n",
                        "%,d lines, %s".formatted(size, edit.name().toLowerCase(Locale.ROOT)),
                        median(engine.star(), edit));
            }
        }
    }

    private static double median(Star star, Edit edit) {
        RunEngine runs = new RunEngine(RunLimits.DEFAULT);
        DatasetReader held = new RowsInMemory(star);
        // What is seen before an edit is there while it is made.
        RunResult seen = page(runs, held, star.dataset(), edit.document(0));
        List<Double> times = new ArrayList<>();
        for (int i = 1; i <= BEFORE + COUNT; i++) {
            long start = System.nanoTime();
            seen = page(runs, held, star.dataset(), edit.document(i));
            times.add((System.nanoTime() - start) / 1e6);
        }
        if (seen.pageCount() == 0) {
            throw new IllegalStateException("There is no page");
        }
        List<Double> warm = new ArrayList<>(times.subList(BEFORE, times.size()));
        Collections.sort(warm);
        return warm.get(warm.size() / 2);
    }

    private static RunResult page(RunEngine runs, DatasetReader held, DatasetModel dataset, String document) {
        RunRequest request = new RunRequest(
                Definitions.readReport(document), dataset, Answers.NONE, RunContext.on(LocalDate.of(2026, 11, 20)));
        RunResult result = runs.run(request, held, progress -> {}, () -> false);
        Page page = result.pages().page(1);
        if (page.cells().isEmpty()) {
            throw new IllegalStateException("The page is empty");
        }
        return result;
    }
}
