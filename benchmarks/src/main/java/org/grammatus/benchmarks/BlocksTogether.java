package org.grammatus.benchmarks;

import java.io.IOException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunResult;
import org.grammatus.sources.RowsInMemory;

/**
 * Three blocks of one report beside the same three as reports of their own, on rows that are held: what stands together costs no more than
 * what stands alone. And an edit of one of three to the page that shows it.
 */
final class BlocksTogether {

    private static final int BEFORE = 4;
    private static final int COUNT = 9;
    private static final String HEAD = """
            {"format": "grammatus-report", "version": 1, "id": "blocks", "title": "Blocks", "dataset": "lines",
             "locale": "en-GB", "prompts": [], "filters": [{"id": "f", "kind": "expression", "where": "net >= 1"}],
             "blocks": [%s],
             "page": {"paper": "A4", "orientation": "portrait",
                      "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
            """;

    private static final String TABLE = """
            {"id": "%1$s", "kind": "table", "filters": [%3$s],
             "levels": [{"id": "%1$s-l", "name": "By", "key": "%2$s", "header": "line", "footer": "none",
               "order": [{"id": "%1$s-o", "by": "SUM(net)", "direction": "descending"}]}],
             "columns": [{"id": "%1$s-c", "label": "Net"}],
             "totals": [{"id": "%1$s-t", "column": "%1$s-c", "value": "SUM(net) + %4$d", "cells": [
               {"at": "report", "in": "footer"}, {"at": "%1$s-l", "in": "header"}]}],
             "counts": [], "highlights": [], "rows": {"shown": false, "order": []}}""";

    private static final String FIGURES = """
            {"id": "key", "kind": "figures", "figures": [
              {"id": "k1", "label": "Net", "value": "SUM(net)"}, {"id": "k2", "label": "Lines", "value": "COUNT(*)"},
              {"id": "k3", "label": "Orders", "value": "COUNT(DISTINCT order_number)"}]}""";

    private static final String OWN = "{\"id\": \"own\", \"kind\": \"expression\", \"where\": \"net >= 500\"}";

    private BlocksTogether() {}

    /** The documents of the blocks; the first as the edit of a number leaves it. */
    private static List<String> blocks(int edit) {
        return List.of(
                TABLE.formatted("regions", "region", "", edit), TABLE.formatted("apiaries", "apiary", OWN, 0), FIGURES);
    }

    static void run(int[] sizes) throws IOException {
        System.out.printf("%-34s %12s %12s %8s%n", "three blocks", "alone, ms", "together, ms", "ratio");
        for (int size : sizes) {
            Star star = new OurEngine(Lines.generate(size)).star();
            List<Double> alone = new ArrayList<>();
            List<Double> together = new ArrayList<>();
            for (int i = 0; i < BEFORE + COUNT; i++) {
                double sum = 0;
                for (String block : blocks(0)) {
                    sum += cold(star, HEAD.formatted(block));
                }
                alone.add(sum);
                together.add(cold(star, HEAD.formatted(String.join(",", blocks(0)))));
            }
            double apart = median(alone);
            double joined = median(together);
            System.out.printf(
                    "%-34s %12.1f %12.1f %8.2f%n", "%,d lines".formatted(size), apart, joined, joined / apart);
            System.out.printf("%-34s %12s %12.1f%n", "%,d lines, edit of one".formatted(size), "", edited(star));
        }
    }

    /** How long a report takes of which nothing has been made before, in milliseconds. */
    private static double cold(Star star, String document) {
        return timed(new RunEngine(RunLimits.DEFAULT), star, document);
    }

    private static double edited(Star star) {
        RunEngine runs = new RunEngine(RunLimits.DEFAULT);
        List<Double> times = new ArrayList<>();
        RunResult seen = page(runs, star, HEAD.formatted(String.join(",", blocks(0))));
        for (int i = 1; i <= 2 * COUNT; i++) {
            long start = System.nanoTime();
            seen = page(runs, star, HEAD.formatted(String.join(",", blocks(i))));
            times.add((System.nanoTime() - start) / 1e6);
        }
        if (seen.pageCount() == 0) {
            throw new IllegalStateException("There is no page");
        }
        return median(times);
    }

    private static double timed(RunEngine runs, Star star, String document) {
        long start = System.nanoTime();
        page(runs, star, document);
        return (System.nanoTime() - start) / 1e6;
    }

    private static RunResult page(RunEngine runs, Star star, String document) {
        RunRequest request = new RunRequest(
                Definitions.readReport(document),
                star.dataset(),
                Answers.NONE,
                RunContext.on(LocalDate.of(2026, 11, 20)));
        RunResult result = runs.run(request, new RowsInMemory(star), progress -> {}, () -> false);
        if (result.pages().page(1).cells().isEmpty()) {
            throw new IllegalStateException("The page is empty");
        }
        return result;
    }

    /** The median of the later ones: a program that has just been started is slow. */
    private static double median(List<Double> times) {
        List<Double> warm = new ArrayList<>(times.subList(BEFORE, times.size()));
        Collections.sort(warm);
        return warm.get(warm.size() / 2);
    }
}
