package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.MouseButton;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Readers narrow a report to some values of what it prints. */
class NarrowTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static Locator field(Page page, String label) {
        return page.getByRole(
                AriaRole.GROUP, new Page.GetByRoleOptions().setName(label).setExact(true));
    }

    private static Locator tick(Locator field, String value) {
        return field.getByRole(
                AriaRole.CHECKBOX, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + value + ", [\\d,]+$")));
    }

    @Test
    void valuesAreTickedByKeyboardAloneAndStandInTheAddressThePageAndTheFile() {
        Page page = PRODUCT.signedIn("reader", "/reports/order-book");
        Locator paper = page.locator(".paper").first();
        // What its author set beside it is there at once.
        assertThat(field(page, "Region").getByRole(AriaRole.CHECKBOX)).hasCount(5);
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Narrow by a field"))
                .focus();
        page.keyboard().press("ArrowDown");
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Depot"))
                .waitFor();
        page.keyboard().press("Enter");
        Locator depots = field(page, "Depot");
        Locator finch = tick(depots, "Finch Lane");
        assertThat(finch).isFocused();
        page.keyboard().press("Space");
        assertThat(paper).containsText("Only Depot: Finch Lane");
        assertThat(finch).isFocused();
        // Each count stays what a tick would add.
        assertThat(tick(depots, "Kiln Yard")).isVisible();
        tick(depots, "\\(none\\)").press("Space");
        assertThat(paper).containsText("Only Depot: Finch Lane, (none)");
        assertThat(page).hasURL(Pattern.compile("narrow=depot:Finch\\+Lane,\\+\\(none\\)"));
        Accessibility.check(page);
        String file = (String) page.evaluate(
                "id => fetch(`/api/runs/${id}/file?format=json`).then(answer => answer.text())",
                page.locator(".views").getAttribute("data-run"));
        assertThat(file).contains("Only Depot: Finch Lane, (none)");

        page.reload();
        assertThat(tick(field(page, "Depot"), "Finch Lane")).isChecked();
        Bench.button(page, "Reverse").click();
        assertThat(paper).containsText("Only Depot: all but Finch Lane, (none)");
        assertThat(tick(field(page, "Depot"), "Finch Lane")).not().isChecked();
        assertThat(tick(field(page, "Depot"), "Kiln Yard")).isChecked();
        Bench.button(page, "Remove: Depot").click();
        assertThat(paper).not().containsText("Only Depot");
        assertThat(page).not().hasURL(Pattern.compile("narrow="));
    }

    @Test
    void aRangeAndDaysAreNarrowedToFromTheMenuOfAHeading() {
        Page page = PRODUCT.signedIn("reader", "/reports/open-orders");
        Locator paper = page.locator(".paper").first();
        Locator headings = page.locator("[data-role=COLUMN_HEADINGS]").first();
        headings.getByText("Net amount").click(new Locator.ClickOptions().setButton(MouseButton.RIGHT));
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Some of Net amount…"))
                .click();
        Locator from = page.getByLabel("Net amount, from");
        assertThat(from).isFocused();
        from.fill("2000");
        page.keyboard().press("Tab");
        assertThat(paper).containsText("Only Net amount: from 2,000");
        from.fill("many");
        page.keyboard().press("Tab");
        assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("many");
        from.fill("1,500.50");
        page.keyboard().press("Tab");
        assertThat(paper).containsText("Only Net amount: from 1,500.5");
        // A report that does not print it any more is not narrowed by it in silence.
        page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("With amounts"))
                .getByText("no")
                .click();
        Bench.button(page, "Run").click();
        assertThat(page.getByText("“Net amount” is not printed here")
                        .or(page.getByText("is not printed here"))
                        .first())
                .isVisible();
    }

    @Test
    void aPhoneNarrowsInThePanelThatLiesOverTheReport() {
        Page page = PRODUCT.signedIn("reader", "/reports/order-book");
        page.setViewportSize(390, 844);
        page.reload();
        Bench.button(page, "Show: What to show").click();
        Locator region = field(page, "Region");
        tick(region, "Islands").click();
        assertThat(page).hasURL(Pattern.compile("narrow=region:Islands"));
        // Whoever ticks several keeps the list in sight.
        tick(region, "Coast").click();
        assertThat(page).hasURL(Pattern.compile("narrow=region:Islands,\\+Coast"));
        Accessibility.check(page);
        Bench.button(page, "Run").click();
        assertThat(page.locator(".list")).containsText("Only Region: Islands, Coast");
    }
}
