package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Filters that are made of others, and what each of them keeps, as their author sees it on the bench. */
class FiltersTest {

    /** More than the test takes. */
    private static final int MOST_STEPS = 12;

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static Locator listed(Page page, String name) {
        return page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Parts of the report"))
                .locator("button.item")
                .filter(new Locator.FilterOptions().setHasText(name));
    }

    @Test
    void aFilterIsPutIntoAGroupAddedToTurnedRoundAndTakenOutAgain() {
        Page page = PRODUCT.signedIn("author", "/bench/large-orders");
        Locator inspector = page.getByLabel("Inspector");
        page.getByLabel("Add to filters").click();
        page.getByPlaceholder("Find a field").fill("Status");
        page.keyboard().press("Enter");
        Locator values = inspector.getByRole(AriaRole.COMBOBOX, new Locator.GetByRoleOptions().setName("Values"));
        values.fill("shipped");
        values.press("Enter");
        // Before its value is read, it holds for none.
        assertThat(inspector.getByText(Pattern.compile("By itself it keeps [1-9][\\d,]* rows")))
                .isVisible();
        String shipped = inspector.locator(".keeps").textContent();

        Bench.button(page, "Put into a group").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Any of these"))
                .click();
        listed(page, "Any of these").click();
        Bench.button(page, "Add a condition to it").click();
        page.getByPlaceholder("Find a field").fill("Shipped");
        page.keyboard().press("Enter");
        listed(page, "Shipped is between").click();
        assertThat(inspector.getByText("Without a value it keeps every row.")).isVisible();
        inspector
                .getByLabel("Condition", new Locator.GetByLabelOptions().setExact(true))
                .click();
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName("is not blank").setExact(true))
                .click();
        assertThat(listed(page, "Shipped is not blank").locator("small")).containsText("+");
        listed(page, "Any of these").click();
        Bench.button(page, "Reverse").click();
        assertThat(listed(page, "None of these")).isVisible();
        assertThat(inspector.getByText("NOT (")).isVisible();
        Accessibility.check(page);

        Bench.button(page, "Ungroup").click();
        assertThat(listed(page, "None of these")).hasCount(0);
        listed(page, "Status is shipped").click();
        assertThat(inspector.locator(".keeps")).hasText(shipped);
        Bench.button(page, "Turn into an expression").click();
        assertThat(listed(page, "Status is shipped")).hasCount(0);
        Bench.button(page, "Turn into a built filter").click();
        assertThat(listed(page, "Status is shipped")).isVisible();
        page.locator(".paper").first().click();
        for (int i = 0; i < MOST_STEPS; i++) {
            page.keyboard().press("Control+z");
        }
        assertThat(listed(page, "Status is shipped")).hasCount(0);
    }

    @Test
    void apiariesWithoutAnOrderAreFoundByHand() {
        Page page = PRODUCT.signedIn("author", "/bench/quiet-apiaries");
        Locator inspector = page.getByLabel("Inspector");
        page.getByLabel("Add to filters").click();
        Bench.button(page, "Rows of another dataset").click();
        inspector
                .getByLabel("In dataset", new Locator.GetByLabelOptions().setExact(true))
                .click();
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Sales order lines"))
                .click();
        assertThat(inspector.getByText("EXISTS (SELECT * FROM")).isVisible();
        Bench.button(page, "Add a condition").last().click();
        Locator where = inspector.locator(".inside textarea, .inside input").first();
        where.fill("category = 'Hives' AND quantity > 1");
        where.press("Tab");
        assertThat(inspector.getByText("category = 'Hives'").first()).isVisible();
        assertThat(inspector.getByText(Pattern.compile("By itself it keeps [\\d,]+ rows")))
                .isVisible();
        Bench.button(page, "Turn into an expression").click();
        assertThat(listed(page, "EXISTS (SELECT")).isVisible();
    }

    @Test
    void whatAFilterDropsIsShownAndWhyAnOrderIsNotHereIsSaid() {
        Page page = PRODUCT.signedIn("author", "/bench/open-orders");
        listed(page, "Open quantity is more than 0").click();
        Bench.button(page, "Rows that it drops").click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        assertThat(dialog.getByText(Pattern.compile("lines dropped: Open quantity is more than 0")))
                .isVisible();
        String order = dialog.locator("tbody tr").first().locator("td").first().textContent();
        assertThat(dialog.locator("tbody tr").first()).isVisible();
        page.keyboard().press("Escape");

        Bench.button(page, "Why is … not here?").click();
        Locator value = page.getByLabel("is", new Page.GetByLabelOptions().setExact(true));
        value.fill(order.matches("S\\d{7}") ? order : "S0100001");
        value.press("Enter");
        Locator answer = page.locator(".absent .found");
        assertThat(answer).containsText("dropped by: Open quantity is more than 0");
        answer.getByRole(AriaRole.BUTTON).first().click();
        assertThat(listed(page, "Open quantity is more than 0")).hasAttribute("aria-pressed", "true");
        value.fill("S9999999");
        value.press("Enter");
        assertThat(answer).hasText("It is not in the data.");
        Accessibility.check(page);
    }
}
