package org.grammatus.acceptance;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** The edit functions by themselves, without a screen: sequences of them leave every starter a report that can be run. */
class EditsTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static final List<String> STARTERS = List.of(
            "sales-by-fiscal-year", "expected-deliveries", "order-counts", "order-scorecard", "apiary-statement");
    private static final int SEEDS = 4;
    private static final int STEPS = 50;

    private static String script() throws IOException {
        try (InputStream in = EditsTest.class.getResourceAsStream("edits.js")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test
    @SuppressWarnings("unchecked")
    void everyEditKeepsTheReportWholeAndChangesNothingItWasGiven() throws IOException {
        Page page = PRODUCT.signedIn("author", "/reports");
        page.evaluate(Files.readString(Path.of(System.getProperty("grammatus.edits"))) + "\nwindow.edits = edits; 0");
        String script = script();
        List<String> faults = new ArrayList<>();
        Set<String> done = new TreeSet<>();
        for (String starter : STARTERS) {
            for (int seed = 0; seed < SEEDS; seed++) {
                Map<String, Object> found = (Map<String, Object>)
                        page.evaluate(script, Map.of("starter", starter, "seed", seed, "steps", STEPS));
                faults.addAll((List<String>) found.get("faults"));
                done.addAll((List<String>) found.get("done"));
            }
        }
        assertThat(faults).isEmpty();
        assertThat(done).as("every kind of edit was tried").hasSize(29);
    }
}
