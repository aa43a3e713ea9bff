package org.grammatus.core.page.column;

import java.util.stream.Stream;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.band.PrintedColumn;
import org.grammatus.core.choice.Header;
import org.grammatus.core.choice.Place;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;

/** The room that groups' names have before their figures, or above them where that is too narrow. Found once for all groups. */
public final class NameRooms {

    private static final int INDENT = 900;
    private static final int LEAST_NAME = 9_000;

    private final TablePlan plan;
    private final ColumnLayout columns;
    /** The table's width. */
    private final int right;

    private final int[] indents;
    /** By depth and place: left edge of the leftmost total there. */
    private final int[][] firstTotals;

    private final int firstOfOthers;

    public NameRooms(BandTexts printed, ColumnLayout columns, int right) {
        this.plan = printed.grouped().plan();
        this.columns = columns;
        this.right = right;
        this.indents = new int[plan.levels().size() + 1];
        this.firstTotals = new int[indents.length][Place.values().length];
        for (int depth = 0; depth < indents.length; depth++) {
            indents[depth] = depth < 2
                    ? 0
                    : indents[depth - 1] + indentBehind(plan.levels().get(depth - 2));
            for (Place place : Place.values()) {
                int at = depth;
                firstTotals[depth][place.ordinal()] = left(printed.columns().stream()
                        .filter(column -> printed.totalAt(column, at, place).isPresent()));
            }
        }
        this.firstOfOthers = printed.grouped().rows().others().isEmpty()
                ? right
                : left(printed.columns().stream()
                        .filter(column -> printed.otherRowsTotalAt(column).isPresent()));
    }

    /** How far the columns stand in, so that every heading stands left of them. */
    public static int columnsIndent(TablePlan plan) {
        return plan.levels().stream().mapToInt(NameRooms::indentBehind).sum();
    }

    private static int indentBehind(LevelPlan level) {
        return level.print().header() == Header.HEADING ? INDENT : 0;
    }

    private int left(Stream<PrintedColumn> withFigure) {
        return withFigure
                .filter(column -> column.position() < columns.x().length)
                .map(column -> columns.x()[column.position()] - ColumnLayout.GAP / 2)
                .findFirst()
                .orElse(right);
    }

    /** Left edge of a level's headings and footers. */
    public int indent(int depth) {
        return indents[depth];
    }

    /** Whether a group's figures stand on a line of their own, below its name. */
    public boolean figuresBelow(int depth, Place place) {
        return firstTotals[depth][place.ordinal()] - indent(depth) < LEAST_NAME;
    }

    /** Room for a group's name. */
    public int width(int depth, Place place) {
        return (figuresBelow(depth, place) ? right : firstTotals[depth][place.ordinal()]) - indent(depth);
    }

    /** Whether the figures of other rows stand on a line of their own, below what the line says. */
    public boolean otherRowsBelow() {
        return firstOfOthers - otherRowsLeft() < LEAST_NAME;
    }

    public int otherRowsLeft() {
        return columns.x()[0];
    }

    /** Room for what the line of other rows says. */
    public int otherRowsWidth() {
        return (otherRowsBelow() ? right : firstOfOthers) - otherRowsLeft();
    }
}
