package org.grammatus.core.page.column;

import java.util.List;
import org.grammatus.core.choice.Negative;
import org.grammatus.core.choice.TextStyle;
import org.grammatus.core.plan.RunInputs;
import org.grammatus.core.plan.style.PrintStyle;
import org.grammatus.core.typography.Face;
import org.grammatus.core.typography.Family;
import org.grammatus.core.typography.LineBreaker;
import org.grammatus.core.typography.Weight;

/**
 * Type at the size that a table was fitted with. Lengths are hundredths of a point.
 *
 * @param percent 100 as designed
 */
public record TypeSetting(int percent, PrintStyle look, Family family) {

    private static final String BRACKET = ")";

    /** A text of more lines than this is cut, so that no band outgrows a page. */
    public static final int MOST_LINES = 12;

    /** Type as designed. */
    public static TypeSetting whole(RunInputs inputs) {
        return of(100, inputs);
    }

    /** Type of a part of its size. */
    public static TypeSetting of(int percent, RunInputs inputs) {
        return new TypeSetting(percent, inputs.style(), inputs.family());
    }

    public Face face(TextStyle style) {
        return family.face(look.texts().get(style).bold() ? Weight.SEMIBOLD : Weight.REGULAR);
    }

    public String ink(TextStyle style) {
        return look.texts().get(style).ink();
    }

    public int size(TextStyle style) {
        return look.texts().get(style).size() * percent / 100;
    }

    public int lineHeight(TextStyle style) {
        return size(style) * look.spacing().linePercent() / 100;
    }

    /** From the bottom of a line up to where its letters stand. */
    public int descent(TextStyle style) {
        return size(style) / 4;
    }

    /** From the top of a line down to where its letters stand. */
    public int ascent(TextStyle style) {
        return lineHeight(style) - descent(style);
    }

    /** The text as its face can print it. */
    public String printable(String text, TextStyle style) {
        return face(style).printable(text);
    }

    public int width(String text, TextStyle style) {
        return face(style).width(text, size(style));
    }

    /** What a figure keeps free at its right, where those below zero stand in brackets. */
    public int roomForBracket(String figure, TextStyle style) {
        return look.figures().negative() == Negative.BRACKETS && !figure.isEmpty() && !figure.endsWith(BRACKET)
                ? width(BRACKET, style)
                : 0;
    }

    public List<String> lines(String text, TextStyle style, int width) {
        return lines(text, style, width, MOST_LINES);
    }

    /** The same, cut after some number of lines. */
    public List<String> lines(String text, TextStyle style, int width, int most) {
        Face face = face(style);
        return LineBreaker.lines(face.printable(text), face, size(style), Math.max(width, size(style)), most);
    }
}
