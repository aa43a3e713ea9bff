package org.grammatus.core.page.column;

import java.util.BitSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.band.PrintedColumn;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;

/**
 * Where the columns stand. Widths that are not given are measured on what is printed, snapped to a coarse grid so that a small change of data
 * does not move everything. Figures are never narrowed; texts wrap where the paper is too narrow; if the figures alone do not
 * fit, all type is set smaller, down to {@value #LEAST_PERCENT} percent.
 *
 * @param x left edges, in hundredths of a point from the table's left
 * @param widths widths
 * @param wraps whether a column's cells may need more than one line
 * @param percent size of the type, 100 as designed
 * @param stacks which columns stand below others
 * @param tails by column, room behind the decimal signs of numbers that stand by them
 */
public record ColumnLayout(int[] x, int[] widths, boolean[] wraps, int percent, ColumnStacks stacks, int[] tails) {

    private static final int GRID = 400;
    public static final int GAP = 900;
    private static final int LEAST_TEXT = 4_000;
    private static final int WIDEST_TEXT = 18_000;
    /** How far texts are set apart from what follows them. */
    private static final int MOST_APART = 7_200;
    /** The smallest that type is set. */
    public static final int LEAST_PERCENT = 50;

    /**
     * Fits a table's columns.
     *
     * @param width the room there is
     * @param indent how much of it the headings of groups keep free at the left
     * @throws ProblemException if the columns do not fit
     */
    public static ColumnLayout of(BandTexts printed, int width, int indent, int most) {
        List<PrintedColumn> columns = printed.columns();
        int[] natural = new int[columns.size()];
        int[] tails = new int[columns.size()];
        Map<int[], BitSet> rowsByPath = new IdentityHashMap<>();
        for (int c = 0; c < natural.length; c++) {
            ColumnMeasure measure = new ColumnMeasure(printed, columns.get(c), rowsByPath);
            natural[c] = measure.natural();
            tails[c] = measure.tail();
        }
        int available = width - indent;
        ColumnStacks stacks = ColumnStacks.of(columns);
        for (int percent = most; percent >= LEAST_PERCENT; percent -= 5) {
            Optional<ColumnLayout> fitted = fit(columns, stacks, natural, tails, indent, available, percent);
            if (fitted.isPresent()) {
                return fitted.get();
            }
        }
        int widest = 0;
        for (int c = 1; c < natural.length; c++) {
            int own = asked(columns.get(c).plan(), natural[c], available);
            widest = own > asked(columns.get(widest).plan(), natural[widest], available) ? c : widest;
        }
        throw new ProblemException(Problem.error(
                columns.get(widest).plan().pointer(),
                "the columns do not fit the paper, even in small type; remove columns, use landscape or narrower margins,"
                        + " or narrow \"" + columns.get(widest).plan().label() + "\", the widest"));
    }

    /** No columns at all. */
    public static ColumnLayout none(int percent) {
        return new ColumnLayout(
                new int[0], new int[0], new boolean[0], percent, ColumnStacks.of(List.of()), new int[0]);
    }

    private static Optional<ColumnLayout> fit(
            List<PrintedColumn> columns,
            ColumnStacks stacks,
            int[] natural,
            int[] tails,
            int left,
            int available,
            int percent) {
        int count = columns.size();
        int[] hosts = stacks.hosts();
        int[] least = new int[count];
        boolean[] rigid = new boolean[count];
        int[] widths = new int[count];
        int gap = GAP * percent / 100;
        int fixed = gap * Math.max(0, hosts.length - 1);
        int texts = 0;
        int leastTexts = 0;
        for (int c : hosts) {
            rigid[c] = true;
            for (int one : stacks.of(c)) {
                int own = room(columns.get(one).plan(), natural[one], available, percent);
                boolean isRigid = columns.get(one).plan().rigid();
                rigid[c] &= isRigid;
                widths[c] = Math.max(widths[c], isRigid ? own : Math.min(own, WIDEST_TEXT));
                // A text that stands with figures wraps in no less than they need.
                least[c] = Math.max(least[c], isRigid ? own : Math.min(own, LEAST_TEXT * percent / 100));
            }
            if (rigid[c]) {
                fixed += widths[c];
            } else {
                texts += widths[c];
                leastTexts += least[c];
            }
        }
        int room = available - fixed;
        if (room < leastTexts) {
            return Optional.empty();
        }
        boolean[] wraps = new boolean[count];
        if (texts > room) {
            narrow(hosts, rigid, widths, least, texts - leastTexts, texts - room);
        } else {
            widen(hosts, rigid, columns, widths, room - texts);
        }
        int[] x = new int[count];
        int at = left;
        for (int c : hosts) {
            x[c] = at;
            at += widths[c] + gap;
        }
        for (int c = 0; c < count; c++) {
            x[c] = x[stacks.host()[c]];
            widths[c] = widths[stacks.host()[c]];
            wraps[c] = !columns.get(c).plan().value().type().isNumber() && natural[c] * percent / 100 > widths[c];
        }
        int[] ownTails =
                IntStream.of(tails).map(tail -> (tail * percent + 99) / 100).toArray();
        return Optional.of(new ColumnLayout(x, widths, wraps, percent, stacks, ownTails));
    }

    /** Takes what is missing from the text columns, from each in proportion to what it can spare. */
    private static void narrow(int[] hosts, boolean[] rigid, int[] widths, int[] least, long spare, long missing) {
        for (int c : hosts) {
            if (!rigid[c]) {
                int own = widths[c] - least[c];
                widths[c] -= (int) ((own * missing + spare - 1) / Math.max(1, spare));
            }
        }
    }

    /**
     * Spreads what is left over, so that the last column stands at the paper's right edge: among the texts, as far as the eye finds from
     * one column to the next, and what is more among all columns whose width is not given.
     */
    private static void widen(int[] hosts, boolean[] rigid, List<PrintedColumn> columns, int[] widths, int left) {
        int[] texts = IntStream.of(hosts).filter(c -> !rigid[c]).toArray();
        if (texts.length == 0) {
            // Names of groups have it before the first figure.
            if (hosts.length > 0 && columns.getFirst().plan().print().isFree()) {
                widths[0] += left;
            }
            return;
        }
        int among = Math.min(left, texts.length * MOST_APART);
        spread(texts, widths, among);
        spread(
                IntStream.of(hosts)
                        .filter(c -> columns.get(c).plan().print().isFree())
                        .toArray(),
                widths,
                left - among);
    }

    private static void spread(int[] over, int[] widths, int room) {
        int spread = 0;
        for (int i = 0; i < over.length; i++) {
            int share = (int) ((long) room * (i + 1) / over.length) - spread;
            widths[over[i]] += share;
            spread += share;
        }
    }

    /** The width asked for; figures have what they need even so. */
    private static int asked(ColumnPlan column, int natural, int available) {
        int asked = column.print()
                .room()
                .share()
                .map(share -> available * share / 100)
                .or(() -> column.print().width().map(points -> points * 100))
                .orElse(natural);
        return column.value().type().isNumber() ? Math.max(asked, natural) : asked;
    }

    /** The room that a column takes: a width that is given as it is, one that is measured on the grid. */
    private static int room(ColumnPlan column, int natural, int available, int percent) {
        int asked = asked(column, natural, available);
        boolean isGiven = asked != natural;
        int own = asked * percent / 100;
        return isGiven ? own : (own + GRID - 1) / GRID * GRID;
    }

    public boolean anyWraps() {
        for (boolean wrap : wraps) {
            if (wrap) {
                return true;
            }
        }
        return false;
    }

    /** Room between two columns. */
    public int gap() {
        return GAP * percent / 100;
    }

    public int right(int column) {
        return x[column] + widths[column];
    }
}
