package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** An author makes reports from nothing; rebuilt by hand, the starter reports have the figures of those that are shipped. */
class AuthorTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static final String NOT_CANCELLED = "status <> 'cancelled' OR status IS NULL";

    private static String shipped(String report) {
        Page page = PRODUCT.signedIn("reader", "/reports/" + report);
        Locator done = page.locator(".views[data-run]");
        assertThat(done).isVisible();
        String csv = Bench.csv(page, done.getAttribute("data-run"));
        page.context().close();
        return csv;
    }

    @Test
    void aUsefulReportTakesNineClicks() {
        Page page = PRODUCT.signedIn("author", "/reports");
        int clicks = 2;
        Bench bench = Bench.make(page, "Sales order lines");
        for (String[] choice : new String[][] {
            {"Add a measure or field", "Net sales"},
            {"Group by another field", "Region"},
            {"Group by another field", "Apiary"}
        }) {
            Bench.button(page, choice[0]).click();
            Locator option = page.locator(".picker .option")
                    .filter(new Locator.FilterOptions()
                            .setHasText(java.util.regex.Pattern.compile(
                                    "^" + choice[1] + "\\s*(text|number with decimals)$")));
            bench.edit(() -> option.first().click());
            clicks += 2;
        }
        assertThat(clicks).isLessThanOrEqualTo(12);
        assertThat(page.locator("[data-role=HEADING]").first()).containsText("Lakeside");
        assertThat(page.locator("[data-role=TOTALS]").first()).containsText("Lakeside total");
        assertThat(page.locator("[data-role=ROW]").first())
                .containsText(java.util.regex.Pattern.compile("[A-Z].*\\d\\.\\d\\d"));
        assertThat(page.getByLabel("Grand total")).containsText("Net sales");
        Accessibility.check(page);
    }

    @Test
    void rebuiltWithTheMouseTheStarterReportHasTheFiguresOfTheShippedOne() {
        Bench bench = Bench.make(PRODUCT.signedIn("author", "/reports"), "Sales order lines");
        Page page = bench.page();
        for (String field : new String[] {"Ordered", "Depot", "Status", "Quantity", "Net sales", "Freight"}) {
            bench.addColumn(field);
        }
        bench.pick("Add to prompts", "Ordered");
        Bench.button(page, "Add to filters").click();
        bench.edit(() -> Bench.button(page, "Type a condition").click());
        bench.edit(() -> bench.field("Condition").fill(NOT_CANCELLED));
        bench.group("Ordered");
        bench.choose(bench.field("Group values by"), "fiscal year");
        bench.edit(() -> bench.field("Label").fill("Fiscal year"));
        bench.group("Region");
        bench.group("Apiary");
        bench.group("Order");
        bench.edit(() -> page.getByRole(AriaRole.SWITCH, new Page.GetByRoleOptions().setName("Print the rows"))
                .click());
        bench.heading("Net sales").click();
        // The levels that are made of texts have this order already; the years get it, and all turn.
        bench.edit(() -> page.keyboard().press("Shift+O"));
        page.locator("[data-role=TITLE] span").first().dblclick();
        page.keyboard().type("Rebuilt by mouse");
        bench.edit(() -> page.keyboard().press("Enter"));

        assertThat(page.locator("h1")).hasText("Rebuilt by mouse");
        assertThat(bench.csv()).isEqualTo(shipped("sales-by-fiscal-year"));
        Bench.button(page, "Save").click();
        assertThat(page.locator(".state")).hasText("Saved");
        Accessibility.check(page);
    }

    @Test
    void rebuiltWithTheKeyboardAloneTheStarterReportHasTheFiguresOfTheShippedOne() {
        Page page = PRODUCT.signedIn("author", "/reports");
        assertThat(page.getByPlaceholder("Find a report")).isFocused();
        page.keyboard().press("Shift+Tab");
        page.keyboard().press("Enter");
        page.getByRole(AriaRole.DIALOG).getByText("Sales order lines").waitFor();
        Bench.of(page).tabTo(name -> name.startsWith("Sales order lines"));
        page.keyboard().press("Enter");
        Bench bench = Bench.opened(page);
        bench.tabTo("Find a field");
        for (String field : new String[] {"Ordered", "Depot", "Status", "Quantity", "Net sales", "Freight"}) {
            page.keyboard().press("Control+A");
            page.keyboard().type(field);
            bench.edit(() -> page.keyboard().press("Enter"));
        }
        pickByKeys(bench, "Add to prompts", "Ordered");
        bench.tabTo("Add to filters");
        page.keyboard().press("Enter");
        page.locator(".picker input").waitFor();
        bench.tabTo("Type a condition");
        bench.edit(() -> page.keyboard().press("Enter"));
        bench.tabTo("Condition");
        page.keyboard().press("Control+A");
        bench.edit(() -> page.keyboard().type(NOT_CANCELLED));
        pickByKeys(bench, "Add to groups", "Ordered");
        bench.tabTo("Group values by");
        page.keyboard().press("ArrowDown");
        page.getByRole(AriaRole.OPTION).first().waitFor();
        page.keyboard().press("End");
        bench.edit(() -> page.keyboard().press("Enter"));
        pickByKeys(bench, "Add to groups", "Region");
        pickByKeys(bench, "Add to groups", "Apiary");
        pickByKeys(bench, "Add to groups", "Order");
        page.keyboard().press("Control+.");
        page.getByPlaceholder("Find a command").waitFor();
        page.keyboard().type("print the rows");
        bench.edit(() -> page.keyboard().press("Enter"));
        bench.tabTo("Column: Net sales");
        page.keyboard().press("Space");
        bench.edit(() -> page.keyboard().press("Shift+O"));
        String expected =
                shipped("sales-by-fiscal-year").replaceFirst("Fiscal year,(.*?),Ordered,", "Ordered,$1,Ordered 2,");
        assertThat(bench.csv()).isEqualTo(expected);
        page.keyboard().press("Control+S");
        assertThat(page.locator(".state")).hasText("Saved");
    }

    private static void pickByKeys(Bench bench, String opener, String field) {
        bench.tabTo(opener);
        bench.page().keyboard().press("Enter");
        assertThat(bench.page().locator(".picker input")).isFocused();
        bench.page().keyboard().type(field);
        bench.edit(() -> bench.page().keyboard().press("Enter"));
    }

    @Test
    void rebuiltByHandExpectedDeliveriesHasTheFiguresOfTheShippedOne() {
        Bench bench = Bench.make(PRODUCT.signedIn("author", "/reports"), "Purchase order lines");
        Page page = bench.page();
        bench.addColumn("Product");
        bench.addColumn("Ordered");
        bench.addColumn("Received");
        addTyped(bench, "Line number", "Open", "quantity - received_quantity");
        addTyped(bench, "Line number", "Open value", "(quantity - received_quantity) * unit_cost");
        addTyped(
                bench,
                "Line number",
                "Days late",
                "CASE WHEN expected_date < CURRENT_DATE THEN CURRENT_DATE - expected_date END");
        addTyped(bench, "Line number", "Arrived", "''");
        bench.group("Expected");
        bench.choose(bench.field("Group values by"), "day");
        bench.edit(() -> bench.field("Label").fill("Expected day"));
        bench.group("Depot");
        setOrder(bench);
        bench.group("Purchase order");
        setOrder(bench);
        Bench.button(page, "Add to filters").click();
        bench.edit(() -> Bench.button(page, "Type a condition").click());
        bench.edit(() -> bench.field("Condition").fill("quantity > received_quantity"));
        bench.pick("Add to prompts", "Expected");
        bench.inspector().locator(".p-select-dropdown").nth(1).click();
        bench.edit(() -> page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Overdue and next 7 days"))
                .click());
        Bench.button(page, "Add to highlights").click();
        bench.edit(() -> bench.field("Marks rows where").fill("expected_date < CURRENT_DATE"));
        assertThat(page.locator("[data-look=alert]").first()).isVisible();
        // What a mark is called is each author's own.
        assertThat(withoutMarks(bench.csv())).isEqualTo(withoutMarks(shipped("expected-deliveries")));
    }

    /** The rows without their last column. */
    private static String withoutMarks(String csv) {
        return csv.replaceAll("(?m),[^,\\r\\n]*(?=\\r?$)", "");
    }

    private static void addTyped(Bench bench, String field, String label, String value) {
        bench.addColumn(field);
        bench.edit(() -> bench.field("Label").fill(label));
        bench.edit(() -> bench.field("Shows").fill(value));
    }

    /** By name: an order that measures proposed goes. */
    private static void setOrder(Bench bench) {
        Locator remove = bench.inspector().locator("button[aria-label^='Remove: ']");
        while (remove.count() > 0) {
            bench.edit(() -> remove.first().click());
        }
    }

    /** What is kept a moment later, and what is saved at once, both put a new report on record. */
    @Test
    void theButtonForANewReportStaysWhereItIsAsTheListComes() {
        Page page = PRODUCT.signedIn("author", "/nowhere");
        List<Route> held = new ArrayList<>();
        page.route("**/api/reports", held::add);
        page.navigate(PRODUCT.address() + "/reports");
        Locator button = Bench.button(page, "New report");
        assertThat(button).isVisible();
        page.evaluate("document.fonts.ready");
        BoundingBox before = button.boundingBox();
        held.forEach(Route::resume);
        assertThat(page.getByText("Open orders").first()).isVisible();
        assertThat(button.boundingBox().x).isEqualTo(before.x);
        assertThat(button.boundingBox().y).isEqualTo(before.y);
    }

    @Test
    void aReportSavedWhileItIsPutOnRecordIsNoConflict() {
        Page page = PRODUCT.signedIn("author", "/reports");
        Bench bench = Bench.make(page, "Sales order lines");
        List<Route> held = new ArrayList<>();
        page.route("**/editing", held::add);
        bench.addColumn("Order");
        page.waitForCondition(() -> !held.isEmpty());
        Bench.button(page, "Save").click();
        page.waitForTimeout(300);
        page.unroute("**/editing");
        held.forEach(Route::resume);
        assertThat(page.locator(".state")).hasText("Saved");
        assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
    }
}
