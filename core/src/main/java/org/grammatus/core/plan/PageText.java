package org.grammatus.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.grammatus.core.choice.layout.PageWord;
import org.grammatus.core.expression.Template;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Suggestion;

/**
 * A text above or below every page, with words and expressions in braces: {@code {title}, page {page} of {pages}: {SUM(net)}}. Immutable.
 *
 * @param pointer where it stands in the definition
 */
public record PageText(String pointer, List<Part> parts) {

    public PageText {
        parts = List.copyOf(parts);
    }

    /** A piece of a text. */
    public sealed interface Part {}

    public record Literal(String text) implements Part {}

    /** What pages have a word for. */
    public record Known(PageWord word) implements Part {}

    /** An expression over the rows of the page. */
    public record Figure(Template.Part.Slot slot) implements Part {}

    /**
     * Reads a text.
     *
     * @throws ProblemException at a brace that is not closed or holds nothing
     */
    public static PageText parse(String pointer, String text) {
        List<Part> parts = new ArrayList<>();
        for (Template.Part part : Template.parse(text).parts()) {
            parts.add(
                    switch (part) {
                        case Template.Part.Literal literal -> new Literal(literal.text());
                        case Template.Part.Slot slot -> {
                            Optional<Part> known =
                                    PageWord.of(slot.expression()).map(Known::new);
                            yield known.orElseGet(() -> new Figure(slot));
                        }
                    });
        }
        return new PageText(pointer, parts);
    }

    /**
     * Reads a text that is for all reports, and so can have words alone.
     *
     * @throws ProblemException at a brace that is not closed or anything else that stands in one
     */
    public static PageText ofWords(String pointer, String text) {
        PageText read = parse(pointer, text);
        read.figures().forEach(slot -> {
            throw new ProblemException(unknown(slot));
        });
        return read;
    }

    /** What is said of something in braces that is no word of pages. */
    public static Problem unknown(Template.Part.Slot slot) {
        return Problem.error(
                "",
                slot.position(),
                "unknown name \"" + slot.expression().strip() + "\", expected one of "
                        + String.join(", ", PageWord.ALL)
                        + Suggestion.inWords(slot.expression().strip(), PageWord.ALL));
    }

    /** Its expressions. */
    public List<Template.Part.Slot> figures() {
        return parts.stream()
                .filter(Figure.class::isInstance)
                .map(part -> ((Figure) part).slot())
                .toList();
    }

    /**
     * The text with what it asks for in its places.
     *
     * @param figures by their expressions
     */
    public String filled(Map<PageWord, String> values, Function<String, String> figures) {
        return parts.stream()
                .map(part -> switch (part) {
                    case Literal literal -> literal.text();
                    case Known known -> values.get(known.word());
                    case Figure figure -> figures.apply(figure.slot().expression());
                })
                .collect(Collectors.joining());
    }
}
