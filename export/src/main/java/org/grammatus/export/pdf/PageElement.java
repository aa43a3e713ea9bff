package org.grammatus.export.pdf;

import java.util.ArrayList;
import java.util.List;

/**
 * A part of what a page says, by the types of ISO 32000-1, 14.8.4.
 *
 * @param type such as {@code P}, {@code H1}, {@code Table}, {@code TD}
 * @param kids what is inside it, in reading order
 * @param columns how many columns of its table it takes
 * @param scope of a cell that heads others: {@code Column} or {@code Row}; else empty
 */
record PageElement(String type, List<PageElement> kids, int columns, String scope) {

    static PageElement of(String type) {
        return new PageElement(type, new ArrayList<>(), 1, "");
    }

    /** A cell that heads others. */
    static PageElement heading(String scope, int columns) {
        return new PageElement("TH", new ArrayList<>(), columns, scope);
    }

    /** The same element with one more inside, which is answered. */
    PageElement add(PageElement kid) {
        kids.add(kid);
        return kid;
    }
}
