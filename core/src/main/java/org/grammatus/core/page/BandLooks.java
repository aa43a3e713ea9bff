package org.grammatus.core.page;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.grammatus.core.band.BandCell;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.BandMarks;
import org.grammatus.core.choice.Negative;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.page.column.ColumnLayout;
import org.grammatus.core.page.column.TypeSetting;
import org.grammatus.core.plan.HighlightPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.style.MarkStyle;

/** How a band looks that is marked: what is behind it, which signs stand beside it, and in which ink its texts are. */
final class BandLooks {

    /** From a sign to what it stands beside, in parts of its own height. */
    private static final int GAP = 3;

    /** How far the ground of a cell reaches beside it. */
    private static final int BESIDE_CELL = 200;

    private static final TextStyle SIGN = TextStyle.STRONG_CELL;

    private final List<BandMarks.Mark> marks;
    private final BlockLayout layout;
    private final Sheet sheet;
    private final TablePlan plan;

    BandLooks(List<BandMarks.Mark> marks, BlockLayout layout, Sheet sheet) {
        this.marks = marks;
        this.layout = layout;
        this.sheet = sheet;
        this.plan = layout.plan();
    }

    List<BandMarks.Mark> marks() {
        return marks;
    }

    /** Index of the rule that marks it first, or {@link Page#NONE}. */
    int first() {
        return marks.stream()
                .min((a, b) -> Boolean.compare(isOfCell(a), isOfCell(b)))
                .map(BandMarks.Mark::rule)
                .orElse(Page.NONE);
    }

    private static boolean isOfCell(BandMarks.Mark mark) {
        return mark.column() != BandMarks.Mark.ALL;
    }

    private MarkStyle look(BandMarks.Mark mark) {
        return plan.inputs().style().mark(plan.highlights().get(mark.rule()).look());
    }

    /** Colours what is behind a key figure. */
    void fill(Measured.Ground ground, int top) {
        marks.stream()
                .map(mark -> look(mark).fill())
                .filter(fill -> !fill.isEmpty())
                .findFirst()
                .ifPresent(fill -> sheet.ground().fill(ground.x(), top, ground.width(), top + ground.height(), fill));
    }

    /** Colours what is behind the band, and what is behind its cells. */
    void fills(int top, int bottom) {
        if (marks.isEmpty()) {
            return;
        }
        fill(BandMarks.Mark.ALL, top, bottom);
        marks.stream()
                .filter(BandLooks::isOfCell)
                .map(BandMarks.Mark::column)
                .distinct()
                .forEach(column -> fill(column, top, bottom));
    }

    private void fill(int column, int top, int bottom) {
        ColumnLayout columns = layout.columns();
        marks.stream()
                .filter(mark -> mark.column() == column && !look(mark).fill().isEmpty())
                .findFirst()
                .ifPresent(mark -> {
                    boolean whole = column == BandMarks.Mark.ALL;
                    int left = whole ? columns.x()[0] : columns.x()[column] - BESIDE_CELL;
                    // The sign of a cell stands on its ground, too.
                    int right = whole
                            ? columns.right(columns.x().length - 1)
                            : columns.right(column) + columns.gap() - BESIDE_CELL;
                    sheet.ground()
                            .fill(left, top, right - left, bottom, look(mark).fill());
                });
    }

    /** Puts the signs of the whole band left of it, so that they are seen in print without colour. */
    void signs(BandKind kind, int top, int node) {
        List<BandMarks.Mark> whole =
                marks.stream().filter(mark -> !isOfCell(mark)).toList();
        if (whole.isEmpty()) {
            return;
        }
        boolean isRow = kind == BandKind.DETAIL || kind == BandKind.GROUP_LINE;
        String signs = whole.stream()
                .map(mark -> isRow
                        ? wordOrSign(plan.highlights().get(mark.rule()), look(mark))
                        : look(mark).sign())
                .distinct()
                .collect(Collectors.joining(" "));
        TypeSetting type = layout.type();
        int right = isRow && layout.hasWords() ? layout.columns().x()[0] : 0;
        int x = right - type.width(signs, SIGN) - type.size(SIGN) / GAP;
        String rule = plan.highlights().get(whole.getFirst().rule()).id();
        sheet.ink(look(whole.getFirst()).ink());
        sheet.text(signs, SIGN, x, top + type.ascent(SIGN), node, rule);
    }

    private static String wordOrSign(HighlightPlan rule, MarkStyle look) {
        return rule.word().isEmpty() ? look.sign() : rule.word();
    }

    /** Puts the sign of a marked cell behind it, between its column and the next. */
    void signsBeside(int column, int baseline, int node) {
        if (marks.isEmpty()) {
            return;
        }
        marks.stream().filter(mark -> mark.column() == column).findFirst().ifPresent(mark -> {
            sheet.ink(look(mark).ink());
            sheet.text(
                    look(mark).sign(),
                    SIGN,
                    layout.columns().right(column),
                    baseline,
                    node,
                    plan.highlights().get(mark.rule()).id());
        });
    }

    /** The ink of the band's words, as {@code #rrggbb}; empty for their own. */
    String ink() {
        return ink(BandMarks.Mark.ALL).orElse("");
    }

    /** The ink of a value: that of its mark, of a figure below zero, or its own. */
    String ink(BandCell.Value value) {
        if (marks.isEmpty()) {
            // So it is with most of a page's values.
            return isBelowZero(value) ? plan.inputs().style().negativeInk() : "";
        }
        return ink(value.column())
                .or(() -> isBelowZero(value) ? Optional.of(plan.inputs().style().negativeInk()) : Optional.empty())
                .orElseGet(this::ink);
    }

    private Optional<String> ink(int column) {
        return marks.stream()
                .filter(mark -> mark.column() == column && !look(mark).ink().isEmpty())
                .findFirst()
                .map(mark -> look(mark).ink());
    }

    private boolean isBelowZero(BandCell.Value value) {
        return plan.inputs().style().negative() == Negative.RED
                && isNumber(value)
                && value.format().isBelowZero(value.values(), value.at());
    }

    /** Whether a value is printed as a number. */
    static boolean isNumber(BandCell.Value value) {
        return value.said().isEmpty() && value.values().type().isNumber();
    }
}
