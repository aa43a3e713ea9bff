package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** An author names a calculated field and a measure once, and reports use them. */
class NameItOnceTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static final String SALES = "/data/sales-order-lines";

    private static Locator button(Page page, String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    private static Locator field(Page page, String label) {
        return page.locator("form").getByLabel(label, new Locator.GetByLabelOptions().setExact(true));
    }

    private static void save(Page page) {
        button(page, "Save for all reports").click();
    }

    @Test
    void namedOnceTheyAreOfferedAndTotalledInAReport() throws Exception {
        Page page = PRODUCT.signedIn("author", SALES);
        button(page, "New calculated field").click();
        field(page, "Label").fill("Discount given");
        field(page, "Computed as").pressSequentially("list_amount - net_am");
        assertThat(page.locator("form [role=alert]")).containsText("1:15 unknown field \"net_am\"");
        Accessibility.check(page);
        // The name is completed with the keyboard alone.
        page.keyboard().press("ArrowDown");
        page.keyboard().press("Enter");
        assertThat(field(page, "Computed as")).hasValue("list_amount - net_amount");
        assertThat(page.locator(".result")).containsText("Number with decimals, one value for each line");
        save(page);
        assertThat(page.locator(".panel h2")).hasText("Discount given");

        button(page, "New measure").click();
        field(page, "Label").fill("Discount for each order");
        field(page, "Computed as").fill("SUM(discount_given) / order_count");
        assertThat(page.locator(".result")).containsText("Over all rows");
        Accessibility.check(page);
        save(page);
        assertThat(page.locator(".panel h2")).hasText("Discount for each order");

        page.navigate(PRODUCT.address() + "/reports");
        Bench bench = Bench.make(page, "Sales order lines");
        bench.pick("Add a measure or field", "Discount for each order");
        bench.pick("Add a measure or field", "Discount given");
        bench.pick("Group by another field", "Region");
        String given = sum("SELECT SUM(quantity * unit_price - net_amount) FROM sales_order_line");
        assertThat(page.getByLabel("Grand total")).containsText(given);
        assertThat(page.locator("[data-role=ROW]").first()).containsText("Lakeside");
    }

    private static String sum(String select) throws Exception {
        try (Connection database = DriverManager.getConnection("jdbc:sqlite:" + PRODUCT.database());
                ResultSet result = database.createStatement().executeQuery(select)) {
            result.next();
            return "%,.2f".formatted(BigDecimal.valueOf(result.getLong(1), 2));
        }
    }

    @Test
    void whatAReportNeedsIsNotDeletedUnawares() {
        Page page = PRODUCT.signedIn("author", "/data/purchase-order-lines?field=open_value");
        button(page, "Edit Open value").click();
        assertThat(page.locator(".result")).isVisible();
        button(page, "Delete").click();
        assertThat(page.locator("form .problem")).containsText("Value coming in: unknown field \"open_value\"");
        button(page, "Cancel").click();
        button(page, "Days late").click();
        button(page, "Edit Days late").click();
        assertThat(page.locator(".result")).isVisible();
        button(page, "Delete").click();
        Locator effect = page.locator(".effect");
        assertThat(effect).containsText("1 report would no longer run until fixed");
        assertThat(effect).containsText("Expected deliveries");
        assertThat(page.locator("form")).containsText("“Days late” is used. Delete it anyway?");
        assertThat(button(page, "Delete it anyway")).isVisible();
        assertThat(Bench.button(page, "Delete")).hasCount(0);
        Accessibility.check(page);
        button(page, "Keep it").click();
        assertThat(page.locator(".panel h2")).hasText("Days late");
    }

    @Test
    void twoAuthorsDoNotOverwriteEachOther() {
        Page one = PRODUCT.signedIn("author", "/data/purchase-order-lines?field=delivery_count");
        Page two = PRODUCT.signedIn("author", "/data/purchase-order-lines?field=delivery_count");
        for (Page page : new Page[] {one, two}) {
            button(page, "Edit Number of deliveries").click();
            assertThat(field(page, "Label")).hasValue("Number of deliveries");
        }
        field(one, "Label").fill("Deliveries");
        save(one);
        assertThat(one.locator(".panel h2")).hasText("Deliveries");
        field(two, "Label").fill("Purchase orders in all");
        save(two);
        assertThat(two.locator("form [role=alert]")).containsText("Somebody changed “Deliveries” since you opened it");
        assertThat(field(two, "Label")).hasValue("Purchase orders in all");
        button(two, "Cancel").click();

        // Changes to different entries go side by side.
        button(two, "New calculated field").click();
        field(two, "Label").fill("Short");
        field(two, "Computed as").fill("needed_quantity > open_quantity");
        assertThat(two.locator(".result")).containsText("Yes/no, one value for each line");
        save(two);
        assertThat(two.locator(".panel h2")).hasText("Short");
        assertThat(two.locator(".dictionary")).containsText("Deliveries");
    }

    @Test
    void labelsAndFormatsSetOnceShowEverywhere() {
        Page page = PRODUCT.signedIn("author", "/data/purchase-order-lines?field=contact");
        button(page, "Edit Contact").click();
        assertThat(field(page, "Label")).hasValue("Contact");
        field(page, "Label").fill("Contact at the supplier");
        save(page);
        assertThat(page.locator(".panel h2")).hasText("Contact at the supplier");
        page.navigate(PRODUCT.address() + "/reports");
        Bench bench = Bench.make(page, "Purchase order lines");
        bench.pick("Add a measure or field", "Contact at the supplier");
        assertThat(page.locator("[data-role=COLUMN_HEADINGS]").first())
                .containsText(Pattern.compile("Contact at\\s+the supplier|Contact at the supplier"));
    }

    @Test
    void aKeyIsShownByItsNameInAllReports() throws Exception {
        Page page = PRODUCT.signedIn("author", "/data/purchase-order-lines?field=product_code");
        button(page, "Edit Product code").click();
        page.getByLabel("Shown by its name", new Page.GetByLabelOptions().setExact(true))
                .click();
        assertThat(page.getByRole(AriaRole.OPTION)).not().containsText(new String[] {"Supplier"});
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName("Product").setExact(true))
                .click();
        Accessibility.check(page);
        save(page);
        assertThat(fact(page, "Shown as")).hasText("Product");

        button(page, "New report on it").click();
        Bench bench = Bench.opened(page);
        bench.pick("Group by another field", "Product code");
        bench.pick("Add a measure or field", "Ordered");
        // By name, though the codes would stand in another order.
        assertThat(page.locator(".paper [data-role=ROW]").first()).containsText("Ankle straps");
    }

    @Test
    void whatCodesMeanIsWrittenOnce() {
        Page page = PRODUCT.signedIn("author", "/data/purchase-order-lines?field=status");
        button(page, "Edit Status").click();
        button(page, "Name its values").click();
        assertThat(field(page, "Label")).hasValue("Status name");
        Locator names = field(page, "Computed as");
        assertThat(names).hasValue(Pattern.compile("^CASE status\\s+WHEN '[\\s\\S]+END$"));
        names.fill(names.inputValue().replaceAll("THEN 'open'", "THEN 'Awaited'"));
        assertThat(page.locator(".result")).containsText("Awaited");
        save(page);
        assertThat(page.locator("form h2")).hasText("Edit Status");
        assertThat(page.locator("form")).containsText("Status name");
        save(page);
        assertThat(fact(page, "Shown as")).hasText("Status name");
        button(page, "New report on it").click();
        Bench bench = Bench.opened(page);
        bench.pick("Group by another field", "Status");
        bench.pick("Add a measure or field", "Ordered");
        // By its name, the first of the three.
        assertThat(page.locator(".paper [data-role=ROW]").first()).containsText("Awaited");
    }

    @Test
    void valuesArePutInAnOrderOfTheirOwnForAllReports() {
        Page page = PRODUCT.signedIn("author", "/data/purchase-order-lines?field=branch");
        button(page, "Edit Branch").click();
        button(page, "Use the values in the data").click();
        Locator order = field(page, "Order of its values");
        assertThat(order).hasValue(Pattern.compile(".+\\n.+"));
        List<String> turned = new ArrayList<>(List.of(order.inputValue().split("\n")));
        Collections.sort(turned);
        Collections.reverse(turned);
        order.fill(String.join("\n", turned) + "\n");
        Accessibility.check(page);
        save(page);
        assertThat(fact(page, "Order")).hasText(String.join(", ", turned));

        page.navigate(PRODUCT.address() + "/reports");
        Bench bench = Bench.make(page, "Purchase order lines");
        bench.pick("Group by another field", "Branch");
        bench.pick("Add a measure or field", "Product");
        List<String> headings = page.locator("[data-role=HEADING]").allInnerTexts();
        assertThat(headings.getFirst()).contains(turned.getFirst());
    }

    private static Locator fact(Page page, String name) {
        return page.locator(".panel dl div")
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("^" + name)))
                .locator("dd");
    }

    private static void choose(Page page, String label, String option) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).click();
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName(option).setExact(true))
                .click();
    }

    @Test
    void fiscalYearsFollowTheInstallationOrTheDataset() {
        Page admin = PRODUCT.signedIn("admin", "/sources");
        choose(admin, "Fiscal years start in", "April");
        choose(admin, "They are called by", "the year they end in");
        assertThat(admin.getByText("The current one is 2027 and began on 1 April 2026."))
                .isVisible();
        button(admin, "Save the calendar").click();
        assertThat(admin.getByText("Saved.")).isVisible();
        Accessibility.check(admin);

        // A starter has a calendar of its own, until an author takes it away.
        Page page = PRODUCT.signedIn("author", "/data/purchase-order-lines");
        assertThat(page.getByText("Fiscal years start in October, here.")).isVisible();
        button(page, "Change the calendar").click();
        page.getByText("Own calendar").click();
        button(page, "Save the calendar").click();
        assertThat(page.getByText("Fiscal years start in April, as everywhere."))
                .isVisible();
        button(page, "Change the calendar").click();
        page.getByText("Own calendar").click();
        choose(page, "Fiscal years start in", "October");
        Accessibility.check(page);
        button(page, "Save the calendar").click();
        assertThat(page.getByText("Fiscal years start in October, here.")).isVisible();
    }
}
