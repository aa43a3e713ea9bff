package org.grammatus.core.page;

import java.util.Arrays;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.grammatus.core.band.BandCell;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.band.PrintedColumn;
import org.grammatus.core.choice.Place;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.page.column.ColumnLayout;
import org.grammatus.core.page.column.TypeSetting;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;

/** The lines that the values of a band take: texts wrap, and columns of one place stand below one another. */
final class RowLines {

    private final BandTexts texts;
    private final TablePlan plan;
    private final ColumnLayout columns;
    private final TypeSetting type;

    RowLines(BandTexts texts, ColumnLayout columns, TypeSetting type) {
        this.texts = texts;
        this.plan = texts.grouped().plan();
        this.columns = columns;
        this.type = type;
    }

    /** The lines of a value: a column's own wrap in it, totals never. */
    List<String> of(BandCell.Value value, TextStyle style) {
        String text = value.text();
        PrintedColumn column = value.column();
        return value.isOfColumn() && columns.wraps()[column.position()]
                ? type.lines(
                        text,
                        style,
                        columns.widths()[column.position()],
                        column.plan().print().room().lines().orElse(TypeSetting.MOST_LINES))
                : List.of(text);
    }

    /** The style of a value: that of its band's values, bolder where it is marked so. */
    static TextStyle styleOf(BandCell.Value value, TextStyle ofBand) {
        return ofBand == TextStyle.CELL && value.look().strong() ? TextStyle.STRONG_CELL : ofBand;
    }

    /** How many lines the place with the most of them takes. */
    int most(List<BandCell.Value> values, TextStyle style) {
        int[] counts = counts(values, style);
        int[] inPlace = new int[counts.length];
        int most = 1;
        for (int c = 0; c < counts.length; c++) {
            int host = columns.stacks().host()[c];
            inPlace[host] += counts[c];
            most = Math.max(most, inPlace[host]);
        }
        return most;
    }

    /** By column, how many lines stand above its own in its place. */
    int[] above(List<BandCell.Value> values, TextStyle style) {
        int[] counts = counts(values, style);
        int[] above = new int[counts.length];
        for (int c = 1; c < counts.length; c++) {
            above[c] = columns.stacks().slot()[c] == 0 ? 0 : above[c - 1] + counts[c - 1];
        }
        return above;
    }

    /** How many lines the figures of groups of a depth take below their first, where they stand in a place. */
    int belowFirst(int depth, Place place) {
        return belowFirst(total -> total.places().get(plan.levelAt(depth)) == place);
    }

    /** How many lines figures of any group take below their first. */
    int belowFirst() {
        return belowFirst(total -> true);
    }

    private int belowFirst(Predicate<TotalPlan> printed) {
        return IntStream.range(0, plan.totals().size())
                .filter(total -> printed.test(plan.totals().get(total)))
                .map(total -> columns.stacks().slot()[texts.columnOf(total).position()])
                .max()
                .orElse(0);
    }

    /** A column without a value keeps its line, so that those below it stand side by side. */
    private int[] counts(List<BandCell.Value> values, TextStyle style) {
        int[] counts = new int[columns.x().length];
        Arrays.fill(counts, 1);
        for (BandCell.Value value : values) {
            int column = value.column().position();
            if (columns.wraps()[column]) {
                counts[column] = of(value, styleOf(value, style)).size();
            }
        }
        return counts;
    }
}
