package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** How a part looks is taken from one and given to others, by keys alone. */
class LooksTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static String align(Bench bench) {
        return bench.inspector()
                .locator("[aria-label='Alignment'] [aria-pressed='true']")
                .textContent()
                .strip();
    }

    @Test
    void theLookOfAColumnIsGivenToAllThatAreSelectedInOneStep() {
        Bench bench = Bench.opened(PRODUCT.signedIn("author", "/bench/quiet-apiaries"));
        Page page = bench.page();
        bench.heading("Region").click();
        bench.edit(() -> bench.inspector()
                .getByText("right", new Locator.GetByTextOptions().setExact(true))
                .click());
        bench.heading("Region").click();
        page.keyboard().press("Control+Alt+C");
        bench.heading("Town").click();
        page.keyboard().press("Shift+ArrowRight");
        bench.edit(() -> page.keyboard().press("Control+Alt+V"));
        assertThat(bench.undoName()).isEqualTo("a look");
        bench.heading("Customer type").click();
        assertThat(align(bench)).isEqualTo("right");
        bench.heading("Town").click();
        assertThat(align(bench)).isEqualTo("right");
        bench.edit(() -> page.keyboard().press("Control+Alt+0"));
        assertThat(align(bench)).isEqualTo("as its type");
        bench.edit(() -> page.keyboard().press("Control+z"));
        bench.edit(() -> page.keyboard().press("Control+z"));
        bench.heading("Customer type").click();
        assertThat(align(bench)).isEqualTo("as its type");
        assertThat(page.getByRole(AriaRole.ALERT)).hasCount(0);
    }
}
