package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.MouseButton;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Every gesture of the bench once; what is changed can be taken back, and is never lost. */
class BenchTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static Bench listOf(String... fields) {
        Bench bench = Bench.make(PRODUCT.signedIn("author", "/reports"), "Sales order lines");
        for (String field : fields) {
            bench.addColumn(field);
        }
        return bench;
    }

    @Test
    void everyGestureOnThePage() {
        Bench bench = listOf("Order", "Apiary", "Region", "Quantity", "Net sales");
        Page page = bench.page();

        // Drag a heading sideways.
        BoundingBox region = bench.heading("Region").boundingBox();
        bench.drag("Order", region.x + region.width * 0.8, region.y + 5);
        assertThat(bench.columns()).containsExactly("Apiary", "Region", "Order", "Quantity", "Net sales");
        assertThat(bench.undoName()).isEqualTo("move column Order");

        // Drag a heading into the margin.
        BoundingBox paper = page.locator(".paper").boundingBox();
        bench.drag("Region", paper.x + 12, paper.y + 160);
        assertThat(bench.columns()).containsExactly("Apiary", "Order", "Quantity", "Net sales");
        assertThat(page.locator("[data-role=HEADING]").first()).containsText("Lakeside");
        assertThat(page.locator(".braces path").first()).isVisible();

        // Drag its right edge; double-click it to fit.
        BoundingBox before = bench.heading("Apiary").boundingBox();
        BoundingBox edge = page.locator("[data-edge='c-apiary-name']").boundingBox();
        page.mouse().move(edge.x + 3, edge.y + 6);
        page.mouse().down();
        page.mouse().move(edge.x - 60, edge.y + 6, new Mouse.MoveOptions().setSteps(5));
        bench.edit(() -> page.mouse().up());
        assertThat(bench.heading("Apiary").boundingBox().width).isLessThan(before.width - 40);
        bench.edit(() -> page.locator("[data-edge='c-apiary-name']").dblclick());
        assertThat(bench.undoName()).isEqualTo("fit Apiary");

        // Double-click edits in place: a heading, the title, a group's heading.
        bench.heading("Apiary").dblclick();
        page.keyboard().type("Customer");
        bench.edit(() -> page.keyboard().press("Enter"));
        assertThat(bench.heading("Customer")).isVisible();
        page.locator("[data-role=HEADING] span").first().dblclick();
        page.keyboard().type("Region {group}: {COUNT(*)} lines");
        bench.edit(() -> page.keyboard().press("Enter"));
        assertThat(page.locator("[data-role=HEADING]").first()).containsText("Region Lakeside: ");

        // The small arrow of a selected heading orders by it.
        bench.heading("Net sales").click();
        bench.edit(() -> page.locator(".arrow").click());
        assertThat(bench.undoName()).isEqualTo("order by Net sales");

        // Click a figure: why; double-click: the rows behind it.
        Bench.button(page, "Last page").click();
        Locator total = page.locator("[data-role=GRAND_TOTAL] [data-id=t-net-amount]");
        total.click();
        assertThat(bench.inspector()).containsText("Why this figure");
        assertThat(bench.inspector()).containsText("sum of Net sales");
        total.dblclick();
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Whole report: ");
        page.keyboard().press("Escape");

        // Right-click: the commands, each with its key.
        bench.heading("Quantity").click(new Locator.ClickOptions().setButton(MouseButton.RIGHT));
        Locator menu = page.locator(".p-contextmenu");
        assertThat(menu).containsText("Make it a group");
        assertThat(menu).containsText("Ctrl+←");
        bench.edit(() -> menu.getByText("Remove", new Locator.GetByTextOptions().setExact(true))
                .click());
        assertThat(bench.columns()).containsExactly("Customer", "Order", "Net sales");

        // Several at once: copied and pasted.
        bench.heading("Customer").click();
        bench.heading("Order")
                .click(new Locator.ClickOptions()
                        .setModifiers(List.of(com.microsoft.playwright.options.KeyboardModifier.SHIFT)));
        assertThat(bench.inspector()).containsText("2 columns");
        page.keyboard().press("Control+C");
        bench.edit(() -> page.keyboard().press("Control+V"));
        assertThat(bench.columns()).containsExactly("Customer", "Order", "Customer", "Order", "Net sales");

        // Everything back to the beginning, and forth again.
        page.locator(".desk").focus();
        page.keyboard().press("Escape");
        page.keyboard().press("Home");
        assertThat(page.locator(".paper")).containsText("Page 1 of");
        String whole = page.locator(".paper").innerText();
        while (bench.canUndo()) {
            bench.edit(() -> page.keyboard().press("Control+Z"));
        }
        assertThat(bench.columns()).isEmpty();
        while (page.locator("button[aria-label^='Redo: ']").count() > 0) {
            bench.edit(() -> page.keyboard().press("Control+Y"));
        }
        assertThat(page.locator(".paper").innerText()).isEqualTo(whole);
    }

    @Test
    void everyGestureHasItsKeys() {
        Bench bench = listOf("Order", "Region", "Quantity");
        Page page = bench.page();
        bench.heading("Order").focus();
        page.keyboard().press("Space");
        bench.edit(() -> page.keyboard().press("Control+ArrowRight"));
        assertThat(bench.columns()).containsExactly("Region", "Order", "Quantity");
        bench.edit(() -> page.keyboard().press("Control+Shift+ArrowRight"));
        assertThat(bench.field("Width in points")).not().hasValue("");
        bench.edit(() -> page.keyboard().press("f"));
        assertThat(bench.field("Width in points")).hasValue("");
        bench.edit(() -> page.keyboard().press("o"));
        assertThat(bench.undoName()).isEqualTo("order by Order");
        page.locator(".desk").focus();
        page.keyboard().press("F2");
        page.keyboard().type("Number");
        bench.edit(() -> page.keyboard().press("Enter"));
        assertThat(bench.heading("Number")).isVisible();
        page.keyboard().press("ArrowLeft");
        bench.edit(() -> page.keyboard().press("g"));
        assertThat(bench.columns()).containsExactly("Number", "Quantity");
        assertThat(page.locator("[data-role=HEADING]").first()).isVisible();
        page.keyboard().press("w");
        assertThat(bench.inspector()).containsText("Why this order");
        bench.edit(() -> page.keyboard().press("Delete"));
        assertThat(page.locator("[data-role=HEADING]")).hasCount(0);
        page.keyboard().press("?");
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Drag a heading into the margin");
        Accessibility.check(page);
    }

    @Test
    void columnsGoFromTabToTabByTheClipboardAndNonsenseIsRefused() {
        Bench from = listOf("Order", "Net sales");
        Page page = from.page();
        from.heading("Net sales").click();
        page.keyboard().press("Control+C");
        page.getByText("All reports").click();
        page.waitForURL(url -> url.endsWith("/reports"));
        page.reload();
        Bench to = Bench.make(page, "Sales order lines");
        to.addColumn("Depot");
        to.edit(() -> page.keyboard().press("Control+V"));
        assertThat(to.columns()).containsExactly("Depot", "Net sales");
        assertThat(to.undoName()).isEqualTo("paste 1 column");
        page.evaluate(
                "() => { const data = new DataTransfer(); data.setData('text/plain', '\\u0000\\u0001PNG');"
                        + " document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true })) }");
        assertThat(page.getByText("The clipboard holds no columns")).isAttached();
        assertThat(to.columns()).containsExactly("Depot", "Net sales");
    }

    @Test
    void rowsThatDoNotCountInATotalAreDimmed() {
        Bench bench = listOf("Order", "Net sales", "Freight");
        Page page = bench.page();
        bench.group("Region");
        Bench.button(page, "Last page").click();
        Locator total =
                page.locator("[data-role=TOTALS]:has([data-id=t-freight])").last();
        total.locator("[data-id=t-freight]").hover();
        // An order's freight counts once, whichever of its lines comes first.
        page.locator(".band.dim").first().waitFor();
        List<String> counting = orders(page, ".band.lit");
        assertThat(counting).isNotEmpty().doesNotHaveDuplicates();
        assertThat(counting.size())
                .isLessThan(orders(page, ".band.lit, .band.dim").size());
        total.locator("[data-id=t-net-amount]").hover();
        page.waitForFunction("() => document.querySelectorAll('.band.dim').length === 0");
        assertThat(page.locator(".band.lit").count()).isGreaterThan(counting.size());
    }

    private static List<String> orders(Page page, String bands) {
        return page.locator(bands).all().stream()
                .map(band -> band.locator("[data-id=c-order-number]").innerText())
                .toList();
    }

    @Test
    void partsOfTheSpineAreSwitchedMovedAndCounted() {
        Bench bench = listOf("Order", "Status", "Net sales");
        Page page = bench.page();
        Locator spine = page.getByLabel("Parts of the report");
        bench.pick("Add to filters", "Status");
        Locator values = bench.inspector().getByRole(AriaRole.COMBOBOX).last();
        values.fill("open");
        Locator offered = page.getByRole(AriaRole.OPTION)
                .filter(new Locator.FilterOptions().setHasText(java.util.regex.Pattern.compile("^open")));
        bench.edit(offered::click);
        assertThat(spine).containsText("Status is open");
        String kept = spine.locator(".count").nth(1).innerText();
        bench.edit(() -> Bench.button(page, "Switch Status is open off").click());
        assertThat(spine.locator(".count").nth(1)).not().hasText(kept);
        bench.edit(() -> Bench.button(page, "Switch Status is open on").click());
        assertThat(spine.locator(".count").nth(1)).hasText(kept);
        assertThat(bench.inspector()).containsText("\"status\" IN ('open')");

        spine.getByText("Open the totals grid").click();
        bench.edit(() -> page.getByLabel("Net sales, Report: below").click());
        assertThat(page.getByLabel("Grand total")).not().containsText("Net sales");
        bench.group("Depot");
        bench.group("Region");
        Locator region = spine.getByRole(
                AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(java.util.regex.Pattern.compile("^Region")));
        region.first().focus();
        bench.edit(() -> page.keyboard().press("Control+ArrowUp"));
        assertThat(bench.undoName()).isEqualTo("move group Region");
        assertThat(page.locator(".sentence"))
                .containsText(
                        java.util.regex.Pattern.compile("by\\s*Region.*then\\s*Depot", java.util.regex.Pattern.DOTALL));
        Accessibility.check(page);
    }

    @Test
    void theTotalsGridIsFilledByKeyboardInItsDrawer() {
        Bench bench = listOf("Order", "Net sales");
        Page page = bench.page();
        bench.group("Region");
        Locator handle = page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Totals").setExact(true));
        handle.focus();
        page.keyboard().press("Enter");
        Locator grid = page.getByRole(AriaRole.GRID);
        assertThat(grid.getByRole(AriaRole.ROW)).hasCount(2);
        Locator name = grid.getByRole(AriaRole.BUTTON).filter(new Locator.FilterOptions().setHasText("Net sales"));
        assertThat(name.first()).isFocused();
        page.keyboard().press("ArrowRight");
        page.keyboard().press("Enter");
        page.keyboard().press("ArrowDown");
        page.keyboard().press("ArrowDown");
        bench.edit(() -> page.keyboard().press("Enter"));
        assertThat(grid).containsText("Average");
        page.getByLabel(Pattern.compile("^Net sales, Region")).focus();
        page.keyboard().press("ArrowRight");
        assertThat(page.getByLabel(Pattern.compile("^Net sales, Report"))).isFocused();
        bench.edit(() -> page.keyboard().press("Space"));
        assertThat(page.getByLabel("Net sales, Report: –")).isVisible();
        assertThat(page.getByLabel("Grand total")).not().containsText("Net sales");
        page.keyboard().press("ArrowUp");
        assertThat(grid.getByText("Report")).isFocused();
        Accessibility.check(page);
        page.keyboard().press("Escape");
        assertThat(grid).hasCount(0);
        assertThat(handle).isVisible();
    }

    @Test
    void anInvalidEditKeepsTheLastGoodPageAndAdviceLeadsToItsCause() {
        Bench bench = listOf("Order", "Unit price");
        Page page = bench.page();
        bench.heading("Unit price").click();
        bench.field("Shows").fill("unit_prise");
        Locator failure = page.getByRole(AriaRole.ALERT).first();
        assertThat(failure).containsText("1:1 unknown field \"unit_prise\"; did you mean \"unit_price\"?");
        assertThat(page.locator(".desk.stale .paper")).containsText("Unit");
        bench.field("Shows").fill("unit_price");
        assertThat(page.locator(".desk.stale")).hasCount(0);
        page.getByText("No totals").click();
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Add a total"))
                .click();
        bench.edit(() -> page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Unit price"))
                .click());
        Locator advice = page.getByText("\"Unit price\" does not add up; an average or a count may be meant");
        advice.first().click();
        assertThat(bench.inspector().locator("h2").first()).hasText("Total");
        // What would put it right is one click away.
        bench.edit(() -> Bench.button(page, "Take the average").first().click());
        assertThat(bench.field("Aggregate")).hasValue("AVG(unit_price)");
        assertThat(advice).hasCount(0);
    }

    @Test
    void twoWhoEditOneReportBothKeepTheirWork() {
        Bench one = listOf("Order");
        Page first = one.page();
        Bench.button(first, "Save").click();
        assertThat(first.locator(".state")).hasText("Saved");
        String path = first.url().substring(first.url().indexOf("/bench"));
        Bench two = Bench.opened(PRODUCT.signedIn("author", path));
        one.addColumn("Depot");
        Bench.button(first, "Save").click();
        assertThat(first.locator(".state")).hasText("Saved");
        two.addColumn("Status");
        Bench.button(two.page(), "Save").click();
        Locator dialog = two.page().getByRole(AriaRole.DIALOG);
        assertThat(dialog).containsText("Odile Marrow saved revision 3 since you began");
        Accessibility.check(two.page());
        dialog.getByText("Save mine as a copy").click();
        two.page().getByLabel("Title of the copy").fill("Mine, with status");
        two.page().keyboard().press("Enter");
        two.page().waitForURL(url -> url.endsWith("/mine-with-status"));
        assertThat(two.heading("Status")).isVisible();
        first.reload();
        assertThat(one.heading("Depot")).isVisible();
        assertThat(one.heading("Status")).hasCount(0);
    }

    @Test
    void ofTwoWindowsTheLaterIsToldAndBothAreKept() {
        Bench first = listOf("Order", "Town");
        Page page = first.page();
        assertThat(page.locator(".state")).hasText("Draft kept, not saved yet");
        Page other = page.context().newPage();
        other.navigate(page.url());
        Bench second = Bench.opened(other);
        first.addColumn("Depot");
        assertThat(page.locator(".state")).hasText("Draft kept, not saved yet");
        other.locator(".dataset").click();
        other.getByLabel("Add Status as a column").click();
        Locator dialog = other.getByRole(AriaRole.DIALOG);
        assertThat(dialog).containsText("Changed in another window");
        assertThat(dialog).containsText("Until you choose, both versions stay as they are");
        assertThat(second.heading("Status")).isVisible();
        // The first window is as it was, also after it is loaded anew.
        page.reload();
        assertThat(Bench.opened(page).heading("Depot")).isVisible();
        assertThat(first.heading("Status")).hasCount(0);
        dialog.getByText("Save mine as a copy").click();
        other.keyboard().press("Enter");
        other.waitForURL(url -> !url.equals(page.url()));
        assertThat(Bench.opened(other).heading("Status")).isVisible();
        assertThat(second.heading("Depot")).hasCount(0);
        page.reload();
        assertThat(Bench.opened(page).heading("Depot")).isVisible();
        page.context().close();
    }

    @Test
    void aClosedBrowserALostSessionAndAStoppedServerLoseNothing() throws Exception {
        Path data = Files.createTempDirectory("grammatus-crash");
        DemoServer server = DemoServer.start(data, 0);
        int port = java.net.URI.create(server.address()).getPort();
        Page page = PRODUCT.openAt(server.address() + "/reports");
        Product.signIn(page, "author");
        Bench bench = Bench.make(page, "Sales order lines");
        bench.addColumn("Order");
        assertThat(page.locator(".state")).hasText("Draft kept, not saved yet");

        // The server is killed in the middle of an edit.
        server.process().destroyForcibly().waitFor();
        page.getByLabel("Add Depot as a column").click();
        assertThat(page.locator(".state")).containsText("the draft is kept in this browser");
        server = DemoServer.start(data, port);
        // A server that was stopped knows no sessions; whoever signs in again is back where they were.
        page.waitForURL(url -> url.contains("sign-in"));
        Product.signIn(page, "author");
        assertThat(bench.heading("Depot")).isVisible();

        // The session ends in the middle of an edit: signed in again, the author is where they were.
        page.context().clearCookies();
        page.locator(".dataset").click();
        page.getByLabel("Add Status as a column").click();
        page.waitForURL(url -> url.contains("sign-in"));
        Product.signIn(page, "author");
        assertThat(bench.heading("Status")).isVisible();
        String bench2 = page.url();

        // Another browser finds the draft on the server.
        assertThat(page.locator(".state")).hasText("Draft kept, not saved yet");
        page.context().close();
        Page again = PRODUCT.openAt(bench2);
        Product.signIn(again, "author");
        assertThat(Bench.opened(again).heading("Status")).isVisible();
        server.process().destroy();
    }

    @Test
    void reportsAreFiledFoundOfferedDeletedAndRestored() {
        Bench bench = listOf("Order", "Town");
        Page page = bench.page();
        page.locator("[data-role=TITLE] span").first().dblclick();
        page.keyboard().type("Hives sent to towns");
        bench.edit(() -> page.keyboard().press("Enter"));
        page.getByText("Paper, margins, texts").click();
        bench.edit(() ->
                page.getByText("Mark as a draft until it is offered to others").click());
        Locator draft = page.locator(".paper [data-role=WATERMARK]").first();
        assertThat(draft).containsText("Draft");
        page.keyboard().press("Control+S");
        assertThat(page.locator(".state")).hasText("Saved");
        page.locator(".back").click();
        page.getByPlaceholder("Find a report").fill("town hives marrow");
        Locator found =
                page.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText("Hives sent to towns"));
        assertThat(found).hasCount(1);
        assertThat(found).containsText("Private");
        found.getByLabel("More for Hives sent to towns").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Rename or move"))
                .click();
        page.getByLabel("Folder").fill("Depots");
        Bench.button(page, "Save").click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Depots")))
                .isVisible();
        found.getByLabel("More for Hives sent to towns").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Offer to everyone"))
                .click();
        assertThat(found).containsText("Offered");
        Accessibility.check(page);
        Page reader = PRODUCT.signedIn("reader", "/reports");
        reader.getByText("Hives sent to towns").click();
        assertThat(reader.locator(".paper [data-role=ROW]").first()).isVisible();
        assertThat(reader.locator(".paper [data-role=WATERMARK]")).hasCount(0);
        found.getByLabel("More for Hives sent to towns").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Delete"))
                .click();
        assertThat(found).hasCount(0);
        Bench.button(page, "Undo").click();
        assertThat(found).hasCount(1);
    }
}
