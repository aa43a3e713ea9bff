package org.grammatus.core.definition.document;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.grammatus.core.choice.Reach;
import org.grammatus.core.definition.FiguresBlock;
import org.grammatus.core.definition.ReportCell;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportFigure;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.TableBlock;

/** What highlights reach is there: rows, groups and columns in a table, figures in a block of those. */
record HighlightReferences(ReferenceFaults faults) {

    /** A rule of groups names their level, one of rows none. */
    void ofTable(String pointer, TableBlock block) {
        List<String> levels = Stream.concat(block.levels().stream().map(ReportLevel::id), Stream.of(ReportCell.REPORT))
                .toList();
        List<String> columns = block.columns().stream().map(ReportColumn::id).toList();
        for (int i = 0; i < block.highlights().size(); i++) {
            String at = pointer + "/" + i + "/reach";
            block.highlights().get(i).reach().ifPresent(place -> {
                place.column().ifPresent(column -> faults.known(at + "/column", "column", column, columns));
                place.level().ifPresent(level -> faults.known(at + "/level", "level", level, levels));
                faults.unused(at + "/figure", place.figure(), "a table has no key figures");
                ofTable(at, place);
            });
        }
    }

    private void ofTable(String at, ReportHighlight.Place place) {
        boolean ofReport = place.level().filter(ReportCell.REPORT::equals).isPresent();
        if (place.of() == Reach.FIGURE) {
            faults.problems().error(at + "/of", "a table has no key figures, expected row, heading, totals or group");
        } else if (place.of() == Reach.ROW && place.level().isPresent()) {
            faults.problems().error(at + "/level", "a rule that marks rows is about no level; remove it");
        } else if (place.of() != Reach.ROW && place.level().isEmpty()) {
            faults.problems().error(at, "property \"level\" is missing: whose groups it marks");
        } else if (ofReport && place.of() != Reach.TOTALS) {
            faults.problems().error(at + "/of", "of the report the totals alone can be marked");
        }
    }

    /** A rule of key figures names the one that it marks. */
    void ofFigures(String pointer, FiguresBlock block) {
        List<ReportHighlight> rules = block.highlights().orElse(List.of());
        List<String> figures = block.figures().stream().map(ReportFigure::id).toList();
        for (int i = 0; i < rules.size(); i++) {
            Optional<ReportHighlight.Place> reach = rules.get(i).reach();
            String at = pointer + "/" + i + "/reach";
            Optional<String> figure =
                    reach.filter(place -> place.of() == Reach.FIGURE).flatMap(ReportHighlight.Place::figure);
            if (figure.isEmpty()) {
                faults.problems()
                        .error(
                                reach.isPresent() ? at : pointer + "/" + i,
                                "says not which key figure it marks; write \"reach\": {\"of\": \"figure\", \"figure\": its id}");
            }
            figure.ifPresent(id -> faults.known(at + "/figure", "key figure", id, figures));
            reach.ifPresent(place -> {
                faults.unused(at + "/level", place.level(), "key figures have no groups");
                faults.unused(at + "/column", place.column(), "key figures have no columns");
            });
        }
    }
}
