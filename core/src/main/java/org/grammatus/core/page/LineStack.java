package org.grammatus.core.page;

import java.util.ArrayList;
import java.util.List;
import org.grammatus.core.band.BandCell;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.page.column.TypeSetting;

/** The lines of a band's words, put one below the other. Used once. */
final class LineStack {

    private final TypeSetting type;
    private final List<Measured.Line> lines = new ArrayList<>();
    private int y;

    /** @param y where the first line begins, from the band's top */
    LineStack(TypeSetting type, int y) {
        this.type = type;
        this.y = y;
    }

    /** The lines that are put so far. */
    List<Measured.Line> lines() {
        return lines;
    }

    /** How far down it has come. */
    int y() {
        return y;
    }

    /** Takes one line more and returns its baseline. */
    int line(TextStyle style) {
        y += type.lineHeight(style);
        return y - type.descent(style);
    }

    /** Goes down as far as the values of columns that stand below one another reach. */
    void reach(int below, int values, TextStyle style) {
        y = below == 0 ? y : Math.max(y, values + type.descent(style) + below * type.lineHeight(style));
    }

    /** Puts words, broken into lines of a width. */
    void put(BandCell.Words words, TextStyle style, int x, int width) {
        for (String line : type.lines(words.text(), style, width)) {
            lines.add(new Measured.Line(line, style, x, line(style), words.part()));
        }
    }
}
