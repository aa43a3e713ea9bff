package org.grammatus.core.plan;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.grammatus.core.expression.Template;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Suggestion;

/** A text above or below every page, with names in braces: {@code {title}, page {page} of {pages}}. Immutable. */
public final class PageText {

    /** What may stand in braces. */
    public enum Name {
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

        String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private static final List<String> WORDS =
            List.of(Name.values()).stream().map(Name::word).toList();

    private final Template template;

    private PageText(Template template) {
        this.template = template;
    }

    /**
     * Reads a text.
     *
     * @throws ProblemException at a brace that is not closed or a name that is not known
     */
    public static PageText parse(String text) {
        Template template = Template.parse(text);
        for (Template.Part part : template.parts()) {
            if (part instanceof Template.Part.Slot slot && !WORDS.contains(word(slot))) {
                throw new ProblemException(Problem.error(
                        "",
                        slot.position(),
                        "unknown name \"" + slot.expression().trim() + "\", expected one of " + String.join(", ", WORDS)
                                + Suggestion.inWords(word(slot), WORDS)));
            }
        }
        return new PageText(template);
    }

    /** The text with its names' values in their places. */
    public String filled(Map<Name, String> values) {
        return template.parts().stream()
                .map(part -> switch (part) {
                    case Template.Part.Literal literal -> literal.text();
                    case Template.Part.Slot slot ->
                        values.get(Name.valueOf(word(slot).toUpperCase(Locale.ROOT)));
                })
                .collect(Collectors.joining());
    }

    private static String word(Template.Part.Slot slot) {
        return slot.expression().trim().toLowerCase(Locale.ROOT);
    }
}
