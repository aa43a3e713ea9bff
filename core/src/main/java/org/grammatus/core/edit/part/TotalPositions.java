package org.grammatus.core.edit.part;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.grammatus.core.choice.Footer;
import org.grammatus.core.choice.Header;
import org.grammatus.core.choice.Place;
import org.grammatus.core.definition.ReportCell;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.definition.TableBlock;

/** Where totals are printed: usually beside a line's name, else below the group. */
public final class TotalPositions {

    private TotalPositions() {}

    /** The usual position of a total at a level: beside a line's name, else below the group. */
    public static Place usual(TableBlock table, String at) {
        return table.levels().stream().anyMatch(level -> level.id().equals(at) && level.header() == Header.LINE)
                ? Place.HEADER
                : Place.FOOTER;
    }

    /** A cell at every level and for the report. */
    public static List<ReportCell> everywhere(TableBlock table) {
        return Stream.concat(table.levels().stream().map(ReportLevel::id), Stream.of(ReportCell.REPORT))
                .map(at -> new ReportCell(at, usual(table, at)))
                .toList();
    }

    /** Where a total is printed at a level; none where it is not. */
    public static Optional<Place> of(ReportTotal total, String at) {
        return total.cells().stream()
                .filter(cell -> cell.at().equals(at))
                .map(ReportCell::in)
                .findFirst();
    }

    /** Whether another total under the same column has a position already. */
    public static boolean isTaken(TableBlock table, ReportTotal total, ReportCell cell) {
        return table.totals().stream()
                .anyMatch(other -> !other.id().equals(total.id())
                        && other.column().equals(total.column())
                        && other.cells().contains(cell));
    }

    /** A total put somewhere at a level, or nowhere. A level without a footer gets one when a total is put there. */
    public static TableBlock put(TableBlock table, String id, String at, Optional<Place> place) {
        TableBlock next = table.withTotals(Parts.changed(
                table.totals(),
                ReportTotal::id,
                id,
                total -> total.withCells(Stream.concat(
                                total.cells().stream().filter(cell -> !cell.at().equals(at)),
                                place.map(in -> new ReportCell(at, in)).stream())
                        .toList())));
        return place.equals(Optional.of(Place.FOOTER))
                ? next.withLevels(Parts.changed(
                        next.levels(),
                        ReportLevel::id,
                        at,
                        level -> level.footer() == Footer.NONE ? level.withFooter(Footer.TOTALS) : level))
                : next;
    }

    /**
     * The next position in turn: nowhere, the usual one, the other one; a grand total has one alone. What another total has already is passed
     * over.
     */
    public static Optional<Place> next(TableBlock table, ReportTotal total, String at) {
        Place usual = usual(table, at);
        Place other = usual == Place.FOOTER ? Place.HEADER : Place.FOOTER;
        List<Place> turn = at.equals(ReportCell.REPORT) ? List.of(usual) : List.of(usual, other);
        return turn.stream()
                .skip(of(total, at).map(now -> turn.indexOf(now) + 1).orElse(0))
                .filter(place -> !isTaken(table, total, new ReportCell(at, place)))
                .findFirst();
    }
}
