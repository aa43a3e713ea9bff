package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** What an author does on the bench while answers take their time. */
class SlowLineTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    /** An edit whose page takes longer than this is made without its page, in milliseconds. */
    private static final int EDIT_ALONE = 400;

    private static final Pattern LAST = Pattern.compile("Page (\\d+) of \\1");

    private static final String PREVIEWS = "**/api/previews/*";
    private static final String EDITS = "**/api/edits";

    private final List<Route> held = new ArrayList<>();

    @Test
    void aPageTurnedToWhileAnEditIsMadeIsShown() {
        Bench bench = list();
        Page page = bench.page();
        page.route(PREVIEWS, held::add);
        groupByRegion(page);
        page.waitForCondition(() -> held.size() > 1);
        Bench.button(page, "Last page").click();
        assertThat(page.locator(".paper")).not().containsText("Page 1 of");
        answer(page);
        assertThat(page.locator(".paper")).containsText(LAST);
        assertThat(Bench.button(page, "Last page")).isDisabled();
    }

    @Test
    void aPageThatComesBeforeItsEditIsNotAskedForAgain() {
        Bench bench = list();
        Page page = bench.page();
        int before = Integer.parseInt(page.locator(".desk").getAttribute("data-asked"));
        List<Route> edits = new ArrayList<>();
        page.route(PREVIEWS, held::add);
        page.route(EDITS, edits::add);
        groupByRegion(page);
        page.waitForCondition(() -> !edits.isEmpty());
        answer(page);
        assertThat(page.locator(".paper")).containsText("Lakeside");
        edits.forEach(Route::resume);
        page.waitForTimeout(2 * EDIT_ALONE);
        assertThat(page.locator(".desk").getAttribute("data-asked")).isEqualTo(String.valueOf(before + 1));
    }

    private Bench list() {
        Bench bench = Bench.make(PRODUCT.signedIn("author", "/reports"), "Sales order lines");
        bench.addColumn("Order");
        bench.addColumn("Net sales");
        return bench;
    }

    private static void groupByRegion(Page page) {
        Bench.button(page, "Add to groups").last().click();
        page.locator(".picker input").fill("Region");
        page.locator(".picker input").press("Enter");
    }

    /** Lets everything that was held go on, and waits for the page of the newest edit. */
    private void answer(Page page) {
        page.unroute(PREVIEWS);
        held.forEach(Route::resume);
        page.waitForFunction("""
                () => {
                  const { asked, edit } = document.querySelector('.desk').dataset
                  return asked === edit
                }
                """);
    }
}
