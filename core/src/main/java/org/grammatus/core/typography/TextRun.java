package org.grammatus.core.typography;

/**
 * A part of a text as it is drawn: glyphs of one font beside each other, from left to right.
 *
 * @param family the family of the font
 * @param text its characters in the order they stand in, letters in the forms in which they join
 * @param x how far it begins from the left edge of the text, in hundredths of a point
 * @param width in hundredths of a point
 */
public record TextRun(Family family, String text, int x, int width) {

    /** Width of so many thousandths of an em at a size, in hundredths of a point; never less than it takes. */
    static int width(long thousandths, int size) {
        return (int) ((thousandths * size + TrueTypeFont.EM - 1) / TrueTypeFont.EM);
    }
}
