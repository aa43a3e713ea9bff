package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** What hands expect: choices that are choices, summaries where only figures are wanted, nothing lost, everything by keyboard. */
class HandsTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static Bench newSales() {
        return Bench.make(PRODUCT.signedIn("author", "/"), "Sales order lines");
    }

    /** Types into the palette and takes the first command found. */
    private static void command(Bench bench, String name) {
        // The one before is on its way out for a moment.
        assertThat(bench.page().getByRole(AriaRole.DIALOG)).hasCount(0);
        bench.page().keyboard().press("Control+.");
        Locator find = bench.page().getByRole(AriaRole.DIALOG).locator("input");
        find.fill(name);
        bench.edit(() -> find.press("Enter"));
    }

    @Test
    void aChoiceTakesTheOneMatchListsSeveralAndRefusesNone() {
        Page page = PRODUCT.signedIn("reader", "/reports/expected-deliveries");
        Locator depot = page.locator("#choice-depot");
        depot.fill("kiln");
        depot.press("Enter");
        assertThat(depot).hasValue("Kiln Yard");
        depot.press("Enter");
        assertThat(page.locator(".paper")).containsText("Depot: Kiln Yard");

        depot.fill("kilm yard");
        depot.press("Enter");
        Locator refusal = page.getByRole(AriaRole.ALERT);
        assertThat(refusal).containsText("No value has “kilm yard” in it.");
        Accessibility.check(page);
        Bench.button(page, "Kiln Yard").click();
        assertThat(depot).hasValue("Kiln Yard");
        assertThat(refusal).hasCount(0);

        depot.fill("a");
        depot.press("Tab");
        // The list of what was typed goes, and that of what is offered instead comes.
        assertThat(page.getByRole(AriaRole.OPTION).nth(1)).isVisible();
    }

    @Test
    void groupFirstThenAMeasureIsASummaryAndColumnsComeAfterTheSelectedOne() {
        Bench bench = newSales();
        command(bench, "Group by Region");
        command(bench, "Add Number of orders as a column");
        assertThat(bench.page().getByText("of 1", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(bench.page().locator(".paper [data-role=ROW]")).hasCount(6);
        command(bench, "Add Net sales as a column");
        bench.heading("Number of orders").click();
        command(bench, "Add Freight as a column");
        assertThat(bench.columns()).containsExactly("Region", "Number of orders", "Freight", "Net sales");
        Accessibility.check(bench.page());
    }

    @Test
    void measuresAlonePrintOneLine() {
        Bench bench = newSales();
        command(bench, "Add Number of orders as a column");
        command(bench, "Add Average order value as a column");
        assertThat(bench.page().locator(".paper [data-role=ROW]")).hasCount(0);
        assertThat(bench.page().locator(".paper [data-role=GRAND_TOTAL]")).containsText("6,462");
        assertThat(bench.page().getByText("of 1", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
    }

    @Test
    void whatAColumnShowsTakesItsTotalsAlong() {
        Bench bench = newSales();
        command(bench, "Add Order as a column");
        command(bench, "Add Net sales as a column");
        bench.edit(() -> bench.field("Shows").fill("net_amount * 2"));
        assertThat(bench.page().getByLabel("Grand total")).containsText("16,923,019.28");
        // What is typed into an emptied box takes them along, too.
        bench.field("Shows").fill("");
        bench.edit(() -> bench.field("Shows").fill("net_amount * 3"));
        assertThat(bench.page().getByLabel("Grand total")).containsText("25,384,528.92");
        bench.field("Shows").fill("");
        bench.edit(() -> bench.field("Label").focus());
        assertThat(bench.field("Shows")).hasValue("");
        assertThat(bench.page().getByLabel("Grand total")).containsText("25,384,528.92");
    }

    @Test
    void everyExpressionCompletesNamesByTheirLabels() {
        Bench bench = newSales();
        command(bench, "Add Order as a column");
        bench.edit(() -> Bench.button(bench.page(), "Add to highlights").click());
        Locator when = bench.field("Marks rows where");
        when.click();
        when.press("Control+a");
        bench.page().keyboard().type("net sal");
        Locator offers = bench.page().getByLabel("Suggestions");
        assertThat(offers).containsText("net_amount");
        assertThat(offers).containsText("Net sales");
        when.press("ArrowDown");
        bench.page().keyboard().press("Enter");
        bench.edit(() -> bench.page().keyboard().type(" > 50"));
        assertThat(when).hasValue("net_amount > 50");
        assertThat(bench.page().locator("[data-look=alert]").first()).isVisible();
    }

    @Test
    void aNewHighlightStartsRightForWhatIsInHand() {
        Bench bench = newSales();
        command(bench, "Group by Region");
        command(bench, "Add Number of orders as a column");
        bench.heading("Number of orders").click();
        bench.edit(() -> Bench.button(bench.page(), "Add to highlights").click());
        assertThat(bench.field("Marks rows where")).hasValue(Pattern.compile(".+ > 0"));
        assertThat(bench.page().locator(".failure")).hasCount(0);
    }

    @Test
    void aReportThatWasNeverChangedLeavesNoTrace() {
        Page page = PRODUCT.signedIn("author", "/");
        Locator count = page.locator(".count");
        assertThat(count).isVisible();
        String before = count.textContent();
        Bench.make(page, "Sales order lines");
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("All reports").setExact(true))
                .click();
        assertThat(page.locator(".count")).hasText(before);
    }

    @Test
    void whatWasTypedInADatasetIsAskedAboutAndKeptFromEsc() {
        Page page = PRODUCT.signedIn("author", "/data/sales-order-lines?field=freight");
        Bench.button(page, "Edit Freight").click();
        Locator label = page.getByLabel("Label", new Page.GetByLabelOptions().setExact(true));
        label.fill("Carriage");
        label.press("Escape");
        assertThat(label).hasValue("Carriage");
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Reports").setExact(true))
                .click();
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Your changes are not saved");
        Accessibility.check(page);
        Bench.button(page, "Stay here").click();
        assertThat(label).hasValue("Carriage");
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Reports").setExact(true))
                .click();
        Bench.button(page, "Leave without saving").click();
        page.waitForURL(url -> url.endsWith("/reports"));
    }

    @Test
    void theKeyboardSkipsWalksTheGroupsAndComesBack() {
        Page page = PRODUCT.signedIn("reader", "/reports/sales-by-fiscal-year");
        assertThat(page.locator(".paper")).isVisible();
        page.reload();
        assertThat(page.locator(".paper")).isVisible();
        page.keyboard().press("Tab");
        page.keyboard().press("Tab");
        assertThat(page.getByText("Skip to the page")).isFocused();
        page.keyboard().press("Enter");
        assertThat(page.locator(".desk")).isFocused();

        Locator tree = page.getByRole(AriaRole.TREE);
        assertThat(tree.locator("[tabindex='0']")).hasCount(1);
        tree.locator("[tabindex='0']").focus();
        page.keyboard().press("ArrowRight");
        assertThat(tree.getByRole(AriaRole.TREEITEM).first()).hasAttribute("aria-expanded", "true");
        assertThat(tree.getByRole(AriaRole.GROUP)).isVisible();
        page.keyboard().press("ArrowDown");
        assertThat(page.locator("[role=treeitem]:focus")).hasCount(1);
        assertThat(tree.locator("[tabindex='0']")).hasCount(1);
        Accessibility.check(page);

        Locator find = page.getByLabel("Find in the report");
        find.focus();
        page.keyboard().press("Control+.");
        assertThat(page.getByRole(AriaRole.DIALOG)).isVisible();
        page.keyboard().press("Escape");
        assertThat(find).isFocused();
    }

    @Test
    void enterInANewReportTakesTheFirstDataset() {
        Page page = PRODUCT.signedIn("author", "/");
        Bench.button(page, "New report").click();
        Locator first = page.getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.LISTITEM)
                .first()
                .locator("button");
        assertThat(first).isFocused();
        page.keyboard().press("Enter");
        Bench.opened(page);
    }

    @Test
    void whatIsExplainedStaysMarkedAndFilesAreNamedByWhatTheyHold() {
        Page page = PRODUCT.signedIn("reader", "/reports/sales-by-fiscal-year?period=2026-01-01/2026-01-31");
        assertThat(page.locator(".paper")).isVisible();
        Locator figure =
                page.locator(".paper [data-role=TOTALS] [data-id=t-net]").first();
        figure.click();
        assertThat(page.locator(".paper [aria-current=true]")).hasCount(1);
        assertThat(page.locator(".paper [aria-current=true]")).hasText(figure.textContent());
        Accessibility.check(page);
        Download download = page.waitForDownload(() -> {
            Bench.button(page, "Export").click();
            page.getByRole(
                            AriaRole.MENUITEM,
                            new Page.GetByRoleOptions().setName("Download CSV").setExact(true))
                    .click();
        });
        assertThat(download.suggestedFilename())
                .isEqualTo("Sales by fiscal year, region and apiary, 1 January 2026 to 31 January 2026.csv");
    }

    @Test
    void addressesThatLeadNowhereSaySoAndReadersAreToldOfTheBench() {
        Page page = PRODUCT.signedIn("reader", "/nowhere/at/all");
        assertThat(page.getByRole(AriaRole.HEADING)).hasText("Page not found");
        page.navigate(PRODUCT.address() + "/bench/sales-by-fiscal-year");
        assertThat(page.getByRole(AriaRole.HEADING)).hasText("This screen is for authors");
        Accessibility.check(page);
        page.getByText("Run the report").click();
        assertThat(page.locator(".paper")).isVisible();
    }

    @Test
    void spansOfDatesAreFoundByTyping() {
        Bench bench = newSales();
        Bench.button(bench.page(), "Add to groups").click();
        bench.page().locator(".picker input").fill("fiscal");
        List<String> offered = bench.page().locator(".picker .option span").allTextContents();
        assertThat(offered).contains("Ordered, fiscal year", "Ordered, fiscal quarter");
    }

    private static Locator align(Bench bench) {
        return bench.inspector().locator(".field").filter(new Locator.FilterOptions().setHasText("Alignment"));
    }

    @Test
    void theLookOfAColumnIsGivenToAllThatAreSelectedInOneStep() {
        Bench bench = Bench.opened(PRODUCT.signedIn("author", "/bench/quiet-apiaries"));
        Page page = bench.page();
        bench.heading("Region").click();
        bench.choose(bench.field("Alignment"), "right");
        bench.heading("Region").click();
        page.keyboard().press("Control+Alt+C");
        bench.heading("Town").click();
        page.keyboard().press("Shift+ArrowRight");
        bench.edit(() -> page.keyboard().press("Control+Alt+V"));
        assertThat(bench.undoName()).isEqualTo("a look");
        bench.heading("Customer type").click();
        assertThat(align(bench)).containsText("right");
        bench.heading("Town").click();
        assertThat(align(bench)).containsText("right");
        bench.edit(() -> page.keyboard().press("Control+Alt+0"));
        assertThat(align(bench)).containsText("as its type");
        bench.edit(() -> page.keyboard().press("Control+z"));
        bench.edit(() -> page.keyboard().press("Control+z"));
        bench.heading("Customer type").click();
        assertThat(align(bench)).containsText("as its type");
        assertThat(page.getByRole(AriaRole.ALERT)).hasCount(0);
    }
}
