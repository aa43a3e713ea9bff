package org.grammatus.core.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.grammatus.core.page.BlockSamples.lines;
import static org.grammatus.core.page.BlockSamples.made;
import static org.grammatus.core.page.BlockSamples.report;
import static org.grammatus.core.page.BlockSamples.table;

import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.page.BlockSamples.Made;
import org.grammatus.core.page.Page.BandBox;
import org.grammatus.core.page.Page.BandRole;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;

/** Several blocks on pages: below one another and side by side, refused in their place, kept together. */
@Meaning(31)
class BlocksTest {

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
        Page first = made.pages().page(1);
        Page.BlockBox wide = first.parts().blocks().get(0);
        Page.BlockBox narrow = first.parts().blocks().get(1);
        assertThat(wide.width() * 40 / 60).isCloseTo(narrow.width(), org.assertj.core.data.Offset.offset(2));
        assertThat(narrow.x()).isGreaterThan(wide.x() + wide.width());
        assertThat(top(first, 0)).isEqualTo(top(first, 1));
        assertThat(first.parts().blocks().get(2).width()).isGreaterThan(wide.width());
        for (int number = 1; number <= made.pages().count(); number++) {
            Page page = made.pages().page(number);
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
        assertThat(flowing.pages().count()).isEqualTo(1);
        Made broken = made(
                samples,
                report(
                        "[]",
                        blocks,
                        "[{\"blocks\": [{\"block\": \"a\"}]}, {\"blocks\": [{\"block\": \"b\"}], \"newPage\": true}]",
                        "portrait"));
        assertThat(broken.pages().count()).isEqualTo(2);
        assertThat(broken.pages().page(2).bands()).anyMatch(band -> band.block() == 1 && band.role() == BandRole.ROW);
        List<String> six = IntStream.range(0, 6)
                .mapToObj(i -> table("n" + i, "", "category", false)
                        .replace("\"label\": \"Net\"", "\"label\": \"Net\", \"width\": 200"))
                .toList();
        String beside = IntStream.range(0, 6)
                .mapToObj("{\"block\": \"n%d\"}"::formatted)
                .collect(Collectors.joining(",", "[{\"blocks\": [", "]}]"));
        Page refused =
                made(samples, report("[]", six, beside, "portrait")).pages().page(1);
        assertThat(String.join(" ", refused.texts())).contains("This part").contains("do not fit");
        assertThat(refused.bands())
                .filteredOn(band -> band.role() == BandRole.ROW)
                .hasSize(6);
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

    @Test
    void whatIsKeptTogetherMovesAsAWholeUnlessItIsTallerThanAPage() {
        Samples samples = new Samples();
        for (int i = 0; i < 30; i++) {
            samples.order("S%03d".formatted(i), "2026-01-05T10:00", "R" + i % 3, null);
            samples.line("S%03d".formatted(i), "Hives", "1.00");
        }
        List<String> blocks = List.of(table("a", "", "order_number", false), table("b", "", "order_number", false));
        String rows = "[{\"blocks\": [{\"block\": \"a\"}]}, {\"blocks\": [{\"block\": \"b\"}], \"keepTogether\": %s}]";
        Made flowing = made(samples, report("[]", blocks, rows.formatted(false), "portrait"));
        assertThat(pagesOf(flowing, 1)).containsExactly(1, 2);
        Made kept = made(samples, report("[]", blocks, rows.formatted(true), "portrait"));
        assertThat(pagesOf(kept, 1)).containsExactly(2);
        for (int i = 30; i < 130; i++) {
            samples.order("S%03d".formatted(i), "2026-01-05T10:00", "R" + i % 3, null);
            samples.line("S%03d".formatted(i), "Hives", "1.00");
        }
        Made tall = made(samples, report("[]", blocks, rows.formatted(true), "portrait"));
        assertThat(pagesOf(tall, 1)).as("it flows").hasSizeGreaterThan(1);
    }

    private static List<Integer> pagesOf(Made made, int block) {
        return IntStream.rangeClosed(1, made.pages().count())
                .filter(number -> made.pages().page(number).bands().stream()
                        .anyMatch(band -> band.block() == block && band.role() == BandRole.ROW))
                .boxed()
                .toList();
    }

    @Test
    void tooManyBlocksAreRefusedInWords() {
        List<String> forty = IntStream.range(0, 40)
                .mapToObj(i -> table("t" + i, "", "region", false))
                .toList();
        org.assertj.core.api.Assertions.assertThatThrownBy(
                        () -> Definitions.readReport(report("[]", forty, "", "portrait")))
                .hasMessageContaining("/blocks: ");
    }
}
