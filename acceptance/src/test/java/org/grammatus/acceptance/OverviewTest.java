package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Ways to look at long reports: all pages at a glance, two side by side, a whole page. */
class OverviewTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static Page opened() {
        Page page = PRODUCT.signedIn("reader", "/reports/sales-by-fiscal-year");
        assertThat(page.locator(".paper")).isVisible();
        return page;
    }

    private static Locator small(Page page, int number) {
        return page.locator(".overview [data-page='" + number + "']");
    }

    @Test
    void aPageIsFoundAmongAllAndOpenedByKeyboardAlone() {
        Page page = opened();
        page.keyboard().press("o");
        assertThat(small(page, 1)).hasAttribute("aria-current", "page");
        assertThat(small(page, 3).locator(".paper")).isVisible();
        Accessibility.check(page);
        small(page, 1).focus();
        page.keyboard().press("ArrowRight");
        assertThat(small(page, 2)).isFocused();
        page.keyboard().press("ArrowDown");
        page.waitForFunction("() => Number(document.activeElement.dataset.page) > 2");
        int row = Integer.parseInt(page.locator(":focus").getAttribute("data-page")) - 2;
        // Faster than pages are drawn: none is lost.
        for (int more = 0; more < 5; more++) {
            page.keyboard().press("ArrowDown");
        }
        String found = String.valueOf(2 + 6 * row);
        assertThat(small(page, 2 + 6 * row)).isFocused();
        page.keyboard().press("Enter");
        assertThat(page.getByRole(
                        AriaRole.TEXTBOX,
                        new Page.GetByRoleOptions().setName("Page").setExact(true)))
                .hasValue(found);
        assertThat(page.locator(".paper")).hasCount(1);
        assertThat(page).hasURL(Pattern.compile("page=" + found + "\\b"));
    }

    /** Where the cell in hand lies in the list, in pixels from its beginning. */
    private static final String IN_HAND = """
            () => {
              const list = document.querySelector('.list')
              const cell = document.activeElement
              return cell.matches('[data-cell]') ? Math.round(cell.getBoundingClientRect().top + list.scrollTop) : -1
            }
            """;

    @Test
    void theListCountsKeysThatComeFasterThanRowsAreDrawn() {
        int steps = 90;
        Page page = PRODUCT.signedIn("reader", "/reports/sales-by-fiscal-year?view=list");
        enterList(page);
        for (int i = 0; i < steps; i++) {
            Object before = page.evaluate(IN_HAND);
            page.keyboard().press("ArrowDown");
            page.waitForFunction("before => (" + IN_HAND.strip() + ")() !== before", before);
        }
        Object slowly = page.evaluate(IN_HAND);
        page.reload();
        enterList(page);
        // The keys do not wait for the rows; those of a slow line are not lost either.
        Product.late(page, 800);
        for (int i = 0; i < steps; i++) {
            page.keyboard().press("ArrowDown");
        }
        page.waitForFunction("there => Math.abs((" + IN_HAND.strip() + ")() - there) < 3", slowly);
    }

    private static void enterList(Page page) {
        assertThat(page.locator(".list .body [data-cell]").first()).isVisible();
        page.locator(".list").focus();
        page.keyboard().press("ArrowDown");
        assertThat(page.locator(".list [data-cell]:focus")).hasCount(1);
    }

    /** Pages far down are there at once, and few are held: the machine is not kept busy by what nobody sees. */
    @Test
    void scrollingThroughAllPagesStaysSmooth() {
        Page page = opened();
        page.evaluate("""
                () => {
                  window.longest = 0
                  new PerformanceObserver((list) => list.getEntries().forEach((task) => {
                    window.longest = Math.max(window.longest, task.duration)
                  })).observe({ type: 'longtask' })
                }
                """);
        page.keyboard().press("o");
        assertThat(small(page, 1).locator(".paper")).isVisible();
        page.evaluate("() => document.querySelector('.overview').scrollTo(0, 1e7)");
        Locator last = page.locator(".overview .small").last();
        assertThat(last.locator(".paper")).isVisible();
        assertThat(page.locator(".overview .small").count()).isLessThan(60);
        double longest = ((Number) page.evaluate("() => window.longest")).doubleValue();
        System.out.printf("longest task while scrolling through all pages: %.0f ms%n", longest);
        assertThat(longest).isLessThan(500);
    }

    @Test
    void twoPagesStandSideBySideAndAWholePageFitsTheScreen() {
        Page page = opened();
        page.keyboard().press("2");
        assertThat(page.locator(".desk .paper")).hasCount(2);
        assertThat(page.locator(".desk .paper").last()).containsText("Page 2 of");
        page.keyboard().press("2");
        assertThat(page.locator(".desk .paper")).hasCount(1);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Whole page").setExact(true))
                .click();
        page.waitForFunction("""
                () => {
                  const paper = document.querySelector('.desk .paper').getBoundingClientRect()
                  const desk = document.querySelector('.desk').getBoundingClientRect()
                  return paper.top >= desk.top && paper.bottom <= desk.bottom
                }
                """);
    }
}
