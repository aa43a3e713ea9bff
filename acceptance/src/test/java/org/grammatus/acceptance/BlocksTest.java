package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Several tables in one report: made on the bench, read, explained and taken away. */
class BlocksTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static Locator blocks(Page page) {
        return page.getByLabel("Parts of the report")
                .locator("section")
                .filter(new Locator.FilterOptions()
                        .setHas(page.getByText("Blocks", new Page.GetByTextOptions().setExact(true))));
    }

    @Test
    void twoTablesAreMadePutSideBySideAndRead() {
        Bench bench = Bench.make(PRODUCT.signedIn("author", "/"), "Sales order lines");
        Page page = bench.page();
        bench.addColumn("Net sales");
        bench.group("Region");
        bench.pickFrom(Bench.button(page, "Add a block"), "A table");
        Locator second = blocks(page)
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("Table 2").setExact(true));
        assertThat(second).hasAttribute("aria-pressed", "true");
        bench.addColumn("Quantity");
        bench.group("Depot");
        assertThat(page.locator(".paper")).containsText("Net sales");
        assertThat(page.locator(".paper")).containsText("Quantity");
        assertThat(bench.columns()).contains("Quantity").doesNotContain("Net sales");

        // What is clicked on the page is what is worked on.
        page.locator(".paper [data-role=COLUMN_HEADINGS]")
                .getByText("Net sales")
                .first()
                .click();
        assertThat(bench.columns()).contains("Net sales").doesNotContain("Quantity");
        second.click();
        bench.edit(() -> bench.field("Title").fill("Pieces by depot"));
        bench.edit(() -> page.getByText("Beside the previous block").click());
        Locator headings = page.locator(".paper [data-role=COLUMN_HEADINGS]");
        assertThat(headings).hasCount(2);
        assertThat(page.locator(".paper [data-role=BLOCK_TITLE]")).containsText("Pieces by depot");
        double left = headings.getByText("Net sales").first().boundingBox().x;
        double right = headings.getByText("Quantity").first().boundingBox().x;
        assertThat(right).isGreaterThan(left);
        Accessibility.check(page);

        // An edit of one leaves the other alone, and is undone by itself.
        String before = headings.first().textContent();
        bench.edit(() -> page.getByRole(AriaRole.GROUP)
                .getByLabel("Remove Depot", new Locator.GetByLabelOptions().setExact(true))
                .click());
        assertThat(headings.first()).hasText(before);
        bench.edit(() -> page.keyboard().press("Control+z"));
        assertThat(page.locator(".paper")).containsText("Kiln Yard");
    }

    @Test
    void aReaderOrdersOneTableAsksWhyInAnotherAndTakesAllAway() {
        Page page = PRODUCT.signedIn("reader", "/reports/order-book");
        Locator paper = page.locator(".paper").first();
        assertThat(paper).containsText("Orders and lines by depot");
        assertThat(paper).containsText("Open orders by customer type");
        Locator depots = paper.locator("[data-role=ROW]:has([data-id=depots-t-orders])");
        String first = depots.first().textContent();
        // The headings of each table order that table.
        paper.locator("[data-id=types-c-name]").first().click();
        assertThat(page).hasURL(Pattern.compile("order=types-c-name"));
        assertThat(depots.first()).hasText(first);

        paper.locator("[data-id=apiaries-t-net]").first().click();
        Locator why = page.locator(".why");
        assertThat(why).containsText("Why this figure");
        assertThat(why).containsText("Apiary");
        paper.locator("[data-id=types-t-orders]").first().dblclick();
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("open");
        Accessibility.check(page);
        page.keyboard().press("Escape");

        Download archive = page.waitForDownload(() -> {
            Bench.button(page, "Export").click();
            page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(Pattern.compile("CSV")))
                    .first()
                    .click();
        });
        assertThat(archive.suggestedFilename()).startsWith("Order book summary").endsWith(".zip");
    }
}
