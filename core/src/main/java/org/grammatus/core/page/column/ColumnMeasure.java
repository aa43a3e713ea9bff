package org.grammatus.core.page.column;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.band.GroupLines;
import org.grammatus.core.band.PrintedColumn;
import org.grammatus.core.band.ValueFormat;
import org.grammatus.core.choice.Align;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.choice.layout.ColumnScale;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.group.PrintedRows;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.value.Kind;

/** Measures the widest thing a column prints, at full size. */
public final class ColumnMeasure {

    /** So many distinct values are printed and measured; more would not be wider. */
    private static final int MOST_MEASURED = 2_000;

    private final BandTexts printed;
    private final TableResult grouped;
    private final TablePlan plan;
    private final PrintedColumn column;
    private final Map<int[], BitSet> rowsByPath;
    private final TypeSetting type;
    private int widest;
    /** The widest tail of a number that is aligned by its decimal sign. */
    private int tail;

    private int head;

    /** @param rowsByPath the rows that are printed, by the way to them: columns of one table share theirs */
    public ColumnMeasure(BandTexts printed, PrintedColumn column, Map<int[], BitSet> rowsByPath) {
        this.printed = printed;
        this.grouped = printed.grouped();
        this.plan = grouped.plan();
        this.column = column;
        this.type = TypeSetting.whole(plan.inputs());
        this.rowsByPath = rowsByPath;
    }

    public int natural() {
        int natural = column.plan().print().scale().map(this::withScale).orElseGet(this::widestText);
        return Math.max(natural, head + tail);
    }

    /** How wide what stands behind the decimal sign is, where numbers stand by it; known once it is measured. */
    public int tail() {
        return tail;
    }

    private boolean isBySign() {
        return column.plan().print().align() == Align.DECIMAL;
    }

    /** With the dots before figures, or as wide as bars must be. */
    private int withScale(ColumnScale scale) {
        int texts = widestText();
        return scale.kind() == ColumnScale.Kind.BAR
                ? Math.max(texts, ScaleMarks.LEAST_BAR)
                : texts
                        + type.width(type.printable(ScaleMarks.widestDots(), TextStyle.CELL), TextStyle.CELL)
                        + type.size(TextStyle.CELL) / 2;
    }

    private int widestText() {
        if (column.plan().print().room().hasTurnedHeading()) {
            widest = type.lineHeight(TextStyle.COLUMN_HEADING);
        } else {
            for (String word : column.heading().split(" ")) {
                text(word, TextStyle.COLUMN_HEADING);
            }
        }
        // Marked rows may be set in the bolder face, which is wider.
        TextStyle row = plan.highlights().isEmpty() ? TextStyle.CELL : TextStyle.STRONG_CELL;
        column.rows().ifPresent(own -> values(own.values(), printedRows(own), column.format(), row));
        groupLines(row);
        for (int t = 0; t < plan.totals().size(); t++) {
            if (printed.columnOf(t) == column) {
                boolean grand = plan.totals().get(t).places().containsKey(TablePlan.REPORT);
                TextStyle style = grand ? TextStyle.GRAND_TOTAL : TextStyle.TOTAL;
                values(grouped.figures().totals().get(t), printed.totalFormat(t), style);
                otherRows(t);
            }
        }
        for (PrintedRows.Carried carried : grouped.rows().carried()) {
            if (printed.columnOf(carried.total()) == column) {
                values(carried.upTo(), printed.totalFormat(carried.total()), TextStyle.TOTAL);
            }
        }
        return widest;
    }

    /** What stands in the lines of groups, set off where something stands inside them. */
    private void groupLines(TextStyle row) {
        GroupLines lines = new GroupLines(plan);
        for (int depth = 0; depth < grouped.figures().shared().size(); depth++) {
            List<Column> cells = grouped.figures().shared().get(depth);
            if (!cells.isEmpty()) {
                TextStyle style = lines.hold(depth) ? TextStyle.TOTAL : row;
                values(cells.get(column.position()), column.format(), style);
                if (lines.nameColumn(depth) == column.position()) {
                    names(depth, style);
                }
            }
        }
    }

    private void names(int depth, TextStyle style) {
        GroupTree tree = grouped.tree();
        for (int place = 0; place < tree.nodeCount(); place++) {
            int node = tree.nodeAt(place);
            if (tree.depthOf(node) == depth) {
                text(printed.heading(node), style);
            }
        }
    }

    private void otherRows(int total) {
        grouped.rows()
                .others()
                .flatMap(rows -> rows.totals().get(total))
                .ifPresent(figures -> values(figures, printed.totalFormat(total), TextStyle.CELL));
    }

    /** The rows of a column's home table that are printed: what else was read makes nothing wider. */
    private BitSet printedRows(PrintedRows.Values values) {
        return rowsByPath.computeIfAbsent(values.path(), path -> {
            BitSet rows = new BitSet();
            for (int row : grouped.rows().order()) {
                rows.set(path[row]);
            }
            return rows;
        });
    }

    private void values(Column column, ValueFormat format, TextStyle style) {
        BitSet all = new BitSet();
        all.set(0, column.size());
        values(column, all, format, style);
    }

    private void values(Column column, BitSet rows, ValueFormat format, TextStyle style) {
        switch (column) {
            case Column.Texts texts -> {
                BitSet measured = new BitSet();
                for (int i = rows.nextSetBit(0); i >= 0; i = rows.nextSetBit(i + 1)) {
                    int code = texts.codes()[i];
                    if (code != Column.Texts.NULL && !measured.get(code)) {
                        measured.set(code);
                        text(texts.dictionary()[code], style);
                    }
                }
            }
            case Column.Longs longs when column.type().isNumber() -> extremes(longs, rows, format, style);
            case Column.Longs longs when column.type().isTime() -> times(longs, rows, format, style);
            default -> distinct(column, rows, format, style);
        }
    }

    /** Any digit counts as the widest one, so the smallest and the largest number are the widest. */
    private void extremes(Column.Longs column, BitSet rows, ValueFormat format, TextStyle style) {
        int least = -1;
        int most = -1;
        for (int i = rows.nextSetBit(0); i >= 0; i = rows.nextSetBit(i + 1)) {
            if (!column.isNull(i)) {
                least = least < 0 || column.values()[i] < column.values()[least] ? i : least;
                most = most < 0 || column.values()[i] > column.values()[most] ? i : most;
            }
        }
        if (least >= 0) {
            number(format.format(column, least), style);
            number(format.format(column, most), style);
            if (isBySign()) {
                number(format.format(column, finest(column, rows)), style);
            }
        }
    }

    /** A number with the most decimals: the one with the fewest zeros at its end. */
    private static int finest(Column.Longs column, BitSet rows) {
        int finest = -1;
        long step = 1;
        for (int i = rows.nextSetBit(0); i >= 0; i = rows.nextSetBit(i + 1)) {
            long value = column.values()[i];
            if (column.isNull(i) || finest >= 0 && value % step == 0) {
                continue;
            }
            if (finest < 0) {
                // As many zeros as a number of this scale may end with.
                step = 1;
                for (int digit = 0; digit < Math.min(18, column.type().scale()); digit++) {
                    step *= 10;
                }
            }
            finest = i;
            while (step > 1 && value % step != 0) {
                step /= 10;
            }
        }
        return finest;
    }

    /** Any digit counts as the widest one, so one time of each month, weekday and number of digits is as wide as any. */
    private void times(Column.Longs column, BitSet rows, ValueFormat format, TextStyle style) {
        long unit = column.type().kind() == Kind.DATE ? 1 : Scalars.MICROS_OF_DAY;
        BitSet measured = new BitSet();
        for (int i = rows.nextSetBit(0); i >= 0; i = rows.nextSetBit(i + 1)) {
            if (!column.isNull(i)) {
                long day = Math.floorDiv(column.values()[i], unit);
                LocalDate date = LocalDate.ofEpochDay(day);
                boolean lateHour = Math.floorMod(column.values()[i], unit) >= unit / 24 * 10 && unit > 1;
                int shape = date.getMonthValue() * 7 + date.getDayOfWeek().ordinal();
                shape = shape * 8
                        + (date.getDayOfMonth() >= 10 ? 4 : 0)
                        + (lateHour ? 2 : 0)
                        + (date.getYear() > 9999 ? 1 : 0);
                if (!measured.get(shape)) {
                    measured.set(shape);
                    figure(format.format(column, i), style);
                }
            }
        }
    }

    private void distinct(Column column, BitSet rows, ValueFormat format, TextStyle style) {
        Set<Object> seen = new HashSet<>();
        List<Integer> different = new ArrayList<>();
        for (int i = rows.nextSetBit(0); i >= 0 && seen.size() < MOST_MEASURED; i = rows.nextSetBit(i + 1)) {
            if (!column.isNull(i) && seen.add(column.wide(i))) {
                different.add(i);
            }
        }
        boolean numbers = column.type().isNumber();
        for (int row : different) {
            String printed = format.format(column, row);
            if (numbers) {
                number(printed, style);
            } else {
                figure(printed, style);
            }
        }
    }

    private void figure(String text, TextStyle style) {
        text(type.face(style).widest(text), style);
    }

    private void number(String printed, TextStyle style) {
        String text = type.face(style).widest(printed);
        text(text, style);
        widest = Math.max(widest, type.width(type.printable(text, style), style) + type.roomForBracket(text, style));
        if (isBySign()) {
            int start = DecimalTail.start(text, plan.locale());
            head = Math.max(head, type.width(text.substring(0, start), style));
            tail = Math.max(tail, type.width(text.substring(start), style));
        }
    }

    private void text(String text, TextStyle style) {
        widest = Math.max(widest, type.width(type.printable(text, style), style));
    }
}
