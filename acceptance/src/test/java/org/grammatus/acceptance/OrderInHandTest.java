package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** What decides the order of rows and groups is seen where it is changed, and nothing is lost on the way. */
class OrderInHandTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static Bench newSales() {
        return Bench.make(PRODUCT.signedIn("author", "/"), "Sales order lines");
    }

    private static Locator spine(Page page) {
        return page.locator(".spine .ordered");
    }

    @Test
    void aPlainListShowsItsOrderHiddenKeysTooAndOpensIt() {
        Bench bench = newSales();
        Page page = bench.page();
        bench.addColumn("Order");
        bench.addColumn("Net sales");
        assertThat(spine(page)).containsText("in the order of their key");

        bench.heading("Net sales").click();
        bench.edit(() -> page.locator(".arrow").click());
        assertThat(spine(page)).containsText("Net sales ▼");
        bench.edit(() -> page.locator(".arrow").click());
        assertThat(spine(page)).containsText("Net sales ▲");

        // A key that no column shows stands there, too.
        spine(page).click();
        bench.edit(() -> Bench.button(page, "Then by").click());
        bench.choose(bench.inspector().getByLabel("By 2"), "Depot");
        bench.heading("Order").click();
        assertThat(spine(page)).containsText("Net sales ▲, Depot ▲");
        spine(page).click();
        assertThat(bench.inspector().getByLabel("By 2")).containsText("Depot");
    }

    @Test
    void aHeadingIsOrderedByOnTheBenchAsInARun() {
        Page run = PRODUCT.signedIn("author", "/reports/sales-by-fiscal-year?period=");
        assertThat(run.locator(".paper")).isVisible();
        run.locator("[data-role=COLUMN_HEADINGS] [data-id=c-freight]").click();
        assertThat(run).hasURL(Pattern.compile("order=c-freight:descending"));

        Bench bench = Bench.opened(PRODUCT.signedIn("author", "/bench/sales-by-fiscal-year"));
        bench.heading("Freight").click();
        bench.edit(() -> bench.page().locator(".arrow").click());
        assertThat(bench.page().locator("[data-role=HEADING]").nth(2))
                .hasText(run.locator("[data-role=HEADING]").nth(2).innerText());
        bench.edit(() -> bench.page().keyboard().press("Control+z"));
    }

    @Test
    void anOrderOfItsOwnSaysWhatComesBeforeItAndDecidesWhenAsked() {
        Bench bench = newSales();
        Page page = bench.page();
        bench.addColumn("Order");
        bench.group("Region");
        page.locator("[data-role=HEADING]").first().click();
        bench.edit(() -> Bench.button(page, "Then by").click());
        Locator own = bench.inspector()
                .getByRole(AriaRole.GROUP)
                .filter(new Locator.FilterOptions().setHasText("Custom order"));
        bench.edit(() -> Bench.button(page, "Use the values in the data").click());
        assertThat(own).containsText("This order applies only where those are equal");
        bench.edit(() -> Bench.button(page, "Order by this first").click());
        assertThat(own).not().containsText("applies only where");

        Locator headings = page.locator("[data-role=HEADING]");
        String first = own.getByRole(AriaRole.LISTITEM).nth(0).innerText().strip();
        String second = own.getByRole(AriaRole.LISTITEM).nth(1).innerText().strip();
        assertThat(headings.first()).containsText(first);
        bench.edit(() -> Bench.button(page, "Move " + second + " up").click());
        assertThat(headings.first()).containsText(second);
    }

    @Test
    void escKeepsWhatWasTypedOnThePageAndSavingKeepsThePlace() {
        Bench bench = newSales();
        Page page = bench.page();
        bench.addColumn("Order");
        bench.heading("Order").dblclick();
        page.keyboard().type("Number");
        bench.edit(() -> page.keyboard().press("Escape"));
        assertThat(bench.heading("Number")).isVisible();

        Bench.button(page, "Save").click();
        assertThat(page.locator(".state")).hasText("Saved");
        assertThat(Bench.button(page, "Save")).isFocused();
        assertThat(Bench.button(page, "Save")).hasAttribute("aria-disabled", "true");
    }

    @Test
    void twoWordsOfALabelAreToldTheirName() {
        Bench bench = newSales();
        bench.addColumn("Order");
        bench.field("Shows").fill("Net sales * 2");
        assertThat(bench.page().locator(".failure")).containsText("did you mean \"net_amount\" (Net sales)?");
    }
}
