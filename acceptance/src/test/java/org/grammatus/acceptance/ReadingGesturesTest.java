package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Request;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.KeyboardModifier;
import java.nio.file.Files;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** A reader's gestures in a run: order, narrow, ask why, dig to the rows, read one list, find, take away. */
class ReadingGesturesTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static final String REPORT = "/reports/sales-by-fiscal-year?period=this%20month";

    private static Page run(String path) {
        Page page = PRODUCT.signedIn("reader", path);
        assertThat(page.locator(".views[data-run]")).isVisible();
        assertThat(page.locator(".paper").first()).isVisible();
        return page;
    }

    private static void again(Page page, Runnable action) {
        String before = page.locator(".views").getAttribute("data-run");
        action.run();
        page.waitForFunction(
                "before => { const r = document.querySelector('.views').dataset.run; return r && r !== before }",
                before);
    }

    /** The first click opens a panel, which moves the page; the second still means what the first met. */
    @Test
    void aDoubleClickOpensTheRowsOfWhatItMet() {
        Page page = PRODUCT.signedIn("reader", REPORT);
        Locator figure = page.locator("[data-role=TOTALS] [data-id=t-net]").first();
        String printed = figure.innerText();
        figure.dblclick();
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("lines");
        assertThat(page.locator(".why")).containsText(printed);
        page.keyboard().press("Escape");
        assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
    }

    @Test
    void headingsOrderFiguresExplainAndGroupsNarrow() {
        Page page = run(REPORT);
        String first = page.locator("[data-role=HEADING]").nth(2).innerText();
        again(
                page,
                () -> page.locator("[data-role=COLUMN_HEADINGS] [data-id=c-freight]")
                        .click());
        assertThat(page).hasURL(Pattern.compile("order=c-freight:descending"));
        again(
                page,
                () -> page.locator("[data-role=COLUMN_HEADINGS] [data-id=c-freight]")
                        .click());
        assertThat(page).hasURL(Pattern.compile("order=c-freight:ascending"));
        assertThat(page.locator("[data-role=HEADING]").nth(2)).not().hasText(first);
        again(
                page,
                () -> page.locator("[data-role=COLUMN_HEADINGS] [data-id=c-net]")
                        .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT))));
        assertThat(page).hasURL(Pattern.compile("order=c-freight:ascending&order=c-net:descending"));

        page.locator("[data-role=TOTALS] [data-id=t-freight]").first().click();
        assertThat(page.locator(".why")).containsText("Taken once per order");
        assertThat(page.locator(".why")).containsText("Why this order");
        Accessibility.check(page);
        page.locator("[data-role=TOTALS] [data-id=t-freight]").first().dblclick();
        assertThat(page.getByRole(AriaRole.DIALOG))
                .containsText(Pattern.compile("Fiscal year 2026/27 › Region .* › Apiary .*: \\d+ lines"));
        page.keyboard().press("Escape");

        Locator region = page.locator("[data-role=HEADING] span").nth(1);
        String name = region.innerText();
        region.click();
        again(page, () -> page.getByText("Only 2026/27 › " + name).click());
        assertThat(page).hasURL(Pattern.compile("only=fiscal-year:2026-10-01&only=region:" + name));
        assertThat(page.locator("[data-role=HEADING]").nth(1)).containsText(name);
        String shared = page.url();
        String grand = page.getByLabel("Grand total").innerText();
        again(page, () -> page.getByText("Reset view").click());
        assertThat(page.getByLabel("Grand total")).not().hasText(grand);
        Page colleague = run(shared.substring(shared.indexOf("/reports")));
        assertThat(colleague.getByLabel("Grand total").innerText()).isEqualTo(grand);
    }

    @Test
    void oneListHoldsItsHeadingsAndTheGrandTotalInSight() {
        Page page = run("/reports/sales-by-fiscal-year");
        page.getByText("One list").click();
        Locator list = page.getByLabel("One list", new Page.GetByLabelOptions().setExact(true))
                .last();
        assertThat(page.locator(".strip").first()).isVisible();
        page.locator(".list").evaluate("list => { list.scrollTop = list.scrollHeight / 2 }");
        assertThat(page.locator(".headings")).isVisible();
        assertThat(page.locator(".headings [data-id=c-net]")).isInViewport();
        assertThat(page.getByLabel("Grand total")).isInViewport();
        assertThat(page.locator(".strip [data-role=ROW]").first()).isAttached();
        assertThat(list).isVisible();
        page.keyboard().press("/");
        page.keyboard().type("rucher de l'etang");
        page.keyboard().press("Enter");
        assertThat(page.locator(".strip span", new Page.LocatorOptions().setHasText("Rucher de l'Étang"))
                        .first())
                .isVisible();
        assertThat(page).hasURL(Pattern.compile("view=list"));
        Accessibility.check(page);
    }

    @Test
    void scrollingAsksForWhatIsInSightAloneHoweverFastItIs() {
        Page page = run("/reports/sales-by-fiscal-year?view=list");
        page.locator(".strip").first().waitFor();
        Set<Request> asking = new HashSet<>();
        AtomicInteger most = new AtomicInteger();
        page.onRequest(request -> {
            if (request.url().contains("/strips/")) {
                asking.add(request);
                most.accumulateAndGet(asking.size(), Math::max);
            }
        });
        page.onRequestFinished(asking::remove);
        page.evaluate("""
                async () => {
                  const list = document.querySelector('.list')
                  for (let i = 0; i <= 200; i++) {
                    list.scrollTop = (list.scrollHeight - list.clientHeight) * i / 200
                    await new Promise(requestAnimationFrame)
                  }
                }
                """);
        assertThat(page.locator(".strip [data-role=GRAND_TOTAL]")).isVisible();
        assertThat(most.get()).isBetween(1, 3);
        assertThat(page.locator(".strip").count()).isLessThan(5);
    }

    @Test
    void expectedDeliveriesOpensWithNoQuestionAskedAndMarksWhatIsOverdue() throws Exception {
        Page page = run("/reports/expected-deliveries");
        assertThat(page.locator("[data-look=alert]").first()).containsText("▲");
        assertThat(page.locator(".paper")).containsText("up to 27 November 2026");
        page.locator("#choice-depot").fill("kiln");
        page.getByRole(AriaRole.OPTION).first().click();
        again(page, () -> Bench.button(page, "Run").click());
        assertThat(page.locator(".paper")).containsText("Depot: Kiln Yard");
        assertThat(page.locator("[data-role=HEADING]").getByText("Tarn Street")).hasCount(0);
        Download download = page.waitForDownload(() -> {
            Bench.button(page, "Export").click();
            page.getByRole(
                            AriaRole.MENUITEM,
                            new Page.GetByRoleOptions().setName("Download CSV").setExact(true))
                    .click();
        });
        String csv = Files.readString(download.path());
        assertThat(csv).startsWith("Expected day,Depot,Purchase order,Product,Ordered,Received,Open,Open value");
        assertThat(csv.lines().skip(1)).allMatch(line -> line.contains(",Kiln Yard,"));
        Accessibility.check(page);
    }

    @Test
    void columnsAreAsWideAsTheReaderLikesInTheAddressToo() {
        Page page = run(REPORT);
        Locator edge = page.locator("[data-edge=c-order]");
        double before = headingX(page, "c-ordered");
        BoundingBox box = edge.boundingBox();
        page.mouse().move(box.x + 4, box.y + 6);
        page.mouse().down();
        page.mouse().move(box.x + 64, box.y + 6, new Mouse.MoveOptions().setSteps(5));
        again(page, () -> page.mouse().up());
        assertThat(page).hasURL(Pattern.compile("width=c-order:\\d+"));
        assertThat(page.getByText("Columns have widths of your own")).isVisible();
        page.waitForFunction(
                "x => document.querySelector('[data-role=COLUMN_HEADINGS] [data-id=c-ordered]')"
                        + ".getBoundingClientRect().left > x + 30",
                before);
        again(page, edge::dblclick);
        assertThat(page).hasURL(Pattern.compile("width=c-order:fit"));
        again(page, () -> page.getByText("Reset view").click());
        assertThat(page).not().hasURL(Pattern.compile("width="));
        Page wrong = PRODUCT.signedIn("reader", REPORT + "&width=c-order:9999");
        assertThat(wrong.getByRole(AriaRole.ALERT)).containsText("from 10 to 1000 points wide, not 9999");
    }

    private static double headingX(Page page, String column) {
        return page.locator("[data-role=COLUMN_HEADINGS] [data-id=" + column + "]")
                .boundingBox()
                .x;
    }

    @Test
    void everythingOnThePageCanBeDoneByKeys() {
        Page page = run(REPORT);
        page.locator(".desk").focus();
        page.keyboard().press("ArrowDown");
        assertThat(page.locator("[data-id=c-order]:focus")).hasText("Order");
        page.keyboard().press("Shift+F10");
        Locator menu = page.locator(".p-contextmenu");
        assertThat(menu).containsText("Order, ascending");
        Accessibility.check(page);
        Locator first = page.locator("[data-role=ROW] [data-id=c-order]").first();
        String before = first.textContent();
        again(page, () -> menu.getByText("Order, descending").click());
        assertThat(page).hasURL(Pattern.compile("order=c-order:descending"));
        // The run is done before its page is there, and a page that comes leaves what was pointed at.
        assertThat(first).not().hasText(before);

        page.locator(".desk").focus();
        page.keyboard().press("ArrowDown");
        String focusedRole = "() => document.activeElement.closest('[data-band]')?.dataset.role";
        for (int i = 0; i < 60 && !"TOTALS".equals(page.evaluate(focusedRole)); i++) {
            page.keyboard().press("ArrowDown");
        }
        for (int i = 0; i < 4; i++) {
            page.keyboard().press("ArrowRight");
        }
        assertThat(page.locator(".band.lit").first()).isVisible();
        page.keyboard().press("Space");
        assertThat(page.locator(".why")).containsText("Why this figure");
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("lines");
        page.keyboard().press("Escape");

        page.keyboard().press("Control+.");
        page.keyboard().type("one list");
        page.keyboard().press("Enter");
        assertThat(page.locator(".strip").first()).isVisible();
    }

    @Test
    void theLibraryTakesCommandsToo() {
        Page page = PRODUCT.signedIn("reader", "/reports");
        assertThat(page.getByText("Expected deliveries").first()).isVisible();
        page.keyboard().press("Control+.");
        Locator find = page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Find a command"));
        assertThat(find).isFocused();
        find.pressSequentially("open exp deliv");
        assertThat(page.getByRole(AriaRole.OPTION)).hasCount(1);
        Accessibility.check(page);
        page.keyboard().press("Enter");
        assertThat(page).hasURL(Pattern.compile("/reports/expected-deliveries"));
    }
}
