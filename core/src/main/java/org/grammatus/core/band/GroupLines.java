package org.grammatus.core.band;

import java.util.List;
import org.grammatus.core.choice.Header;
import org.grammatus.core.choice.Place;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;

/** How groups that are one line in the columns are told from one another, and from what stands inside them. By depth, found once. */
public final class GroupLines {

    /** Stands for no column. */
    public static final int NONE = -1;

    private final int[] nameColumns;
    private final boolean[] hold;

    public GroupLines(TablePlan plan) {
        this.nameColumns = new int[plan.levels().size() + 1];
        this.hold = new boolean[nameColumns.length];
        nameColumns[0] = NONE;
        boolean inside = plan.printsRows();
        for (int depth = nameColumns.length - 1; depth > 0; depth--) {
            LevelPlan level = plan.levels().get(depth - 1);
            hold[depth] = inside && level.print().header() == Header.LINE;
            inside |= level.print().header() == Header.LINE;
            nameColumns[depth] = level.print().header() == Header.LINE ? nameColumn(plan, level, depth) : NONE;
        }
    }

    /** Whether a column says by itself what the groups of a level are called. */
    static boolean isNamedBy(LevelPlan level, ColumnPlan column) {
        return column.value().equals(level.keys().value()) || level.isCalledBy(column.value());
    }

    private static int nameColumn(TablePlan plan, LevelPlan level, int depth) {
        List<ColumnPlan> columns = plan.columns();
        int first = NONE;
        for (int column = columns.size() - 1; column >= 0; column--) {
            if (isNamedBy(level, columns.get(column))) {
                return NONE;
            }
            first = hasTotal(plan, columns.get(column), depth) ? first : column;
        }
        return first;
    }

    private static boolean hasTotal(TablePlan plan, ColumnPlan column, int depth) {
        return plan.totals().stream()
                .anyMatch(total ->
                        total.column().equals(column.id()) && total.places().get(plan.levelAt(depth)) == Place.HEADER);
    }

    /**
     * The column in which the names of groups stand, where no column says them by itself: the first without a total there; else
     * {@link #NONE}.
     */
    public int nameColumn(int depth) {
        return nameColumns[depth];
    }

    /** Whether groups are lines above rows, or above lines of groups inside them, from which they are set off. */
    public boolean hold(int depth) {
        return hold[depth];
    }
}
