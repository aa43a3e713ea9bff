package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;

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
    void aWrongPeriodIsNotRunWhileItIsStillBeingLookedAt() {
        Page page = PRODUCT.signedIn("reader", "/reports/sales-by-fiscal-year");
        Product.quick(page);
        assertThat(page.locator(".paper")).isVisible();
        List<String> runs = new ArrayList<>();
        page.onRequest(request -> {
            if (request.method().equals("POST") && request.url().endsWith("/api/runs")) {
                runs.add(request.postData());
            }
        });
        Locator days = page.getByLabel("Days", new Page.GetByLabelOptions().setExact(true));
        Product.late(page, 700);
        days.fill("2026-04-01 to 2026-03-01");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("swap them");
        days.fill("2026-04-01 to 2026-04-02");
        assertThat(page.locator(".paper").first()).containsText("Ordered: 1 April 2026 to 2 April 2026");
        org.assertj.core.api.Assertions.assertThat(runs).hasSize(1);
    }

    @Test
    void theCalendarMarksDaysWithRowsAndKnowsFiscalPeriods() {
        Page page = PRODUCT.signedIn("reader", "/reports/order-book");
        Product.quick(page);
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
        Locator asked = inspector.getByRole(AriaRole.REGION, new Locator.GetByRoleOptions().setName("Try the prompts"));
        asked.getByRole(AriaRole.GROUP, new Locator.GetByRoleOptions().setName("With amounts"))
                .getByText("no")
                .click();
        Bench.button(page, "Run").click();
        assertThat(paper).containsText("With amounts: no");
        assertThat(paper).not().containsText("Net amount");
        Locator depots = asked.getByLabel("Depots", new Locator.GetByLabelOptions().setExact(true));
        depots.fill("kiln");
        depots.press("Enter");
        assertThat(asked.getByLabel(Pattern.compile("Remove Kiln Yard"))).isVisible();
        Bench.button(page, "Run").click();
        assertThat(paper).containsText("Depots: Kiln Yard");
        Accessibility.check(page);
        Bench.button(page, "Stop trying answers").click();
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
                .getByRole(AriaRole.COMBOBOX, new Locator.GetByRoleOptions().setName("Values from"))
                .click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Apiaries"))
                .click();
        Locator asked = inspector.getByRole(AriaRole.REGION, new Locator.GetByRoleOptions().setName("Try the prompts"));
        Locator depots = asked.getByLabel("Depots", new Locator.GetByLabelOptions().setExact(true));
        depots.fill("AP-1");
        assertThat(page.getByRole(AriaRole.OPTION).first()).containsText("AP-1");
    }

    @Test
    void aSupplierIsOfferedWhereTheDepotHasIt() {
        Page page = PRODUCT.signedIn("reader", "/reports/expected-deliveries");
        Product.quick(page);
        Locator paper = page.locator(".paper").first();
        assertThat(paper).containsText("Supplier: all");
        Locator supplier = page.getByLabel("Supplier", new Page.GetByLabelOptions().setExact(true));
        supplier.click();
        Locator offered = page.getByRole(AriaRole.OPTION);
        assertThat(offered.first()).isVisible();
        Locator counts = offered.locator("small");
        String all = String.join(" ", counts.allTextContents());
        page.keyboard().press("Escape");
        // The list gives the focus back as it closes.
        assertThat(offered).hasCount(0);
        assertThat(supplier).isFocused();
        Locator depot = page.getByLabel("Depot", new Page.GetByLabelOptions().setExact(true));
        depot.fill("kiln");
        depot.press("Enter");
        assertThat(paper).containsText("Depot: Kiln Yard");
        supplier.click();
        assertThat(offered.first()).isVisible();
        // Each is offered with as many rows as that depot has of it.
        assertThat(counts).not().hasText(all.split(" "));
        String name = offered.first().locator("span span").textContent().strip();
        offered.first().click();
        assertThat(paper).containsText("Depot: Kiln Yard · Supplier: " + name);
    }

    @Test
    void aReaderIsToldWhichConditionDropsWhatTheyMiss() {
        Page page = PRODUCT.signedIn("reader", "/reports/open-orders?product=jar");
        Bench.button(page, "Why is … not here?").click();
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Where"))
                .click();
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName("Product").setExact(true))
                .click();
        page.getByLabel("is", new Page.GetByLabelOptions().setExact(true)).fill("Brood box");
        Bench.button(page, "Look").click();
        assertThat(page.locator(".found")).containsText("Product");
        Accessibility.check(page);
        page.getByLabel("is", new Page.GetByLabelOptions().setExact(true)).fill("No such thing");
        Bench.button(page, "Look").click();
        assertThat(page.getByText("It is not in the data.")).isVisible();
    }

    @Test
    void tomorrowTheLastSevenDaysAreOthers(@TempDir Path data) throws Exception {
        DemoServer server = DemoServer.start(data, 0);
        try {
            Page page = PRODUCT.openAt(server.address() + "/reports/last-days?period=last+7+days");
            Product.signIn(page, "reader");
            Locator paper = page.locator(".paper").first();
            assertThat(paper).containsText("Ordered: 14 November 2026 to 20 November 2026");
            assertThat(page.locator(".outline")).containsText("14 Nov 2026");
            String file = "jdbc:sqlite:" + data.resolve("demo").resolve("merrowdale.db");
            try (Connection database = DriverManager.getConnection(file);
                    Statement statement = database.createStatement()) {
                statement.execute("UPDATE business_date SET day = '2026-11-21'");
                statement.execute(
                        "INSERT INTO sales_order SELECT 900001, 'S0900001', '2026-11-21T09:30:00', promised_date,"
                                + " apiary_id, depot, ship_date, 'open', 0 FROM sales_order LIMIT 1");
                statement.execute(
                        "INSERT INTO sales_order_line SELECT 9000001, 900001, 1, product_id, 1, unit, 100, 0, 100, 0"
                                + " FROM sales_order_line LIMIT 1");
            }
            page.reload();
            assertThat(paper).containsText("Ordered: 15 November 2026 to 21 November 2026");
            // What came in today is there, what is a week old is not, and the address is the same.
            assertThat(paper).containsText("S0900001");
            assertThat(page.locator(".outline")).not().containsText("14 Nov 2026");
            assertThat(page).hasURL(Pattern.compile("period=last\\+7\\+days"));
        } finally {
            server.process().destroy();
            server.process().waitFor();
        }
    }
}
