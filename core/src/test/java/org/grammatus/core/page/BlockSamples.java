package org.grammatus.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.grammatus.core.Samples;
import org.grammatus.core.band.Bands;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.prompt.Answers;

/** Reports of several blocks, written down or generated, over rows of their own. */
final class BlockSamples {

    private BlockSamples() {}

    static final String PAGE = """
            "page": {"paper": "A4", "orientation": "%s",
                     "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
            """;

    /** A table of its own ids. */
    static String table(String id, String more, String key, boolean rows) {
        return """
                {"id": "%1$s", "kind": "table"%2$s,
                 "levels": [{"id": "%1$s-l", "name": "By", "key": "%3$s",
                   "order": [{"id": "%1$s-o", "by": "SUM(net)", "direction": "descending"}],
                   "header": "%4$s", "footer": "%5$s"}],
                 "columns": [{"id": "%1$s-a", "label": "What", "value": "%3$s"},
                   {"id": "%1$s-c", "label": "Net", "value": "net"}],
                 "totals": [{"id": "%1$s-t", "column": "%1$s-c", "value": "SUM(net)", "cells": [
                   {"at": "%1$s-l", "in": "%6$s"}, {"at": "report", "in": "footer"}]}],
                 "counts": ["lines"], "highlights": [], "rows": {"shown": %7$s, "order": []}}""".formatted(
                id, more, key, rows ? "heading" : "line", rows ? "totals" : "none", rows ? "footer" : "header", rows);
    }

    /** Key figures of its own ids. */
    static String figures(String id, String more, int count) {
        return IntStream.range(0, count)
                .mapToObj(i -> "{\"id\": \"%s-k%d\", \"label\": \"%s\", \"value\": \"SUM(net) * %d\"}"
                        .formatted(
                                id,
                                i,
                                "A long name of a figure ".repeat(i % 3 + 1).strip(),
                                1 + i * 1000))
                .collect(Collectors.joining(
                        ",", "{\"id\": \"%s\", \"kind\": \"figures\"%s, \"figures\": [".formatted(id, more), "]}"));
    }

    /** A text of its own ids. */
    static String text(String id, String more, int lines) {
        return """
                {"id": "%1$s", "kind": "text"%2$s, "paragraphs": [
                  {"id": "%1$s-w", "kind": "words", "text": "%3$s {COUNT(*)} lines", "align": "end"},
                  {"id": "%1$s-l", "kind": "lines", "lines": %4$d},
                  {"id": "%1$s-s", "kind": "signature", "text": "Seen by"}]}""".formatted(id, more, "Something to read. ".repeat(1 + lines / 3), 1 + lines);
    }

    static String report(String filters, List<String> blocks, String arrangement, String orientation) {
        return """
                {"format": "grammatus-report", "version": 1, "id": "several", "title": "Several", "dataset": "lines",
                 "locale": "en-GB", "prompts": [], "filters": %s, "blocks": [%s],%s
                """.formatted(
                                filters,
                                String.join(",", blocks),
                                arrangement.isEmpty() ? "" : " \"arrangement\": " + arrangement + ",")
                + PAGE.formatted(orientation);
    }

    static Samples lines(Random random) {
        Samples samples = new Samples();
        int orders = 3 + random.nextInt(60);
        for (int i = 0; i < orders; i++) {
            samples.order("S%03d".formatted(i), "2026-01-05T10:00", "R" + random.nextInt(4), null);
        }
        for (int i = 0; i < orders * 3; i++) {
            samples.line(
                    "S%03d".formatted(random.nextInt(orders)),
                    List.of("Hives", "Jars", "Wax", "Frames and foundation").get(random.nextInt(4)),
                    random.nextInt(900) + ".50");
        }
        return samples;
    }

    record Made(Plan plan, List<Bands> tables, Pages pages) {}

    static Made made(Samples samples, String json) {
        Report report = Definitions.readReport(json);
        Plan plan = Planner.plan(report, Samples.dataset(), Answers.NONE, Samples.CONTEXT);
        List<Bands> tables = new ArrayList<>();
        plan.blocks().forEach(block -> tables.add(Bands.of(block, samples.grouped(block.facts()), tables.isEmpty())));
        return new Made(plan, tables, Pages.of(tables, plan.rows(), () -> false));
    }

    static IntStream seeds() {
        return IntStream.range(0, 60);
    }

    /** Made of one to five blocks of all kinds, some beside others. */
    static Made generated(int seed) {
        Random random = new Random(seed);
        int count = 1 + random.nextInt(5);
        List<String> blocks = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            String title = random.nextBoolean() ? ", \"title\": \"Table %d of several\"".formatted(i) : "";
            String own = random.nextInt(3) == 0
                    ? ", \"filters\": [{\"id\": \"f%d\", \"kind\": \"expression\", \"where\": \"net > 200\"}]"
                            .formatted(i)
                    : "";
            int kind = random.nextInt(5);
            blocks.add(
                    kind == 0
                            ? figures("b" + i, title + own, 1 + random.nextInt(7))
                            : kind == 1
                                    ? text("b" + i, title + own, random.nextInt(30))
                                    : table(
                                            "b" + i,
                                            title + own,
                                            List.of("region", "category", "order_number")
                                                    .get(random.nextInt(3)),
                                            random.nextBoolean()));
        }
        List<String> rows = new ArrayList<>();
        for (int i = 0; i < count; ) {
            int beside = Math.min(count - i, 1 + random.nextInt(3));
            rows.add("{\"blocks\": ["
                    + IntStream.range(i, i + beside)
                            .mapToObj("{\"block\": \"b%d\"}"::formatted)
                            .collect(Collectors.joining(","))
                    + "]" + (random.nextInt(4) == 0 ? ", \"newPage\": true" : "") + "}");
            i += beside;
        }
        String arrangement = random.nextInt(5) == 0 ? "" : "[" + String.join(",", rows) + "]";
        return made(lines(random), report("[]", blocks, arrangement, random.nextBoolean() ? "portrait" : "landscape"));
    }
}
