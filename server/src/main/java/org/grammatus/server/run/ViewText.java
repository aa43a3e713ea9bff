package org.grammatus.server.run;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.plan.planner.ReaderView;
import org.grammatus.core.plan.planner.ReaderView.Narrow;
import org.grammatus.core.plan.planner.ReaderView.Only;
import org.grammatus.core.plan.planner.ReaderView.Sort;
import org.grammatus.core.plan.planner.ReaderView.Width;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;

/**
 * A reader's view as addresses write it: {@code c-net:descending} to order by, {@code region:Lakeside} to narrow to,
 * {@code report.region:Lakeside} in every block at once, {@code town:Combford, Queensmere} for values of a printed field or
 * {@code lines.town:Combford} in one block alone, {@code c-town:120} for a width in points and {@code c-town:fit} for one that fits.
 */
final class ViewText {

    /** Stands before a group that all blocks are narrowed to. */
    private static final String EVERYWHERE = "report.";

    private ViewText() {}

    static ReaderView parse(
            List<String> order,
            List<String> only,
            List<String> except,
            List<String> narrow,
            List<String> widths,
            List<String> whole,
            Optional<String> downTo,
            boolean markedOnly) {
        return new ReaderView(
                order.stream().map(ViewText::sort).toList(),
                Stream.concat(
                                only.stream().map(text -> narrowed(text, false)),
                                except.stream().map(text -> narrowed(text, true)))
                        .toList(),
                narrow.stream().map(ViewText::values).toList(),
                widths.stream().map(ViewText::width).toList(),
                whole,
                downTo,
                markedOnly);
    }

    private static Sort sort(String text) {
        int colon = text.indexOf(':');
        String column = ofBlock(colon < 0 ? text : text.substring(0, colon));
        boolean down = colon >= 0 && text.substring(colon + 1).equals("descending");
        return new Sort(column, down ? Direction.DESCENDING : Direction.ASCENDING);
    }

    private static Width width(String text) {
        int colon = text.indexOf(':');
        String points = colon < 0 ? "fit" : text.substring(colon + 1);
        String column = ofBlock(colon < 0 ? text : text.substring(0, colon));
        try {
            return new Width(column, points.equals("fit") ? Optional.empty() : Optional.of(Integer.valueOf(points)));
        } catch (NumberFormatException e) {
            throw new ProblemException(Problem.error(
                    "/view/widths",
                    "\"" + points + "\" is no width; write whole points, as in \"" + column + ":120\", or \"fit\""));
        }
    }

    private static Only narrowed(String text, boolean except) {
        boolean everywhere = text.startsWith(EVERYWHERE);
        String group = everywhere ? text.substring(EVERYWHERE.length()) : text;
        int colon = group.indexOf(':');
        return new Only(
                ofBlock(colon < 0 ? group : group.substring(0, colon)),
                colon < 0 ? Optional.empty() : Optional.of(group.substring(colon + 1)),
                except,
                everywhere);
    }

    private static Narrow values(String text) {
        int colon = text.indexOf(':');
        String field = colon < 0 ? text : text.substring(0, colon);
        int point = field.indexOf('.');
        return new Narrow(
                point < 0 ? Optional.empty() : Optional.of(field.substring(0, point)),
                field.substring(point + 1),
                colon < 0 ? "" : text.substring(colon + 1));
    }

    /** A part's id, which may have its block's before it, and a point: ids are unique in a report. */
    private static String ofBlock(String id) {
        return id.substring(id.indexOf('.') + 1);
    }
}
