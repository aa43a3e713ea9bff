package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.KeyboardModifier;
import java.math.BigDecimal;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Groups in their own context: the largest and the others, months without rows, counts by condition, figures beside figures. */
class GroupOrderTotalTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static Bench summary(String... levels) {
        Bench bench = Bench.make(PRODUCT.signedIn("author", "/reports"), "Sales order lines");
        bench.addColumn("Net sales");
        for (String level : levels) {
            bench.group(level);
        }
        return bench;
    }

    private static void select(Bench bench, int depth) {
        bench.page()
                .getByLabel("Parts of the report")
                .locator(".depth ~ .item")
                .nth(depth - 1)
                .click();
        assertThat(bench.inspector()).containsText("Which groups are shown");
    }

    private static List<String> lines(Page page, String column) {
        return page.locator("[data-role=ROW] [data-id=" + column + "]").allInnerTexts();
    }

    @Test
    void theEightLargestOfEachRegionAndTheOthersTogether() {
        Bench bench = summary("Region", "Apiary");
        Page page = bench.page();
        select(bench, 2);
        String total = page.locator("[data-role=TOTALS] [data-id=t-net-amount]")
                .first()
                .innerText();

        bench.choose(bench.field("Which groups are shown"), "the largest");
        Locator regionTotal =
                page.locator("[data-role=TOTALS] [data-id=t-net-amount]").first();
        assertThat(page.locator(".paper")).containsText("not shown, nor in the totals");
        assertThat(regionTotal).not().hasText(total);

        bench.edit(() ->
                bench.inspector().getByText("The rest together as “Others”").click());
        assertThat(regionTotal).hasText(total);
        List<String> names = lines(page, "c-of-apiary-name").isEmpty()
                ? page.locator("[data-role=ROW]").allInnerTexts()
                : lines(page, "c-of-apiary-name");
        assertThat(names.get(8)).contains("Others (");
        assertThat(names.subList(0, 8)).noneMatch(name -> name.contains("Others"));

        // Only groups above a sum; the condition is chosen, not typed, and comes before the largest are taken.
        bench.edit(() -> Bench.button(page, "Only groups that meet a condition").click());
        bench.edit(() -> {
            bench.field("Number").fill("100000");
            page.keyboard().press("Tab");
        });
        bench.choose(bench.field("Which groups are shown"), "every group");
        assertThat(page.locator(".paper")).containsText("not shown, nor in the totals");
        // Nor is one typed where a share is asked for: of all groups, those left out by then among them.
        String above = page.locator(".paper").textContent();
        bench.choose(bench.field("Figure of a group"), "its share of the report");
        bench.edit(() -> {
            bench.field("Number").fill("0.05");
            page.keyboard().press("Tab");
        });
        assertThat(page.locator(".paper")).containsText("not shown, nor in the totals");
        assertThat(page.locator(".paper")).not().hasText(above);
        Bench.button(page, "Type a condition on groups").click();
        // A rank, or anything else of other groups, chooses none: said at its place.
        bench.field("Only groups where").fill("SUM(net_amount) > 0.1 * SUM(net_amount) OVER ()");
        assertThat(bench.inspector()).containsText("only known once the groups are chosen");
        Accessibility.check(page);
    }

    @Test
    void fiscalMonthsInOrderWithoutGapsAndSharesBesideThem() {
        Bench bench = summary("Ordered");
        Page page = bench.page();
        select(bench, 1);
        bench.choose(bench.field("Group values by"), "fiscal year");
        bench.group("Ordered");
        select(bench, 2);
        bench.choose(bench.field("Group values by"), "month, any year, in fiscal order");
        bench.choose(bench.field("Groups without rows"), "are shown with zero");
        List<String> months = page.locator("[data-role=ROW]").allInnerTexts();
        assertThat(months.get(0)).contains("October");
        assertThat(months.get(1)).contains("November");
        assertThat(months.get(11)).contains("September");

        page.getByText("Open the totals grid").click();
        Locator beside = page.getByLabel("Beside Net sales …");
        bench.pickFrom(beside, "percent of its group");
        bench.pickFrom(beside, "same time last year");
        assertThat(bench.columns()).contains("Net sales, % of group", "Net sales, last year");
        assertThat(page.locator("[data-role=ROW]").first()).containsText("%");

        // What is printed beside a month is what the year before printed for it.
        String csv = bench.csv();
        assertThat(csv.lines()
                        .skip(1)
                        .map(line -> line.split(",")[0])
                        .distinct()
                        .limit(3))
                .containsExactly("2024/25", "2025/26", "2026/27");
        String[] october2025 = row(csv, "2025/26", "October");
        String[] october2024 = row(csv, "2024/25", "October");
        int net = bench.columns().indexOf("Net sales") + 2;
        int last = bench.columns().indexOf("Net sales, last year") + 2;
        assertThat(new BigDecimal(october2025[last])).isEqualByComparingTo(new BigDecimal(october2024[net]));
        Accessibility.check(page);
    }

    private static String[] row(String csv, String year, String month) {
        return csv.lines()
                .filter(line -> line.startsWith(year + "," + month))
                .findFirst()
                .orElseThrow()
                .split(",");
    }

    @Test
    void valuesStandInAnOrderOfTheirOwnByKeyboard() {
        Bench bench = summary("Region");
        Page page = bench.page();
        select(bench, 1);
        for (String region : List.of("Upland", "Islands")) {
            bench.edit(() -> {
                bench.field("Add a value").fill(region);
                page.keyboard().press("Enter");
            });
        }
        // The sum decides first, until it is taken out of the order.
        bench.edit(() -> bench.inspector()
                .getByLabel(Pattern.compile("Remove: SUM"))
                .first()
                .click());
        assertThat(page.locator("[data-role=ROW]").first()).containsText("Upland");
        assertThat(page.locator("[data-role=ROW]").nth(1)).containsText("Islands");
        bench.edit(() -> Bench.button(page, "Move Islands up").press("Enter"));
        assertThat(page.locator("[data-role=ROW]").first()).containsText("Islands");
        bench.edit(() -> Bench.button(page, "Back to the default order").press("Enter"));
        assertThat(page.locator("[data-role=ROW]").first()).containsText("Coast");
    }

    @Test
    void ordersAreCountedByConditionWithARegionThatHasNone() {
        Page page = PRODUCT.signedIn("reader", "/reports/order-counts?period=2024-10-01/2024-10-01");
        assertThat(page.locator(".views[data-run]")).isVisible();
        Locator rows = page.locator("[data-role=ROW]");
        assertThat(rows.first()).containsText("Coast");
        assertThat(rows.count()).isGreaterThanOrEqualTo(5);
        assertThat(page.locator("[data-role=GRAND_TOTAL] [data-id=t-share]")).hasText("100.0%");
        page.locator("[data-role=GRAND_TOTAL] [data-id=t-open]").click();
        assertThat(page.locator(".why")).containsText("the same");
        // The source, asked for it in one statement, agrees.
        Bench.button(page, "Check in the database").click();
        assertThat(page.locator(".why")).containsText(Pattern.compile(" now gives [0-9]+: the same"));
        page.getByText("The query").click();
        assertThat(page.locator(".why details code")).containsText("SELECT COUNT(");
        Accessibility.check(page);
    }

    @Test
    void aReaderFoldsLevelsAndAddsFiguresUp() {
        Page page = PRODUCT.signedIn("reader", "/reports/order-scorecard");
        assertThat(page.locator(".views[data-run]")).isVisible();
        Locator first = page.locator("[data-role=ROW] [data-id=t-net]").first();
        Locator second = page.locator("[data-role=ROW] [data-id=t-net]").nth(1);
        BigDecimal sum = number(first.innerText()).add(number(second.innerText()));
        first.click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
        second.click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
        Locator foot = page.getByLabel("Selected figures");
        assertThat(foot).containsText("2 figures");
        assertThat(number(foot.locator("strong").first().innerText())).isEqualByComparingTo(sum);

        page.locator("[data-role=HEADING]").first().locator("span").first().click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Hide what is inside Region"))
                .click();
        assertThat(page).hasURL(Pattern.compile("down=region"));
        assertThat(page.locator("[data-role=ROW]")).hasCount(0);
        assertThat(page.locator("[data-role=TOTALS]").first()).isVisible();
        Bench.button(page, "Reset view").click();
        assertThat(page.locator("[data-role=ROW]").first()).isVisible();
    }

    @Test
    void anAuthorFoldsAddsUpAndShowsTheFirstRowsWithTheOthersAsOne() {
        Bench bench = Bench.make(PRODUCT.signedIn("author", "/reports"), "Sales order lines");
        Page page = bench.page();
        bench.addColumn("Order");
        bench.addColumn("Quantity");
        bench.group("Region");
        String all = page.locator(".foot dd").nth(1).innerText();

        Bench.button(page, "Print the rows").click();
        bench.choose(bench.field("Rows of each group"), "the first");
        bench.edit(
                () -> bench.inspector().getByText("The other rows as one line").click());
        assertThat(page.locator("[data-role=OTHER_ROWS]").first()).containsText(Pattern.compile("[0-9,]+ other lines"));
        assertThat(page.locator(".foot dd").nth(1)).hasText(all);
        String total =
                page.locator("[data-role=TOTALS] [data-id=t-quantity]").first().innerText();
        List<String> rows = page.locator("[data-role=ROW] [data-id=c-quantity]").allInnerTexts();
        BigDecimal shown =
                rows.stream().limit(10).map(GroupOrderTotalTest::number).reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal others =
                number(page.locator("[data-role=OTHER_ROWS] span").nth(1).innerText());
        assertThat(shown.add(others)).isEqualByComparingTo(number(total));

        Locator figures = page.locator("[data-role=ROW] [data-id=c-quantity]");
        figures.nth(0).click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
        figures.nth(1).click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
        assertThat(page.getByLabel("Selected figures")).containsText("2 figures");

        page.locator("[data-role=HEADING]").first().click();
        bench.edit(() -> page.keyboard().press("-"));
        assertThat(page.locator("[data-role=ROW]")).hasCount(0);
        assertThat(page.locator("[data-role=TOTALS] [data-id=t-quantity]").first())
                .hasText(total);
        Accessibility.check(page);
        bench.edit(() -> Bench.button(page, "Show what is inside again").click());
        assertThat(page.locator("[data-role=ROW]").first()).isVisible();

        // The rows behind a total are saved, all of them.
        page.locator("[data-role=TOTALS] [data-id=t-quantity]").first().dblclick();
        Locator behind = page.getByRole(AriaRole.DIALOG);
        behind.getByText("fields shown").click();
        Accessibility.check(page);
        Locator town = behind.getByRole(AriaRole.COLUMNHEADER, new Locator.GetByRoleOptions().setName("Town"));
        assertThat(town).hasCount(0);
        behind.getByLabel("Town").check();
        assertThat(town).isVisible();
        Download file = page.waitForDownload(
                () -> Bench.button(page, "Download all as CSV").click());
        assertThat(file.suggestedFilename()).isEqualTo("Rows behind Lakeside, Untitled report.csv");
    }

    private static BigDecimal number(String printed) {
        return new BigDecimal(printed.replace(",", ""));
    }
}
