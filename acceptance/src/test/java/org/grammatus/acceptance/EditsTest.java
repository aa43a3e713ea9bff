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

    /** What is wrong with the copy of a block that names its own levels, and fields of the dataset. */
    private static final String COPIED = """
            async () => {
              const report = (await (await fetch('/api/reports/sales-by-fiscal-year/editing')).json()).definition
              const [block] = report.blocks
              const [outer] = block.levels
              block.fields = [{ id: 'net_amount', label: 'Turnover' }]
              block.highlights = [
                { id: 'h', label: 'Several', when: 'COUNT(*) > 1', reach: { of: 'group', level: outer.id }, look: 'note' },
              ]
              block.columns.at(-1).scale = { kind: 'steps', within: outer.id }
              const copied = edits.blocks.copyBlock(report, block.id, 'Once more').blocks.at(-1)
              const own = copied.levels.map((level) => level.id)
              return [
                JSON.stringify(copied.fields) === JSON.stringify(block.fields) ? '' : 'fields are called otherwise',
                own.includes(outer.id) ? 'levels have the old ids' : '',
                own.includes(copied.highlights[0].reach.level) ? '' : 'a highlight reaches into the other block',
                own.includes(copied.columns.at(-1).scale.within) ? '' : 'a scale is of the other block',
              ].filter(Boolean)
            }
            """;

    @Test
    void aCopiedBlockNamesItsOwnParts() throws IOException {
        assertThat(editing().evaluate(COPIED)).isEqualTo(List.of());
    }

    private static Page editing() throws IOException {
        Page page = PRODUCT.signedIn("author", "/reports");
        page.evaluate(Files.readString(Path.of(System.getProperty("grammatus.edits"))) + "\nwindow.edits = edits; 0");
        return page;
    }

    @Test
    @SuppressWarnings("unchecked")
    void everyEditKeepsTheReportWholeAndChangesNothingItWasGiven() throws IOException {
        Page page = editing();
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
