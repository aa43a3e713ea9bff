package org.grammatus.core.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.grammatus.core.Samples;
import org.grammatus.core.band.Bands;
import org.grammatus.core.dataset.Renaming;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.BlockPlan;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Expressions in texts at the edges of pages are over the rows that stand on each. */
class PageTextsTest {

    private static final String TABLE = """
            {"id": "%s", "kind": "table", "levels": [], "columns": [
               {"id": "%1$s-o", "label": "Order", "value": "order_number"},
               {"id": "%1$s-n", "label": "Net", "value": "net"}],
             "totals": [], "counts": [], "highlights": [],
             "rows": {"shown": %s, "order": [{"id": "%1$s-by", "by": "net", "direction": "ascending"}]}}""";

    private static String table(String id, boolean shown) {
        return TABLE.formatted(id, shown);
    }

    private static Report report(String blocks, String footer, String more) {
        return Definitions.readReport("""
                {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "lines",
                 "locale": "en-GB",
                 "prompts": [{"id": "p", "name": "target", "type": "decimal", "label": "Target", "default": "140"}],
                 "filters": [], "blocks": [%s],
                 "page": {"paper": "A5", "orientation": "landscape", "lines": {"footer": {"start": "%s"}} %s,
                   "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
                """.formatted(blocks, footer, more));
    }

    private static Pages pages(Samples rows, Report report) {
        Plan plan = Planner.plan(report, Samples.dataset(), Answers.NONE, Samples.CONTEXT);
        List<Bands> bands = new ArrayList<>();
        for (BlockPlan block : plan.blocks()) {
            bands.add(Bands.of(block, rows.grouped(block.facts()), bands.isEmpty()));
        }
        return Pages.of(bands, plan.rows(), () -> false);
    }

    private static String footer(Page page) {
        Page.BandBox band = page.bands().stream()
                .filter(box -> box.role() == Page.BandRole.PAGE_FOOTER)
                .findFirst()
                .orElseThrow();
        return page.cells().size() == band.firstCell()
                ? ""
                : page.texts().get(page.cells().get(band.firstCell()).text());
    }

    /** Ninety lines of thirty orders, the nets 1 to 90 in a shuffled order, freight 2.00 an order. */
    private static Samples rows() {
        Samples rows = new Samples();
        List<Integer> nets = new ArrayList<>();
        for (int i = 0; i < 90; i++) {
            nets.add(i + 1);
        }
        Collections.shuffle(nets, new Random(7));
        for (int order = 0; order < 30; order++) {
            rows.order("S%02d".formatted(order), "2026-02-01T10:00", "Coast", "2.00");
            for (int line = 0; line < 3; line++) {
                rows.line("S%02d".formatted(order), "Hives", nets.get(order * 3 + line) + ".00");
            }
        }
        return rows;
    }

    @Test
    void aSumIsOfThePagesRowsAndOverAllOfTheReport() {
        Pages pages = pages(
                rows(),
                report(
                        table("t", true),
                        "{COUNT(*)} lines, {SUM(net)} of {SUM(net) OVER ()}, {MIN(net)} to {MAX(net)}, page {page}",
                        ""));
        assertThat(pages.count()).isGreaterThan(2);
        int lines = 0;
        for (int number = 1; number <= pages.count(); number++) {
            Page page = pages.page(number);
            int here = (int) page.bands().stream()
                    .filter(box -> box.role() == Page.BandRole.ROW)
                    .count();
            // They stand in order of their nets, which are the numbers from 1 on.
            int first = lines + 1;
            int last = lines + here;
            int sum = (first + last) * here / 2;
            assertThat(footer(page))
                    .isEqualTo("%d lines, %,d.00 of 4,095.00, %d.00 to %d.00, page %d"
                            .formatted(here, sum, first, last, number));
            lines = last;
        }
        assertThat(lines).isEqualTo(90);
    }

    @Test
    void ordersAndTheirFreightCountOnceOnEachPage() {
        Pages pages = pages(
                rows(), report(table("t", true), "{COUNT(DISTINCT order_number)} orders, {SUM(freight)} freight", ""));
        for (int number = 1; number <= pages.count(); number++) {
            Page page = pages.page(number);
            long orders = page.cells().stream()
                    .map(cell -> page.texts().get(cell.text()))
                    .filter(text -> text.matches("S\\d\\d"))
                    .distinct()
                    .count();
            assertThat(footer(page)).isEqualTo("%d orders, %d.00 freight".formatted(orders, orders * 2));
        }
    }

    @Test
    void firstAndLastAreThoseOfThePageAsItIsPrintedAndAConditionChooses() {
        Pages pages = pages(
                rows(),
                report(
                        table("t", true),
                        "{FIRST(net)} {LAST(net)} {COUNT(*) FILTER (WHERE net > 10)} {:target} {CURRENT_DATE}",
                        ""));
        Page page = pages.page(1);
        long here = page.bands().stream()
                .filter(box -> box.role() == Page.BandRole.ROW)
                .count();
        assertThat(footer(page)).isEqualTo("1.00 %d.00 %d 140 20 Nov 2026".formatted(here, here - 10));
    }

    @Test
    void ofSeveralTablesThePageNamesTheOneThatItIsAbout() {
        String two = table("a", true) + "," + table("b", true);
        assertThatThrownBy(() -> pages(rows(), report(two, "{COUNT(*)}", "")))
                .isInstanceOf(ProblemException.class)
                .hasMessageContaining("/page/lines/footer/start")
                .hasMessageContaining("say with \"block\" of the page whose rows");
        Pages pages = pages(rows(), report(two, "{COUNT(*)}", ", \"block\": \"b\""));
        assertThat(footer(pages.page(1)))
                .as("the page has rows of the other alone")
                .isEqualTo("0");
        assertThat(footer(pages.page(pages.count()))).isNotEqualTo("0");
        assertThat(footer(pages(rows(), report(two, "{:target}", "")).page(1)))
                .as("an answer is about no rows")
                .isEqualTo("140");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{pge} | unknown name \"pge\", expected one of title, answers",
                "{pge} | did you mean \"page\"?",
                "{net} | field \"net\" has many values here; put it into SUM",
                "{SUM(nett)} | 1:6 unknown field \"nett\"",
                "{SUM(net) OVER (PARTITION BY x)} | expected OVER ()",
                "{SUM(net} | found"
            })
    void whatIsWrongIsToldAtItsText(String text, String problem) {
        assertThatThrownBy(() -> pages(rows(), report(table("t", true), text, "")))
                .isInstanceOf(ProblemException.class)
                .hasMessageContaining("/page/lines/footer/start")
                .hasMessageContaining(problem);
    }

    @Test
    void aTableThatPrintsNoRowsHasNoneToAddUp() {
        assertThatThrownBy(() -> pages(rows(), report(table("t", false), "{SUM(net)}", "")))
                .isInstanceOf(ProblemException.class)
                .hasMessageContaining("block \"t\" prints neither rows nor groups");
    }

    @ParameterizedTest
    @CsvSource({"line, none", "heading, totals", "none, totals"})
    void ofATableOfGroupsItIsTheRowsOfThoseThatBeginOnThePage(String header, String footer) {
        String level = """
                "levels": [{"id": "o1", "name": "Order", "key": "order_number", "order": [],
                            "header": "%s", "footer": "%s"}]""".formatted(header, footer);
        Pages pages = pages(
                rows(),
                report(table("t", false).replace("\"levels\": []", level), "{COUNT(*)} of {COUNT(*) OVER ()}", ""));
        int lines = 0;
        for (int number = 1; number <= pages.count(); number++) {
            lines += Integer.parseInt(footer(pages.page(number)).replace(" of 90", ""));
        }
        assertThat(lines).isEqualTo(90);
        long begun = pages.page(1).bands().stream()
                .filter(box -> box.role() == Page.BandRole.ROW
                        || box.role() == Page.BandRole.HEADING
                        || header.equals("none") && box.role() == Page.BandRole.TOTALS)
                .count();
        assertThat(footer(pages.page(1))).isEqualTo(begun * 3 + " of 90");
    }

    @Test
    void ofABlockThatDoesNotAppearNothingIsSaid() {
        String two = table("a", true) + ","
                + table("b", true).replace("\"kind\": \"table\",", "\"kind\": \"table\", \"off\": true,");
        Pages pages = pages(rows(), report(two, "{COUNT(*)} lines", ", \"block\": \"b\""));
        assertThat(footer(pages.page(1))).isEqualTo("lines");
    }

    @Test
    void aBlockThatIsNotThereIsTold() {
        assertThatThrownBy(() -> report(table("t", true), "{page}", ", \"block\": \"u\""))
                .isInstanceOf(ProblemException.class)
                .hasMessageContaining("/page/block")
                .hasMessageContaining("unknown block \"u\", expected one of t");
    }

    @Test
    void aRenamedFieldIsRenamedInThemAndAWordOfPagesIsNone() {
        Report report = report(table("t", true), "{SUM(net)} {page} {title}", "");
        assertThat(new Renaming("net", "amount")
                        .in(report)
                        .page()
                        .lines()
                        .orElseThrow()
                        .footer()
                        .orElseThrow()
                        .start())
                .contains("{SUM(amount)} {page} {title}");
        assertThat(new Renaming("page", "leaf").in(report).page()).isEqualTo(report.page());
    }

    @Test
    void theGroupOfAPageIsThatOfTheTableThatHasGroupsWhereverItStands() {
        String text =
                "{\"id\": \"w\", \"kind\": \"text\", \"paragraphs\": [{\"id\": \"q\", \"kind\": \"words\", \"text\": \"Dear all\"}]}";
        String grouped = table("t", true)
                .replace(
                        "\"levels\": []",
                        "\"levels\": [{\"id\": \"r1\", \"name\": \"Region\", \"key\": \"region\", \"order\": [], \"header\": \"heading\", \"footer\": \"none\"}]");
        Pages pages = pages(rows(), report(text + "," + grouped, "{group} {page_of_group} of {pages_of_group}", ""));
        assertThat(footer(pages.page(1))).isEqualTo("Coast 1 of " + pages.count());
    }
}
