package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** What an author finds by typing, adds by commands, and does to the cells of the bench's page by keys. */
class FindAndAddTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    @Test
    void aDateIsFoundByOneOfItsSpansLetterByLetter() {
        Bench bench = list();
        Page page = bench.page();
        Bench.button(page, "Add to groups").click();
        Locator find = page.locator(".picker input");
        find.pressSequentially("ordered mo");
        Locator first = page.locator(".picker .option").first();
        assertThat(first).containsText("Ordered, month");
        find.pressSequentially("nth");
        assertThat(first).containsText("Ordered, month");
        bench.edit(() -> find.press("Enter"));
        assertThat(bench.field("Group values by")).hasText("month");
        assertThat(page.locator(".sentence")).containsText("month of Ordered");
    }

    @Test
    void aFieldIsFoundByTheNameInTheReportAndByItsTable() {
        Bench bench = list();
        Page page = bench.page();
        bench.heading("Order").click();
        bench.edit(() -> bench.field("Label").fill("Slip"));
        Bench.button(page, "Add to columns").click();
        Locator find = page.locator(".picker input");
        find.pressSequentially("slip");
        assertThat(page.locator(".picker .option").first()).containsText("Order");
        find.fill("");
        find.pressSequentially("apiaries town");
        assertThat(page.locator(".picker .option").first()).containsText("Town");
        find.fill("zzz");
        assertThat(page.locator(".picker")).containsText("No match");
    }

    @Test
    void promptsHighlightsAndBlocksAreAddedByCommands() {
        Bench bench = list();
        Page page = bench.page();
        Locator spine = page.getByLabel("Parts of the report");
        command(bench, "prompt yes");
        assertThat(bench.field("Label")).hasValue("Yes or no");
        assertThat(spine).containsText("Yes or no");
        command(bench, "add a highlight");
        assertThat(bench.inspector()).containsText("Highlight");
        command(bench, "block text");
        assertThat(spine).containsText("Text 2");
    }

    @Test
    void theCellsOfThePageWorkByKeys() {
        Bench bench = list();
        Page page = bench.page();
        page.locator(".desk").focus();
        page.keyboard().press("ArrowDown");
        Locator inHand = page.locator(".desk [data-cell]:focus");
        assertThat(inHand).hasText("Order");
        page.keyboard().press("ArrowRight");
        assertThat(inHand).hasText("Net sales");
        page.keyboard().press("Space");
        assertThat(bench.heading("Net sales")).hasAttribute("aria-pressed", "true");
        // A command is about the cell in hand, whatever was selected before.
        page.keyboard().press("ArrowLeft");
        bench.edit(() -> page.keyboard().press("Delete"));
        assertThat(bench.columns()).containsExactly("Net sales");
        page.locator(".desk").focus();
        page.keyboard().press("ArrowDown");
        page.keyboard().press("Escape");
        assertThat(page.locator(".desk")).isFocused();
    }

    private static void command(Bench bench, String typed) {
        Page page = bench.page();
        page.keyboard().press("Control+.");
        Locator find = page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Find a command"));
        find.pressSequentially(typed);
        bench.edit(() -> find.press("Enter"));
    }

    private static Bench list() {
        Bench bench = Bench.make(PRODUCT.signedIn("author", "/reports"), "Sales order lines");
        bench.addColumn("Order");
        bench.addColumn("Net sales");
        return bench;
    }
}
