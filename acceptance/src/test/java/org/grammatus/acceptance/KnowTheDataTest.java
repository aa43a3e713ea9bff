package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** An author gets to know the data before reporting on it. */
class KnowTheDataTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static String sql(String select) throws Exception {
        try (Connection database = DriverManager.getConnection("jdbc:sqlite:" + PRODUCT.database());
                ResultSet result = database.createStatement().executeQuery(select)) {
            result.next();
            return result.getString(1);
        }
    }

    private static Locator fact(Page page, String name) {
        return page.locator(".panel dl div")
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("^" + name)))
                .locator("dd");
    }

    @Test
    void joinsAreSentencesWithMeasuredNumbersAndFieldsTellTheirValues() throws Exception {
        Page page = PRODUCT.signedIn("author", "/reports");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Data"))
                .click();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Sales order lines"))
                .click();
        String lost = sql("SELECT COUNT(*) FROM sales_order o WHERE NOT EXISTS"
                + " (SELECT 1 FROM sales_order_line l WHERE l.order_id = o.order_id)");
        Locator joins = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("How the tables join"));
        assertThat(joins).containsText("Each line has its order.");
        assertThat(joins).containsText(lost + " of 6,500 orders have no lines");
        assertThat(page.locator(".lead")).containsText("One row is one line: 24,335 lines.");

        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Unit price"))
                .click();
        assertThat(page.locator(".panel")).containsText("number with decimals · EUR · does not add up");
        assertThat(fact(page, "Distinct values"))
                .hasText(sql("SELECT COUNT(DISTINCT unit_price) FROM sales_order_line"));
        assertThat(page.locator(".panel svg .bar").first()).isAttached();
        assertThat(page).hasURL(Pattern.compile("field=unit_price"));
        Accessibility.check(page);
    }

    @Test
    void anApiarysNumberIsFoundByItsNameAndLeadsToItsRows() throws Exception {
        Page page = PRODUCT.signedIn("author", "/data/sales-order-lines");
        page.getByLabel("Find a value").first().fill("fernhollow");
        Locator place = page.locator(".found li").first();
        String code = sql("SELECT code FROM apiary WHERE name LIKE 'Fernhollow%' ORDER BY 1");
        assertThat(place).containsText("Apiary code " + code);
        String lines = sql("SELECT COUNT(*) FROM sales_order_line JOIN sales_order USING (order_id)"
                + " JOIN apiary USING (apiary_id) WHERE apiary.code = '" + code + "'");
        Accessibility.check(page);
        place.getByRole(AriaRole.BUTTON).click();
        assertThat(page.locator(".only")).containsText("Apiary code is " + code);
        assertThat(page.locator(".rows footer")).containsText("1 to 50 of " + lines);
        assertThat(page.locator(".rows tbody tr").first()).containsText(code);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Later rows"))
                .click();
        assertThat(page.locator(".rows footer")).containsText("51 to");
        Accessibility.check(page);
        page.reload();
        assertThat(page.locator(".only")).containsText(code);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Show all rows again"))
                .click();
        assertThat(page.locator(".rows footer")).containsText("of 24,335");
    }

    @Test
    void byKeysAFieldIsFoundAndItsValueLeadsToRows() {
        Page page = PRODUCT.signedIn("author", "/data/purchase-order-lines");
        page.getByLabel("Fields whose name contains").fill("status");
        Bench.of(page).tabTo("Status");
        page.keyboard().press("Enter");
        assertThat(page.locator(".panel ol li").first()).isVisible();
        String value = page.locator(".panel ol .value").first().innerText();
        Bench.of(page).tabTo(name -> name.startsWith(value));
        page.keyboard().press("Enter");
        assertThat(page.locator(".only")).containsText("Status is " + value);
    }

    @Test
    void nothingFoundIsSaidAndMarkupIsText() {
        Page page = PRODUCT.signedIn("author", "/data/sales-order-lines");
        page.getByLabel("Find a value").first().fill("<script>alert(1)</script>");
        assertThat(page.locator(".found"))
                .containsText("No text of this dataset contains “<script>alert(1)</script>”.");
        page.keyboard().press("Escape");
        assertThat(page.locator(".found")).isHidden();
        page.getByLabel("Fields whose name contains").fill("zzz");
        assertThat(page.locator(".dictionary")).containsText("No field has “zzz” in its name.");
    }

    @Test
    void readersDoNotSeeIt() {
        Page page = PRODUCT.signedIn("reader", "/data/sales-order-lines");
        assertThat(page).hasURL(Pattern.compile("/not-for-you/forAuthors$"));
        assertThat(page.getByRole(AriaRole.HEADING)).hasText("This screen is for authors");
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Data"))
                        .count())
                .isZero();
    }
}
