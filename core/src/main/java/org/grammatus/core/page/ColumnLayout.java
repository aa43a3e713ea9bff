package org.grammatus.core.page;

import java.util.BitSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.band.Printed;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;

/**
 * Where the columns stand. Widths are measured on what is printed, snapped to a coarse grid so that a small change of data
 * does not move everything. Figures are never narrowed; texts wrap where the paper is too narrow; if the figures alone do not
 * fit, all type is set smaller, down to {@value #LEAST_PERCENT} percent.
 *
 * @param x left edges, in hundredths of a point from the table's left
 * @param widths widths
 * @param wraps whether a column's cells may need more than one line
 * @param percent size of the type, 100 as designed
 */
record ColumnLayout(int[] x, int[] widths, boolean[] wraps, int percent) {

    private static final int GRID = 400;
    static final int GAP = 900;
    private static final int LEAST_TEXT = 4_000;
    private static final int WIDEST_TEXT = 18_000;
    private static final int LEAST_PERCENT = 50;

    /**
     * Fits a table's columns.
     *
     * @param width the room there is
     * @param indent how much of it the headings of groups keep free at the left
     * @throws ProblemException if the columns do not fit
     */
    static ColumnLayout of(Printed printed, int width, int indent) {
        List<ColumnPlan> columns = printed.grouped().plan().columns();
        int[] natural = new int[columns.size()];
        Map<int[], BitSet> rowsByPath = new IdentityHashMap<>();
        for (int c = 0; c < natural.length; c++) {
            natural[c] = new ColumnMeasure(printed, c, rowsByPath).natural();
        }
        int available = width - indent;
        for (int percent = 100; percent >= LEAST_PERCENT; percent -= 5) {
            Optional<ColumnLayout> fitted = fit(columns, natural, indent, available, percent);
            if (fitted.isPresent()) {
                return fitted.get();
            }
        }
        int widest = 0;
        for (int c = 1; c < natural.length; c++) {
            int own = asked(columns.get(c), natural[c], available);
            widest = own > asked(columns.get(widest), natural[widest], available) ? c : widest;
        }
        throw new ProblemException(Problem.error(
                columns.get(widest).pointer(),
                "the columns do not fit the paper, even in small type; remove columns, use landscape or narrower margins,"
                        + " or narrow \"" + columns.get(widest).label() + "\", the widest"));
    }

    /** No columns at all. */
    static ColumnLayout none(int percent) {
        return new ColumnLayout(new int[0], new int[0], new boolean[0], percent);
    }

    private static Optional<ColumnLayout> fit(
            List<ColumnPlan> columns, int[] natural, int left, int available, int percent) {
        int count = columns.size();
        int[] widths = new int[count];
        int gap = GAP * percent / 100;
        int fixed = gap * Math.max(0, count - 1);
        int texts = 0;
        int leastTexts = 0;
        for (int c = 0; c < count; c++) {
            widths[c] = snapped(asked(columns.get(c), natural[c], available) * percent / 100);
            if (columns.get(c).rigid()) {
                fixed += widths[c];
            } else {
                widths[c] = Math.min(widths[c], WIDEST_TEXT);
                texts += widths[c];
                leastTexts += least(widths[c], percent);
            }
        }
        int room = available - fixed;
        if (room < leastTexts) {
            return Optional.empty();
        }
        boolean[] wraps = new boolean[count];
        if (texts > room) {
            narrow(columns, widths, room, leastTexts, texts, percent);
        } else {
            widen(columns, widths, room - texts);
        }
        int[] x = new int[count];
        int at = left;
        for (int c = 0; c < count; c++) {
            x[c] = at;
            at += widths[c] + gap;
            wraps[c] = !columns.get(c).value().type().isNumber() && natural[c] * percent / 100 > widths[c];
        }
        return Optional.of(new ColumnLayout(x, widths, wraps, percent));
    }

    /** Takes what is missing from the text columns, from each in proportion to what it can spare. */
    private static void narrow(
            List<ColumnPlan> columns, int[] widths, int room, int leastTexts, int texts, int percent) {
        long spare = texts - leastTexts;
        long missing = texts - room;
        for (int c = 0; c < widths.length; c++) {
            if (!columns.get(c).rigid()) {
                int own = widths[c] - least(widths[c], percent);
                widths[c] -= (int) ((own * missing + spare - 1) / Math.max(1, spare));
            }
        }
    }

    /** Spreads what is left over among the text columns, so that the figures stand at the paper's right edge. */
    private static void widen(List<ColumnPlan> columns, int[] widths, int left) {
        int texts = (int) columns.stream().filter(column -> !column.rigid()).count();
        if (texts == 0 && widths.length > 0 && columns.getFirst().isFree()) {
            widths[0] += left;
        }
        int spread = 0;
        for (int c = 0, seen = 0; c < widths.length; c++) {
            if (!columns.get(c).rigid()) {
                seen++;
                int share = (int) ((long) left * seen / texts) - spread;
                widths[c] += share;
                spread += share;
            }
        }
    }

    /** The width asked for; figures have what they need even so. */
    private static int asked(ColumnPlan column, int natural, int available) {
        int asked = column.room()
                .share()
                .map(share -> available * share / 100)
                .or(() -> column.width().map(points -> points * 100))
                .orElse(natural);
        return column.value().type().isNumber() ? Math.max(asked, natural) : asked;
    }

    private static int least(int width, int percent) {
        return Math.min(width, LEAST_TEXT * percent / 100);
    }

    private static int snapped(int width) {
        return (width + GRID - 1) / GRID * GRID;
    }

    boolean anyWraps() {
        for (boolean wrap : wraps) {
            if (wrap) {
                return true;
            }
        }
        return false;
    }

    /** Room between two columns. */
    int gap() {
        return GAP * percent / 100;
    }

    int right(int column) {
        return x[column] + widths[column];
    }
}
