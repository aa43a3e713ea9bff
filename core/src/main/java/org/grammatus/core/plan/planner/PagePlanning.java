package org.grammatus.core.plan.planner;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.regex.Pattern;
import org.grammatus.core.choice.Orientation;
import org.grammatus.core.choice.layout.PageLine;
import org.grammatus.core.choice.layout.PageLines;
import org.grammatus.core.definition.PageSetup;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Template;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.plan.Formats;
import org.grammatus.core.plan.PageFigure;
import org.grammatus.core.plan.PagePlan;
import org.grammatus.core.plan.PageText;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;

/** Plans the paper and what stands at its edges. */
final class PagePlanning {

    private static final double HUNDREDTHS_OF_MM = 7200 / 25.4;
    /** So much of the paper is left to print on at least, in hundredths of a point. */
    private static final int LEAST = 5_000;

    /** A roll is cut after so many millimetres at most: PDF's limit, 14,400 points. */
    private static final int LONGEST_ROLL = 5_000;

    private static final Pattern NAME = Pattern.compile("[A-Za-z_][A-Za-z0-9_]*");

    private final PageSetup page;
    private final Optional<PageLines<String>> edges;
    private final Problems problems;

    private PagePlanning(PageSetup page, Optional<PageLines<String>> edges, Problems problems) {
        this.page = page;
        this.edges = edges;
        this.problems = problems;
    }

    /**
     * The page of a report; what is wrong with it is noted.
     *
     * @param edges what stands at the edges of pages in its style
     */
    static PagePlan planned(PageSetup page, Optional<PageLines<String>> edges, Problems problems) {
        return new PagePlanning(page, edges, problems).plan();
    }

    private PagePlan plan() {
        boolean portrait = page.orientation() == Orientation.PORTRAIT;
        int width = page.size()
                .map(size -> hundredths(size.width()))
                .orElse(portrait ? page.paper().shorter() : page.paper().longer());
        int height = page.size()
                .map(size -> hundredths(size.height().orElse(LONGEST_ROLL)))
                .orElse(portrait ? page.paper().longer() : page.paper().shorter());
        PageSetup.Margins margins = page.margins();
        int across = width - hundredths(margins.left()) - hundredths(margins.right());
        int down = height - hundredths(margins.top()) - hundredths(margins.bottom());
        if (across < LEAST || down < LEAST) {
            problems.error(
                    "/page/margins",
                    "the margins leave nothing of the paper to print on; make them smaller, or the paper larger");
        }
        return new PagePlan(
                new PagePlan.Sheet(
                        width,
                        height,
                        hundredths(margins.top()),
                        hundredths(margins.right()),
                        hundredths(margins.bottom()),
                        hundredths(margins.left()),
                        page.size().filter(size -> size.height().isEmpty()).isPresent(),
                        page.mirrored().orElse(false)),
                text("/page/header", page.header(), PageText::parse),
                text("/page/footer", page.footer(), PageText::parse),
                edges(),
                page.watermark(),
                page.draft().orElse(false),
                page.pages(),
                page.block());
    }

    /**
     * The figures in the texts of pages, over the rows of a block; what is wrong with them is noted.
     *
     * @param choice whether the block stands for others that the texts could be about as well
     */
    static List<PageFigure> figures(PagePlan page, BlockScope scope, boolean choice) {
        Map<String, PageFigure> found = new LinkedHashMap<>();
        for (PageText text : page.texts()) {
            for (Template.Part.Slot slot : text.figures()) {
                scope.problems
                        .collect(
                                text.pointer(),
                                () -> Optional.of(figure(slot, scope, choice)),
                                Optional.<PageFigure>empty())
                        .ifPresent(figure -> found.putIfAbsent(figure.text(), figure));
            }
        }
        return List.copyOf(found.values());
    }

    private static PageFigure figure(Template.Part.Slot slot, BlockScope scope, boolean choice) {
        if (isUnknown(slot.expression().strip(), scope.names)) {
            throw new ProblemException(PageText.unknown(slot));
        }
        Typed value = TextPlanning.typed(slot, scope.names, Typing.Place.SCOPE);
        if (value.stepping().findAny().isPresent()
                || value.levelsAround().findAny().isPresent()) {
            throw fault(
                    slot, "a page stands in no group; of what is around it OVER () alone is known, the whole report");
        }
        if (value.aggregates() && choice) {
            throw fault(
                    slot,
                    "the report has several tables; say with \"block\" of the page whose rows its texts are about");
        }
        if (value.aggregates() && !scope.isDetailed()) {
            throw fault(
                    slot,
                    "block \"" + scope.block.id()
                            + "\" prints neither rows nor groups, so that pages have none to add up");
        }
        return new PageFigure(slot.expression(), value, Formats.of(value, scope.dataset));
    }

    /** Whether it is a name by itself that nothing has: more likely a word of pages than a field is meant. */
    private static boolean isUnknown(String text, Names names) {
        return NAME.matcher(text).matches()
                && ExpressionParser.parse(text) instanceof Expression.Name name
                && names.field(name.name(), false).isEmpty()
                && names.measure(name.name(), false).isEmpty();
    }

    private static ProblemException fault(Template.Part.Slot slot, String message) {
        return new ProblemException(Problem.error("", slot.position(), message));
    }

    /** A report that says anything of its edges says all of them; of any other its style does. */
    private PageLines<PageText> edges() {
        boolean own = page.lines().isPresent()
                || page.header().isPresent()
                || page.footer().isPresent();
        return own
                ? lines("/page/lines/", page.lines(), PageText::parse)
                : lines("/look/edges/", edges, PageText::ofWords);
    }

    private PageLines<PageText> lines(
            String at, Optional<PageLines<String>> lines, BiFunction<String, String, PageText> read) {
        return new PageLines<>(
                line(at + "header", lines.flatMap(PageLines::header), read),
                line(at + "footer", lines.flatMap(PageLines::footer), read),
                line(at + "firstHeader", lines.flatMap(PageLines::firstHeader), read),
                line(at + "firstFooter", lines.flatMap(PageLines::firstFooter), read));
    }

    private Optional<PageLine<PageText>> line(
            String pointer, Optional<PageLine<String>> line, BiFunction<String, String, PageText> read) {
        return line.map(written -> new PageLine<>(
                text(pointer + "/start", written.start(), read),
                text(pointer + "/centre", written.centre(), read),
                text(pointer + "/end", written.end(), read)));
    }

    private Optional<PageText> text(String pointer, Optional<String> text, BiFunction<String, String, PageText> read) {
        return text.flatMap(
                t -> problems.collect(pointer, () -> Optional.of(read.apply(pointer, t)), Optional.<PageText>empty()));
    }

    private static int hundredths(int millimetres) {
        return (int) Math.round(millimetres * HUNDREDTHS_OF_MM);
    }
}
