package org.grammatus.acceptance;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** Looks for accessibility faults on a page with axe. */
final class Accessibility {

    /** Rows of a page far down, which nothing marks, are like those above them: contrast costs time for each cell. */
    private static final String FAULTS = """
            async () => (await axe.run({ include: document, exclude: '.paper [data-role=ROW]:not([data-look]):nth-child(n + 15)' }, {
              preload: false, // No rule of these reads style sheets or media.
              resultTypes: ['violations'],
              runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'],
            }))
              .violations.flatMap(v => v.nodes.map(n => v.id + ': ' + n.target.join(' ') + ' ' + n.failureSummary))
            """;

    private Accessibility() {}

    @SuppressWarnings("unchecked")
    static void check(Page page) {
        try {
            // Run as a script of the test's own, which the page's policy does not concern.
            if (!(Boolean) page.evaluate("() => 'axe' in window")) {
                page.evaluate(Files.readString(Path.of(System.getProperty("grammatus.axe"))) + "\n;0");
            }
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        // A list that is just closing is on its way out of the page, and hidden while it goes.
        page.waitForFunction("() => !document.querySelector('[class*=leave-active]')");
        assertThat((List<String>) page.evaluate(FAULTS)).isEmpty();
    }
}
