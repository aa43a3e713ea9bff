package org.grammatus.core.edit.part;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.grammatus.core.choice.Footer;
import org.grammatus.core.choice.Header;
import org.grammatus.core.choice.Place;
import org.grammatus.core.choice.layout.TableLayout;
import org.grammatus.core.definition.ReportCell;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportColumnBuilder;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.definition.TableBlock;

/**
 * The usual form of levels: without rows the innermost one is printed as lines, with its names in a column of their own and its totals
 * beside them; every other level has a heading, and its totals below.
 */
public final class LevelForm {

    private static final String NO_VALUE = "''";
    private static final int LONGEST_ID = 64;

    private LevelForm() {}

    /** The table with its rows printed or not; totals are carried from row to row only where they are. */
    public static TableBlock withRows(TableBlock table, boolean shown) {
        TableBlock next = table.withRows(table.rows().withShown(shown));
        return arranged(shown ? next : next.withLayout(table.layout().flatMap(LevelForm::carryingNothing)));
    }

    private static Optional<TableLayout> carryingNothing(TableLayout layout) {
        TableLayout rest =
                new TableLayout(layout.headingsOnce(), Optional.empty(), layout.blankEvery(), layout.legend());
        return rest.equals(TableLayout.PLAIN) ? Optional.empty() : Optional.of(rest);
    }

    /** The table with each of its levels in its usual form. */
    public static TableBlock arranged(TableBlock table) {
        Optional<ReportLevel> innermost = table.rows().shown()
                ? Optional.empty()
                : table.levels().reversed().stream()
                        .filter(level -> !level.off().orElse(false))
                        .findFirst();
        TableBlock next = table;
        for (ReportLevel level : table.levels()) {
            boolean lines = innermost.equals(Optional.of(level));
            if (lines && level.header() != Header.LINE) {
                next = asLines(next, level);
            } else if (!lines && level.header() == Header.LINE) {
                next = asHeading(next, level);
            }
        }
        return next;
    }

    private static TableBlock asLines(TableBlock table, ReportLevel level) {
        String value = nameOf(level);
        boolean shown =
                table.columns().stream().anyMatch(column -> column.value().equals(Optional.of(value)));
        ReportColumn label = ReportColumnBuilder.builder()
                .id(labelColumn(level.id()))
                .label(Optional.of(level.name()))
                .value(Optional.of(value))
                .build();
        return standing(table, level, Header.LINE, Footer.NONE, Place.HEADER)
                .withColumns(
                        shown
                                ? table.columns()
                                : Stream.concat(Stream.of(label), table.columns().stream())
                                        .toList());
    }

    private static TableBlock asHeading(TableBlock table, ReportLevel level) {
        return TableColumns.without(
                standing(table, level, Header.HEADING, Footer.TOTALS, Place.FOOTER), List.of(labelColumn(level.id())));
    }

    private static TableBlock standing(TableBlock table, ReportLevel level, Header header, Footer footer, Place place) {
        return table.withLevels(
                        Parts.changed(table.levels(), ReportLevel::id, level.id(), one -> one.standing(header, footer)))
                .withTotals(placed(table.totals(), level.id(), place));
    }

    /** Totals in another position at a level. Of two under one column, which had one each, the first has it now. */
    private static List<ReportTotal> placed(List<ReportTotal> totals, String level, Place place) {
        Set<String> taken = new HashSet<>();
        return totals.stream()
                .map(total -> {
                    boolean there =
                            total.cells().stream().anyMatch(cell -> cell.at().equals(level));
                    boolean first = there && taken.add(total.column());
                    return total.withCells(total.cells().stream()
                            .filter(cell -> first || !cell.at().equals(level))
                            .map(cell -> cell.at().equals(level) ? new ReportCell(level, place) : cell)
                            .toList());
                })
                .toList();
    }

    /** The expression of what a level's groups are called. */
    public static String nameOf(ReportLevel level) {
        return level.label().orElse(level.key());
    }

    /** The column in which a level printed as lines says what its groups are called. */
    public static String labelColumn(String level) {
        return columnId("c-of-" + level);
    }

    /** The column in which the groups of a level are named beside their rows. */
    public static String columnOfLevel(String level) {
        return columnId("c-in-" + level);
    }

    private static String columnId(String id) {
        return id.substring(0, Math.min(LONGEST_ID, id.length()));
    }

    /** Whether a column says what groups printed as lines are called. */
    public static boolean isLabel(TableBlock table, ReportColumn column) {
        return table.levels().stream().anyMatch(level -> column.id().equals(labelColumn(level.id())));
    }

    /** Whether a column prints something of a row by itself; a measure's is an empty text there, over its totals. */
    public static boolean printsInRows(String value) {
        return !value.equals(NO_VALUE);
    }

    /** Whether rows are worth printing: not where nothing would stand in them. */
    public static boolean rowsWorthPrinting(TableBlock table, boolean wanted) {
        List<ReportColumn> printed = table.columns().stream()
                .filter(column -> !column.off().orElse(false) && !isLabel(table, column))
                .toList();
        boolean something = printed.isEmpty()
                || printed.stream()
                        .anyMatch(column ->
                                column.value().filter(LevelForm::printsInRows).isPresent());
        return something && (wanted || table.rows().shown());
    }
}
