package org.grammatus.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.grammatus.core.Samples;
import org.grammatus.core.TreeText;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.Bands;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.Grouped;
import org.grammatus.core.page.Page.BandBox;
import org.grammatus.core.page.Page.BandRole;
import org.grammatus.core.plan.FiguresPlan;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.plan.ReportDatasets;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Several blocks on pages: below one another and side by side, each row of each once, nothing on top of anything else. */
class BlocksTest {

    private static final String PAGE = """
            "page": {"paper": "A4", "orientation": "%s",
                     "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
            """;

    /** A table of its own ids. */
    private static String table(String id, String more, String key, boolean rows) {
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
    private static String figures(String id, String more, int count) {
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
    private static String text(String id, String more, int lines) {
        return """
                {"id": "%1$s", "kind": "text"%2$s, "paragraphs": [
                  {"id": "%1$s-w", "kind": "words", "text": "%3$s {COUNT(*)} lines", "align": "end"},
                  {"id": "%1$s-l", "kind": "lines", "lines": %4$d},
                  {"id": "%1$s-s", "kind": "signature", "text": "Seen by"}]}""".formatted(id, more, "Something to read. ".repeat(1 + lines / 3), 1 + lines);
    }

    private static String report(String filters, List<String> blocks, String arrangement, String orientation) {
        return """
                {"format": "grammatus-report", "version": 1, "id": "several", "title": "Several", "dataset": "lines",
                 "locale": "en-GB", "prompts": [], "filters": %s, "blocks": [%s],%s
                """.formatted(
                                filters,
                                String.join(",", blocks),
                                arrangement.isEmpty() ? "" : " \"arrangement\": " + arrangement + ",")
                + PAGE.formatted(orientation);
    }

    private static Samples lines(Random random) {
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

    private record Made(Plan plan, List<Bands> tables, Pages pages) {}

    private static Made made(Samples samples, String json) {
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
    private static Made generated(int seed) {
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

    private static boolean isRow(BandKind kind) {
        return kind == BandKind.DETAIL || kind == BandKind.GROUP_LINE || kind.isItem();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void everyRowOfEveryBlockStandsOnOnePageInOrder(int seed) {
        Made made = generated(seed);
        Map<Integer, List<Integer>> printed = new HashMap<>();
        for (int number = 1; number <= made.pages.count(); number++) {
            Page page = made.pages.page(number);
            page.bands().stream()
                    .filter(band -> band.role() == BandRole.ROW)
                    .forEach(band -> printed.computeIfAbsent(band.block(), key -> new ArrayList<>())
                            .add(
                                    band.row() >= 0
                                            ? band.row()
                                            : page.nodes().get(band.node()).place()));
        }
        int place = 0;
        for (int block = 0; block < made.tables.size(); block++) {
            Bands bands = made.tables.get(block);
            int first = place;
            if (bands.block() instanceof FiguresPlan figures) {
                assertThat(figuresOf(made, block))
                        .isEqualTo(figures.figures().stream()
                                .map(FiguresPlan.Figure::id)
                                .toList());
                place++;
                continue;
            }
            List<Integer> expected = IntStream.range(0, bands.size())
                    .filter(band -> isRow(bands.kind(band)))
                    .map(band -> bands.kind(band) == BandKind.DETAIL
                            ? bands.row(band)
                            : first + bands.grouped().tree().placeOf(bands.node(band)))
                    .boxed()
                    .toList();
            assertThat(printed.getOrDefault(block, List.of())).isEqualTo(expected);
            place += bands.grouped().tree().nodeCount();
        }
    }

    /** The ids of the figures that a block prints, in order. */
    private static List<String> figuresOf(Made made, int block) {
        List<String> ids = new ArrayList<>();
        for (int number = 1; number <= made.pages.count(); number++) {
            Page page = made.pages.page(number);
            for (int i = 0; i < page.bands().size(); i++) {
                if (page.bands().get(i).block() == block && page.bands().get(i).role() == BandRole.ROW) {
                    cells(page, i).stream()
                            .filter(Page.Cell::figure)
                            .forEach(cell -> ids.add(page.ids().get(cell.id())));
                }
            }
        }
        return ids;
    }

    private static List<Page.Cell> cells(Page page, int band) {
        int end = band + 1 < page.bands().size()
                ? page.bands().get(band + 1).firstCell()
                : page.cells().size();
        return page.cells().subList(page.bands().get(band).firstCell(), end);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void nothingOverlapsOrLeavesItsPlace(int seed) {
        Made made = generated(seed);
        for (int number = 1; number <= made.pages.count(); number++) {
            Page page = made.pages.page(number);
            List<BandBox> bands = page.bands().stream()
                    .filter(band -> band.role() != BandRole.PAGE_HEADER && band.role() != BandRole.PAGE_FOOTER)
                    .toList();
            int footer = page.bands().getLast().top();
            for (int i = 0; i < bands.size(); i++) {
                BandBox band = bands.get(i);
                assertThat(band.top() + band.height()).isLessThanOrEqualTo(footer);
                for (BandBox other : bands.subList(0, i)) {
                    boolean apart =
                            other.top() + other.height() <= band.top() || band.top() + band.height() <= other.top();
                    assertThat(apart || besides(page, band, other))
                            .as("page %d: %s and %s", number, band, other)
                            .isTrue();
                }
            }
            for (int i = 0; i < page.bands().size(); i++) {
                inItsPlace(page, i);
            }
        }
    }

    private static boolean besides(Page page, BandBox a, BandBox b) {
        Page.BlockBox left = page.blocks().get(a.block());
        Page.BlockBox right = page.blocks().get(b.block());
        return left.x() + left.width() <= right.x() || right.x() + right.width() <= left.x();
    }

    private static void inItsPlace(Page page, int index) {
        BandBox band = page.bands().get(index);
        boolean wide = band.role() == BandRole.TITLE
                || band.role() == BandRole.PAGE_HEADER
                || band.role() == BandRole.PAGE_FOOTER;
        Page.BlockBox block = page.blocks().get(band.block());
        for (Page.Cell cell : cells(page, index)) {
            assertThat(cell.x()).isGreaterThanOrEqualTo(block.x());
            if (!wide) {
                assertThat(cell.x() + cell.width()).isLessThanOrEqualTo(block.x() + block.width());
            }
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aBlockChangesNoOthersFigures(int seed) {
        Random random = new Random(seed);
        Samples samples = lines(random);
        String a = table("a", "", "region", true);
        String b = table(
                "b",
                ", \"filters\": [{\"id\": \"own\", \"kind\": \"expression\", \"where\": \"category <> 'Jars'\"}]",
                "category",
                false);
        Made both = made(samples, report("[]", List.of(a, b), "", "portrait"));
        Made first = made(samples, report("[]", List.of(a), "", "portrait"));
        String narrowed = "[{\"id\": \"own\", \"kind\": \"expression\", \"where\": \"category <> 'Jars'\"}]";
        Made second = made(samples, report(narrowed, List.of(table("b", "", "category", false)), "", "portrait"));
        assertThat(TreeText.of(grouped(both, 0))).isEqualTo(TreeText.of(grouped(first, 0)));
        assertThat(TreeText.of(grouped(both, 1))).isEqualTo(TreeText.of(grouped(second, 0)));
    }

    private static Grouped grouped(Made made, int table) {
        return made.tables.get(table).grouped();
    }

    @Test
    void blocksBesideOneAnotherShareTheWidthAndTheNextRowBeginsBelowTheLongest() {
        Samples samples = lines(new Random(4));
        Made made = made(
                samples,
                report(
                        "[]",
                        List.of(
                                table("wide", ", \"title\": \"By order\"", "order_number", false),
                                table("narrow", ", \"title\": \"By region\"", "region", false),
                                table("below", ", \"title\": \"By category\"", "category", false)),
                        "[{\"blocks\": [{\"block\": \"wide\", \"share\": 60}, {\"block\": \"narrow\", \"share\": 40}]}]",
                        "portrait"));
        Page first = made.pages.page(1);
        Page.BlockBox wide = first.blocks().get(0);
        Page.BlockBox narrow = first.blocks().get(1);
        assertThat(wide.width() * 40 / 60).isCloseTo(narrow.width(), org.assertj.core.data.Offset.offset(2));
        assertThat(narrow.x()).isGreaterThan(wide.x() + wide.width());
        assertThat(top(first, 0)).isEqualTo(top(first, 1));
        assertThat(first.blocks().get(2).width()).isGreaterThan(wide.width());
        for (int number = 1; number <= made.pages.count(); number++) {
            Page page = made.pages.page(number);
            int lowest = bottom(page, 0, 1);
            page.bands().stream()
                    .filter(band -> band.block() == 2)
                    .forEach(band -> assertThat(band.top()).isGreaterThan(lowest));
        }
    }

    private static int top(Page page, int block) {
        return page.bands().stream()
                .filter(band -> band.block() == block && band.role() == BandRole.BLOCK_TITLE)
                .mapToInt(BandBox::top)
                .findFirst()
                .orElseThrow();
    }

    private static int bottom(Page page, int... blocks) {
        return page.bands().stream()
                .filter(band -> IntStream.of(blocks).anyMatch(block -> block == band.block()))
                .filter(band -> band.role() != BandRole.PAGE_HEADER && band.role() != BandRole.PAGE_FOOTER)
                .mapToInt(band -> band.top() + band.height())
                .max()
                .orElse(0);
    }

    @Test
    void aRowThatBeginsANewPageDoesAndABlockThatFitsNoneIsRefusedInWords() {
        Samples samples = lines(new Random(2));
        List<String> blocks = List.of(table("a", "", "region", false), table("b", "", "category", false));
        Made flowing = made(samples, report("[]", blocks, "", "portrait"));
        assertThat(flowing.pages.count()).isEqualTo(1);
        Made broken = made(
                samples,
                report(
                        "[]",
                        blocks,
                        "[{\"blocks\": [{\"block\": \"a\"}]}, {\"blocks\": [{\"block\": \"b\"}], \"newPage\": true}]",
                        "portrait"));
        assertThat(broken.pages.count()).isEqualTo(2);
        assertThat(broken.pages.page(2).bands()).anyMatch(band -> band.block() == 1 && band.role() == BandRole.ROW);
        List<String> six = IntStream.range(0, 6)
                .mapToObj(i -> table("n" + i, "", "category", false)
                        .replace("\"label\": \"Net\"", "\"label\": \"Net\", \"width\": 200"))
                .toList();
        String beside = IntStream.range(0, 6)
                .mapToObj("{\"block\": \"n%d\"}"::formatted)
                .collect(Collectors.joining(",", "[{\"blocks\": [", "]}]"));
        Page refused =
                made(samples, report("[]", six, beside, "portrait")).pages.page(1);
        assertThat(String.join(" ", refused.texts())).contains("This part").contains("do not fit");
        assertThat(refused.bands())
                .filteredOn(band -> band.role() == BandRole.ROW)
                .hasSize(6);
    }

    @Test
    void theListHasAllBlocksOneBelowTheOther() {
        Made made = generated(7);
        ContinuousView strips = made.pages.strips();
        int rows = 0;
        for (int number = 1; number <= strips.count(); number++) {
            Page strip = strips.strip(number);
            assertThat(strip.blocks())
                    .extracting(Page.BlockBox::x)
                    .containsOnly(strip.blocks().getFirst().x());
            assertThat(strip.height()).isEqualTo(strips.heights()[number - 1]);
            rows += (int) strip.bands().stream()
                    .filter(band -> band.role() == BandRole.ROW)
                    // Key figures stand side by side in one.
                    .filter(band -> !(made.tables.get(band.block()).block() instanceof FiguresPlan))
                    .count();
        }
        int expected = made.tables.stream()
                .filter(bands -> !(bands.block() instanceof FiguresPlan))
                .mapToInt(bands -> (int) IntStream.range(0, bands.size())
                        .filter(band -> isRow(bands.kind(band)) || bands.kind(band) == BandKind.EMPTY)
                        .count())
                .sum();
        assertThat(rows).isEqualTo(expected);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void everyBandIsOnThePageThatIsSaid(int seed) {
        Made made = generated(seed);
        for (int block = 0; block < made.tables.size(); block++) {
            Bands bands = made.tables.get(block);
            for (int band = 0; band < bands.size(); band += 7) {
                if (bands.kind(band) == BandKind.DETAIL) {
                    int row = bands.row(band);
                    int of = block;
                    Page page = made.pages.page(made.pages.pageOf(block, band));
                    assertThat(page.bands()).anyMatch(box -> box.block() == of && box.row() == row);
                }
            }
        }
    }

    @Test
    void whatIsWrongWithBlocksIsToldAtItsPlace() {
        String a = table("a", "", "region", false);
        String b = table("b", "", "category", false);
        wrong(report("[]", List.of(a, a), "", "portrait"), "/blocks/1/id", "every id is unique in the document");
        wrong(
                report("[]", List.of(a, b), "[{\"blocks\": [{\"block\": \"gone\"}]}]", "portrait"),
                "/arrangement/0/blocks/0/block",
                "unknown block \"gone\", expected one of a, b");
        wrong(
                report("[]", List.of(a, b), "[{\"blocks\": [{\"block\": \"a\"}, {\"block\": \"a\"}]}]", "portrait"),
                "/arrangement/0/blocks/1/block",
                "has a place already");
        wrong(
                report(
                        "[]",
                        List.of(a, b),
                        "[{\"blocks\": [{\"block\": \"a\", \"share\": 60}, {\"block\": \"b\", \"share\": 60}]}]",
                        "portrait"),
                "/arrangement/0/blocks",
                "the shares of the row come to 120, expected 100");
        wrong(
                report("[]", List.of(table("a", ", \"off\": true", "region", false)), "", "portrait"),
                "/blocks",
                "every block is switched off");
        wrong(
                report(
                        "[]",
                        List.of(table(
                                "a",
                                ", \"filters\": [{\"id\": \"f\", \"kind\": \"expression\", \"where\": \"nett > 1\"}]",
                                "region",
                                false)),
                        "",
                        "portrait"),
                "/blocks/0/filters/0/where",
                "unknown field \"nett\"; did you mean \"net\"?");
        List<String> many = IntStream.range(0, 40)
                .mapToObj(i -> table("b" + i, "", "region", false))
                .toList();
        wrong(report("[]", many, "", "portrait"), "/blocks", "expected at most 30");
    }

    private static void wrong(String json, String pointer, String message) {
        try {
            Planner.plan(
                    Definitions.checkReport(json), ReportDatasets.of(Samples.dataset()), Answers.NONE, Samples.CONTEXT);
        } catch (ProblemException e) {
            assertThat(e.problems()).anySatisfy(problem -> {
                assertThat(problem.pointer()).startsWith(pointer);
                assertThat(problem.message()).contains(message);
            });
            return;
        }
        throw new AssertionError("Nothing was wrong");
    }

    @Test
    void theOlderWordForATableReadsOnAndABlockThatIsOffIsLeftOut() {
        Report old = Definitions.readReport(Samples.REPORT);
        assertThat(Definitions.write(old)).contains("\"kind\": \"banded\"");
        String off = report(
                "[]",
                List.of(table("a", ", \"off\": true", "region", false), table("b", "", "category", false)),
                "[{\"blocks\": [{\"block\": \"a\"}, {\"block\": \"b\"}]}]",
                "portrait");
        Plan plan = Planner.plan(Definitions.readReport(off), Samples.dataset(), Answers.NONE, Samples.CONTEXT);
        assertThat(plan.blocks()).extracting(table -> table.id()).containsExactly("b");
        assertThat(plan.rows()).hasSize(1);
    }
}
