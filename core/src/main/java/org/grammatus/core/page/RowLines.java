package org.grammatus.core.page;

import java.util.Arrays;
import java.util.List;
import java.util.function.IntFunction;
import java.util.function.Predicate;
import org.grammatus.core.band.BandCell;
import org.grammatus.core.choice.Place;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.page.column.ColumnLayout;
import org.grammatus.core.page.column.TypeSetting;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;

/** The lines that the values of a band take: texts wrap, and columns of one place stand below one another. */
final class RowLines {

    private final TablePlan plan;
    private final ColumnLayout columns;
    private final TypeSetting type;

    RowLines(TablePlan plan, ColumnLayout columns, TypeSetting type) {
        this.plan = plan;
        this.columns = columns;
        this.type = type;
    }

    /** The lines of a value: a column's own wrap in it, totals never. */
    List<String> of(BandCell.Value value, TextStyle style) {
        String text = value.text();
        boolean own = value.part().equals(plan.columns().get(value.column()).id());
        return own && columns.wraps()[value.column()]
                ? type.lines(text, style, columns.widths()[value.column()], mostOf(value.column()))
                : List.of(text);
    }

    private int mostOf(int column) {
        return plan.columns().get(column).room().lines().orElse(TypeSetting.MOST_LINES);
    }

    /** How many lines the place with the most of them takes. */
    int most(List<BandCell.Value> values, IntFunction<TextStyle> style) {
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
    int[] above(List<BandCell.Value> values, IntFunction<TextStyle> style) {
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
        return plan.totals().stream()
                .filter(printed)
                .mapToInt(total -> columns.stacks().slot()[total.column()])
                .max()
                .orElse(0);
    }

    /** A column without a value keeps its line, so that those below it stand side by side. */
    private int[] counts(List<BandCell.Value> values, IntFunction<TextStyle> style) {
        int[] counts = new int[columns.x().length];
        Arrays.fill(counts, 1);
        for (BandCell.Value value : values) {
            if (columns.wraps()[value.column()]) {
                counts[value.column()] = of(value, style.apply(value.column())).size();
            }
        }
        return counts;
    }
}
