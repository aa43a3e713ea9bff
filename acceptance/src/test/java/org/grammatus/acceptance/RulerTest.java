package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import java.util.regex.Pattern;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** An edge of a heading that is dragged comes to stand in line with others, or at a mark of the ruler. */
class RulerTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static Locator edge(Page page, String column) {
        return page.locator("[data-edge='" + column + "']").first();
    }

    /** Begins to drag an edge, and moves it to a place. */
    private static void drag(Page page, String column, double x) {
        BoundingBox from = edge(page, column).boundingBox();
        page.mouse().move(from.x + 1, from.y + 4);
        page.mouse().down();
        page.mouse().move(x, from.y + 4, new Mouse.MoveOptions().setSteps(5));
    }

    @Test
    void aDraggedEdgeComesInLineWithOneOfAnotherBlock() {
        Bench bench = Bench.opened(PRODUCT.signedIn("author", "/bench/order-overview"));
        Page page = bench.page();
        String dragged = "regions-c-name";
        String other = "waiting-c-name";
        BoundingBox target = edge(page, other).boundingBox();
        BoundingBox atFirst = edge(page, dragged).boundingBox();
        // Out of line first, wherever it stands.
        drag(page, dragged, target.x + 60);
        bench.edit(() -> page.mouse().up());
        BoundingBox before = edge(page, dragged).boundingBox();
        assertThat(Math.abs(before.x - target.x)).isGreaterThan(9);
        drag(page, dragged, target.x + 5);
        assertThat(page.locator(".ruler")).isVisible();
        assertThat(page.locator(".guide")).hasText(Pattern.compile("\\d+\\.\\d mm"));
        assertThat(page.locator(".guide.drawn")).isVisible();
        bench.edit(() -> page.mouse().up());
        assertThat(page.locator(".ruler")).hasCount(0);
        assertThat(edge(page, dragged).boundingBox().x)
                .isCloseTo(edge(page, other).boundingBox().x, Offset.offset(2.0));
        page.locator(".paper").first().click();
        while (bench.canUndo()) {
            bench.edit(() -> page.keyboard().press("Control+z"));
        }
        assertThat(edge(page, dragged).boundingBox().x).isCloseTo(atFirst.x, Offset.offset(1.0));
    }
}
