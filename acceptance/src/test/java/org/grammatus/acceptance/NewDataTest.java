package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.grammatus.sources.PostgresServer;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** From a PostgreSQL database that nobody knows yet to a report on it; and a field's new name that reports follow. */
class NewDataTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static PostgresServer postgres;

    @BeforeAll
    static void startPostgres() {
        postgres = new PostgresServer();
        postgres.execute(
                "CREATE TABLE keeper (keeper_id int PRIMARY KEY, name text)",
                "INSERT INTO keeper VALUES (1, 'Sorrel Wickett'), (2, 'Maud Tansy')",
                "CREATE TABLE yard (yard_id int PRIMARY KEY, name text, looked_after_by int, founded_by int)",
                "INSERT INTO yard VALUES (1, 'Fernhollow', 1, 2), (2, 'Nettle Bank', 2, 2)",
                "CREATE TABLE harvest (harvest_id int PRIMARY KEY, yard_id int, jars int, price numeric(8,2))",
                "INSERT INTO harvest SELECT i, i % 2 + 1, i, 4.50 FROM generate_series(1, 10) i",
                "INSERT INTO harvest VALUES (11, NULL, 100, 5)",
                "GRANT SELECT ON ALL TABLES IN SCHEMA public TO " + PostgresServer.READER);
    }

    @AfterAll
    static void stopPostgres() {
        postgres.close();
    }

    private static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private static Locator field(Page page, String label) {
        return page.locator("form").getByLabel(label, new Locator.GetByLabelOptions().setExact(true));
    }

    private static void choose(Page page, String label, String option) {
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName(label))
                .last()
                .click();
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName(option).setExact(true))
                .click();
    }

    @Test
    void fromAConnectionToAReport() {
        Page page = PRODUCT.signedIn("admin", "/sources");
        button(page, "Add a source").click();
        Accessibility.check(page);
        field(page, "Name").fill("Hive records");
        field(page, "Host").fill("localhost");
        field(page, "Port").fill(String.valueOf(postgres.port()));
        page.keyboard().press("Tab");
        field(page, "Database").fill("postgres");
        field(page, "User").fill(PostgresServer.READER);
        field(page, "Password").fill("a wrong one");
        button(page, "Test the connection").click();
        assertThat(page.locator("form [role=status].problem")).containsText("cannot encrypt the connection");
        choose(page, "Connection", "Not encrypted");
        button(page, "Test the connection").click();
        assertThat(page.locator("form [role=status].problem")).containsText("refused the user \"hive_reader\"");
        field(page, "Password").fill(PostgresServer.PASSWORD);
        button(page, "Test the connection").click();
        assertThat(page.locator("form .good")).containsText("It answers and shows 3 tables");
        button(page, "Save").click();
        assertThat(page.locator("ul .line").last()).containsText("Hive records");
        assertThat(page.locator("form h2")).hasText("Change Hive records");

        page.navigate(PRODUCT.address() + "/compose");
        choose(page, "Source", "Hive records");
        button(page, "harvest").click();
        assertThat(page.locator(".grain")).containsText("One row is one harvest.");
        Locator suggested = page.locator(".suggested li");
        assertThat(suggested.first()).containsText("Each harvest has its yard. 1 of 11 harvests has no match.");
        button(page, "Join yard to harvest").click();
        assertThat(page.locator(".joins").first()).containsText("yard_id → yard.yard_id");

        // No name says who looks after a yard; a wrong pair of columns is refused, the right one joins.
        choose(page, "Joins to", "yard");
        choose(page, "Source", "Hive records");
        choose(page, "Table to join", "keeper");
        choose(page, "Column of yard", "founded_by");
        choose(page, "Column of keeper", "keeper_id");
        button(page, "Check the match").click();
        assertThat(page.locator(".otherwise .match")).containsText("1 of 2 keeper is never used");
        choose(page, "Column of yard", "looked_after_by");
        button(page, "Check the match").click();
        assertThat(page.locator(".otherwise .match")).containsText("All 2 yards have a match.");
        Accessibility.check(page);
        page.locator(".otherwise")
                .getByText("Join", new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(page.locator(".joins").first()).containsText("Each yard has its keeper. All 2 yards have a match.");

        field(page, "Name").fill("Harvests of ours");
        button(page, "Save dataset").click();
        assertThat(page.locator("h1")).hasText("Harvests of ours");
        assertThat(page.locator(".dictionary")).containsText("does not add up");

        button(page, "New calculated field").click();
        field(page, "Label").fill("Worth");
        field(page, "Computed as").fill("jars * price");
        button(page, "Save for all reports").click();
        assertThat(page.locator(".panel h2")).hasText("Worth");
        button(page, "New measure").click();
        field(page, "Label").fill("Takings");
        field(page, "Computed as").fill("SUM(worth)");
        assertThat(page.locator(".result")).containsText("747.50");
        button(page, "Save for all reports").click();
        assertThat(page.locator(".panel h2")).hasText("Takings");

        page.navigate(PRODUCT.address() + "/reports");
        Bench bench = Bench.make(page, "Harvests of ours");
        bench.pick("Add a measure or field", "Takings");
        bench.pick("Group by another field", "Keeper name");
        assertThat(page.getByLabel("Grand total")).containsText("747.50");
        Locator rows = page.locator("[data-role=ROW]");
        assertThat(rows.nth(0)).containsText("(none)");
        assertThat(rows.nth(1)).containsText("Sorrel Wickett");
    }

    @Test
    void reportsFollowAFieldsNewName() {
        Page page = PRODUCT.signedIn("author", "/compose");
        button(page, "supplier").click();
        field(page, "Name").fill("Suppliers alone");
        button(page, "Save dataset").click();
        assertThat(page.locator("h1")).hasText("Suppliers alone");
        String data = page.url();
        for (int i = 0; i < 2; i++) {
            page.navigate(PRODUCT.address() + "/reports");
            Bench bench = Bench.make(page, "Suppliers alone");
            bench.pick("Group by another field", "Supplier contact");
            button(page, "Save").click();
            assertThat(page.getByText("Saved as revision 2")).isVisible();
        }
        page.navigate(data + "?field=supplier_contact");
        button(page, "Edit Supplier contact").click();
        assertThat(field(page, "In expressions")).hasValue("supplier_contact");
        field(page, "In expressions").fill("speaks for it");
        button(page, "Save for all reports").click();
        assertThat(page.locator(".effect")).containsText("2 reports and datasets use it");
        button(page, "Rename everywhere").click();
        assertThat(page.locator("form .problem")).containsText("found \"speaks for it\"");
        field(page, "In expressions").fill("spokesperson");
        button(page, "Save for all reports").click();
        button(page, "Rename everywhere").click();
        assertThat(page.locator(".panel")).containsText("spokesperson");
    }
}
