package org.grammatus.core.page;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.band.BandCell;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.BandLook;
import org.grammatus.core.band.Bands;
import org.grammatus.core.band.CellLook;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.page.column.ColumnLayout;
import org.grammatus.core.page.column.NameRooms;
import org.grammatus.core.page.column.ScaleMarks;
import org.grammatus.core.page.column.TypeSetting;

/** Draws the bands of a table: coloured grounds, signs and lines, and the values under their columns. */
final class TablePainter {

    /** From a sign to what it stands beside, in parts of its own height. */
    private static final int GAP = 3;

    /** How far the ground of a cell reaches beside it. */
    private static final int BESIDE_CELL = 200;

    private static final int ABOVE_BAR = 100;

    private static final TextStyle SIGN = TextStyle.STRONG_CELL;

    private final TableBlockLayout layout;
    private final Bands bands;
    private final ColumnLayout columns;
    private final TypeSetting type;
    private final RowLines rowLines;
    private final NameRooms rooms;
    private final BandRules rules;
    private final List<Optional<ScaleMarks>> scales;
    /** Whether words stand beside marked rows, for which room is kept. */
    private final boolean hasWords;

    TablePainter(TableBlockLayout layout, RowLines rowLines, NameRooms rooms, boolean hasWords) {
        this.layout = layout;
        this.bands = layout.bands();
        this.columns = layout.columns();
        this.type = layout.type();
        this.rowLines = rowLines;
        this.rooms = rooms;
        this.rules = new BandRules(layout);
        this.hasWords = hasWords;
        this.scales = layout.contents().columns().stream()
                .map(column -> ScaleMarks.of(bands.grouped(), column))
                .toList();
    }

    /** What stands behind the texts of a band, and the signs beside it. */
    void ground(int band, Measured measured, BandLook look, int y, PageAssembler sheet) {
        BandKind kind = bands.kind(band);
        int node = bands.node(band);
        if (!look.isPlain()) {
            fills(look, y, y + measured.own(), sheet);
            signs(look, kind, y, node, sheet);
        }
        if (measured.rule() != Measured.NO_RULE) {
            int indent = rooms.indent(bands.grouped().tree().depthOf(node));
            sheet.ground().rule(indent, y + measured.rule(), layout.width() - indent, rules.aboveTotals(kind, node));
        }
        rules.below(band, y + measured.own(), sheet);
    }

    private void fills(BandLook look, int top, int bottom, PageAssembler sheet) {
        if (!look.fill().isEmpty()) {
            int left = columns.x()[0];
            int right = columns.right(columns.x().length - 1);
            sheet.ground().fill(left, top, right - left, bottom, look.fill());
        }
        for (BandLook.CellFill cell : look.cellFills(layout.contents().columns())) {
            int column = cell.column().position();
            int left = columns.x()[column] - BESIDE_CELL;
            // The sign of a cell stands on its ground, too.
            int right = columns.right(column) + columns.gap() - BESIDE_CELL;
            sheet.ground().fill(left, top, right - left, bottom, cell.colour());
        }
    }

    /** Puts the signs of the whole band left of it. */
    private void signs(BandLook look, BandKind kind, int top, int node, PageAssembler sheet) {
        boolean isRow = kind == BandKind.DETAIL || kind == BandKind.GROUP_LINE;
        look.signs(isRow).ifPresent(signs -> {
            int right = isRow && hasWords ? columns.x()[0] : 0;
            int x = right - type.width(signs.text(), SIGN) - type.size(SIGN) / GAP;
            sheet.ink(signs.ink());
            sheet.text(signs.text(), SIGN, x, top + type.ascent(SIGN), node, signs.rule());
        });
    }

    /** The values of a band, each under its column. */
    void values(int band, Measured measured, int y, PageAssembler sheet) {
        BandKind kind = bands.kind(band);
        TextStyle ofBand = layout.valueStyle(band);
        List<BandCell.Value> values = layout.contents().values(bands, band);
        int[] above = kind.isRow() && columns.anyWraps()
                ? rowLines.above(values, ofBand)
                : columns.stacks().slot();
        for (BandCell.Value value : values) {
            if (value.repeats() && sheet.isHere(bands.rowAbove(band))) {
                continue;
            }
            TextStyle style = RowLines.styleOf(value, ofBand);
            int position = value.column().position();
            int baseline = y + measured.values() + above[position] * type.lineHeight(style);
            sheet.ink(value.ink());
            if (kind == BandKind.DETAIL || kind == BandKind.GROUP_LINE) {
                scales.get(position)
                        .filter(scale -> scale.isDrawn(value))
                        .ifPresent(scale -> scale(scale, value, measured, y, sheet));
            }
            int first = baseline;
            for (String line : rowLines.of(value, style)) {
                sheet.columnText(line, style, value.column(), baseline, value.node(), value.part(), value.isNumber());
                baseline += type.lineHeight(style);
            }
            value.look().sign().ifPresent(sign -> signBeside(sign, value, first, sheet));
        }
    }

    /** Puts the sign of a marked cell behind it, between its column and the next. */
    private void signBeside(CellLook.Sign sign, BandCell.Value value, int baseline, PageAssembler sheet) {
        sheet.ink(sign.ink());
        int x = columns.right(value.column().position());
        sheet.text(sign.text(), SIGN, x, baseline, value.node(), sign.rule());
    }

    /** The bar behind a figure, or the dots before it. */
    private void scale(ScaleMarks scale, BandCell.Value value, Measured measured, int y, PageAssembler sheet) {
        int position = value.column().position();
        int left = columns.x()[position];
        if (scale.isBar()) {
            int[] bar = scale.bar(value, columns.widths()[position]);
            int bottom = y + measured.own() - layout.look().spacing().belowRow();
            sheet.ground().fill(left + bar[0], y + ABOVE_BAR, bar[1] - bar[0], bottom, ScaleMarks.TINT);
        } else {
            sheet.text(scale.dots(value), TextStyle.CELL, left, y + measured.values(), value.node(), value.part());
        }
    }
}
