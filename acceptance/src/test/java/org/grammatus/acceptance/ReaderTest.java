package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** A reader's way: sign in, open the starter report, change its period, read pages, take away the PDF. */
class ReaderTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static final String REPORT = "/reports/sales-by-fiscal-year";

    private static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private static Locator labelled(Page page, String label) {
        return page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
    }

    private static void period(Page page, String from, String to) {
        labelled(page, "Days").fill(from + " to " + to);
    }

    /** Net sales of a period, from the database itself, as pages print them. */
    private static String netSales(String from, String to) throws Exception {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + PRODUCT.database());
                Statement statement = connection.createStatement();
                ResultSet result =
                        statement.executeQuery("SELECT SUM(net_amount) FROM sales_order_line JOIN sales_order"
                                + " USING (order_id) WHERE status <> 'cancelled' AND date(ordered_at) BETWEEN '" + from
                                + "' AND '"
                                + to + "'")) {
            return "%,.2f".formatted(result.getLong(1) / 100.0);
        }
    }

    @Test
    void changesThePeriodSeesTheRightTotalAndDownloadsThePdf() throws Exception {
        Page page = PRODUCT.signedIn("reader", "/");
        page.getByText("Sales by fiscal year, region and apiary").click();
        assertThat(page.getByText("all dates", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        period(page, "2026-01-01", "2026-03-31");
        assertThat(page.getByText("1 January 2026 to 31 March 2026").first()).isVisible();
        button(page, "Run").click();

        String expected = netSales("2026-01-01", "2026-03-31");
        Locator foot = page.getByLabel("Grand total");
        assertThat(foot).containsText(expected);
        button(page, "Last page").click();
        assertThat(page.locator("[data-role=GRAND_TOTAL]")).containsText(expected);
        assertThat(page).hasURL(java.util.regex.Pattern.compile(".*period=2026-01-01/2026-03-31&page=\\d+$"));

        Download download = page.waitForDownload(() -> {
            button(page, "Export").click();
            page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Download PDF"))
                    .click();
        });
        assertThat(download.suggestedFilename())
                .isEqualTo("Sales by fiscal year, region and apiary, 1 January 2026 to 31 March 2026.pdf");
        byte[] pdf = Files.readAllBytes(download.path());
        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertThat(new PDFTextStripper().getText(document))
                    .contains("1 January 2026 to 31 March 2026")
                    .contains(expected);
        }
        assertThat(pdf).as("the command line's PDF").isEqualTo(fromCommandLine());
    }

    private static byte[] fromCommandLine() throws Exception {
        Path file = Files.createTempFile("grammatus", ".pdf");
        Process render = new ProcessBuilder(
                        DemoServer.java(),
                        "-Xlog:class+load:file=" + file + ".classes",
                        "-jar",
                        DemoServer.JAR.toString(),
                        "render",
                        "sales-by-fiscal-year",
                        "--answer",
                        "period=2026-01-01/2026-03-31",
                        "--data-dir",
                        PRODUCT.data().toString(),
                        "-o",
                        file.toString())
                .inheritIO()
                .start();
        assertThat(render.waitFor()).isZero();
        assertThat(Files.readString(Path.of(file + ".classes")))
                .contains("org.grammatus.runs.RunEngine")
                .doesNotContain("org.springframework.context.")
                .doesNotContain("org.springframework.beans.");
        return Files.readAllBytes(file);
    }

    @Test
    void findsAGroupThroughTheOutlineAndTurnsPagesByKey() {
        Page page = PRODUCT.signedIn("reader", REPORT);
        Locator outline = labelled(page, "Groups");
        outline.getByLabel("Show the groups inside: 2025/26").click();
        outline.getByText("Coast").first().click();
        assertThat(page.locator("[data-role=HEADING]").getByText("Coast").first())
                .isVisible();

        Locator number = labelled(page, "Page").getByRole(AriaRole.TEXTBOX);
        String before = number.inputValue();
        page.locator(".desk").focus();
        page.keyboard().press("ArrowRight");
        assertThat(number).hasValue(Integer.toString(Integer.parseInt(before) + 1));
        page.keyboard().press("Home");
        assertThat(number).hasValue("1");
        number.fill("99999");
        number.press("Enter");
        assertThat(page.locator("[data-role=GRAND_TOTAL]")).isVisible();
    }

    @Test
    void bracesLightTheRowsThatFeedATotal() {
        Page page = PRODUCT.signedIn("reader", REPORT + "?period=2026-01-01/2026-01-31");
        Locator total = page.locator("[data-role=TOTALS]").first();
        total.hover();
        assertThat(page.locator(".band.lit").first()).isVisible();
        int lit = page.locator(".band.lit").count();
        int before = page.locator("[data-role=TOTALS]")
                                .first()
                                .evaluate(
                                        "total => [...document.querySelectorAll('[data-role=ROW]')].filter(row =>"
                                                + " row.getBoundingClientRect().top < total.getBoundingClientRect().top).length")
                        instanceof Number n
                ? n.intValue()
                : 0;
        // The first total's rows are all those above it.
        assertThat(lit).isEqualTo(before).isPositive();
        assertThat(page.locator(".braces path").count()).isGreaterThanOrEqualTo(3);
    }

    /** The browser sets every text as wide as the page model measured it, so screen and PDF agree. */
    @Test
    @SuppressWarnings("unchecked")
    void textsAreAsWideOnScreenAsMeasured() {
        Page page = PRODUCT.signedIn("reader", REPORT);
        assertThat(page.locator(".paper")).isVisible();
        page.evaluate("() => document.fonts.ready");
        List<Map<String, Object>> figures = (List<Map<String, Object>>) page.evaluate("""
                () => [...document.querySelectorAll('[data-role=ROW] [data-id=t-net]')].map(cell => ({
                  right: cell.getBoundingClientRect().right, text: cell.textContent }))
                """);
        double edge = ((Number) figures.getFirst().get("right")).doubleValue();
        assertThat(figures)
                .hasSizeGreaterThan(20)
                .allSatisfy(figure -> assertThat(((Number) figure.get("right")).doubleValue())
                        .as("right edge of " + figure.get("text"))
                        .isBetween(edge - 0.6, edge + 0.6));
    }

    @Test
    void aWrongPeriodIsSaidAtItsPromptAndCannotBeRun() {
        Page page = PRODUCT.signedIn("reader", REPORT);
        period(page, "2026-04-01", "2026-03-01");
        assertThat(page.getByRole(AriaRole.ALERT))
                .containsText("its first day, 1 April 2026, is after its last, 1 March 2026; swap them");
        assertThat(button(page, "Run")).isDisabled();
        labelled(page, "Days").fill("1 Apr 2026 – 2 April 2026");
        assertThat(button(page, "Run")).isEnabled();
    }

    @Test
    void daysAreTypedAsPeopleWriteThemOrClickedOnACalendar() {
        Page page = PRODUCT.signedIn("reader", REPORT);
        Locator days = labelled(page, "Days");
        days.fill("5/10/26 to 9/10/26");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("write the year in full, such as 2026");
        assertThat(button(page, "Run")).isDisabled();
        days.fill("5/10/2026 to 9/10/2026");
        assertThat(page.locator(".resolved")).hasText("5 October 2026 to 9 October 2026");
        button(page, "Run").click();
        assertThat(page.locator(".paper").first()).containsText("Ordered: 5 October 2026 to 9 October 2026");
        assertThat(page).hasURL(Pattern.compile("period=2026-10-05(/|%2F)2026-10-09"));
        button(page, "Ordered: Show a calendar").click();
        Locator calendar = page.locator(".p-datepicker");
        calendar.getByText("12", new Locator.GetByTextOptions().setExact(true)).click();
        calendar.getByText("15", new Locator.GetByTextOptions().setExact(true)).click();
        assertThat(page.locator(".resolved")).hasText("12 October 2026 to 15 October 2026");
        assertThat(days).hasValue("12 October 2026 to 15 October 2026");
        Accessibility.check(page);
    }

    @Test
    void aPeriodWithoutRowsStillShowsHeadingsAndTotal() {
        Page page = PRODUCT.signedIn("reader", REPORT + "?period=2030-01-01/..");
        assertThat(page.getByText("No rows meet these conditions.")).isVisible();
        assertThat(page.getByRole(AriaRole.COLUMNHEADER).first()).hasText("Order");
        assertThat(page.locator("[data-role=GRAND_TOTAL]")).containsText("0 orders, 0 lines");
        Accessibility.check(page);
    }

    @Test
    void aSharedAddressLeadsThroughSignInToTheSamePage() {
        Page page = PRODUCT.signedIn("reader", REPORT + "?period=previous%20fiscal%20year&page=3");
        assertThat(page.locator(".paper")).containsText("Page 3 of");
        assertThat(page.locator(".paper")).containsText("1 October 2025 to 30 September 2026");
    }

    @Test
    void aWrongPasswordIsSaid() {
        Page page = PRODUCT.open("/");
        page.getByLabel("Name").fill("reader");
        page.getByLabel("Password").fill("guess");
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT)).hasText("The name or the password is not right");
        Accessibility.check(page);
    }

    @Test
    void everyScreenIsFreeOfAccessibilityFaultsInBothShells() {
        Page page = PRODUCT.open("/");
        assertThat(button(page, "Sign in")).isVisible();
        Accessibility.check(page);
        Page library = PRODUCT.signedIn("reader", "/reports");
        assertThat(library.getByText("Sales by fiscal year, region and apiary")).isVisible();
        Accessibility.check(library);
        library.getByText("Sales by fiscal year, region and apiary").click();
        assertThat(library.locator(".paper")).isVisible();
        Accessibility.check(library);
        button(library, "Dark mode").click();
        Accessibility.check(library);
        library.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("All reports").setExact(true))
                .click();
        assertThat(library.getByText("Sales by fiscal year, region and apiary")).isVisible();
        Accessibility.check(library);
    }

    @Test
    void theWholeWayWorksByKeyboardAlone() {
        Page page = PRODUCT.signedIn("reader", "/reports");
        assertThat(page.getByPlaceholder("Find a report")).isFocused();
        assertThat(page.getByText("Expected deliveries")).isVisible();
        page.keyboard().type("SALES APIARY");
        page.keyboard().press("Enter");
        assertThat(page.locator(".paper")).containsText("Page 1 of");
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Ordered: Period"))
                .focus();
        page.keyboard().press("ArrowDown");
        page.getByRole(AriaRole.OPTION).first().waitFor();
        page.keyboard().press("Home");
        Locator focused = page.locator("[role=option][data-p-focused=true]");
        assertThat(focused).hasText("All dates");
        for (String next : List.of("This fiscal year", "Fiscal year to date", "Previous fiscal year")) {
            page.keyboard().press("ArrowDown");
            assertThat(focused).hasText(next);
        }
        page.keyboard().press("Enter");
        assertThat(page.getByText("1 October 2025 to 30 September 2026").first())
                .isVisible();
        labelled(page, "Days").focus();
        button(page, "Run").focus();
        page.keyboard().press("Enter");
        assertThat(page.locator(".paper")).containsText("1 October 2025 to 30 September 2026");
    }
}
