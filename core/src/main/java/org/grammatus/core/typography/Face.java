package org.grammatus.core.typography;

import com.ibm.icu.text.Normalizer2;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * A weight of the family that a page is set in. What the family lacks is set in those that come along. Widths are of the family itself
 * where a text is plain, of all families that it needs elsewhere.
 */
public final class Face {

    /** The characters that put accents on those before them. */
    private static final int COMBINING = 0x300;

    private static final int COMBINING_END = 0x36F;

    private static final Pattern DIGIT = Pattern.compile("[0-9]");

    private final Family family;
    private final Weight weight;
    private volatile TrueTypeFont base;

    Face(Family family, Weight weight) {
        this.family = family;
        this.weight = weight;
    }

    public Weight weight() {
        return weight;
    }

    /** The font of plain texts. */
    private TrueTypeFont base() {
        TrueTypeFont read = base;
        if (read == null) {
            read = family.font(weight);
            base = read;
        }
        return read;
    }

    /** The family of a character: the first that has it. */
    Family familyOf(int character) {
        if (base().has(character)) {
            return family;
        }
        for (Family shipped : Family.SHIPPED) {
            if (shipped.font(weight).has(character)) {
                return shipped;
            }
        }
        return family;
    }

    /** Whether a text is set in its family alone, from left to right, a glyph for each character. */
    public boolean isPlain(String text) {
        TrueTypeFont glyphs = base();
        for (int i = 0; i < text.length(); i++) {
            if (!isPlain(text.charAt(i), glyphs)) {
                return false;
            }
        }
        return true;
    }

    private static boolean isPlain(char c, TrueTypeFont glyphs) {
        return glyphs.has(c) && (c < COMBINING || c > COMBINING_END);
    }

    /**
     * The text as it can be printed: control characters are spaces, letters are joined with their accents where there is one
     * character for both (Unicode's form C), and a character that no family has stands by its number, so that it is not lost. A
     * page never fails on a text.
     */
    public String printable(String text) {
        if (isPlain(text)) {
            return text;
        }
        String composed = text.chars().anyMatch(c -> c >= COMBINING)
                ? Normalizer2.getNFCInstance().normalize(text)
                : text;
        StringBuilder out = new StringBuilder(composed.length());
        composed.codePoints().forEach(c -> {
            if (Character.isISOControl(c)) {
                out.append(' ');
            } else if (TextRuns.isUnseen(c) || familyOf(c).font(weight).has(c)) {
                out.appendCodePoint(c);
            } else {
                out.append("⟨%04X⟩".formatted(c));
            }
        });
        return out.toString();
    }

    /** Whether characters of so many thousandths of an em together fit a width at a size, both in hundredths of a point. */
    static boolean fits(long thousandths, int size, int width) {
        return thousandths * size <= (long) width * TrueTypeFont.EM;
    }

    /** Advance of a character of a plain text, in thousandths of an em. */
    int advance(int character) {
        return base().advance(character);
    }

    /** Whether all digits are of one width, so that those of figures stand below one another. */
    public boolean hasTabularFigures() {
        TrueTypeFont glyphs = base();
        return IntStream.rangeClosed('0', '9').allMatch(digit -> glyphs.advance(digit) == glyphs.advance('0'));
    }

    /** A figure that is as wide as any that differs from this one in its digits alone. */
    public String widest(String figure) {
        if (hasTabularFigures()) {
            return figure;
        }
        TrueTypeFont glyphs = base();
        int digit = IntStream.rangeClosed('0', '9')
                .boxed()
                .max(Comparator.comparingInt(glyphs::advance))
                .orElseThrow();
        return DIGIT.matcher(figure).replaceAll(Character.toString(digit));
    }

    /** Width of a printable text at a size, both in hundredths of a point. */
    public int width(String text, int size) {
        TrueTypeFont glyphs = base();
        long advance = 0;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (!isPlain(c, glyphs)) {
                return TextRun.width(TextRuns.advance(text, this), size);
            }
            advance += glyphs.advance(c);
        }
        return TextRun.width(advance, size);
    }

    /** What is drawn of a printable text at a size, from left to right. */
    public List<TextRun> runs(String text, int size) {
        return TextRuns.of(text, this, size);
    }
}
