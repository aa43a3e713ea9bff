package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import org.grammatus.core.typography.Family;
import org.grammatus.core.typography.Weight;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Authors change how all reports look, and see it on one before. */
class HouseStylesTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static final List<String> REPORTS = List.of("expected-deliveries", "order-counts", "quiet-apiaries");
    private static final String DARK = "rgb(22, 22, 22)";
    private static final String BLUE = "rgb(18, 52, 86)";

    private static Locator title(Page page) {
        return page.locator(".paper [data-role=TITLE] span").first();
    }

    private static Locator section(Page page, String name) {
        return page.locator("summary").filter(new Locator.FilterOptions().setHasText(name));
    }

    private static Locator styles(Page page) {
        return page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("House styles"));
    }

    private static void allAre(Page page, String colour) {
        for (String report : REPORTS) {
            page.navigate(page.url().replaceAll("(//[^/]+).*", "$1/reports/" + report));
            assertThat(title(page)).hasCSS("color", colour);
        }
    }

    @Test
    void oneChangeIsSeenOnAReportAndThenInAll() {
        Page reader = PRODUCT.signedIn("reader", "/reports");
        allAre(reader, DARK);
        Page author = PRODUCT.signedIn("author", "/styles");
        assertThat(title(author)).hasCSS("color", DARK);
        section(author, "Colours").click();
        author.getByLabel("Text", new Page.GetByLabelOptions().setExact(true)).fill("#123456");
        assertThat(title(author)).hasCSS("color", BLUE);
        assertThat(author.getByText("Not saved yet")).isVisible();
        Accessibility.check(author);
        // Nothing is saved by looking.
        reader.navigate(reader.url());
        assertThat(title(reader)).hasCSS("color", DARK);
        Bench.button(author, "Save for all reports").click();
        assertThat(author.getByText("“Standard” is saved")).isVisible();
        allAre(reader, BLUE);
        Bench.button(author, "Restore: As supplied").click();
        assertThat(title(author)).hasCSS("color", DARK);
        Bench.button(author, "Save for all reports").click();
        assertThat(author.getByText("Revision 2")).isVisible();
        allAre(reader, DARK);
    }

    @Test
    void whatNobodyCouldReadIsNotSaved() {
        Page page = PRODUCT.signedIn("author", "/styles/ledger");
        assertThat(title(page)).isVisible();
        section(page, "Colours").click();
        page.getByLabel("Text", new Page.GetByLabelOptions().setExact(true)).fill("#dddddd");
        Bench.button(page, "Save for all reports").click();
        assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("contrast");
        Bench.button(page, "Discard changes").click();
        assertThat(page.getByText("Not saved yet")).hasCount(0);
    }

    @Test
    void aReportTakesAStyleOfItsOwnAndOneIsMadeAnew() {
        Page page = PRODUCT.signedIn("author", "/styles/ledger");
        assertThat(title(page)).isVisible();
        Bench.button(page, "New style like this").click();
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Large print");
        section(page, "Texts").click();
        Locator size = page.getByLabel("Report title: Size in points");
        size.fill("30");
        size.press("Tab");
        assertThat(title(page)).isVisible();
        Bench.button(page, "Save for all reports").click();
        assertThat(styles(page)).containsText("Large print");

        page.navigate(page.url().replaceAll("(//[^/]+).*", "$1/bench/order-counts"));
        Bench bench = Bench.opened(page);
        String before = title(page).evaluate("title => title.style.fontSize").toString();
        page.getByText("Paper, margins, texts").click();
        bench.choose(bench.field("House style"), "Large print");
        org.assertj.core.api.Assertions.assertThat(
                        title(page).evaluate("title => title.style.fontSize").toString())
                .isNotEqualTo(before);
        assertThat(title(page)).hasCSS("color", "rgb(31, 77, 58)");
        bench.edit(() -> page.keyboard().press("Control+z"));
        assertThat(title(page)).hasCSS("color", DARK);
    }

    @Test
    void whatStandsBelowPagesIsSaidOnceForAllReports() {
        Page author = PRODUCT.signedIn("author", "/styles/black-on-white");
        assertThat(title(author)).isVisible();
        section(author, "Headers and footers").click();
        Locator centre = author.getByLabel("Below every page: centre");
        centre.fill("Merrowdale {pagina}");
        centre.press("Tab");
        Bench.button(author, "Save for all reports").click();
        assertThat(author.getByRole(AriaRole.ALERT)
                        .filter(new Locator.FilterOptions().setHasText("pagina"))
                        .first())
                .isVisible();
        centre.fill("Merrowdale, page {page}");
        centre.press("Tab");
        assertThat(author.locator(".paper [data-role=PAGE_FOOTER]").first()).containsText("Merrowdale, page 1");
        Bench.button(author, "Save for all reports").click();
        assertThat(author.getByText("is saved")).isVisible();
        Bench bench = Bench.opened(PRODUCT.signedIn("author", "/bench/order-counts"));
        bench.page().getByText("Paper, margins, texts").click();
        bench.choose(bench.field("House style"), "Black on white");
        assertThat(bench.page().locator(".paper [data-role=PAGE_FOOTER]")).hasText("Merrowdale, page 1");
    }

    /** A font whose makers forbid that it is put into files (OpenType 1.9, OS/2, fsType). */
    private static byte[] forbidden() {
        byte[] font = Family.THAI.bytes(Weight.REGULAR);
        int entry = new String(font, StandardCharsets.ISO_8859_1).indexOf("OS/2");
        ByteBuffer bytes = ByteBuffer.wrap(font);
        bytes.putShort(bytes.getInt(entry + 8) + 8, (short) 2);
        return font;
    }

    /** A face of its own, drawn by browser and page alike: neither is wider than the other. */
    @Test
    void aFaceIsAddedWithItsLicenceAndReportsAreSetInIt() throws IOException {
        Path folder = Files.createTempDirectory("faces");
        Path regular = Files.write(folder.resolve("regular.ttf"), Family.WIDE.bytes(Weight.REGULAR));
        Path semibold = Files.write(folder.resolve("semibold.ttf"), Family.WIDE.bytes(Weight.SEMIBOLD));
        Path forbidden = Files.write(folder.resolve("forbidden.ttf"), forbidden());
        Page page = PRODUCT.signedIn("author", "/styles/ledger");
        assertThat(title(page)).isVisible();
        Bench.button(page, "New style like this").click();
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Set in ours");
        section(page, "Font").click();
        Bench.button(page, "Add a font…").click();
        Locator form = page.getByRole(AriaRole.FORM, new Page.GetByRoleOptions().setName("Add a font…"));
        Bench.button(page, "Add the font").click();
        assertThat(form.getByRole(AriaRole.ALERT)).hasCount(3);
        form.getByLabel("Name").fill("House face");
        form.getByLabel("Licence, and who may use it").fill("Open Font License 1.1");
        form.getByLabel("Regular", new Locator.GetByLabelOptions().setExact(true))
                .setInputFiles(forbidden);
        Bench.button(page, "Add the font").click();
        assertThat(form.getByRole(AriaRole.ALERT)).containsText("forbid");
        form.getByLabel("Regular", new Locator.GetByLabelOptions().setExact(true))
                .setInputFiles(regular);
        form.getByLabel("Semibold or bold").setInputFiles(semibold);
        Accessibility.check(page);
        Bench.button(page, "Add the font").click();
        assertThat(form).hasCount(0);
        assertThat(page.getByText("Licence: Open Font License 1.1")).isVisible();
        assertThat(title(page)).hasCSS("font-family", Pattern.compile("Report house-face.*"));
        page.evaluate("document.fonts.ready");
        List<?> apart = (List<?>) page.evaluate("""
                [...document.querySelectorAll('.paper [data-role=ROW] span')].map(span => {
                  const range = document.createRange()
                  range.selectNodeContents(span)
                  return Math.abs(range.getBoundingClientRect().width - span.offsetWidth)
                })""");
        org.assertj.core.api.Assertions.assertThat(apart)
                .isNotEmpty()
                .allSatisfy(by -> org.assertj.core.api.Assertions.assertThat(((Number) by).doubleValue())
                        .isLessThan(1.5));
        Bench.button(page, "Save for all reports").click();
        assertThat(styles(page)).containsText("Set in ours");
        section(page, "Font").click();
        Bench.button(page, "Remove House face").click();
        assertThat(page.getByText("choose another one there first")).isVisible();
    }

    @Test
    void aLogoIsADrawingAndWhatCannotBeDrawnIsTold() throws IOException {
        Path folder = Files.createTempDirectory("logos");
        String drawing = "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 60 40'>"
                + "<circle cx='30' cy='20' r='15' fill='teal'/></svg>";
        Path logo = Files.writeString(folder.resolve("logo.svg"), drawing);
        Path unsafe = Files.writeString(
                folder.resolve("unsafe.svg"), drawing.replace("</svg>", "<script>alert(1)</script></svg>"));
        Page page = PRODUCT.signedIn("author", "/styles/ledger");
        assertThat(title(page)).isVisible();
        Bench.button(page, "New style like this").click();
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("With a drawing");
        section(page, "Logo").click();
        Locator file = page.getByLabel("A PNG or SVG file");
        file.setInputFiles(unsafe);
        assertThat(page.getByAltText("Current logo")).isVisible();
        Bench.button(page, "Save for all reports").click();
        assertThat(page.getByText("<script> is not drawn").first()).isVisible();
        assertThat(page.locator(".paper img")).hasCount(0);
        file.setInputFiles(logo);
        assertThat(page.locator(".paper img")).hasAttribute("src", Pattern.compile("data:image/svg\\+xml;base64,.*"));
        Bench.button(page, "Save for all reports").click();
        assertThat(styles(page)).containsText("With a drawing");
    }
}
