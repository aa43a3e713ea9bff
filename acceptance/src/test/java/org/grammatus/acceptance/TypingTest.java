package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.ElementHandle;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** What is typed into the boxes of the bench, one character after the other and through texts that mean nothing yet, stays typed. */
class TypingTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    /** Quotes, brackets and braces that stay open for a while, spaces at both sides of words, a sign that lists are divided at. */
    private static final String TEXT = "a = 'b, (\" {c ";

    private static final String NUMBER = "12";
    /** How often it is looked whether a part is called as before, with 50 ms in between. */
    private static final int MOST_TRIES = 400;

    /** The boxes of a part that take a text; each is known by its element, which must stay. */
    private static final String BOXES = "input:not([type=checkbox]):not([type=color]):not([type=file]):not([readonly])"
            + ":not([role=combobox]):not([disabled]), textarea:not([disabled])";

    private static Page bench(String report) {
        Page page = PRODUCT.signedIn("author", "/bench/" + report);
        assertThat(page.locator(".paper").first()).isVisible();
        return page;
    }

    private static Locator inspector(Page page) {
        return Bench.of(page).inspector();
    }

    /** Types into a box and says where what it holds is not what was typed; nothing where all is well. */
    private static List<String> typed(Page page, ElementHandle box, String where) {
        List<String> lost = new ArrayList<>();
        boolean number = (boolean) box.evaluate("e => e.inputMode === 'decimal' || e.inputMode === 'numeric'"
                + " || e.type === 'number' || e.getAttribute('role') === 'spinbutton'");
        boolean date = (boolean) box.evaluate("e => e.type === 'date'");
        if (date) {
            return lost;
        }
        String text = number ? NUMBER : TEXT;
        box.focus();
        page.keyboard().press("Control+a");
        for (int end = 1; end <= text.length(); end++) {
            page.keyboard().type(text.substring(end - 1, end));
            boolean there = (boolean) box.evaluate("e => e.isConnected && document.activeElement === e");
            String expected = text.substring(0, end);
            String value = there ? (String) box.evaluate("e => e.value") : "";
            boolean same = number
                    ? value.replaceAll("\\.$", "").equals(expected.replaceAll("\\.$", ""))
                    : value.equals(expected);
            if (!there || !same) {
                lost.add(where + ": after \"" + expected + "\" "
                        + (there ? "there is \"" + value + "\"" : "the box is gone or has lost the keyboard"));
                break;
            }
        }
        // The answer to the last of it may come later.
        page.waitForTimeout(150);
        if (lost.isEmpty() && !number) {
            boolean there = (boolean) box.evaluate("e => e.isConnected");
            if (!there || !box.evaluate("e => e.value").equals(text)) {
                lost.add(where + ": a moment later "
                        + (there ? "it is \"" + box.evaluate("e => e.value") + "\"" : "the box is gone"));
            }
        }
        if (page.locator(".paper [role=row]").count() == 0) {
            lost.add(where + ": the last good page is gone");
        }
        return lost;
    }

    /** Goes through the parts of a report, of each kind the first, and types into each of its boxes. */
    private static List<String> lostIn(Page page, Set<String> seen) {
        List<String> lost = new ArrayList<>();
        List<String> parts = page.locator(".spine section:has(button.item)").all().stream()
                .map(section -> section.locator("button.item").first().getAttribute("title"))
                .toList();
        for (String part : parts) {
            Locator item = page.locator(".spine button.item[title=\"" + part.replace("\"", "\\\"") + "\"]")
                    .first();
            item.click();
            int boxes = inspector(page).locator(BOXES).count();
            for (int i = 0; i < boxes; i++) {
                Locator box = inspector(page).locator(BOXES).nth(i);
                if (box.count() == 0 || !box.isVisible()) {
                    continue;
                }
                String label = (String)
                        box.evaluate("e => e.labels?.[0]?.innerText ?? e.getAttribute('aria-label') ?? e.placeholder");
                if (!seen.add(label)) {
                    continue;
                }
                lost.addAll(typed(page, box.elementHandle(), part + " / " + label));
                Locator undo = page.locator("button[aria-label^='Undo: ']");
                // An edit that the server makes may come in later: its part is called as before once it is undone, too.
                for (int tries = 0; undo.count() > 0 || item.count() == 0 && tries < MOST_TRIES; tries++) {
                    if (undo.count() > 0) {
                        undo.click();
                    } else {
                        page.waitForTimeout(50);
                    }
                }
                item.click();
            }
        }
        return lost;
    }

    @Test
    void whatIsTypedStaysTyped() {
        List<String> lost = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (String report : List.of("expected-deliveries", "order-overview")) {
            Page page = bench(report);
            lost.addAll(lostIn(page, seen));
        }
        assertThat(lost).isEmpty();
    }

    @Test
    void aConditionOfATotalIsTypedThroughOpenQuotes() {
        Page page = bench("sales-by-fiscal-year");
        Bench bench = Bench.of(page);
        page.locator(".paper [data-id='t-net']").first().click();
        Locator box = bench.field("Only rows where");
        box.click();
        String condition = "status = 'closed' AND \"depot\" IN ('Kiln Yard', 'Finch Lane')";
        for (int end = 1; end <= condition.length(); end++) {
            page.keyboard().type(condition.substring(end - 1, end));
            assertThat(box).hasValue(condition.substring(0, end));
        }
        assertThat(page.locator(".paper [role=row]").first()).isVisible();
        // Left in the middle of a quote, it is there again with what was typed.
        page.keyboard().press("Backspace");
        page.keyboard().press("Backspace");
        String open = condition.substring(0, condition.length() - 2);
        assertThat(box).hasValue(open);
        page.locator(".spine button.item").first().click();
        page.locator(".paper [data-id='t-net']").first().click();
        assertThat(bench.field("Only rows where")).hasValue(open);
    }
}
