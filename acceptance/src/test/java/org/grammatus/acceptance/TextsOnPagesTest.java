package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** What stands at the edges of pages, above tables and before their groups, arranged where it stands. */
class TextsOnPagesTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static Locator footer(Page page, String part) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Below every page, " + part)));
    }

    private static double middle(Locator text) {
        BoundingBox box = text.boundingBox();
        return box.x + box.width / 2;
    }

    /** Takes back so many steps, so that the report is as it was for whoever comes next. */
    private static void undo(Bench bench, int steps) {
        bench.page().locator(".paper").first().click();
        for (int i = 0; i < steps; i++) {
            bench.edit(() -> bench.page().keyboard().press("Control+z"));
        }
        assertThat(bench.canUndo()).isFalse();
    }

    @Test
    void aTextAtTheEdgeOfPagesIsDraggedToAnotherPartAndBack() {
        Bench bench = Bench.opened(PRODUCT.signedIn("author", "/bench/large-orders"));
        Page page = bench.page();
        page.getByText("Paper, margins, texts").click();
        bench.edit(
                () -> Bench.button(page, "Below every page: Set in three parts").click());
        Locator start = footer(page, "left");
        Locator end = footer(page, "right");
        assertThat(start).isVisible();
        start.scrollIntoViewIfNeeded();
        BoundingBox paper = page.locator(".paper").first().boundingBox();
        double centre = paper.x + paper.width / 2;
        double before = middle(start);
        page.mouse().move(before, start.boundingBox().y + 4);
        page.mouse().down();
        page.mouse().move(centre, start.boundingBox().y + 4);
        assertThat(page.locator(".edges .part.over")).hasText("centre");
        bench.edit(() -> page.mouse().up());
        assertThat(footer(page, "centre")).isVisible();
        assertThat(start).hasCount(0);
        assertThat(middle(footer(page, "centre"))).isBetween(before + 50, middle(end) - 50);
        assertThat(bench.undoName()).contains("Text moved from the left to the centre");
        // By keys: what stands in the part that it comes to goes where it came from.
        footer(page, "centre").focus();
        bench.edit(() -> page.keyboard().press("ArrowRight"));
        assertThat(footer(page, "centre")).isVisible();
        assertThat(end).isVisible();
        assertThat(page.locator(".paper [data-role=PAGE_FOOTER]").first()).containsText("1 / ");
        Accessibility.check(page);
        undo(bench, 3);
        assertThat(footer(page, "")).hasCount(0);
    }

    @Test
    void aNoteAndTheGrandTotalsNameSayWhatHoldsForAllRows() {
        Bench bench = Bench.opened(PRODUCT.signedIn("author", "/bench/quiet-apiaries"));
        Page page = bench.page();
        page.locator(".spine .item")
                .filter(new Locator.FilterOptions().setHasText("Table 1"))
                .click();
        Locator note = bench.field("Note below the title");
        note.click();
        bench.edit(() -> page.keyboard().insertText("{COUNT(*)} apiaries in {COUNT(DISTINCT region)} regions"));
        assertThat(page.locator(".paper [data-role=BLOCK_TITLE]")).hasText("17 apiaries in 5 regions");
        bench.field("Label of the grand total").click();
        bench.edit(() -> page.keyboard().insertText("All {COUNT(*)}"));
        assertThat(page.locator(".paper [data-role=GRAND_TOTAL]")).containsText("All 17");
        undo(bench, 2);
    }

    @Test
    void theBarOfTotalsCallsThemAsThePagesDo() {
        Bench bench = Bench.opened(PRODUCT.signedIn("author", "/bench/large-orders"));
        Page page = bench.page();
        page.locator(".spine .item")
                .filter(new Locator.FilterOptions().setHasText("Table 1"))
                .click();
        Locator totals = page.locator("dl[aria-label='Grand total']");
        assertThat(totals).containsText("Grand total");
        bench.field("Label of the grand total").click();
        bench.edit(() -> page.keyboard().insertText("Sold in all"));
        assertThat(totals).containsText("Sold in all");
        assertThat(totals).not().containsText("Grand total");
        undo(bench, 1);
    }

    @Test
    void groupsInLineAreNamedAboveTheirRows() {
        Bench bench = Bench.opened(PRODUCT.signedIn("author", "/bench/sales-by-fiscal-year"));
        Page page = bench.page();
        page.locator(".spine .item")
                .filter(new Locator.FilterOptions().setHasText("Apiary"))
                .first()
                .click();
        bench.choose(bench.field("Header"), "one line for each group");
        Locator line = page.locator(".paper [data-role=ROW]").first();
        assertThat(line).containsText("Apiary");
        assertThat(line.locator("span").first()).hasCSS("font-weight", "600");
        assertThat(page.locator(".paper [data-role=ROW]").nth(1).locator("span").first())
                .hasCSS("font-weight", "400");
        undo(bench, 1);
    }
}
