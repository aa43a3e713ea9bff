package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Prompts of every kind, answered as readers answer them and made as authors make them. */
class PromptsTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    @Test
    void anInquiryIsAnsweredByTypingChoosingAndPasting() {
        Page page = PRODUCT.signedIn("reader", "/reports/open-orders");
        Locator paper = page.locator(".paper").first();
        assertThat(paper).containsText("Promised: up to 4 December 2026 · Depots: all");

        Locator value = page.getByLabel("Lines worth at least");
        value.fill("a lot");
        assertThat(page.getByText("expected a number such as 12.50")).isVisible();
        assertThat(Bench.button(page, "Run")).isDisabled();
        value.fill("1,000");
        value.press("Tab");
        assertThat(value).hasValue("1000");

        page.getByLabel("Order numbers, from").fill("S0106400");
        page.getByLabel("Order numbers, from").press("Tab");
        assertThat(page.getByText("from S0106400")).isVisible();

        Bench.button(page, "Paste a list").click();
        page.getByLabel("Codes or names").fill("Kiln Yard\nNowhere");
        Bench.button(page, "Select these").click();
        assertThat(page.getByText("One is not in the data")).isVisible();
        assertThat(page.getByLabel("Remove Kiln Yard")).isVisible();
        page.getByLabel("Depots", new Page.GetByLabelOptions().setExact(true)).fill("finch");
        page.getByLabel("Depots", new Page.GetByLabelOptions().setExact(true)).press("Enter");
        assertThat(page.getByLabel("Remove Finch Lane")).isVisible();
        Accessibility.check(page);

        Bench.button(page, "Run").click();
        assertThat(page).hasURL(Pattern.compile("orders=S0106400\\.\\."));
        assertThat(paper).containsText("Depots: Kiln Yard, Finch Lane · Order numbers: from S0106400");
        assertThat(paper.locator("[data-role=ROW]").filter(new Locator.FilterOptions().setHasText("Tarn Street")))
                .hasCount(0);

        page.getByText("all but these").click();
        Bench.button(page, "Run").click();
        assertThat(paper).containsText("Depots: all but Kiln Yard, Finch Lane");
        assertThat(paper.locator("[data-role=ROW]").filter(new Locator.FilterOptions().setHasText("Kiln Yard")))
                .hasCount(0);
    }

    @Test
    void allAnswersAreClearedOrPutBackToTheirDefaults() {
        Page page = PRODUCT.signedIn("reader", "/reports/large-orders");
        Locator least = page.getByLabel("At least", new Page.GetByLabelOptions().setExact(true));
        String usual = least.inputValue();
        assertThat(least).hasValue(Pattern.compile("2.?500"));
        Locator paper = page.locator(".paper").first();
        assertThat(paper).containsText("At least: 2,500");
        page.getByLabel("Regions", new Page.GetByLabelOptions().setExact(true)).fill("Coast");
        page.getByLabel("Regions", new Page.GetByLabelOptions().setExact(true)).press("Enter");
        assertThat(page.getByLabel("Remove Coast")).isVisible();
        Bench.button(page, "Clear all").press("Enter");
        assertThat(least).hasValue("");
        assertThat(page.getByLabel("Remove Coast")).hasCount(0);
        Bench.button(page, "Back to defaults").press("Enter");
        assertThat(least).hasValue(usual);
        Accessibility.check(page);
    }

    @Test
    void aSheetOpensOnTheLatestDayInTheDataAndOffersTheOthersNewestFirst() {
        Page page = PRODUCT.signedIn("reader", "/reports/latest-day");
        Locator paper = page.locator(".paper").first();
        assertThat(paper).containsText("Day: 20 November 2026");
        Locator day = page.getByLabel("Day", new Page.GetByLabelOptions().setExact(true));
        day.click();
        Locator days = page.getByRole(AriaRole.OPTION);
        assertThat(days.first()).containsText("20 November 2026");
        day.fill("18 Nov");
        day.press("Enter");
        Bench.button(page, "Run").click();
        assertThat(paper).containsText("Day: 18 November 2026");
        assertThat(page).hasURL(Pattern.compile("day=2026-11-18"));
        // What is left empty is asked for.
        day.fill("");
        day.press("Tab");
        assertThat(page.getByText("\"Day\" needs an answer; give a day")).isVisible();
        Accessibility.check(page);
    }

    @Test
    void anAuthorLetsAPromptAskForSomethingElse() {
        Bench bench = Bench.make(PRODUCT.signedIn("author", "/"), "Sales order lines");
        Page page = bench.page();
        bench.addColumn("Net sales");
        bench.group("Region");
        bench.pick("Add to prompts", "Region");
        bench.choose(bench.field("Answer"), "any number of values");
        bench.edit(() -> bench.field("Default answer").fill("all but Lakeside"));
        assertThat(page.locator(".paper")).containsText("Region: all but Lakeside");
        assertThat(page.locator(".paper [data-role=ROW]").filter(new Locator.FilterOptions().setHasText("Lakeside")))
                .hasCount(0);
        bench.choose(bench.field("Answer"), "text");
        assertThat(page.getByLabel("Parts of the report")).containsText("Region contains");
        bench.edit(() -> bench.field("Default answer").fill("Coa"));
        assertThat(page.locator(".paper [data-role=ROW]")).hasCount(1);
        Accessibility.check(page);
        bench.edit(() -> page.keyboard().press("Control+z"));
        assertThat(page.getByRole(AriaRole.MAIN)).containsText("Region: all");
    }

    @Test
    void whatIsOfferedFollowsFromTheAnswersAboveAndDropsWhatNoLongerFits() {
        Page page = PRODUCT.signedIn("reader", "/reports/quiet-apiaries");
        Locator paper = page.locator(".paper").first();
        assertThat(paper).containsText("17 apiaries");
        Locator region = page.getByLabel("Region", new Page.GetByLabelOptions().setExact(true));
        region.fill("Islands");
        region.press("Enter");
        Locator apiaries = page.getByLabel("Apiaries", new Page.GetByLabelOptions().setExact(true));
        apiaries.click();
        Locator offered = page.getByRole(AriaRole.OPTION);
        assertThat(offered.first()).containsText("AP-");
        String first = offered.first().textContent().replaceAll(".*(AP-\\d+).*", "$1");
        offered.first().click();
        assertThat(page.getByLabel(Pattern.compile("Remove .*" + first))).isVisible();
        // The apiary is not of the other region, so that it goes once its reader changes the region.
        region.fill("Coast");
        region.press("Enter");
        assertThat(page.getByLabel(Pattern.compile("Remove .*" + first))).hasCount(0);
        Bench.button(page, "Run").click();
        assertThat(paper).containsText("Region: Coast · Apiaries: all");
        assertThat(page).hasURL(Pattern.compile("region=Coast"));
    }

    @Test
    void anAnswerThatIsGoneStaysInTheAddressAndIsSaid() {
        Page page = PRODUCT.signedIn("reader", "/reports/expected-deliveries?depot=Nowhere");
        assertThat(page.getByText("no row has the Depot \"Nowhere\"").first()).isVisible();
        assertThat(page).hasURL(Pattern.compile("depot=Nowhere"));
    }

    @Test
    void anAnswerChoosesWhatIsPrinted() {
        Page page = PRODUCT.signedIn("reader", "/reports/open-orders");
        Locator headings = page.locator("[data-role=COLUMN_HEADINGS]").first();
        assertThat(headings).containsText("Net amount");
        page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("With amounts"))
                .getByText("no")
                .click();
        Bench.button(page, "Run").click();
        assertThat(headings).not().containsText("Net amount");
        assertThat(page.locator(".paper").first()).containsText("With amounts: no");
    }

    @Test
    void aQuickReportFollowsItsAnswersByKeyboardAloneAndKeepsThem() {
        Page page = PRODUCT.signedIn("reader", "/reports/quiet-apiaries");
        Product.quick(page);
        Locator paper = page.locator(".paper").first();
        assertThat(paper).containsText("17 apiaries");
        page.getByLabel("Region", new Page.GetByLabelOptions().setExact(true)).focus();
        page.keyboard().type("isl");
        page.keyboard().press("Enter");
        // Nobody presses Run: a report that is quick follows.
        assertThat(paper).containsText("Region: Islands");
        Bench.button(page, "Save these answers").focus();
        page.keyboard().press("Enter");
        assertThat(page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)))
                .isFocused();
        page.keyboard().type("The islands");
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Saved answers")))
                .isVisible();
        Accessibility.check(page);

        page.navigate(page.url().replaceAll("\\?.*", ""));
        assertThat(paper).containsText("Region: all");
        assertThat(page.locator(".outline").getByText("Tobin Ashgrove")).isVisible();
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Saved answers"))
                .focus();
        page.keyboard().press("ArrowDown");
        page.getByRole(AriaRole.OPTION).click();
        Bench.button(page, "Run").click();
        assertThat(paper).containsText("Region: Islands");
        Bench.button(page, "Delete “The islands”").click();
        assertThat(Bench.button(page, "Delete “The islands”")).hasCount(0);
    }

    @Test
    void aPhoneAnswersEveryKindOfPrompt() {
        Page page = PRODUCT.signedIn("reader", "/reports/open-orders");
        page.setViewportSize(390, 844);
        page.reload();
        Bench.button(page, "Show: What to show").click();
        Locator asked = page.getByLabel("What to show", new Page.GetByLabelOptions().setExact(true));
        asked.getByLabel("Product").fill("jar");
        asked.getByLabel("Lines worth at least").fill("100");
        asked.getByLabel("Order numbers, from").fill("S0106000");
        asked.getByLabel("Order numbers, from").press("Tab");
        assertThat(asked.getByText("from S0106000")).isVisible();
        Accessibility.check(page);
        Bench.button(page, "Run").click();
        assertThat(asked).not().isVisible();
        assertThat(page.locator(".list")).containsText("Product: jar");
        assertThat(page.locator(".list")).containsText("Lines worth at least: 100");
    }
}
