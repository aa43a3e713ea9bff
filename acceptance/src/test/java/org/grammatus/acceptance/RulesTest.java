package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Authors put rules together from what is there, for rows and for key figures. */
class RulesTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static Locator item(Bench bench, String pattern) {
        return bench.page()
                .locator(".spine .item")
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile(pattern)));
    }

    private static void choose(Bench bench, String field, String option) {
        bench.choose(bench.field(field), option);
    }

    private static Locator typed(Bench bench) {
        return bench.inspector().locator("textarea").first();
    }

    @Test
    void aKeyFigureIsMarkedInOneStepAndItsRuleIsPutTogether() {
        Bench bench = Bench.opened(PRODUCT.signedIn("author", "/bench/order-overview"));
        item(bench, "^Orders$").click();
        Bench.button(bench.page(), "Mark it").scrollIntoViewIfNeeded();
        bench.edit(() -> bench.pickFrom(Bench.button(bench.page(), "Mark it"), "Orders worse than last year"));
        assertThat(item(bench, "Orders worse than last year")).containsText("0 marked");
        item(bench, "Orders worse than last year").click();
        assertThat(typed(bench)).hasValue("figure < other");
        choose(bench, "Comparison", "more than");
        assertThat(typed(bench)).hasValue("figure > other");
        assertThat(item(bench, "Orders worse than last year")).containsText("1 marked");
        Locator paper = bench.page().locator(".paper").first();
        assertThat(paper).containsText("▲ Orders worse than last year");
        choose(bench, "Compared with", "a value");
        bench.edit(() -> bench.field("Value").fill("100000"));
        assertThat(typed(bench)).hasValue("figure > 100000");
        // A sign alone is no number yet: what is typed goes on.
        bench.field("Value").fill("-");
        assertThat(typed(bench)).hasValue("figure > 100000");
        assertThat(bench.field("Value")).hasValue("-");
        bench.edit(() -> bench.field("Value").fill("-5.5"));
        assertThat(typed(bench)).hasValue("figure > -5.5");
        bench.edit(() -> bench.field("Value").fill("100000"));
        assertThat(paper).not().containsText("▲ Orders");
        Accessibility.check(bench.page());
        // The mark on the page is the rule: it is selected where it stands.
        choose(bench, "Comparison", "at most");
        item(bench, "^Net sales$").click();
        paper.getByText("▲ Orders worse").first().click();
        assertThat(typed(bench)).hasValue("figure <= 100000");
        assertThat(bench.undoName()).isEqualTo("change a highlight");
    }

    /** The last day of something is compared with days, not with numbers. */
    @Test
    void aRuleOfAFigureThatIsADayIsPutTogetherOfDays() {
        Bench bench = Bench.opened(PRODUCT.signedIn("author", "/bench/sales-and-purchasing"));
        Page page = bench.page();
        item(bench, "^Orders$").first().click();
        bench.edit(() -> bench.inspector().getByLabel("Figure").first().fill("MAX(promised_date)"));
        Bench.button(page, "Mark it").scrollIntoViewIfNeeded();
        bench.edit(() -> bench.pickFrom(Bench.button(page, "Mark it"), "Orders before today"));
        item(bench, "Orders before today").click();
        assertThat(typed(bench)).hasValue("figure < CURRENT_DATE");
        choose(bench, "Comparison", "more than");
        choose(bench, "Compared with", "a value");
        bench.edit(() -> bench.field("Value").fill("2020-01-31"));
        assertThat(typed(bench)).hasValue("figure > DATE '2020-01-31'");
        assertThat(item(bench, "Orders before today")).containsText("1 marked");
        assertThat(page.locator(".paper").first()).containsText("▲ Orders before today");
        page.locator(".paper").first().click();
        while (bench.canUndo()) {
            bench.edit(() -> page.keyboard().press("Control+z"));
        }
    }

    @Test
    void aRuleOfRowsIsPutTogetherAndOneThatWasTypedIsToldToBeSo() {
        Bench bench = Bench.opened(PRODUCT.signedIn("author", "/bench/open-orders"));
        bench.heading("Net amount").click();
        bench.edit(() -> Bench.button(bench.page(), "Add to highlights").click());
        assertThat(typed(bench)).hasValue("net_amount > 100");
        choose(bench, "Compared with", "the average of all");
        assertThat(typed(bench)).hasValue("net_amount > AVG(net_amount) OVER ()");
        choose(bench, "Marked by", "Promised");
        assertThat(typed(bench)).hasValue("promised_date > CURRENT_DATE");
        choose(bench, "Comparison", "less than");
        choose(bench, "Compared with", "a value");
        bench.edit(() -> bench.inspector().locator("input[type=date]").fill("2026-11-01"));
        assertThat(typed(bench)).hasValue("promised_date < DATE '2026-11-01'");
        choose(bench, "Comparison", "blank");
        assertThat(typed(bench)).hasValue("promised_date IS NULL");
        bench.edit(() -> typed(bench).fill("promised_date IS NULL OR net_amount > 5"));
        assertThat(bench.inspector().getByText("The condition below was typed")).isVisible();
        assertThat(bench.inspector().getByLabel("Comparison")).hasCount(0);
        assertThat(bench.page().getByRole(AriaRole.ALERT)).hasCount(0);
    }

    @Test
    void whatStandsAtTheEdgesOfPagesAddsUpTheirRows() {
        Bench bench = Bench.opened(PRODUCT.signedIn("author", "/bench/large-orders"));
        item(bench, "Paper, margins, texts").click();
        Locator below =
                bench.inspector().getByRole(AriaRole.GROUP, new Locator.GetByRoleOptions().setName("Below every page"));
        bench.edit(() -> below.getByRole(AriaRole.BUTTON).first().click());
        Locator left = below.locator("textarea").first();
        bench.edit(() -> left.fill("{COUNT(DISTINCT order_number)} orders on page {page}"));
        Locator footer = bench.page().locator(".paper [data-role=PAGE_FOOTER]").first();
        Page page = bench.page();
        int lines = page.locator(".paper").first().locator("[data-role=ROW]").count();
        assertThat(footer).containsText(lines + " orders on page 1");
        bench.edit(() -> Bench.button(page, "Move the text from the left to the centre")
                .last()
                .click());
        assertThat(below.locator("textarea").nth(1)).hasValue("{COUNT(DISTINCT order_number)} orders on page {page}");
        below.locator("textarea").nth(1).fill("{COUNT(*} lines");
        assertThat(page.getByRole(AriaRole.ALERT).first()).isVisible();
        Accessibility.check(page);
        bench.edit(() -> below.locator("textarea").nth(1).fill("{SUM(net_amount)}"));
        assertThat(footer).containsText(Pattern.compile("[1-9][\\d,]*\\.\\d\\d"));
    }
}
