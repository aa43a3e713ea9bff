package org.grammatus.core.page;

import java.util.List;
import java.util.stream.IntStream;
import org.grammatus.core.band.BandContents;
import org.grammatus.core.band.Bands;
import org.grammatus.core.band.Words;
import org.grammatus.core.plan.TablePlan;

/** A table fitted to a width: where its columns stand and how tall its bands are. Not thread-safe. */
final class TableLayout {

    private static final int BELOW_HEADINGS = 700;

    private final Bands bands;
    private final BandContents contents;
    private final TablePlan plan;
    private final int width;
    private final ColumnLayout columns;
    private final NameRooms rooms;
    private final BandMeasures measures;
    private final List<List<String>> headingLines;

    /**
     * Fits a table.
     *
     * @param width in hundredths of a point
     * @param titleWidth the width that the report's title has above it
     * @throws org.grammatus.core.problem.ProblemException if its columns do not fit
     */
    TableLayout(Bands bands, int width, int titleWidth) {
        this.bands = bands;
        this.contents = new BandContents(bands.grouped());
        this.plan = bands.grouped().plan();
        this.width = width;
        this.columns = ColumnLayout.of(contents.printed(), width, NameRooms.columnsIndent(plan));
        this.rooms = new NameRooms(contents.printed(), columns, width);
        this.measures = new BandMeasures(bands, contents, columns, rooms, width, titleWidth);
        this.headingLines = IntStream.range(0, plan.columns().size())
                .mapToObj(c -> type().lines(
                                Words.heading(plan.columns().get(c)), TextStyle.COLUMN_HEADING, columns.widths()[c]))
                .toList();
    }

    Bands bands() {
        return bands;
    }

    BandContents contents() {
        return contents;
    }

    TablePlan plan() {
        return plan;
    }

    int width() {
        return width;
    }

    ColumnLayout columns() {
        return columns;
    }

    BandMeasures measures() {
        return measures;
    }

    TypeSetting type() {
        return measures.type();
    }

    /** Left edge of a level's headings and footers. */
    int indent(int depth) {
        return rooms.indent(depth);
    }

    int height(int band) {
        return measures.of(band).height();
    }

    List<String> columnHeadingLines(int column) {
        return headingLines.get(column);
    }

    /** Height of the columns' headings; 0 where there are no columns. */
    int columnHeadingsHeight() {
        int most = headingLines.stream().mapToInt(List::size).max().orElse(0);
        return most == 0 ? 0 : most * type().lineHeight(TextStyle.COLUMN_HEADING) + BELOW_HEADINGS;
    }

    /** Baseline of a line of a column's heading, from the headings' top: the last lines of all stand side by side. */
    int columnHeadingBaseline(int column, int line) {
        int after = headingLines.get(column).size() - 1 - line;
        return columnHeadingsHeight()
                - BELOW_HEADINGS
                - after * type().lineHeight(TextStyle.COLUMN_HEADING)
                - type().descent(TextStyle.COLUMN_HEADING);
    }

    /** Where the rule below the columns' headings is, from their top. */
    int columnHeadingsRule() {
        return columnHeadingsHeight() - BELOW_HEADINGS + 200;
    }
}
