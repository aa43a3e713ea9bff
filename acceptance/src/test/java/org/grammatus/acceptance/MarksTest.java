package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Readers go from mark to mark, and see what is marked alone. */
class MarksTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    @Test
    void marksAreCountedAndSteppedThroughByKeyAcrossPages() {
        Page page = PRODUCT.signedIn("reader", "/reports/expected-deliveries");
        Locator marks = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Marks"));
        assertThat(marks.getByText("Overdue")).isVisible();
        Locator paper = page.locator(".paper").first();
        page.keyboard().press("m");
        Locator at = marks.getByText(Pattern.compile("^Mark 1 of [\\d,]+$"));
        assertThat(at).isVisible();
        page.keyboard().press("Shift+M");
        // Before the first one comes the last, on its own page.
        Locator last = marks.getByText(Pattern.compile("^Mark ([\\d,]+) of \\1$"));
        assertThat(last).isVisible();
        Bench.button(page, "Next: Overdue").click();
        assertThat(at).isVisible();
        assertThat(paper.locator("[data-look=alert]").first()).isVisible();
        Accessibility.check(page);
    }

    @Test
    void whatIsMarkedAloneIsPrintedAndTotalsStay() {
        Page page = PRODUCT.signedIn("reader", "/reports/expected-deliveries");
        Locator paper = page.locator(".paper").first();
        Locator totals = page.getByLabel("Grand total");
        assertThat(totals).containsText("Open value");
        String before = totals.textContent();
        page.getByText("Only what is marked").click();
        assertThat(paper).containsText("Only what is marked is printed; totals are of everything");
        assertThat(page).hasURL(Pattern.compile("marked=only"));
        assertThat(paper.locator("[data-role=ROW]:not([data-look])")).hasCount(0);
        assertThat(paper.locator("[data-role=ROW][data-look]").first()).isVisible();
        assertThat(totals).hasText(before);
        Bench.button(page, "Reset view").click();
        assertThat(paper).not().containsText("Only what is marked is printed");
    }

    @Test
    void anAuthorMarksRowsByAColumnInOneStep() {
        Page page = PRODUCT.signedIn("author", "/bench/open-orders");
        page.getByLabel("Column: Net amount").click();
        Bench.button(page, "Mark rows by it").click();
        Locator offered = page.getByRole(AriaRole.MENUITEM);
        assertThat(offered.filter(new Locator.FilterOptions().setHasText("Net amount below zero")))
                .isVisible();
        offered.filter(new Locator.FilterOptions().setHasText("Net amount more than three times the average"))
                .click();
        Locator rule = page.locator("nav, aside").getByText("Net amount more than three times the average");
        assertThat(rule.first()).isVisible();
        // The first rule that holds marks a row: what is overdue stays so.
        rule.first().click();
        assertThat(page.getByLabel("Inspector").locator("textarea").first())
                .hasValue("net_amount > 3 * AVG(net_amount) OVER ()");
        assertThat(page.getByRole(AriaRole.ALERT)).hasCount(0);
        Accessibility.check(page);
        page.locator(".paper").first().click();
        page.keyboard().press("Control+z");
        assertThat(rule).hasCount(0);
    }

    /** Adds every rule that a button offers, one after the other. */
    @Test
    void whatARuleMarksIsCountedInAColumnAtEveryGroup() {
        Bench bench = Bench.opened(PRODUCT.signedIn("author", "/bench/expected-deliveries"));
        Locator rule = bench.page().locator(".spine .item").filter(new Locator.FilterOptions().setHasText("Overdue"));
        String marked = rule.last().textContent().replaceAll("\\D", "");
        rule.last().click();
        bench.edit(() -> Bench.button(bench.page(), "Count them in a column").click());
        assertThat(bench.columns()).endsWith("Overdue");
        assertThat(bench.page().getByLabel("Grand total").textContent().replace(",", ""))
                .contains(marked);
        assertThat(bench.undoName()).isEqualTo("count Overdue");
    }
}
