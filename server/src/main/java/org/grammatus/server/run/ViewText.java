package org.grammatus.server.run;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.plan.planner.ReaderView;
import org.grammatus.core.plan.planner.ReaderView.Only;
import org.grammatus.core.plan.planner.ReaderView.Sort;
import org.grammatus.core.plan.planner.ReaderView.Width;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;

/**
 * A reader's view as addresses write it: {@code c-net:descending} to order by, {@code region:Lakeside} to narrow to,
 * {@code c-town:120} for a width in points and {@code c-town:fit} for one that fits.
 */
final class ViewText {

    private ViewText() {}

    static ReaderView parse(
            List<String> order, List<String> only, List<String> widths, List<String> whole, Optional<String> downTo) {
        return new ReaderView(
                order.stream().map(ViewText::sort).toList(),
                only.stream().map(ViewText::narrowed).toList(),
                widths.stream().map(ViewText::width).toList(),
                whole,
                downTo);
    }

    private static Sort sort(String text) {
        int colon = text.indexOf(':');
        String column = colon < 0 ? text : text.substring(0, colon);
        boolean down = colon >= 0 && text.substring(colon + 1).equals("descending");
        return new Sort(column, down ? Direction.DESCENDING : Direction.ASCENDING);
    }

    private static Width width(String text) {
        int colon = text.indexOf(':');
        String points = colon < 0 ? "fit" : text.substring(colon + 1);
        String column = colon < 0 ? text : text.substring(0, colon);
        try {
            return new Width(column, points.equals("fit") ? Optional.empty() : Optional.of(Integer.valueOf(points)));
        } catch (NumberFormatException e) {
            throw new ProblemException(Problem.error(
                    "/view/widths",
                    "\"" + points + "\" is no width; write whole points, as in \"" + column + ":120\", or \"fit\""));
        }
    }

    private static Only narrowed(String text) {
        int colon = text.indexOf(':');
        return colon < 0
                ? new Only(text, Optional.empty())
                : new Only(text.substring(0, colon), Optional.of(text.substring(colon + 1)));
    }
}
