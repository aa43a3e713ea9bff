package org.grammatus.core.typography;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Locale;

/** The faces a page is set in. */
public enum Face {
    REGULAR("SourceSans3-Regular"),
    SEMIBOLD("SourceSans3-SemiBold");

    private static final int TAB = '\t';

    private final String file;
    private volatile TrueTypeFont font;

    Face(String file) {
        this.file = file;
    }

    /** The face's name in addresses and page models: {@code regular}, {@code semibold}. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The font file, in TrueType format. */
    public byte[] bytes() {
        try (InputStream in = Face.class.getResourceAsStream(file + ".ttf")) {
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private TrueTypeFont font() {
        TrueTypeFont read = font;
        if (read == null) {
            read = TrueTypeFont.read(bytes());
            font = read;
        }
        return read;
    }

    /**
     * The text as the face can print it: a character it has no glyph for becomes a replacement character, a control
     * character a space. A page never fails on a text.
     */
    public String printable(String text) {
        TrueTypeFont glyphs = font();
        boolean plain = text.codePoints().allMatch(c -> c >= ' ' && glyphs.has(c));
        if (plain) {
            return text;
        }
        int replacement = glyphs.has(0xFFFD) ? 0xFFFD : '?';
        StringBuilder out = new StringBuilder();
        text.codePoints()
                .map(c -> c < ' ' || c == TAB || Character.isISOControl(c) ? ' ' : glyphs.has(c) ? c : replacement)
                .forEach(out::appendCodePoint);
        return out.toString();
    }

    /** Whether characters of so many font units together fit a width at a size, both in hundredths of a point. */
    boolean fits(long units, int size, int width) {
        return units * size <= (long) width * font().unitsPerEm();
    }

    /** Advance of a character in font units. */
    int advance(int character) {
        return font().advance(character);
    }

    /** Width of a printable text at a size, both in hundredths of a point. */
    public int width(String text, int size) {
        TrueTypeFont glyphs = font();
        long units = 0;
        for (int i = 0; i < text.length(); ) {
            int c = text.codePointAt(i);
            units += glyphs.advance(c);
            i += Character.charCount(c);
        }
        return (int) ((units * size + glyphs.unitsPerEm() - 1) / glyphs.unitsPerEm());
    }
}
