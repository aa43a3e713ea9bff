package org.grammatus.core.plan.planner;

import java.util.Optional;
import org.grammatus.core.choice.Orientation;
import org.grammatus.core.choice.layout.PageLine;
import org.grammatus.core.choice.layout.PageLines;
import org.grammatus.core.definition.PageSetup;
import org.grammatus.core.plan.PagePlan;
import org.grammatus.core.plan.PageText;
import org.grammatus.core.problem.Problems;

/** Plans the paper and what stands at its edges. */
final class PagePlanning {

    private static final double HUNDREDTHS_OF_MM = 7200 / 25.4;
    /** So much of the paper is left to print on at least, in hundredths of a point. */
    private static final int LEAST = 5_000;

    /** A roll is cut after so many millimetres at most: PDF's limit, 14,400 points. */
    private static final int LONGEST_ROLL = 5_000;

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
                width,
                height,
                hundredths(margins.top()),
                hundredths(margins.right()),
                hundredths(margins.bottom()),
                hundredths(margins.left()),
                page.size().filter(size -> size.height().isEmpty()).isPresent(),
                page.mirrored().orElse(false),
                text("/page/header", page.header()),
                text("/page/footer", page.footer()),
                edges(),
                page.watermark());
    }

    /** A report that says anything of its edges says all of them; of any other its style does. */
    private PageLines<PageText> edges() {
        boolean own = page.lines().isPresent()
                || page.header().isPresent()
                || page.footer().isPresent();
        return own ? lines("/page/lines/", page.lines()) : lines("/look/edges/", edges);
    }

    private PageLines<PageText> lines(String at, Optional<PageLines<String>> lines) {
        return new PageLines<>(
                line(at + "header", lines.flatMap(PageLines::header)),
                line(at + "footer", lines.flatMap(PageLines::footer)),
                line(at + "firstHeader", lines.flatMap(PageLines::firstHeader)),
                line(at + "firstFooter", lines.flatMap(PageLines::firstFooter)));
    }

    private Optional<PageLine<PageText>> line(String pointer, Optional<PageLine<String>> line) {
        return line.map(written -> new PageLine<>(
                text(pointer + "/start", written.start()),
                text(pointer + "/centre", written.centre()),
                text(pointer + "/end", written.end())));
    }

    private Optional<PageText> text(String pointer, Optional<String> text) {
        return text.flatMap(
                t -> problems.collect(pointer, () -> Optional.of(PageText.parse(t)), Optional.<PageText>empty()));
    }

    private static int hundredths(int millimetres) {
        return (int) Math.round(millimetres * HUNDREDTHS_OF_MM);
    }
}
