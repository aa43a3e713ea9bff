package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.document.Definitions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The scenario: the same inputs give the same bytes, and every awkward row is in it. */
class ScenarioTest {

    @TempDir
    Path folder;

    @Test
    void theSameSizeGivesTheSameBytes() {
        ScenarioSize small = ScenarioSize.DEMO.withSalesOrders(500);
        Path a = folder.resolve("a.db");
        Path b = folder.resolve("b.db");
        Path other = folder.resolve("c.db");
        ScenarioDatabase.create(a, small);
        ScenarioDatabase.create(b, small);
        ScenarioDatabase.create(other, small.withSeed(21));
        assertThat(a).hasSameBinaryContentAs(b);
        assertThat(other.toFile())
                .satisfies(file -> assertThat(java.nio.file.Files.mismatch(a, file.toPath()))
                        .isNotEqualTo(-1));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "SELECT COUNT(*) BETWEEN 6400 AND 6600 FROM sales_order",
                "SELECT COUNT(*) BETWEEN 23000 AND 25500 FROM sales_order_line",
                "SELECT COUNT(*) = 900 FROM purchase_order",
                "SELECT COUNT(*) BETWEEN 3600 AND 4500 FROM purchase_order_line",
                "SELECT COUNT(*) = 140 FROM apiary",
                "SELECT COUNT(*) BETWEEN 90 AND 100 AND COUNT(DISTINCT category) = 7 FROM product",
                "SELECT COUNT(*) > 3 FROM (SELECT name FROM apiary GROUP BY name HAVING COUNT(DISTINCT region) > 1)",
                "SELECT COUNT(*) > 0 FROM apiary WHERE name LIKE '%''%'",
                "SELECT COUNT(*) > 0 FROM apiary WHERE name LIKE '%ß%' OR name LIKE '%É%'",
                "SELECT MAX(LENGTH(name)) > 150 FROM apiary",
                "SELECT COUNT(*) > 0 FROM apiary WHERE town LIKE '=%'",
                "SELECT COUNT(*) > 0 FROM product WHERE list_price = 0",
                "SELECT COUNT(*) > 0 FROM sales_order_line WHERE net_amount < 0",
                "SELECT COUNT(*) > 0 FROM sales_order_line WHERE order_id NOT IN (SELECT order_id FROM sales_order)",
                "SELECT COUNT(*) > 0 FROM sales_order WHERE order_id NOT IN (SELECT order_id FROM sales_order_line)",
                "SELECT COUNT(*) > 0 FROM sales_order WHERE ordered_at LIKE '% 23:30:00'",
                "SELECT COUNT(*) > 0 FROM sales_order WHERE depot IS NULL",
                "SELECT COUNT(*) > 0 FROM sales_order WHERE promised_date IS NULL",
                "SELECT COUNT(*) > 0 FROM purchase_order_line WHERE received_quantity > quantity",
                "SELECT COUNT(*) > 0 FROM purchase_order_line WHERE expected_date IS NULL",
                "SELECT COUNT(*) > 0 FROM purchase_order_line WHERE expected_date < '2026-11-20' AND receipt_date IS NULL",
                "SELECT COUNT(*) > 0 FROM purchase_order_line WHERE needed_quantity = 0 AND received_quantity = 0",
                "SELECT MIN(date(ordered_at)) = '2024-10-01' AND MAX(date(ordered_at)) = '2026-11-20' FROM sales_order",
                "SELECT SUM(l.order_id IS NULL) > 0 FROM sales_order o LEFT JOIN sales_order_line l USING (order_id)"
                        + " WHERE date(o.ordered_at) = '2026-11-20'",
                "SELECT COUNT(*) > 0 FROM sales_order_line l JOIN product p USING (product_id) WHERE l.unit_price < p.cost"
                        + " AND p.category = 'Queens & Nuclei'"
            })
    void holdsWhatItPromises(String question) throws SQLException {
        try (Connection connection = connection();
                Statement statement = connection.createStatement();
                ResultSet answer = statement.executeQuery(question)) {
            assertThat(answer.getInt(1)).as(question).isEqualTo(1);
        }
    }

    private static Connection connection() throws SQLException {
        return DriverManager.getConnection("jdbc:sqlite:" + DemoData.database(ScenarioSize.DEMO));
    }

    @Test
    void tellsItsBusinessDate() {
        assertThat(ScenarioDatabase.businessDate(DemoData.database(ScenarioSize.DEMO)))
                .contains(LocalDate.of(2026, 11, 20));
        assertThat(ScenarioDatabase.businessDate(folder.resolve("nowhere.db"))).isEmpty();
    }

    @Test
    void starterDefinitionsAreWrittenAsTheyAreRead() {
        for (String id : Starters.reportIds()) {
            assertThat(Definitions.write(Starters.report(id).orElseThrow()))
                    .isEqualToIgnoringWhitespace(Starters.reportText(id));
            assertThat(Starters.dataset(Starters.report(id).orElseThrow().dataset()))
                    .isPresent();
        }
        Starters.datasetIds().forEach(id -> DatasetModel.of(Starters.dataset(id).orElseThrow()));
    }
}
