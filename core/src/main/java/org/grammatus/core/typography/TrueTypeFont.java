package org.grammatus.core.typography;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;

/**
 * What layout needs of a TrueType font (OpenType 1.9): advance widths from {@code hmtx} in thousandths of an em ({@code head}), and
 * the glyphs of characters from a Unicode {@code cmap} of format 4. Immutable.
 */
final class TrueTypeFont {

    /** What advances are counted in: so many make an em. */
    static final int EM = 1000;

    private static final int BASIC_PLANE = 0x10000;

    /** By character of the basic plane: its advance, or -1 where there is no glyph. */
    private final short[] advances;

    private TrueTypeFont(short[] advances) {
        this.advances = advances;
    }

    static TrueTypeFont read(byte[] bytes) {
        ByteBuffer font = ByteBuffer.wrap(bytes);
        Map<String, Integer> tables = tables(font);
        int unitsPerEm = unsigned(font, tables.get("head") + 18);
        int metrics = unsigned(font, tables.get("hhea") + 34);
        int widths = tables.get("hmtx");
        short[] advances = new short[BASIC_PLANE];
        int subtable = unicodeSubtable(font, tables.get("cmap"));
        for (int c = 0; c < BASIC_PLANE; c++) {
            int glyph = TextRuns.isUnseen(c) || Character.isISOControl(c) ? 0 : glyph(font, subtable, c);
            advances[c] = glyph == 0
                    ? -1
                    : (short) Math.min(
                            Short.MAX_VALUE,
                            unsigned(font, widths + 4 * Math.min(glyph, metrics - 1)) * EM / unitsPerEm);
        }
        return new TrueTypeFont(advances);
    }

    /** Where the tables of a file begin, by their tags. */
    static Map<String, Integer> tables(ByteBuffer font) {
        Map<String, Integer> tables = new HashMap<>();
        byte[] tag = new byte[4];
        for (int i = 0; i < unsigned(font, 4); i++) {
            int entry = 12 + 16 * i;
            font.get(entry, tag);
            tables.put(new String(tag, StandardCharsets.US_ASCII), font.getInt(entry + 8));
        }
        return tables;
    }

    private static int unicodeSubtable(ByteBuffer font, int cmap) {
        int count = unsigned(font, cmap + 2);
        for (int i = 0; i < count; i++) {
            int subtable = cmap + font.getInt(cmap + 4 + 8 * i + 4);
            int platform = unsigned(font, cmap + 4 + 8 * i);
            if ((platform == 0 || platform == 3) && unsigned(font, subtable) == 4) {
                return subtable;
            }
        }
        throw new IllegalArgumentException("The font has no character map of format 4");
    }

    /** The number of a character's glyph; 0 where there is none. */
    static int glyphOf(ByteBuffer font, int c) {
        return glyph(font, unicodeSubtable(font, tables(font).get("cmap")), c);
    }

    private static int glyph(ByteBuffer font, int subtable, int c) {
        int doubled = unsigned(font, subtable + 6);
        int ends = subtable + 14;
        int starts = ends + doubled + 2;
        int deltas = starts + doubled;
        int offsets = deltas + doubled;
        int low = 0;
        int high = doubled / 2 - 1;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (unsigned(font, ends + 2 * middle) < c) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        int start = unsigned(font, starts + 2 * low);
        if (start > c || unsigned(font, ends + 2 * low) < c) {
            return 0;
        }
        int delta = font.getShort(deltas + 2 * low);
        int offset = unsigned(font, offsets + 2 * low);
        if (offset == 0) {
            return (c + delta) & 0xFFFF;
        }
        int glyph = unsigned(font, offsets + 2 * low + offset + 2 * (c - start));
        return glyph == 0 ? 0 : (glyph + delta) & 0xFFFF;
    }

    private static int unsigned(ByteBuffer font, int at) {
        return font.getShort(at) & 0xFFFF;
    }

    boolean has(int c) {
        return c < BASIC_PLANE && advances[c] >= 0;
    }

    /** Advance width in thousandths of an em; 0 for a character without a glyph. */
    int advance(int c) {
        return has(c) ? advances[c] : 0;
    }
}
