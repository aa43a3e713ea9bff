package org.grammatus.core.page;

import java.util.List;
import org.grammatus.core.typography.LineBreaker;

/**
 * Type at the size that a table was fitted with. Lengths are hundredths of a point.
 *
 * @param percent 100 as designed
 */
record TypeSetting(int percent) {

    /** A text of more lines than this is cut, so that no band outgrows a page. */
    private static final int MOST_LINES = 12;

    private static final int LINE_PERCENT = 138;

    int size(TextStyle style) {
        return style.size() * percent / 100;
    }

    int lineHeight(TextStyle style) {
        return size(style) * LINE_PERCENT / 100;
    }

    /** From the bottom of a line up to where its letters stand. */
    int descent(TextStyle style) {
        return size(style) / 4;
    }

    /** From the top of a line down to where its letters stand. */
    int ascent(TextStyle style) {
        return lineHeight(style) - descent(style);
    }

    int width(String text, TextStyle style) {
        return style.face().width(text, size(style));
    }

    List<String> lines(String text, TextStyle style, int width) {
        return lines(text, style, width, MOST_LINES);
    }

    /** The same, cut after some number of lines. */
    List<String> lines(String text, TextStyle style, int width, int most) {
        return LineBreaker.lines(
                style.face().printable(text), style.face(), size(style), Math.max(width, size(style)), most);
    }
}
