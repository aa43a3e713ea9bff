package org.grammatus.core.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.grammatus.core.choice.Reach;
import org.grammatus.core.definition.FiguresBlock;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportCell;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportFigure;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.TextBlock;
import org.grammatus.core.definition.edit.HighlightEdit;
import org.grammatus.core.edit.part.EditScope;

/** What a highlight of a block can mark. */
final class HighlightReach {

    private HighlightReach() {}

    /** Everything that a highlight can mark, each without a column. */
    static List<ReportHighlight.Place> choices(ReportBlock block) {
        return switch (block) {
            case TableBlock table -> {
                List<ReportHighlight.Place> places = new ArrayList<>(List.of(place(Reach.ROW)));
                for (ReportLevel level : table.levels()) {
                    Stream.of(Reach.HEADING, Reach.TOTALS, Reach.GROUP)
                            .map(of -> ofLevel(of, level.id()))
                            .forEach(places::add);
                }
                places.add(ofLevel(Reach.TOTALS, ReportCell.REPORT));
                yield List.copyOf(places);
            }
            case FiguresBlock figures ->
                figures.figures().stream()
                        .map(ReportFigure::id)
                        .map(id -> new ReportHighlight.Place(
                                Reach.FIGURE, Optional.empty(), Optional.empty(), Optional.of(id)))
                        .toList();
            case TextBlock text -> List.of();
        };
    }

    /**
     * What an edit lets a highlight mark; none for the row or line as a whole, which is what a highlight marks unless it says more.
     *
     * @throws org.grammatus.core.problem.ProblemException if the block has no such part
     */
    static Optional<ReportHighlight.Place> of(HighlightEdit.ReachWithHighlight edit, ReportBlock block) {
        ReportHighlight.Place whole =
                new ReportHighlight.Place(edit.of(), edit.level(), Optional.empty(), edit.figure());
        if (!choices(block).contains(whole)) {
            return EditScope.refused(
                    "a highlight of this block cannot mark that; name a level, \"report\" or a key figure"
                            + " that it has");
        }
        edit.column().ifPresent(column -> {
            if (!(block instanceof TableBlock table)) {
                EditScope.refused("only cells of a table have columns");
            } else {
                EditScope.part(table.columns(), ReportColumn::id, column);
            }
        });
        ReportHighlight.Place place = new ReportHighlight.Place(edit.of(), edit.level(), edit.column(), edit.figure());
        return place.equals(place(Reach.ROW)) ? Optional.empty() : Optional.of(place);
    }

    private static ReportHighlight.Place place(Reach of) {
        return new ReportHighlight.Place(of, Optional.empty(), Optional.empty(), Optional.empty());
    }

    private static ReportHighlight.Place ofLevel(Reach of, String level) {
        return new ReportHighlight.Place(of, Optional.of(level), Optional.empty(), Optional.empty());
    }
}
