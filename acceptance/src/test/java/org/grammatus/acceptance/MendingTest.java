package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.LoadState;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;

/** A document on record that cannot be read is found, mended and back without a restart. */
class MendingTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static void stop(DemoServer server) throws InterruptedException {
        server.process().destroy();
        server.process().waitFor(30, TimeUnit.SECONDS);
    }

    @Test
    void anAdministratorMendsADamagedReportInTheBrowser(@TempDir Path data) throws Exception {
        DemoServer server = DemoServer.start(data, 0);
        String id;
        String whole;
        try {
            Page page = PRODUCT.openAt(server.address());
            Product.signIn(page, "author");
            Bench bench = Bench.make(page, "Sales order lines");
            bench.addColumn("Order");
            Bench.button(page, "Save").click();
            assertThat(page.locator(".state")).hasText("Saved");
            id = page.url().substring(page.url().lastIndexOf('/') + 1);
        } finally {
            stop(server);
        }
        try (Connection records = DriverManager.getConnection("jdbc:sqlite:" + data.resolve("records.db"));
                Statement statement = records.createStatement()) {
            whole = statement
                    .executeQuery("SELECT definition FROM report WHERE id = '" + id + "'")
                    .getString(1);
            statement.execute("UPDATE report SET definition = substr(definition, 1, 60) WHERE id = '" + id + "'");
        }
        server = DemoServer.start(data, 0);
        try {
            Page page = PRODUCT.openAt(server.address() + "/sources");
            Product.signIn(page, "admin");
            Locator unreadable = page.getByRole(AriaRole.REGION)
                    .filter(new Locator.FilterOptions().setHasText("Documents that cannot be read"));
            unreadable.getByRole(AriaRole.BUTTON).first().click();
            Accessibility.check(page);
            Locator document = unreadable.getByLabel("The document");
            document.fill("{}");
            unreadable.getByText("Save").click();
            assertThat(unreadable.getByRole(AriaRole.ALERT)).containsText("is missing");
            document.fill(whole);
            unreadable.getByText("Save").click();
            assertThat(unreadable).hasCount(0);
            Page owners = PRODUCT.openAt(server.address() + "/reports/" + id);
            Product.signIn(owners, "author");
            assertThat(owners.locator(".paper")).containsText("S01");
        } finally {
            stop(server);
        }
    }

    @Test
    void theDarkShellIsAsReadableAsTheLightOne() {
        Page page = PRODUCT.signedIn("author", "/reports");
        Bench.button(page, "Dark mode").click();
        for (String path : new String[] {
            "/reports",
            "/reports/sales-by-fiscal-year?period=",
            "/bench/sales-by-fiscal-year",
            "/data/sales-order-lines?field=freight",
            "/compose",
            "/sources",
            "/password",
            "/nowhere"
        }) {
            page.navigate(PRODUCT.address() + path);
            page.waitForLoadState(LoadState.NETWORKIDLE);
            assertThat(page.locator("html")).hasClass(Pattern.compile("dark"));
            Accessibility.check(page);
        }
    }
}
