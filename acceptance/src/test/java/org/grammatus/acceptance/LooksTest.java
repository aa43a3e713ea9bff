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
