package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** A statement for each apiary is made of a plain list, step by step, and each step can be taken back. */
class StatementTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static Locator carried(Page page) {
        return page.locator(".paper [data-role=CARRIED]");
    }

    private static Locator part(Page page, String name) {
        return page.locator(".spine .item")
                .filter(new Locator.FilterOptions().setHasText(name))
                .first();
    }

    @Test
    void aStatementIsMadeOfAPlainList() {
        Page page = PRODUCT.signedIn("author", "/reports");
        Bench bench = Bench.make(page, "Sales order lines");
        bench.addColumn("Order");
        bench.addColumn("Product");
        bench.addColumn("Net sales");
        Locator paper = page.locator(".paper");
        bench.group("Apiary");
        part(page, "Apiary").click();
        Locator pages = page.locator(".spine, aside")
                .getByText(Pattern.compile("^[\\d,]+ pages$"))
                .first();
        String before = pages.textContent();
        bench.edit(() ->
                bench.inspector().getByText("Start each group on a new page").click());
        assertThat(pages).not().hasText(before);
        bench.edit(() -> {
            Locator name = bench.field("Footer text");
            name.fill("{group}, in total");
            name.press("Tab");
        });
        bench.edit(() ->
                bench.inspector().getByText("Do not split groups over pages").click());
        page.locator(".spine .ordered").click();
        bench.edit(() -> bench.inspector()
                .getByText("Carry totals forward from page to page")
                .click());
        // The first apiary that has more than one page carries its total.
        Locator next = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Next page"));
        for (int turned = 0; turned < 20 && carried(page).count() == 0; turned++) {
            String shown = paper.textContent();
            next.click();
            assertThat(paper).not().hasText(shown);
        }
        assertThat(carried(page).first()).containsText("arried forward");
        Bench.button(page, "Last page").click();
        assertThat(paper).containsText(", in total");
        for (int step = 0; step < 4; step++) {
            bench.edit(() -> page.keyboard().press("Control+z"));
        }
        assertThat(pages).hasText(before);
        assertThat(paper).not().containsText(", in total");
    }

    @Test
    void theNamesOfGroupsMoveFromHeadingsIntoAColumnAndBack() {
        Bench bench = Bench.opened(PRODUCT.signedIn("author", "/bench/quiet-apiaries"));
        Locator paper = bench.page().locator(".paper").first();
        Locator headings = paper.locator("[data-role=HEADING]");
        assertThat(headings).hasCount(5);
        bench.page()
                .locator(".spine .item")
                .filter(new Locator.FilterOptions().setHasText("Account manager"))
                .first()
                .click();
        bench.choose(bench.field("Header"), "in a column of its own");
        assertThat(headings).hasCount(0);
        assertThat(bench.columns()).startsWith("Account manager", "Apiary code");
        // Once for each group, beside the first of its rows.
        assertThat(paper.locator("[data-role=ROW] [data-id='c-in-manager']")).hasCount(5);
        bench.choose(bench.field("Header"), "a heading above its rows");
        assertThat(headings).hasCount(5);
        assertThat(bench.columns()).startsWith("Apiary code");
    }

    @Test
    void columnsStandBelowOneAnotherAndHeadingsTurn() {
        Bench bench = Bench.opened(PRODUCT.signedIn("author", "/bench/quiet-apiaries"));
        double town = bench.heading("Town").boundingBox().x;
        bench.heading("Town").click();
        bench.edit(() -> bench.inspector()
                .getByText("Below the previous column, in the same place")
                .click());
        assertThat(bench.heading("Town").boundingBox().x)
                .isLessThan(town)
                .isEqualTo(bench.heading("Region").boundingBox().x);
        // Each is still met by itself where it stands.
        bench.heading("Region").click();
        assertThat(bench.heading("Region")).hasAttribute("aria-pressed", "true");
        bench.heading("Customer type").click();
        double width = bench.heading("Customer type").boundingBox().width;
        bench.edit(() -> bench.inspector().getByText("Vertical heading").click());
        assertThat(bench.page().locator("[style*='rotate(-90deg)']")).hasText("Customer type");
        assertThat(bench.heading("Customer type").boundingBox().width).isLessThanOrEqualTo(width);
        bench.edit(() -> bench.page().keyboard().press("Control+z"));
        bench.edit(() -> bench.page().keyboard().press("Control+z"));
        assertThat(bench.heading("Town").boundingBox().x).isEqualTo(town);
    }
}
