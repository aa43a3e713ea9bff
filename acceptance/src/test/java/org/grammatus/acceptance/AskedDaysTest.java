package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Days are asked for with what the data know of them; authors try what they ask in place. */
class AskedDaysTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static final int SLOW_MILLIS = 1_200;

    @Test
    void incompleteDaysAreToldAndLeftOutInOneStep() {
        Page page = PRODUCT.signedIn("reader", "/reports/order-book");
        Locator paper = page.locator(".paper").first();
        assertThat(paper).containsText("Ordered: 1 October 2026 to 20 November 2026");
        assertThat(page.getByText("The data are complete until 19 November 2026"))
                .isVisible();
        Bench.button(page, "Complete days only").click();
        assertThat(paper).containsText("Ordered: 1 October 2026 to 19 November 2026");
        assertThat(page.getByText("The data are complete until")).hasCount(0);
    }

    @Test
    void theCalendarMarksDaysWithRowsAndKnowsFiscalPeriods() {
        Page page = PRODUCT.signedIn("reader", "/reports/order-book");
        Bench.button(page, "Ordered: Show a calendar").click();
        Locator calendar = page.locator(".calendar");
        // The last day that has rows is the 20th; the month goes on.
        assertThat(calendar.getByTitle("This day has rows").last()).hasText("20");
        Accessibility.check(page);
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Ordered: A fiscal year or quarter"))
                .click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Q4 2025/26"))
                .click();
        assertThat(page.locator(".paper").first()).containsText("Ordered: 1 July 2026 to 30 September 2026");
        assertThat(page).hasURL(Pattern.compile("period=2026-07-01/2026-09-30"));
    }

    @Test
    void itIsSaidHowManyRowsWouldBeKeptBeforeARunThatWaits() {
        Page page = PRODUCT.signedIn("reader", "/reports/open-orders");
        Locator paper = page.locator(".paper").first();
        // A run that is told of late is none that follows its answers by itself.
        page.route("**/events", route -> {
            try {
                Thread.sleep(SLOW_MILLIS);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
            route.resume();
        });
        page.reload();
        assertThat(paper).containsText("Product: all");
        page.getByLabel("Product").fill("jar");
        Locator count = page.getByText(Pattern.compile("^Would keep [\\d,]+ lines$"));
        assertThat(count).isVisible();
        String kept = count.textContent().replaceAll("\\D", "");
        assertThat(paper).containsText("Product: all");
        Bench.button(page, "Run").click();
        assertThat(paper).containsText("Product: jar");
        assertThat(count).hasCount(0);
        assertThat(page.getByText(Pattern.compile("\\b" + kept.replaceAll("(\\d)(\\d{3})$", "$1,$2") + " kept"))
                        .first())
                .isVisible();
    }

    @Test
    void anAuthorAnswersAsAReaderWould() {
        Page page = PRODUCT.signedIn("author", "/bench/open-orders");
        Locator paper = page.locator(".paper").first();
        assertThat(paper).containsText("Net amount");
        Locator inspector = page.getByLabel("Inspector");
        page.locator("nav, aside")
                .getByText("With amounts", new Locator.GetByTextOptions().setExact(true))
                .first()
                .click();
        Locator asked =
                inspector.getByRole(AriaRole.REGION, new Locator.GetByRoleOptions().setName("What a reader is asked"));
        asked.getByRole(AriaRole.GROUP, new Locator.GetByRoleOptions().setName("With amounts"))
                .getByText("no")
                .click();
        Bench.button(page, "Run").click();
        assertThat(paper).containsText("With amounts: no");
        assertThat(paper).not().containsText("Net amount");
        Locator depots = asked.getByLabel("Depots", new Locator.GetByLabelOptions().setExact(true));
        depots.fill("kiln");
        depots.press("Enter");
        Bench.button(page, "Run").click();
        assertThat(paper).containsText("Depots: Kiln Yard");
        Accessibility.check(page);
        Bench.button(page, "Back to the defaults").click();
        assertThat(paper).containsText("Net amount");
        assertThat(paper).containsText("Depots: all");
    }

    @Test
    void aPromptOffersTheValuesOfAnotherDataset() {
        Page page = PRODUCT.signedIn("author", "/bench/open-orders");
        Locator inspector = page.getByLabel("Inspector");
        page.locator("nav, aside")
                .getByText("Depots", new Locator.GetByTextOptions().setExact(true))
                .first()
                .click();
        inspector
                .getByRole(AriaRole.COMBOBOX, new Locator.GetByRoleOptions().setName("Offers values of"))
                .click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Apiaries"))
                .click();
        Locator asked =
                inspector.getByRole(AriaRole.REGION, new Locator.GetByRoleOptions().setName("What a reader is asked"));
        Locator depots = asked.getByLabel("Depots", new Locator.GetByLabelOptions().setExact(true));
        depots.fill("AP-1");
        assertThat(page.getByRole(AriaRole.OPTION).first()).containsText("AP-1");
    }
}
