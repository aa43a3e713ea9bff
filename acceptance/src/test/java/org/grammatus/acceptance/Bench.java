package org.grammatus.acceptance;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.List;
import java.util.function.Predicate;

/** The bench as an author handles it. */
final class Bench {

    private final Page page;

    private Bench(Page page) {
        this.page = page;
    }

    /** A new report over a dataset. */
    static Bench make(Page library, String dataset) {
        button(library, "New report").click();
        library.getByRole(AriaRole.DIALOG).getByText(dataset).click();
        return opened(library);
    }

    static Bench of(Page page) {
        return new Bench(page);
    }

    static Bench opened(Page page) {
        page.waitForURL(url -> url.contains("/bench/"));
        assertThat(page.locator(".paper")).isVisible();
        return new Bench(page);
    }

    static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    Page page() {
        return page;
    }

    /** Does something and waits until the page shows it, and everything that was asked before it. */
    void edit(Runnable action) {
        String before = page.locator(".desk").getAttribute("data-asked");
        action.run();
        page.waitForFunction("""
                before => {
                  const { asked, edit } = document.querySelector('.desk').dataset
                  return asked !== before && asked === edit
                }
                """, before);
    }

    void addColumn(String field) {
        Locator list = page.getByLabel("Add " + field + " as a column", new Page.GetByLabelOptions().setExact(true));
        if (!list.isVisible()) {
            page.locator(".dataset").click();
        }
        edit(list::click);
    }

    /** Picks a field in the list that a button opens. */
    void pick(String opener, String field) {
        button(page, opener).last().click();
        Locator find = page.locator(".picker input");
        find.fill(field);
        edit(() -> find.press("Enter"));
    }

    void group(String field) {
        pick("Add to groups", field);
    }

    Locator heading(String label) {
        return page.getByRole(
                AriaRole.BUTTON,
                new Page.GetByRoleOptions().setName("Column: " + label).setExact(true));
    }

    /** Labels of the columns, from left to right. */
    List<String> columns() {
        return page.locator(".heading").all().stream()
                .map(heading -> heading.getAttribute("aria-label").replace("Column: ", ""))
                .toList();
    }

    Locator inspector() {
        return page.getByLabel("Inspector", new Page.GetByLabelOptions().setExact(true));
    }

    /** Picks from the menu that a button opens. */
    void pickFrom(Locator button, String item) {
        button.click();
        edit(() -> page.getByRole(
                        AriaRole.MENUITEM,
                        new Page.GetByRoleOptions().setName(item).setExact(true))
                .click());
    }

    Locator field(String label) {
        return inspector().getByLabel(label, new Locator.GetByLabelOptions().setExact(true));
    }

    void choose(Locator select, String option) {
        select.click();
        edit(() -> page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions().setName(option).setExact(true))
                .click());
    }

    /** Drags a heading to a place given relative to another heading, or to the margin. */
    void drag(String from, double toX, double toY) {
        BoundingBox box = heading(from).boundingBox();
        page.mouse().move(box.x + 12, box.y + box.height / 2);
        page.mouse().down();
        page.mouse()
                .move(box.x + 30, box.y + box.height / 2, new com.microsoft.playwright.Mouse.MoveOptions().setSteps(3));
        page.mouse().move(toX, toY, new com.microsoft.playwright.Mouse.MoveOptions().setSteps(6));
        edit(() -> page.mouse().up());
    }

    String undoName() {
        return page.locator("button[aria-label^='Undo: ']")
                .getAttribute("aria-label")
                .substring("Undo: ".length());
    }

    boolean canUndo() {
        return page.locator("button[aria-label^='Undo: ']").count() > 0;
    }

    /** Presses Tab until what has the keyboard is called so. */
    void tabTo(Predicate<String> name) {
        for (int i = 0; i < 400; i++) {
            page.keyboard().press("Tab");
            String found = (String) page.evaluate("""
                    () => {
                      const e = document.activeElement
                      const label = e.labels?.[0]?.innerText ?? e.closest('label')?.innerText
                      return e.getAttribute('aria-label') ?? (label || e.innerText) ?? ''
                    }
                    """);
            if (name.test(found.strip())) {
                return;
            }
        }
        throw new AssertionError("Nothing with that name was reached by keyboard");
    }

    void tabTo(String name) {
        tabTo(found ->
                found.equals(name) || found.lines().findFirst().orElse("").equals(name));
    }

    /** The report as its rows with their groups, from the run of its definition as it stands. */
    String csv() {
        return csv(page, page.locator(".desk").getAttribute("data-run"));
    }

    static String csv(Page page, String run) {
        return (String) page.evaluate(
                "run => fetch(`/api/runs/${run}/file?format=csv`).then(response => response.text())", run);
    }
}
