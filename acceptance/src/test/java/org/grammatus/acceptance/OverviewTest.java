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

/** A page of key figures and several summaries: made in a few steps, narrowed in one block or in all, over two datasets. */
class OverviewTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static final int MOST_ACTIONS = 25;

    /** Counts what a person does: a click, a drag, a text typed with the key that ends it. */
    private int actions;

    private void does(Runnable action) {
        actions++;
        action.run();
    }

    private static Locator row(Page page, String text) {
        return page.locator(".paper [data-role=ROW]", new Page.LocatorOptions().setHasText(text));
    }

    private void group(Bench bench, String field) {
        Page page = bench.page();
        does(() -> Bench.button(page, "Add to groups").click());
        does(() -> {
            page.locator(".picker input").fill(field);
            bench.edit(() -> page.locator(".picker input").press("Enter"));
        });
    }

    private void measure(Bench bench, String field) {
        Page page = bench.page();
        does(() -> Bench.button(page, "Add a measure or field").click());
        does(() -> {
            page.locator(".picker input").fill(field);
            bench.edit(() -> page.locator(".picker input").press("Enter"));
        });
    }

    private void add(Bench bench, String kind) {
        Page page = bench.page();
        does(() -> Bench.button(page, "Add a block").click());
        does(() -> bench.edit(() -> page.getByRole(
                        AriaRole.MENUITEM,
                        new Page.GetByRoleOptions().setName(kind).setExact(true))
                .click()));
    }

    private void beside(Bench bench) {
        does(() -> bench.edit(
                () -> bench.page().getByText("Beside the block before it").click()));
    }

    @Test
    void threeSummariesSideBySideWithKeyFiguresAboveInAFewActions() {
        Page page = PRODUCT.signedIn("author", "/");
        does(() -> Bench.button(page, "New report").click());
        does(() ->
                page.getByRole(AriaRole.DIALOG).getByText("Sales order lines").click());
        Bench bench = Bench.opened(page);
        measure(bench, "Net sales");
        measure(bench, "Number of orders");
        group(bench, "Region");
        add(bench, "The same measures by something else");
        beside(bench);
        group(bench, "Customer type");
        add(bench, "The same measures by something else");
        beside(bench);
        group(bench, "Depot");
        add(bench, "Key figures of these totals");
        does(() -> bench.edit(() -> page.locator(".grip").press("ArrowUp")));
        assertThat(actions).isLessThanOrEqualTo(MOST_ACTIONS);

        Locator headings = page.locator(".paper [data-role=COLUMN_HEADINGS]");
        assertThat(headings).hasCount(3);
        BoundingBox first = headings.nth(0).boundingBox();
        assertThat(headings.nth(1).boundingBox().y).isEqualTo(first.y);
        assertThat(headings.nth(2).boundingBox().y).isEqualTo(first.y);
        Locator figure = page.locator(".paper [data-id^=k-net]").last();
        assertThat(figure.boundingBox().y).isLessThan(first.y);
        // The key figure is what the tables come to.
        String total = figure.textContent();
        assertThat(page.locator(".paper [data-role=GRAND_TOTAL]").first()).containsText(total);

        figure.click();
        assertThat(bench.inspector()).containsText("Why this figure");
        bench.choose(bench.field("Beside it"), "same time last year");
        assertThat(page.locator(".paper")).containsText("last year to the same day");
        Accessibility.check(page);
        // The author undoes it, and Esc and Ctrl+Z leave the rest as it was.
        bench.edit(() -> page.keyboard().press("Control+z"));
        assertThat(page.locator(".paper")).not().containsText("last year to the same day");
    }

    @Test
    void aBlockIsMovedAndWidenedByHandAndByKeys() {
        Page page = PRODUCT.signedIn("author", "/bench/order-overview");
        Bench bench = Bench.opened(page);
        page.locator(".paper [data-role=BLOCK_TITLE]")
                .getByText("Where it comes from")
                .click();
        Locator title = page.locator(".paper [data-role=BLOCK_TITLE]").getByText("Who it comes from");
        double before = title.boundingBox().x;
        bench.edit(() -> page.locator(".frame .edge").press("ArrowRight"));
        assertThat(title.boundingBox().x).isGreaterThan(before);
        assertThat(bench.field("Share of the width, in percent")).hasValue("55");

        bench.edit(() -> page.locator(".grip").press("ArrowDown"));
        Locator moved = page.locator(".paper [data-role=BLOCK_TITLE]").getByText("Where it comes from");
        assertThat(moved.boundingBox().y).isGreaterThan(title.boundingBox().y);
        BoundingBox grip = page.locator(".grip").boundingBox();
        BoundingBox to = title.boundingBox();
        page.mouse().move(grip.x + 8, grip.y + 8);
        page.mouse().down();
        page.mouse().move(to.x + 60, to.y + 40);
        page.mouse().move(to.x + 10, to.y + 30);
        bench.edit(() -> page.mouse().up());
        assertThat(moved.boundingBox().y).isEqualTo(title.boundingBox().y);
        assertThat(moved.boundingBox().x).isLessThan(title.boundingBox().x);
        bench.edit(() -> page.keyboard().press("Control+z"));
        assertThat(moved.boundingBox().y).isGreaterThan(title.boundingBox().y);
    }

    @Test
    void aValueIsLeftOutInOneBlockAndThenInAll() {
        Page page = PRODUCT.signedIn("reader", "/reports/order-overview");
        Locator types = page.locator(".paper [data-id=types-t-net]");
        String all = types.last().textContent();
        assertThat(page.locator(".paper [data-id=regions-t-net]").last()).hasText(all);
        Locator lakeside = page.locator(".paper [data-id=regions-c-name]").getByText("Lakeside");
        lakeside.click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("All but Lakeside, in this block"))
                .click();
        assertThat(page).hasURL(Pattern.compile("except=regions-level:Lakeside"));
        assertThat(lakeside).hasCount(0);
        assertThat(types.last()).hasText(all);
        assertThat(page.locator(".paper")).containsText("All but Region Lakeside");

        page.locator(".paper [data-id=regions-c-name]").getByText("Upland").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("All but Upland, in the whole report"))
                .click();
        assertThat(types.last()).not().hasText(all);
        Accessibility.check(page);
        // One step takes each back.
        page.getByLabel("Remove Upland").click();
        assertThat(types.last()).hasText(all);
        page.getByLabel("Remove Lakeside").click();
        assertThat(lakeside).hasCount(1);
        assertThat(page.locator(".paper")).not().containsText("All but");
    }

    @Test
    void aFieldIsCalledOtherwiseOnceInEveryBlock() {
        Page page = PRODUCT.signedIn("author", "/bench/sales-and-purchasing");
        Bench bench = Bench.opened(page);
        page.locator(".paper [data-id=sales-c-net]").first().click();
        bench.edit(() -> bench.field("Label").fill("Takings"));
        bench.edit(() -> bench.inspector()
                .getByText("Call and print it so in the whole report: Takings")
                .click());
        assertThat(row(page, "Takings")).hasCount(1);
        assertThat(page.locator(".paper [data-role=COLUMN_HEADINGS]").first()).containsText("Takings");
        bench.edit(() -> page.keyboard().press("Control+z"));
        assertThat(row(page, "Net sales")).hasCount(1);
    }

    @Test
    void onePeriodPromptNarrowsBlocksOfTwoDatasets() {
        Page page = PRODUCT.signedIn("author", "/bench/sales-and-purchasing");
        Bench bench = Bench.opened(page);
        String bought = page.locator(".paper [data-id=bought-orders]").last().textContent();
        page.getByLabel("Parts of the report")
                .getByText("Ordered in the period")
                .click();
        bench.choose(bench.field("In Purchase order lines it looks at"), "nothing: those blocks are not narrowed");
        assertThat(page.locator(".paper")).containsText("Not narrowed by Ordered in the period “Days”");
        assertThat(page.locator(".paper [data-id=bought-orders]").last()).not().hasText(bought);
        bench.edit(() -> page.keyboard().press("Control+z"));
        assertThat(page.locator(".paper [data-id=bought-orders]").last()).hasText(bought);

        Page reader = PRODUCT.signedIn("reader", "/reports/sales-and-purchasing?period=all");
        Locator all = reader.locator(".paper [data-id=bought-orders]").last();
        assertThat(all).not().hasText(bought);
        // A figure of a whole block that is not the first stands in no order, and is explained all the same.
        reader.locator(".paper [data-id=bought-value]").last().click();
        assertThat(reader.locator(".why")).containsText("sum of (Ordered × Unit cost)");
        reader.locator(".paper [data-id=purchases-t-value]").first().click();
        assertThat(reader.locator(".why")).containsText("Why this figure");
        reader.locator(".paper [data-id=purchases-t-value]").first().dblclick();
        assertThat(reader.getByRole(AriaRole.DIALOG)).containsText("Supplier");
    }
}
