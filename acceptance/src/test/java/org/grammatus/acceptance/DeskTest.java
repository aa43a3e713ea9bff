package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** The desk that run and bench share: panels fold, widen, and lie over the work where there is little room. */
class DeskTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static Page at(int width, int height, String who, String path) {
        Page page = PRODUCT.signedIn(who, "/reports");
        page.setViewportSize(width, height);
        page.navigate(PRODUCT.address() + path);
        return page;
    }

    @Test
    void aPhoneAnswersReadsFindsNarrowsAndSaves() {
        Page page = at(390, 844, "reader", "/reports/sales-by-fiscal-year");
        Locator list = page.locator(".list");
        assertThat(list.locator("[data-role=ROW]").first()).isVisible();
        Locator answers = page.getByLabel("What to show", new Page.GetByLabelOptions().setExact(true));
        assertThat(answers).not().isVisible();
        Accessibility.check(page);

        // What is asked lies over the list, and gives way to it once it runs.
        Bench.button(page, "Show: What to show").click();
        assertThat(answers).isVisible();
        Accessibility.check(page);
        answers.getByLabel("Days", new Locator.GetByLabelOptions().setExact(true))
                .fill("1 Oct 2026 to 31 Oct 2026");
        assertThat(answers).containsText("1 October 2026 to 31 October 2026");
        Bench.button(page, "Run").click();
        assertThat(answers).not().isVisible();
        assertThat(list).containsText("Ordered: 1 October 2026 to 31 October 2026");

        // The first column stays where it is while the others pass.
        Locator order = list.locator("[data-role=ROW] .held").first();
        double before = order.boundingBox().x;
        list.evaluate("list => list.scrollBy(200, 0)");
        page.waitForFunction("() => document.querySelector('.list').style.getPropertyValue('--held') !== '0px'");
        assertThat(order.boundingBox().x).isBetween(0.0, before + 1);
        assertThat(list.locator("[data-role=ROW] span:not(.held)").first().boundingBox().x)
                .isLessThan(390);

        page.getByLabel("Find in the report").fill("Upland");
        page.keyboard().press("Enter");
        Locator heading = list.locator("[data-role=HEADING]").filter(new Locator.FilterOptions().setHasText("Upland"));
        assertThat(heading.first()).isInViewport();
        heading.first().locator("span").first().click();
        page.getByText(Pattern.compile("Only .*Upland")).click();
        assertThat(page).hasURL(Pattern.compile("only=region:Upland"));
        assertThat(list.locator("[data-role=HEADING]").nth(1)).containsText("Upland");

        Bench.button(page, "Export").click();
        Download file = page.waitForDownload(
                () -> page.getByText("Download CSV").first().click());
        assertThat(file.suggestedFilename()).endsWith(".csv");
    }

    @Test
    void typeStaysReadableOnATablet() {
        Page page = at(768, 1024, "reader", "/reports/sales-by-fiscal-year?period=");
        Locator cell = page.locator("[data-role=ROW] span").first();
        assertThat(cell).isVisible();
        double size = ((Number) cell.evaluate("cell => parseFloat(getComputedStyle(cell).fontSize)")).doubleValue();
        assertThat(size).isGreaterThanOrEqualTo(11);
    }

    @Test
    void foldedPanelsLeaveTheirRoomToThePageInARunAndOnTheBench() {
        Page run = at(1280, 800, "author", "/reports/sales-by-fiscal-year?period=");
        assertThat(run.locator(".paper")).isVisible();
        Bench.button(run, "Hide: What to show").click();
        assertWide(run);
        run.reload();
        assertWide(run);
        Bench.button(run, "Show: What to show").click();
        assertThat(run.getByLabel("What to show", new Page.GetByLabelOptions().setExact(true)))
                .isVisible();

        Page bench = at(1280, 800, "author", "/bench/sales-by-fiscal-year");
        assertThat(bench.locator(".paper")).isVisible();
        Bench.button(bench, "Hide: Contents of the report").click();
        Bench.button(bench, "Hide: Settings of the selection").click();
        assertWide(bench);
        Accessibility.check(bench);
    }

    private static void assertWide(Page page) {
        assertThat(page.locator(".paper").first()).isVisible();
        page.waitForFunction("() => document.querySelector('.paper').getBoundingClientRect().width >= 900");
    }

    @Test
    void aPanelIsWidenedByKeyboardAndStaysSo() {
        Page page = at(1280, 800, "author", "/bench/sales-by-fiscal-year");
        Locator edge = page.getByLabel("Width of: Settings of the selection");
        assertThat(edge).hasAttribute("aria-valuenow", "284");
        edge.focus();
        page.keyboard().press("ArrowLeft");
        page.keyboard().press("ArrowLeft");
        assertThat(edge).hasAttribute("aria-valuenow", "316");
        page.reload();
        assertThat(edge).hasAttribute("aria-valuenow", "316");
    }

    /** The short forms of the inspector show their choices whole, whatever is selected. */
    @Test
    void noChoiceOfTheInspectorIsCutOff() {
        Page page = at(1280, 800, "author", "/bench/sales-by-fiscal-year");
        assertThat(page.locator(".paper")).isVisible();
        Locator items = page.getByLabel("Parts of the report").locator("button.item");
        int count = items.count();
        assertThat(count).isGreaterThan(10);
        for (int i = 0; i < count; i++) {
            items.nth(i).click();
            Object cut = page.evaluate("""
                    () => [...document.querySelectorAll('.inspector .p-select-label, .inspector .p-togglebutton-label')]
                      .filter((label) => label.scrollWidth > label.clientWidth + 1)
                      .map((label) => label.textContent)
                    """);
            assertThat((java.util.List<?>) cut).as(items.nth(i).innerText()).isEmpty();
        }
    }
}
