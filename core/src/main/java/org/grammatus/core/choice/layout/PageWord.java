package org.grammatus.core.choice.layout;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What texts at the edges of pages have words for, in braces. */
public enum PageWord {
    TITLE,
    ANSWERS,
    DATASET,
    BUSINESS_DATE,
    PAGE,
    PAGES,
    /** The group that the page begins with: of the outermost level, or of that which begins on pages of its own. */
    GROUP,
    /** Number of the page in that group. */
    PAGE_OF_GROUP,
    /** How many pages that group has. */
    PAGES_OF_GROUP;

    /** All of them as they are written. */
    public static final List<String> ALL =
            Arrays.stream(values()).map(PageWord::word).toList();

    /** How it is written. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The one that is written so, whatever its case and the room around it. */
    public static Optional<PageWord> of(String written) {
        return Arrays.stream(values())
                .filter(each -> each.word().equalsIgnoreCase(written.strip()))
                .findFirst();
    }
}
